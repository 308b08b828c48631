"""An HTML file of which each word knows where it stands; ``positions`` makes it."""

import re
from bisect import bisect_left, bisect_right
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import pairwise

import regex
from propcache.api import cached_property

from hestor.core.text import urls
from hestor.core.text.lines import folded

_ATTRIBUTE = regex.compile(
    r"""(?P<name>[^\s"'<>/=]+)(?:\s*=\s*(?:"(?P<d>[^"]*)"|'(?P<s>[^']*)'|(?P<u>[^\s"'=<>`]+)))?""", regex.V1
)
# The standard library's is much the faster, and where it parts a word at a mark, that is for a first look only.
_WORD = re.compile(r"\w+")
# All of ASCII that is part of no word, as spaces.
_WORDS_APART = bytes(at if at > 127 or chr(at).isalnum() or chr(at) == "_" else ord(" ") for at in range(256))
_DIGITS = regex.compile(r"\d+")
BETWEEN = "\0"
"""What stands between two blocks in ``Source.flat``; no file has it."""


@dataclass(slots=True)
class Element:
    """A start tag: its name, its attributes as the first of each name says, where the tag and its content stand.

    ``parent`` and ``number`` count the page's elements; ``closes`` is where its content ends. ``place`` is the part of
    the page that it is in, ``hidden`` whether nobody sees its words.
    """

    tag: str
    attributes: Mapping[str, str]
    start: int
    end: int
    parent: int
    number: int
    closes: int = -1
    place: str = "text"
    hidden: bool = False

    def get(self, name: str) -> str:
        """An attribute's value without white space around it; empty where it is not there."""
        return (self.attributes.get(name) or "").strip()


@dataclass(slots=True)
class Block:
    """A run of text that is read in one go: where it stands in ``Source.flat``, its place, the element around it."""

    start: int
    end: int
    place: str
    element: int
    attribute: str = ""


Piece = tuple[int, int, int, int, int]
"""A part of ``flat`` as the file has it: where it begins in ``flat`` and in the file, how long it is in the file and in
``flat`` (which differs where it is a character reference), and the number of the element around it.

There are so many of them that they are tuples: nothing has to be kept in mind about these.
"""


@dataclass(frozen=True, slots=True)
class Spot:
    """Where words stand in the file, and whether nothing but those words stands between."""

    start: int
    end: int
    is_plain: bool


@lru_cache(maxsize=32_768)
def _words_in(written: str) -> tuple[str, ...]:
    """The words of what stands between two spaces: the pages of a site have most of it in common."""
    return tuple(_WORD.findall(written))


