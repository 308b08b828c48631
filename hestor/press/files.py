"""The small files of a site that are not pages: site map, robots file, manifest, structured data."""

import json
from collections.abc import Iterable
from typing import Any
from urllib.parse import quote

from lxml import etree

from hestor.core import languages
from hestor.core.facts import words
from hestor.core.facts.document import Facts
from hestor.core.imaging import palettes
from hestor.press.brand_files import BrandFiles

_SITEMAP = "http://www.sitemaps.org/schemas/sitemap/0.9"


def address(origin: str, path: str) -> str:
    """The full address of a path, percent-encoded (RFC 3986)."""
    return origin + quote(path, safe="/-._~", errors="replace")


def sitemap(origin: str, paths: Iterable[str]) -> bytes:
    """A site map (sitemaps.org protocol 0.9)."""
    root = etree.Element("urlset", nsmap={None: _SITEMAP})  # type: ignore[dict-item]
    for path in paths:
        etree.SubElement(etree.SubElement(root, "url"), "loc").text = address(origin, path)
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
        "start_url": "/",
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
    found = [{"src": f"{folder}icon-{side}.png", "sizes": f"{side}x{side}", "type": "image/png"} for side in (192, 512)]
    if "icon.svg" in brand.icon_names:
        found.insert(0, {"src": f"{folder}icon.svg", "sizes": "any", "type": "image/svg+xml"})
    found.append({"src": f"{folder}maskable-512.png", "sizes": "512x512", "type": "image/png", "purpose": "maskable"})
    return found


def structured(facts: Facts, origin: str, brand: BrandFiles) -> str:
    """A schema.org WebSite record as JSON-LD, safe inside a script element."""
    record: dict[str, Any] = {
        "@context": "https://schema.org",
        "@type": "WebSite",
        "name": facts.name,
        "alternateName": words.shown_short_name(facts),
        "url": origin + "/",
        "inLanguage": facts.language,
    }
    if facts.description:
        record["description"] = facts.description
    if brand.logo:
        record["publisher"] = {"@type": "Organization", "name": facts.name, "logo": origin + brand.logo.src}
    record["image"] = origin + brand.share.src
    text = json.dumps(record, ensure_ascii=False)
    # "</script" and "<!--" would end or change the element wherever they stand (HTML, 4.12.1.3).
    for character in "<>&":
        text = text.replace(character, f"\\u{ord(character):04x}")
    return text
