"""Reads an HTML file so that each word knows where it stands in the file.

The standard library's tokenizer gives the positions; which elements end by themselves is HTML's (13.1.2.4). Nothing
here knows Hestor's own pages: roles come from elements, ARIA roles and relations alone.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from html import unescape
from html.parser import HTMLParser

import regex

from hestor.core.reading import landmarks
from hestor.core.reading.source import BETWEEN, Block, Element, Piece, Source, attribute_of

VOID = frozenset("area base br col embed hr img input link meta param source track wbr".split())
_INLINE = frozenset(
    "a abbr b bdi bdo cite code data del dfn em font i ins kbd label mark q rp rt ruby s samp small span strong sub "
    "sup time tt u var wbr img input picture source button".split()
)
_RAW = frozenset("script style template textarea".split())
# What is ended by the start of another (HTML, 13.1.2.4), as far as texts are concerned.
_ENDS = {
    "li": ("li",), "dt": ("dt", "dd"), "dd": ("dt", "dd"), "option": ("option",), "tr": ("tr", "td", "th"),
    "td": ("td", "th"), "th": ("td", "th"), "body": ("head",), "tbody": ("thead", "tbody", "tr", "td", "th"),
}  # fmt: skip
# What a list or a table within them does not end.
_HOLDING = frozenset("table ul ol dl div section article body button select".split())
# Nobody writes deeper; what is, is read as if it stood at this depth.
_DEEPEST = 400
_ENDS_P = frozenset(
    "address article aside blockquote details div dl fieldset figcaption figure footer form h1 h2 h3 h4 h5 h6 header "
    "hgroup hr main menu nav ol p pre search section table ul".split()
)
# The attributes that people read or hear (HTML; WAI-ARIA 1.2), with the place that each is.
_READ = {"alt": "alt", "title": "hint", "aria-label": "label", "placeholder": "hint", "summary": "hint"}
_METAS = {
    "description": "description", "og:description": "share", "twitter:description": "share", "og:title": "share",
    "twitter:title": "share", "og:site_name": "share", "og:image:alt": "share", "application-name": "short_name",
    "apple-mobile-web-app-title": "short_name", "author": "head", "copyright": "head", "keywords": "head",
}  # fmt: skip
_PLACES = {**landmarks.TAGS, "title": "title"}


@dataclass(slots=True)
class _Open:
    tag: str
    element: int
    place: str
    hidden: bool = False


class _Reader(HTMLParser):
    """Gathers the elements, blocks and pieces of a text."""

    def __init__(self) -> None:
        super().__init__(convert_charrefs=False)
        self.elements: list[Element] = []
        self.blocks: list[Block] = []
        self.pieces: list[Piece] = []
        self.speaking: dict[int, None] = {}
        self._text = ""
        self._at = 0
        self._stack: list[_Open] = [_Open("", -1, "text")]
        self._texts: list[str] = []
        self._length = 0
        self._block_start = 0
        self._block_of: _Open = self._stack[0]
        self._later: list[tuple[str, str, Element]] = []

    # The tokenizer counts lines; the place in the whole text is all that is wanted here, and is found much faster.
    def updatepos(self, i: int, j: int) -> int:
        self._at = j
        return j

    def read(self, text: str) -> None:
        self.rawdata = self._text = text
        self.close()
        self._end_block()
        for element in self.elements:
            if element.closes < 0:
                element.closes = len(text)
        for name, place, element in self._later:
            self._attribute(name, place, element)

    def flat(self) -> str:
        return "".join(self._texts)

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        self._open(tag, attrs, closed=tag in VOID)

    def handle_startendtag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        foreign = any(one.tag in ("svg", "math") for one in self._stack) or tag in ("svg", "math")
        self._open(tag, attrs, closed=tag in VOID or foreign)

    def _open(self, tag: str, attrs: list[tuple[str, str | None]], closed: bool) -> None:
        start = self._at
        if tag in _ENDS:
            self._end_of(_ENDS[tag], start)
        if tag in _ENDS_P:
            self._end_of(("p",), start)
        values: dict[str, str] = {}
        for name, value in attrs:
            values.setdefault(name, value or "")
        raw = self.get_starttag_text() or ""
        parent = self._stack[-1].element
        number = len(self.elements)
        element = Element(tag, values, start, start + len(raw), parent, number)
        self.elements.append(element)
        if tag not in _INLINE:
            self._end_block()
        if values:
            self._remember(tag, values, element)
        if closed or len(self._stack) > _DEEPEST:
            element.closes = element.end
            return
        above = self._stack[-1]
        hidden = above.hidden or tag in _RAW or tag == "noscript" or "hidden" in values
        self._stack.append(_Open(tag, number, self._place(tag, values, above.place), hidden))
        if tag not in _INLINE:
            self._block_of = self._stack[-1]
        if tag == "script" and values.get("type", "").lower() == "application/ld+json":
            self._stack[-1] = _Open(tag, number, "structured")
            self._block_of = self._stack[-1]

    def _remember(self, tag: str, values: Mapping[str, str], element: Element) -> None:
        for name, place in _READ.items():
            if values.get(name):
                self._later.append((name, place, element))
        if tag == "meta" and values.get("content"):
            place = _METAS.get((values.get("name") or values.get("property") or "").lower(), "")
            if place:
                self._later.append(("content", place, element))

    def _place(self, tag: str, values: Mapping[str, str], place: str) -> str:
        role = values.get("role")
        if role is None and tag not in _PLACES:
            return place
        if role in landmarks.ROLES:
            return "text" if role == "main" else landmarks.ROLES[role]
        if tag == "nav" and place in ("header", "text"):
            return "menu"
        if tag in ("header", "footer") and any(one.tag in landmarks.SECTIONS for one in self._stack):
            return place
        if tag == "title" and any(one.tag in ("svg", "math") for one in self._stack):
            return "label"
        return _PLACES.get(tag, place)

    def _end_of(self, tags: tuple[str, ...], at: int) -> None:
        """Ends the open elements of some names, if nothing that holds others stands between."""
        outermost = 0
        for depth in range(len(self._stack) - 1, 0, -1):
            tag = self._stack[depth].tag
            if tag in tags:
                outermost = depth
            elif tag in _HOLDING:
                break
        if outermost:
            self._close(outermost, at)

    def _close(self, depth: int, at: int) -> None:
        ended = self._stack[depth:]
        del self._stack[depth:]
        is_inline = True
        for one in ended:
            self.elements[one.element].closes = at
            is_inline = is_inline and one.tag in _INLINE
        if not is_inline:
            self._end_block()
            self._block_of = next((one for one in reversed(self._stack) if one.tag not in _INLINE), self._stack[0])

    def handle_endtag(self, tag: str) -> None:
        stack = self._stack
        depth = len(stack) - 1
        while depth > 0 and stack[depth].tag != tag:
            depth -= 1
        if depth > 0:
            self._close(depth, self._at)

    def handle_data(self, data: str) -> None:
        self._say(data, data)

    def handle_entityref(self, name: str) -> None:
        self._reference(f"&{name}")

    def handle_charref(self, name: str) -> None:
        self._reference(f"&#{name}")

    def _reference(self, written: str) -> None:
        text = self._text
        end = self._at + len(written)
        raw = f"{written};" if text[end : end + 1] == ";" else written
        self._say(raw, unescape(raw))

    def _say(self, raw: str, said: str) -> None:
        if self._stack[-1].hidden:
            return
        element = self._stack[-1].element
        self._piece(self._at, raw, said, element)
        if element not in self.speaking and not said.isspace():
            self.speaking[element] = None

    def _piece(self, at: int, raw: str, said: str, element: int) -> None:
        self.pieces.append(Piece(self._length, at, len(raw), len(said), element))
        self._texts.append(said)
        self._length += len(said)

    def _end_block(self) -> None:
        if self._length > self._block_start:
            one = self._block_of
            self.blocks.append(Block(self._block_start, self._length, one.place, one.element))
            self._between()
        self._block_start = self._length

    def _between(self) -> None:
        self._texts.append(BETWEEN)
        self._length += 1

    def _attribute(self, name: str, place: str, element: Element) -> None:
        """Adds what an attribute says as a block of its own, each character reference a piece."""
        found = attribute_of(self._text, element, name)
        if not found or found[0] == found[1]:
            return
        begin, end = found
        start = self._length
        raw = self._text[begin:end]
        last = 0
        for reference in _REFERENCE.finditer(raw):
            self._plain(begin, raw, last, reference.start(), element)
            said = unescape(reference[0])
            self._piece(begin + reference.start(), reference[0], said, element.number)
            last = reference.end()
        self._plain(begin, raw, last, len(raw), element)
        self.blocks.append(Block(start, self._length, place, element.number, name))
        self._between()

    def _plain(self, begin: int, raw: str, start: int, end: int, element: Element) -> None:
        if end > start:
            self._piece(begin + start, raw[start:end], raw[start:end], element.number)


_REFERENCE = regex.compile(r"&(?:#\d+|#[xX][0-9a-fA-F]+|[A-Za-z][A-Za-z0-9]*);?")


def read(path: str, text: str) -> Source:
    """A page from its text; whatever the text is, it is read as far as it can be."""
    reader = _Reader()
    reader.read(text.replace(BETWEEN, "\ufffd"))
    return Source(path, text, reader.elements, reader.blocks, reader.pieces, reader.flat(), reader.speaking)
