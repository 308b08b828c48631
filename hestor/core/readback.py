"""What rendered bytes say of their site: the one reader behind proofs and checks.

Pages are read with an HTML5 parser (selectolax on Lexbor), feeds with lxml, manifests as JSON. Nothing here
knows how a page was made: a page that does not say a thing reads as an empty text.
"""

import json
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from lxml import etree
from selectolax.lexbor import LexborHTMLParser

_ATOM = "{http://www.w3.org/2005/Atom}"


def _words(text: str | None) -> str:
    return " ".join((text or "").split())


class PageSays:
    """A rendered page, read. Texts come with white space folded, as a browser shows them."""

    def __init__(self, body: bytes) -> None:
        self._tree = LexborHTMLParser(body)

    def _text(self, selector: str) -> str:
        node = self._tree.css_first(selector)
        return _words(node.text(deep=True)) if node else ""

    def _attribute(self, selector: str, name: str) -> str:
        node = self._tree.css_first(selector)
        return _words(node.attributes.get(name)) if node else ""

    @cached_property
    def title(self) -> str:
        """What a browser tab shows."""
        return self._text("title")

    @cached_property
    def language(self) -> str:
        """The page's declared language (BCP 47)."""
        return self._attribute("html", "lang")

    @cached_property
    def direction(self) -> str:
        """The page's declared direction: ``ltr`` or ``rtl``."""
        return self._attribute("html", "dir")

    @cached_property
    def description(self) -> str:
        """What a search result shows below the title."""
        return self._attribute('meta[name="description"]', "content")

    @cached_property
    def canonical(self) -> str:
        """The page's own address."""
        return self._attribute('link[rel="canonical"]', "href")

    @cached_property
    def theme_colour(self) -> str:
        """The colour that the page asks the browser's frame to take."""
        return self._attribute('meta[name="theme-color"]', "content")

    @cached_property
    def site_name(self) -> str:
        """The name in the page's header."""
        return self._text("header .site-name")

    @cached_property
    def tagline(self) -> str:
        """The tagline in the page's header."""
        return self._text("header .site-tagline")

    @cached_property
    def menu(self) -> tuple[str, ...]:
        """The entries of the site's menu, in reading order."""
        return tuple(_words(node.text(deep=True)) for node in self._tree.css("header nav a"))

    @cached_property
    def footer(self) -> str:
        """The footer's line."""
        return self._text("footer .footer-line")

    @cached_property
    def text(self) -> str:
        """Everything that the page's main part says."""
        return self._text("main")

    @cached_property
    def structured(self) -> dict[str, Any]:
        """The first schema.org record of the page, or an empty one."""
        node = self._tree.css_first('script[type="application/ld+json"]')
        found = json.loads(node.text(deep=True)) if node else {}
        return found if isinstance(found, dict) else {}


@dataclass(frozen=True)
class FeedSays:
    """What an Atom feed (RFC 4287) says of where it comes from."""

    title: str
    subtitle: str
    newest: str
    entries: int


def read_feed(body: bytes) -> FeedSays:
    """Reads an Atom feed. Raises ValueError if it isn't one."""
    try:
        root = etree.fromstring(body, etree.XMLParser(resolve_entities=False, no_network=True))
    except etree.XMLSyntaxError as error:
        raise ValueError(f"not an XML document: {error}") from error
    if root.tag != f"{_ATOM}feed":
        raise ValueError(f"not an Atom feed: {root.tag}")
    entries = root.findall(f"{_ATOM}entry")
    newest = entries[0].findtext(f"{_ATOM}title") if entries else ""
    title, subtitle = (_words(root.findtext(_ATOM + name)) for name in ("title", "subtitle"))
    return FeedSays(title, subtitle, _words(newest), len(entries))


@dataclass(frozen=True)
class ManifestSays:
    """What a web app manifest (W3C) says of its site."""

    name: str
    short_name: str
    description: str
    theme_colour: str


def read_manifest(body: bytes) -> ManifestSays:
    """Reads a web app manifest. Raises ValueError if it isn't one."""
    found = json.loads(body)
    if not isinstance(found, dict):
        raise ValueError("not a web app manifest")
    keys = ("name", "short_name", "description", "theme_color")
    return ManifestSays(*(_words(str(found.get(key, ""))) for key in keys))
