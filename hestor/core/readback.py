"""What rendered bytes say of their site: the one reader behind proofs and checks.

Pages are read with an HTML5 parser (selectolax on Lexbor), feeds with lxml, manifests as JSON. Nothing here
knows how a page was made: a page that does not say a thing reads as an empty text.
"""

import json
import re
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from lxml import etree
from selectolax.lexbor import LexborHTMLParser

_ATOM = "{http://www.w3.org/2005/Atom}"


def _words(text: str | None) -> str:
    return " ".join((text or "").split())


@dataclass(frozen=True)
class PictureSays:
    """A picture that a page names: its address (of the sharpest source), its words, its size in CSS pixels."""

    src: str
    alt: str = ""
    width: int = 0
    height: int = 0


def _number(text: str | None) -> int:
    return int(text) if text and text.isdigit() else 0


def _sharpest(srcset: str | None) -> str:
    """The address of the last candidate of a ``srcset``; they come in rising order."""
    return (srcset or "").rpartition(",")[2].strip().partition(" ")[0]


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
        """The name in the page's header, as it is read out: its text, else the logo's description."""
        return self._text("header .site-name") or (self.logo.alt if self.logo else "")

    @cached_property
    def name_is_seen(self) -> bool:
        """Whether the header shows the name as text, not only in the logo."""
        node = self._tree.css_first("header .site-name")
        return node is not None and "unseen" not in (node.attributes.get("class") or "")

    def _link(self, *selectors: str) -> str:
        return next((found for one in selectors if (found := self._attribute(one, "href"))), "")

    @cached_property
    def style(self) -> str:
        """The address of the page's stylesheet."""
        return self._link('link[rel="stylesheet"]')

    @cached_property
    def tab_icon(self) -> str:
        """The icon that a tab takes: a drawing where there is one, else pixels."""
        return self._link(
            'link[rel="icon"][type="image/svg+xml"]', 'link[rel="icon"][type="image/png"]', 'link[rel="icon"]'
        )

    @cached_property
    def touch_icon(self) -> str:
        """The icon that a phone takes for its home screen."""
        return self._link('link[rel="apple-touch-icon"]')

    @cached_property
    def mark(self) -> PictureSays | None:
        """The icon in the header, where there is no logo."""
        return self._picture("header img.mark")

    @cached_property
    def logo(self) -> PictureSays | None:
        """The logo in the header."""
        return self._picture("header img.logo")

    @cached_property
    def logo_plates(self) -> str:
        """On which grounds a plate lies behind the logo: ``light``, ``dark``, ``both`` or nothing."""
        classes = self._attribute("header img.logo", "class").split()
        return next((one.removeprefix("plate-") for one in classes if one.startswith("plate-")), "")

    @cached_property
    def logo_dark(self) -> PictureSays | None:
        """The logo that the header shows on dark grounds, if it is another one."""
        node = self._tree.css_first('header source[media*="dark"]:not([type])')
        if node is None:
            return None
        a = node.attributes
        return PictureSays(_sharpest(a.get("srcset")), "", _number(a.get("width")), _number(a.get("height")))

    def _picture(self, selector: str) -> PictureSays | None:
        node = self._tree.css_first(selector)
        if node is None:
            return None
        a = node.attributes
        src = _sharpest(a.get("srcset")) or a.get("src") or ""
        return PictureSays(src, _words(a.get("alt")), _number(a.get("width")), _number(a.get("height")))

    @cached_property
    def share(self) -> PictureSays | None:
        """The picture that stands for the page where its address is shared (the Open Graph protocol)."""
        src = self._attribute('meta[property="og:image"]', "content")
        alt = self._attribute('meta[property="og:image:alt"]', "content")
        sizes = (self._attribute(f'meta[property="og:image:{side}"]', "content") for side in ("width", "height"))
        return PictureSays(src, alt, *(_number(size) for size in sizes)) if src else None

    @cached_property
    def share_title(self) -> str:
        """The title that goes with the share picture."""
        return self._attribute('meta[property="og:title"]', "content")

    @cached_property
    def share_site(self) -> str:
        """The site's name as it goes with the share picture."""
        return self._attribute('meta[property="og:site_name"]', "content")

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


_VARIABLES = re.compile(r"(@media\s*\(prefers-color-scheme:\s*dark\)\s*\{)?\s*:root\{([^}]*)\}")


def read_colours(style: bytes) -> dict[str, dict[str, str]]:
    """The colours that a stylesheet sets by name, in ``light`` and in ``dark``: its custom properties of ``:root``."""
    found: dict[str, dict[str, str]] = {"light": {}, "dark": {}}
    for dark, block in _VARIABLES.findall(style.decode()):
        said = dict(part.split(":", 1) for part in block.split(";") if part.startswith("--") and ":#" in part)
        plain = {name.removeprefix("--").replace("-", "_"): value for name, value in said.items()}
        found["dark" if dark else "light"] |= plain
    return {"light": found["light"], "dark": {**found["light"], **found["dark"]}}


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
    icon: str = ""
    maskable: str = ""


def _icon_of(found: dict[str, Any], purpose: str) -> str:
    icons = found.get("icons")
    fit = [one for one in icons if isinstance(one, dict)] if isinstance(icons, list) else []
    return next((str(one.get("src", "")) for one in reversed(fit) if one.get("purpose", "any") == purpose), "")


def read_manifest(body: bytes) -> ManifestSays:
    """Reads a web app manifest. Raises ValueError if it isn't one."""
    found = json.loads(body)
    if not isinstance(found, dict):
        raise ValueError("not a web app manifest")
    keys = ("name", "short_name", "description", "theme_color")
    name, short_name, description, colour = (_words(str(found.get(key, ""))) for key in keys)
    return ManifestSays(
        name, short_name, description, colour, icon=_icon_of(found, "any"), maskable=_icon_of(found, "maskable")
    )
