"""A page as a tree of elements, and what its elements say; the parts of ``page.PageReading`` stand on it.

Pages are read with an HTML5 parser (selectolax on Lexbor). Which element is which part is told by the marks that own
pages carry; on pages of others by elements, ARIA roles, relations and what the page's own stylesheet does with them,
never by names that one maker gives to classes.
"""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from propcache.api import cached_property
from selectolax.lexbor import LexborHTMLParser, LexborNode

from hestor.core.reading.landmarks import SECTIONS
from hestor.core.reading.stylesheet import NO_STYLE, StyleReading
from hestor.core.text.lines import folded

MARK = "data-hestor"
"""The attribute by which own pages mark an element that says a fact, with the fact's key."""
_BLOCKS = frozenset(
    "address article aside blockquote br dd details div dl dt figcaption figure footer h1 h2 h3 h4 h5 h6 header hr li"
    " main nav ol p pre section table td th tr ul".split()
)


@dataclass(frozen=True)
class ImageReading:
    """A picture that a page names: its address (of the sharpest source), its words, its size in CSS pixels."""

    src: str
    alt: str = ""
    width: int = 0
    height: int = 0


def number(text: str | None) -> int:
    """A size as an attribute says it; 0 for none."""
    return int(text) if text and text.isdigit() else 0


def _sharpest(srcset: str | None) -> str:
    """The address of the last candidate of a ``srcset``; they come in rising order."""
    return (srcset or "").rpartition(",")[2].strip().partition(" ")[0]


def picture(node: LexborNode | None) -> ImageReading | None:
    """The picture that an ``img`` or ``source`` names."""
    if node is None:
        return None
    a = node.attributes
    src = _sharpest(a.get("srcset")) or a.get("src") or ""
    return ImageReading(src, folded(a.get("alt")), number(a.get("width")), number(a.get("height")))


def said(node: LexborNode | None) -> str:
    """All that a node says, hidden or not."""
    return folded(node.text(deep=True)) if node else ""


def seen(node: LexborNode | None, line_break: str = " ") -> str:
    """What a node says to people: nothing of it that is hidden, ``line_break`` between lines."""

    def parts(node: LexborNode) -> Iterator[str]:
        for child in node.iter(include_text=True):
            if child.tag == "-text":
                yield child.text()
            elif child.tag == "br":
                yield line_break
            elif "hidden" not in child.attributes:
                yield from parts(child)

    return folded("".join(parts(node))) if node else ""


def printed(node: LexborNode, off: frozenset[int]) -> Iterator[str]:
    """What a node says to people, without the elements ``off``."""
    for child in node.iter(include_text=True):
        if child.tag == "-text":
            yield child.text()
        elif child.mem_id not in off:
            gap = " " if child.tag in _BLOCKS else ""
            yield gap
            yield from printed(child, off)
            yield gap


def bare(node: LexborNode, off: frozenset[int], holding: set[int], found: list[str]) -> None:
    """The same words as ``printed`` without the gaps between blocks; ``holding`` are the elements with some ``off``."""
    for child in node.iter(include_text=True):
        known = child.mem_id
        if known in holding:
            bare(child, off, holding, found)
        elif known not in off:
            found.append(child.text(deep=True))


def is_within(node: LexborNode, tags: frozenset[str]) -> bool:
    """Whether an element is inside of one of some names."""
    above = node.parent
    while above is not None and above.tag not in tags:
        above = above.parent
    return above is not None


class Tree:
    """A rendered page, parsed, with its stylesheet. Texts come with white space folded, as a browser shows them."""

    def __init__(self, body: bytes, style: StyleReading = NO_STYLE) -> None:
        self._tree = LexborHTMLParser(body)
        self._body = body
        self.style = style
        self._written: dict[str, bool] = {}

    def _first(self, selector: str) -> LexborNode | None:
        return self._tree.css_first(selector)

    def _text(self, selector: str) -> str:
        return said(self._first(selector))

    def _landmark(self, tag: str, role: str) -> LexborNode | None:
        """The page's own header or footer: not that of an article or another section."""
        found = self._tree.css(f"{tag}, [role={role}]") if role.encode() in self._body else self._tree.css(tag)
        return next((node for node in found if not is_within(node, SECTIONS)), None)

    @cached_property
    def _banner(self) -> LexborNode | None:
        return self._landmark("header", "banner")

    @cached_property
    def _contentinfo(self) -> LexborNode | None:
        return self._landmark("footer", "contentinfo")

    @cached_property
    def marks(self) -> Mapping[str, LexborNode]:
        """The elements that say a fact, by its key, as own pages mark them; none on pages of others."""
        found: dict[str, LexborNode] = {}
        for node in self._tree.css(f"[{MARK}]") if MARK.encode() in self._body else ():
            found.setdefault(node.attributes.get(MARK) or "", node)
        return found

    def writes(self, tag: str) -> bool:
        """Whether the page has an element. Most pages lack most, which is told much faster than by looking for one."""
        if tag not in self._written:
            self._written[tag] = f"<{tag}".encode() in self._body
        return self._written[tag]

    def texts(self, selector: str) -> tuple[str, ...]:
        """What each element of a selector says, in reading order."""
        return tuple(said(node) for node in self._tree.css(selector))

    def addresses(self, selector: str) -> tuple[str, ...]:
        """Where each link of a selector leads, in reading order."""
        return tuple(node.attributes.get("href") or "" for node in self._tree.css(selector))

    def machine_times(self, selector: str) -> tuple[str, ...]:
        """The moments within an element, as machines read them (HTML, 4.5.14)."""
        return tuple(node.attributes.get("datetime") or "" for node in self._tree.css(f"{selector} time"))
