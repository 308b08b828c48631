"""What rendered pages say of their site: the reader behind proofs, reach and checks. Files: ``file_readings``.

Pages are read with an HTML5 parser (selectolax on Lexbor), stylesheets with tinycss2. A page that does not say a thing
reads as an empty text.
"""

import json
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from selectolax.lexbor import LexborHTMLParser, LexborNode

from hestor.core.places.accessible import Spoken, top_of
from hestor.core.places.stylesheet import NO_STYLE, StyleReading
from hestor.core.text.lines import folded

# What stands in a page's main part and is a place of its own, by the class that marks it.
_APART = {
    "when": "main .when",
    "calendar": "main table.calendar",
    "archive": "main nav.archive",
    "details": "main .details",
    "hours": "main .hours",
}
ADDED_BEGIN, ADDED_END = "<!-- added code -->", "<!-- end of added code -->"
"""What stands around the code of others."""
_ADDED = re.compile(f"{ADDED_BEGIN}(.*?){ADDED_END}".encode(), re.DOTALL)


@dataclass(frozen=True)
class ImageReading:
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


def _said(node: LexborNode | None) -> str:
    return folded(node.text(deep=True)) if node else ""


def _seen(node: LexborNode | None, line_break: str = " ") -> str:
    """What a node says to people: nothing of it that is hidden, ``line_break`` between lines."""

    def parts(one: LexborNode) -> Iterator[str]:
        for child in one.iter(include_text=True):
            if child.tag == "-text":
                yield child.text()
            elif child.tag == "br":
                yield line_break
            elif "hidden" not in child.attributes:
                yield from parts(child)

    return folded("".join(parts(node))) if node else ""


_BLOCKS = frozenset(
    "address article aside blockquote br dd details div dl dt figcaption figure footer h1 h2 h3 h4 h5 h6 header hr li"
    " main nav ol p pre section table td th tr ul".split()
)
_UNPRINTED = ("[hidden]", "script", "style", "template", "svg title")


def _printed(node: LexborNode, off: frozenset[int]) -> Iterator[str]:
    """What a node says to people, without the elements ``off``."""
    for child in node.iter(include_text=True):
        if child.tag == "-text":
            yield child.text()
        elif child.mem_id not in off:
            gap = " " if child.tag in _BLOCKS else ""
            yield gap
            yield from _printed(child, off)
            yield gap


def _picture(node: LexborNode | None) -> ImageReading | None:
    if node is None:
        return None
    a = node.attributes
    src = _sharpest(a.get("srcset")) or a.get("src") or ""
    return ImageReading(src, folded(a.get("alt")), _number(a.get("width")), _number(a.get("height")))