class Source:
    """A page with all that is read of it."""

    def __init__(
        self, path: str, text: str, elements: list[Element], blocks: list[Block], pieces: list[Piece], flat: str,
        speaking: Iterable[int] = (), in_order: int = 0,
    ) -> None:  # fmt: skip
        self.path, self.text = path, text
        self.speaking = tuple(speaking)
        """The numbers of the elements that say words of their own, which people see."""
        self.elements, self.blocks, self.flat = elements, blocks, flat
        self._pieces = pieces
        self._in_order = in_order
        self._starts = [piece[0] for piece in pieces]
        self._block_starts = [block.start for block in blocks]

    @classmethod
    def of_words(cls, path: str, text: str, place: str) -> "Source":
        """A text that is no HTML, as one block."""
        size = len(text)
        whole = Element("text", {}, 0, 0, -1, 0, size)
        flat = text.replace(BETWEEN, "\ufffd")
        return cls(path, text, [whole], [Block(0, size, place, 0)], [(0, 0, size, size, 0)], flat)

    def all(self, *tags: str) -> Iterator[Element]:
        """The elements of some names, in their order."""
        for tag in tags:
            yield from self.by_tag.get(tag, ())

    @cached_property
    def lowered(self) -> str:
        """``flat`` in small letters, each where its capital stands; those few that take more room stay as they are."""
        found = self.flat.lower()
        if len(found) == len(self.flat):
            return found
        return "".join(small if len(small := one.lower()) == 1 else one for one in self.flat)

    @cached_property
    def numbers(self) -> tuple[tuple[int, int], ...]:
        """Where digits stand in a row in ``flat``: what may be a date, a time or a telephone number begins there."""
        return tuple(match.span() for match in _DIGITS.finditer(self.flat))

    @cached_property
    def folder(self) -> str:
        """The folder that the file is in."""
        return urls.folder_of(self.path)

    @cached_property
    def vocabulary(self) -> frozenset[str]:
        """The words of the page, in small letters."""
        written = set(self.lowered.encode(errors="replace").translate(_WORDS_APART).decode().split())
        # Marks that are not ASCII's stand in few of them.
        if marked := [word for word in written if not word.isascii()]:
            written.difference_update(marked)
            written.update(*map(_words_in, marked))
        return frozenset(written)

    @cached_property
    def by_tag(self) -> Mapping[str, list[Element]]:
        """The elements by their names."""
        found: dict[str, list[Element]] = {}
        for element in self.elements:
            found.setdefault(element.tag, []).append(element)
        return found

    def above(self, number: int) -> Iterator[Element]:
        """An element and those around it, from within."""
        while number >= 0:
            element = self.elements[number]
            yield element
            number = element.parent

    @cached_property
    def starts_of_elements(self) -> Sequence[int]:
        """Where the elements' start tags begin, in their order."""
        return [element.start for element in self.elements]

    @cached_property
    def _blocks_by_element(self) -> Mapping[int, list[Block]]:
        blocks: dict[int, list[Block]] = {}
        for block in self.blocks:
            blocks.setdefault(block.element, []).append(block)
        return blocks

    def blocks_of(self, element: int) -> Sequence[Block]:
        """The blocks of words that stand right within an element, by its number."""
        return self._blocks_by_element.get(element, ())

    def number_of_block(self, flat: int) -> int:
        """Which of the blocks a position of ``flat`` is in."""
        return bisect_right(self._block_starts, flat) - 1

    def block_at(self, flat: int) -> Block:
        """The block that a position of ``flat`` is in."""
        return self.blocks[self.number_of_block(flat)]

    def words_of(self, block: Block) -> str:
        """What a block says."""
        return self.flat[block.start : block.end]

    def _piece_at(self, flat: int) -> int:
        return bisect_right(self._starts, flat) - 1

    def element_at(self, flat: int) -> int:
        """The number of the innermost element around a position of ``flat``."""
        return self._pieces[self._piece_at(flat)][4]

    def piece_end(self, flat: int) -> int:
        """Where the stretch that a position of ``flat`` is in ends, as far as nothing stands between in the file."""
        following = self._piece_at(flat) + 1
        return self._starts[following] if following < len(self._starts) else len(self.flat)

    @cached_property
    def _places(self) -> Sequence[int]:
        """Where the words of elements, not of attributes, begin in the file, in their order."""
        return [piece[1] for piece in self._pieces[: self._in_order]]

    def said_between(self, at: int, end: int) -> str:
        """The part of ``flat`` that two positions of the file have between them, but for what attributes say."""
        first, last = bisect_left(self._places, at), bisect_left(self._places, end) - 1
        if last < first:
            return ""
        begin, (flat, _, _, width, _) = self._starts[first], self._pieces[last]
        return self.flat[begin : flat + width]

    def spot(self, start: int, end: int) -> Spot:
        """Where a stretch of ``flat`` stands in the file."""
        first, last = self._piece_at(start), self._piece_at(max(start, end - 1))
        inside = self._pieces[first : last + 1]
        flat, at, length, width, _ = inside[0]
        begin = at + (start - flat if length == width else 0)
        flat, at, length, width, _ = inside[-1]
        stop = at + (end - flat if length == width else length)
        joined = all(one[1] + one[2] == other[1] for one, other in pairwise(inside))
        return Spot(begin, stop, joined)

    def attribute_spot(self, element: Element, name: str) -> tuple[int, int]:
        """Where an attribute's value stands in the file, without its quotes; the tag's end where it is not there."""
        attribute = attribute_of(self.text, element, name)
        return attribute if attribute else (element.end - 1, element.end - 1)

    @cached_property
    def metas(self) -> Mapping[str, Element]:
        """The page's meta elements by their name or property, in small letters; of several the first counts."""
        found: dict[str, Element] = {}
        for element in self.all("meta"):
            name = (element.get("name") or element.get("property")).lower()
            if name:
                found.setdefault(name, element)
        return found

    def meta(self, name: str) -> str:
        """What a meta element says, its white space folded."""
        element = self.metas.get(name)
        return folded(element.get("content")) if element else ""

    @cached_property
    def root(self) -> Element | None:
        """The ``html`` element, if the file writes one."""
        return next(self.all("html"), None)

    @cached_property
    def title_block(self) -> Block | None:
        """The text of the first title in the head."""
        return next((block for block in self.blocks if block.place == "title"), None)

    @cached_property
    def title(self) -> str:
        """The page's title, its white space folded."""
        return folded(self.words_of(self.title_block)) if self.title_block else ""

    @cached_property
    def ways(self) -> tuple[tuple[Element, str], ...]:
        """The links that lead to no page but to an address of mail or a number (RFC 6068, RFC 3966), and these."""
        ways = ((element, element.get("href")) for element in self.all("a", "area"))
        return tuple((one, href) for one, href in ways if href[:7].lower().startswith(("mailto:", "tel:")))

    @cached_property
    def linked_hosts(self) -> frozenset[str]:
        """The hosts that the page links to, with and without www."""
        found = {
            href.partition("//")[2].partition("/")[0].lower()
            for element in self.all("a")
            if "//" in (href := element.get("href"))
        }
        return frozenset(found | {host.removeprefix("www.") for host in found})

    @cached_property
    def _link_starts(self) -> list[int]:
        return [element.start for element in self.all("a")]

    def link_at(self, at: int) -> Element | None:
        """The link whose start tag a position of the file is in."""
        number = bisect_right(self._link_starts, at) - 1
        found = self.by_tag["a"][number] if number >= 0 else None
        return found if found and at < found.end else None

    @cached_property
    def leads_on(self) -> bool:
        """Whether the page only sends visitors to another one (HTML, 4.2.5.3)."""
        return any(
            element.get("http-equiv").lower() == "refresh" and "url" in element.get("content").lower()
            for element in self.all("meta")
        )

    @cached_property
    def ids(self) -> frozenset[str]:
        """What a fragment of an address may name."""
        named = [element.get("id") for element in self.elements if "id" in element.attributes]
        anchors = [element.get("name") for element in self.all("a")]
        return frozenset(filter(None, named + anchors))

    def is_within(self, number: int, tags: frozenset[str]) -> bool:
        """Whether an element is one of some names, or is inside of one."""
        return any(element.tag in tags for element in self.above(number))


