"""The small files of a site that are not pages: robots file, manifest."""

import json
from functools import lru_cache
from typing import Any
from urllib.parse import quote

from hestor.core import languages
from hestor.core.facts import words
from hestor.core.facts.document import Facts
from hestor.core.imaging import palettes
from hestor.rendering.brand_files import BrandFiles


@lru_cache(maxsize=4096)
def address(origin: str, path: str) -> str:
    """The full address of a path, percent-encoded (RFC 3986)."""
    return origin + quote(path, safe="/-._~", errors="replace")


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