class PageReading:
    """A rendered page, read, with its stylesheet. Texts come with white space folded, as a browser shows them."""

    def __init__(self, body: bytes, style: StyleReading = NO_STYLE) -> None:
        self._tree = LexborHTMLParser(body)
        self._body = body
        self.style = style

    def _text(self, selector: str) -> str:
        return _said(self._tree.css_first(selector))

    @cached_property
    def _root(self) -> Mapping[str, str | None]:
        return self._tree.root.attributes if self._tree.root else {}

    @cached_property
    def _header(self) -> Mapping[str, LexborNode]:
        """The marked elements of the header, by their class; of several the first counts."""
        header = self._tree.css_first("header")
        found: dict[str, LexborNode] = {}
        for node in header.css("[class]") if header else ():
            for name in (node.attributes.get("class") or "").split():
                found.setdefault(name, node)
        return found

    @cached_property
    def _metas(self) -> dict[str, str]:
        """What the page's meta elements say, by name or property; of several the first counts."""
        found: dict[str, str] = {}
        for node in self._tree.css("meta"):
            a = node.attributes
            name = a.get("name") or a.get("property")
            if name:
                found.setdefault(name, folded(a.get("content")))
        return found

    @cached_property
    def _links(self) -> list[tuple[str, str, str]]:
        """The page's link elements: what they are to it, their media type, their address."""
        found = (node.attributes for node in self._tree.css("link[href]"))
        return [(a.get("rel") or "", a.get("type") or "", folded(a.get("href"))) for a in found]

    def _link(self, rel: str, *types: str) -> str:
        """The address of the first link of a relation; of the first of ``types`` that there is, else of any."""
        found = [(kind, href) for one, kind, href in self._links if one == rel]
        for wanted in types:
            if href := next((href for kind, href in found if kind == wanted), ""):
                return href
        return found[0][1] if found else ""

    @cached_property
    def title(self) -> str:
        """What a browser tab shows."""
        return self._text("title")

    @cached_property
    def language(self) -> str:
        """The page's declared language (BCP 47)."""
        return folded(self._root.get("lang"))

    @cached_property
    def direction(self) -> str:
        """The page's declared direction: ``ltr`` or ``rtl``."""
        return folded(self._root.get("dir"))

    @cached_property
    def description(self) -> str:
        """What a search result shows below the title."""
        return self._metas.get("description", "")

    @cached_property
    def canonical(self) -> str:
        """The page's own address."""
        return self._link("canonical")

    @cached_property
    def theme_colour(self) -> str:
        """The colour that the page asks the browser's frame to take."""
        return self._metas.get("theme-color", "")

    @cached_property
    def site_name(self) -> str:
        """The name in the page's header, as it is read out: its text, else the logo's description."""
        return _said(self._header.get("site-name")) or (self.logo.alt if self.logo else "")

    @cached_property
    def name_is_seen(self) -> bool:
        """Whether the header shows the name as text, not only in the logo."""
        node = self._header.get("site-name")
        return node is not None and "unseen" not in (node.attributes.get("class") or "")

    @cached_property
    def tab_icon(self) -> str:
        """The icon that a tab takes: a drawing where there is one, else pixels."""
        return self._link("icon", "image/svg+xml", "image/png")

    @cached_property
    def header_icon(self) -> ImageReading | None:
        """The icon in the header, where there is no logo."""
        return _picture(self._header.get("icon"))

    @cached_property
    def logo(self) -> ImageReading | None:
        """The logo in the header."""
        return _picture(self._header.get("logo"))

    @cached_property
    def logo_plates(self) -> str:
        """On which grounds a plate lies behind the logo: ``light``, ``dark``, ``both`` or nothing."""
        return next((one.removeprefix("plate-") for one in self._header if one.startswith("plate-")), "")

    @cached_property
    def logo_dark(self) -> ImageReading | None:
        """The logo that the header shows on dark grounds, if it is another one."""
        if "logo" not in self._header:
            return None
        node = self._tree.css_first('header source[media*="dark"]:not([type])')
        if node is None:
            return None
        a = node.attributes
        return ImageReading(_sharpest(a.get("srcset")), "", _number(a.get("width")), _number(a.get("height")))

    @cached_property
    def share(self) -> ImageReading | None:
        """The picture that stands for the page where its address is shared (the Open Graph protocol)."""
        src, alt, width, height = (self._metas.get(f"og:image{part}", "") for part in ("", ":alt", ":width", ":height"))
        return ImageReading(src, alt, _number(width), _number(height)) if src else None

    @cached_property
    def share_title(self) -> str:
        """The title that goes with the share picture."""
        return self._metas.get("og:title", "")

    @cached_property
    def share_description(self) -> str:
        """The description that goes with the share picture."""
        return self._metas.get("og:description", "")

    @cached_property
    def share_site(self) -> str:
        """The site's name as it goes with the share picture."""
        return self._metas.get("og:site_name", "")

    @cached_property
    def tagline(self) -> str:
        """The tagline in the page's header."""
        return _said(self._header.get("site-tagline"))

    @cached_property
    def notice(self) -> str:
        """The line at the top that all pages carry for a while."""
        return self._text("header .notice-line") if self.holds("notice-line") else ""

    @cached_property
    def arrangement(self) -> str:
        """How the header is arranged, and below which width its menu folds."""
        header = self._tree.css_first("header")
        found = (header.attributes.get("class") or "").split() if header else []
        return " ".join(name for name in found if name.startswith(("is-", "folds-")))

    @cached_property
    def content_width(self) -> str:
        """How wide the page's text may be."""
        return next((name for name in (self._root.get("class") or "").split() if name.startswith("width-")), "")

    @cached_property
    def keywords(self) -> str:
        """The keywords in the page's head."""
        return self._metas.get("keywords", "")

    @cached_property
    def added_code(self) -> str:
        """The code of others in the page's head, as it is written."""
        found = _ADDED.search(self._body)
        return found[1].decode(errors="replace") if found else ""

    @cached_property
    def top_menu(self) -> tuple[str, ...]:
        """The entries of the menu that are seen at once."""
        return self.texts("header nav > ul > li > a")

    @cached_property
    def menu(self) -> tuple[str, ...]:
        """The entries of the site's menu, in reading order."""
        return tuple(folded(node.text(deep=True)) for node in self._tree.css("header nav a"))

    @cached_property
    def footer(self) -> str:
        """The footer's line."""
        return self._text("footer .footer-line")

    @cached_property
    def contact(self) -> tuple[str, ...]:
        """What the footer says of how to reach the site, line by line, without what nobody sees."""
        return tuple(_seen(node) for node in self._tree.css("footer .contact p, footer p.contact"))

    @cached_property
    def details(self) -> tuple[str, ...]:
        """What the page says of who is behind the site and how it is reached, part by part, as it is seen."""
        return tuple(_seen(node, ", ") for node in self._tree.css("main .details .ways > div"))

    @cached_property
    def whole_footer(self) -> str:
        """Everything that the footer says."""
        return self._text("body > footer") or self._text("footer")

    @cached_property
    def dates(self) -> tuple[str, ...]:
        """The dates and times that the page's main part says, in reading order."""
        return tuple(_said(node) for node in self._tree.css("main time"))

    def holds(self, name: str) -> bool:
        """Whether an element has a class. Most pages lack most, which is told much faster than by looking for one."""
        return f'class="{name}'.encode() in self._body

    def texts(self, selector: str) -> tuple[str, ...]:
        """What each element of a selector says, in reading order."""
        return tuple(_said(node) for node in self._tree.css(selector))

    def addresses(self, selector: str) -> tuple[str, ...]:
        """Where each link of a selector leads, in reading order."""
        return tuple(node.attributes.get("href") or "" for node in self._tree.css(selector))

    def machine_times(self, selector: str) -> tuple[str, ...]:
        """The moments within an element, as machines read them (HTML, 4.5.14)."""
        return tuple(node.attributes.get("datetime") or "" for node in self._tree.css(f"{selector} time"))

    @cached_property
    def posted(self) -> str:
        """The day on which a post came out, as it says it; empty for other pages."""
        return self._text("main article > p.day:not(.changed) time")

    @cached_property
    def heading(self) -> str:
        """The page's first heading."""
        return self._text("main h1")

    @cached_property
    def text(self) -> str:
        """Everything that the page's main part says, but for its dates and what is a place of its own."""
        text = self._text("main")
        apart = (text for name, selector in _APART.items() if self.holds(name) for text in self.texts(selector))
        for said in (*apart, *self.dates):
            text = text.replace(said, "", 1)
        return folded(text)

    @cached_property
    def structured_text(self) -> str:
        """The page's structured data as it is written."""
        return self._text('script[type="application/ld+json"]')

    @cached_property
    def structured(self) -> dict[str, Any]:
        """The first schema.org record of the page, or an empty one."""
        found = json.loads(self.structured_text or "{}")
        return found if isinstance(found, dict) else {}

    @cached_property
    def aloud(self) -> tuple[Spoken, ...]:
        """What is read out of the page's top, down to its first heading."""
        return top_of(self._tree.body)

    @cached_property
    def _off_paper(self) -> frozenset[int]:
        """The elements that the stylesheet takes away on paper."""
        return frozenset(node.mem_id for node in self._tree.css(", ".join((*_UNPRINTED, *self.style.print_hides))))

    def is_on_paper(self, selector: str) -> bool:
        """Whether the first element of a selector is printed."""
        node = self._tree.css_first(selector)
        while node is not None and node.mem_id not in self._off_paper:
            if node.tag == "body":
                return True
            node = node.parent
        return False

    def on_paper(self, selector: str) -> str:
        """What the first element of a selector says on paper; nothing if it is not printed."""
        node = self._tree.css_first(selector)
        return folded("".join(_printed(node, self._off_paper))) if node and self.is_on_paper(selector) else ""

    @cached_property
    def inline_style(self) -> str:
        """The styles written into the body's elements, as messages have them."""
        styled = self._tree.css("body, body [style]")
        return " ".join(node.attributes.get("style") or "" for node in styled)