class Telling:
    """Tells words that mean something to a rule from all others, each of which it asks about once."""

    _MOST = 50_000

    def __init__(self, tells: Callable[[str], bool]) -> None:
        self._tells = tells
        self._others: set[str] = set()

    def among(self, vocabulary: frozenset[str]) -> frozenset[str]:
        """Those of a page's words that tell."""
        asked = vocabulary - self._others
        found = frozenset(filter(self._tells, asked))
        if len(self._others) > self._MOST:
            self._others.clear()
        self._others |= asked - found
        return found


def all_of(text: str, words: str) -> Iterator[int]:
    """Each position of some words in a text."""
    at = text.find(words)
    while at >= 0:
        yield at
        at = text.find(words, at + 1)


def windows(marks: Iterable[int], before: int, after: int, size: int) -> Iterator[tuple[int, int]]:
    """Stretches of a text of a size around some positions in it, in rising order; those that touch are one."""
    begin, end = -1, -1
    for at in marks:
        if begin >= 0 and at - before <= end:
            end = min(size, at + after)
            continue
        if begin >= 0:
            yield begin, end
        begin, end = max(0, at - before), min(size, at + after)
    if begin >= 0:
        yield begin, end


def attribute_of(text: str, element: Element, wanted: str) -> tuple[int, int] | None:
    """Where an attribute's value stands in the file, without its quotes; None where it is not there."""
    attribute = _attribute_in(text[element.start : element.end], 1 + len(element.tag), wanted)
    return (element.start + attribute[0], element.start + attribute[1]) if attribute else None


@lru_cache(maxsize=8192)
def _attribute_in(tag: str, begin: int, wanted: str) -> tuple[int, int] | None:
    """Where an attribute's value stands in a start tag: the pages of a site have most of their tags in common."""
    for match in _ATTRIBUTE.finditer(tag, begin):
        if match["name"].lower() == wanted:
            group = next((one for one in "dsu" if match[one] is not None), None)
            return match.span(group) if group else (match.end(), match.end())
    return None
