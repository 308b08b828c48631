"""A page as a tree of elements, and what its elements say; the parts of ``page.PageReading`` stand on it.

Which element is which part is told by the marks that own pages carry; on pages of others by elements, ARIA roles,
relations and what the page's own stylesheet does with them, never by names that one maker gives to classes.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Self

from propcache.api import cached_property

from hestor.core.reading import positions
from hestor.core.reading.landmarks import SECTIONS
from hestor.core.reading.node import Node, Nodes
from hestor.core.reading.source import Source
from hestor.core.reading.stylesheet import NO_STYLE, StyleReading
from hestor.core.text.bidi import without_marks
from hestor.core.text.lines import folded

MARK = "data-hestor"
"""The attribute by which own pages mark an element that says a fact, with the fact's key."""


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


def _sharpest(srcset: str) -> str:
    """The address of the last candidate of a ``srcset``; they come in rising order."""
    return srcset.rpartition(",")[2].strip().partition(" ")[0]


def picture(node: Node | None) -> ImageReading | None:
    """The picture that an ``img`` or ``source`` names."""
    if node is None:
        return None
    src = _sharpest(node.get("srcset")) or node.get("src")
    return ImageReading(src, folded(node.get("alt")), number(node.get("width")), number(node.get("height")))


def said(node: Node | None) -> str:
    """All that a node says, hidden or not."""
    return folded(without_marks(node.text())) if node else ""


def seen(node: Node | None, line_break: str = " ") -> str:
    """What a node says to people: nothing of it that is hidden, ``line_break`` between lines."""

    def parts(node: Node) -> Iterator[str]:
        for child in node.contents():
            if isinstance(child, str):
                yield child
            elif child.tag == "br":
                yield line_break
            elif "hidden" not in child.attributes:
                gap = "" if child.tag in positions.INLINE else " "
                yield gap
                yield from parts(child)
                yield gap

    return folded("".join(parts(node))) if node else ""


def is_within(node: Node, tags: frozenset[str]) -> bool:
    """Whether an element is inside of one of some names."""
    return any(above.tag in tags for above in node.ancestors)


class Tree:
    """A page with its stylesheet, read once, with positions. Texts come with white space folded, as a browser shows
    them."""

    def __init__(self, body: bytes, style: StyleReading = NO_STYLE) -> None:
        self._read(positions.read("", body.decode(errors="replace")), style)

    @classmethod
    def of(cls, source: Source) -> Self:
        """A page that was read already."""
        made = cls.__new__(cls)
        made._read(source, NO_STYLE)
        return made

    def _read(self, source: Source, style: StyleReading) -> None:
        self.source, self.style = source, style

    @cached_property
    def nodes(self) -> Nodes:
        """The page's elements."""
        return Nodes(self.source)

    def css(self, selectors: str) -> Sequence[Node]:
        """The elements that one of some selectors takes, in reading order."""
        return self.nodes.taken(selectors)

    def css_first(self, selectors: str) -> Node | None:
        """The first of them."""
        return next(iter(self.css(selectors)), None)

    def _text(self, selector: str) -> str:
        return said(self.css_first(selector))

    def _landmark(self, tag: str, role: str) -> Node | None:
        """The page's own header or footer: not that of an article or another section."""
        found = self.css(f"{tag}, [role={role}]")
        return next((node for node in found if not is_within(node, SECTIONS)), None)

    @cached_property
    def _banner(self) -> Node | None:
        return self._landmark("header", "banner")

    @cached_property
    def _contentinfo(self) -> Node | None:
        return self._landmark("footer", "contentinfo")

    @cached_property
    def marks(self) -> Mapping[str, Node]:
        """The elements that say a fact, by its key, as own pages mark them; none on pages of others."""
        found: dict[str, Node] = {}
        for node in self.nodes.with_attribute(MARK):
            found.setdefault(node.get(MARK), node)
        return found

    def writes(self, tag: str) -> bool:
        """Whether the page has an element. Most pages lack most, which is told much faster than by looking for one."""
        return tag in self.source.by_tag

    def texts(self, selector: str) -> tuple[str, ...]:
        """What each element of a selector says, in reading order."""
        return tuple(said(node) for node in self.css(selector))

    def addresses(self, selector: str) -> tuple[str, ...]:
        """Where each link of a selector leads, in reading order."""
        return tuple(node.get("href") for node in self.css(selector))

    def machine_times(self, selector: str) -> tuple[str, ...]:
        """The moments within an element, as machines read them (HTML, 4.5.14)."""
        return tuple(node.get("datetime") for node in self.css(f"{selector} time"))
