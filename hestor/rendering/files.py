"""The small files of a site that are not pages: site map, robots file, manifest."""

import json
from collections.abc import Mapping
from datetime import datetime
from functools import lru_cache
from typing import Any
from urllib.parse import quote

from lxml import etree

from hestor.core import languages
from hestor.core.facts import words
from hestor.core.facts.document import Facts
from hestor.core.imaging import palettes
from hestor.rendering.brand_files import BrandFiles

_SITEMAP = "http://www.sitemaps.org/schemas/sitemap/0.9"


@lru_cache(maxsize=4096)
def address(origin: str, path: str) -> str:
    """The full address of a path, percent-encoded (RFC 3986)."""
    return origin + quote(path, safe="/-._~", errors="replace")


def sitemap(origin: str, paths: Mapping[str, datetime | None]) -> bytes:
    """A site map (sitemaps.org protocol 0.9): each address once, with when its words last changed."""
    root = etree.Element("urlset", nsmap={None: _SITEMAP})  # type: ignore[dict-item]
    for path, worded in paths.items():
        entry = etree.SubElement(root, "url")
        etree.SubElement(entry, "loc").text = address(origin, path)
        if worded:
            etree.SubElement(entry, "lastmod").text = worded.isoformat(timespec="seconds")
    return etree.tostring(root, xml_declaration=True, encoding="utf-8")


def robots(origin: str) -> bytes:
    """A robots file (RFC 9309): all but private previews."""
    return f"User-agent: *\nDisallow: /_preview/\n\nSitemap: {origin}/sitemap.xml\n".encode()


def manifest(facts: Facts, brand: BrandFiles) -> bytes:
    """A web app manifest (W3C): what a phone calls the site on its home screen."""
    record: dict[str, Any] = {
        "name": facts.name,
        "short_name": words.shown_short_name(facts),
        "lang": facts.language,
        "dir": languages.direction(facts.language),
        "id": "/",
        "start_url": "/",
        "scope": "/",
        "display": "browser",
        "theme_color": facts.brand_colour,
        "background_color": palettes.GROUND["light"],
        "icons": _icons(brand),
    }
    if facts.description:
        record["description"] = facts.description
    return json.dumps(record, ensure_ascii=False, indent=1).encode(errors="replace")


def _icons(brand: BrandFiles) -> list[dict[str, str]]:
    folder = brand.icon_folder
    icons = [{"src": f"{folder}icon-{side}.png", "sizes": f"{side}x{side}", "type": "image/png"} for side in (192, 512)]
    if "icon.svg" in brand.icon_names:
        icons.insert(0, {"src": f"{folder}icon.svg", "sizes": "any", "type": "image/svg+xml"})
    icons.append({"src": f"{folder}maskable-512.png", "sizes": "512x512", "type": "image/png", "purpose": "maskable"})
    return icons
