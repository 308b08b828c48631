"""Reads an HTML file so that each word knows where it stands in the file.

``tokens`` gives the positions; which elements end by themselves is HTML's (13.1.2.4). Nothing here knows Hestor's own
pages: roles come from elements, ARIA roles and relations alone.
"""

from collections.abc import Mapping

from hestor.core.reading import landmarks, tokens
from hestor.core.reading.source import BETWEEN, Block, Element, Piece, Source, attribute_of

VOID = frozenset("area base br col embed hr img input link meta param source track wbr".split())
INLINE = frozenset(
    "a abbr b bdi bdo cite code data del dfn em font i ins kbd label mark q rp rt ruby s samp small span strong sub "
    "sup time tt u var wbr img input picture source button".split()
)
_RAW = frozenset("script style template textarea xmp iframe noembed noframes".split())
_FOREIGN = frozenset(("svg", "math"))
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
_SPEAKING = frozenset((*_READ, "content"))
_METAS = {
    "description": "description", "og:description": "share", "twitter:description": "share", "og:title": "share",
    "twitter:title": "share", "og:site_name": "share", "og:image:alt": "share", "application-name": "short_name",
    "apple-mobile-web-app-title": "short_name", "author": "head", "copyright": "head", "keywords": "head",
}  # fmt: skip
_Kind = tuple[bool, bool, bool, tuple[str, ...]]
_ENDING_P = ("p",)
_BLOCK: _Kind = (False, False, False, ())
# Of each element: whether it is part of a line, has no content, holds nothing that is seen, and what its start ends.
_KINDS: Mapping[str, _Kind] = {
    tag: (
        tag in INLINE,
        tag in VOID,
        tag in _RAW or tag == "noscript",
        _ENDS.get(tag, _ENDING_P if tag in _ENDS_P else ()),
    )
    for tag in INLINE | VOID | _RAW | frozenset(_ENDS) | _ENDS_P | {"noscript"}
}
_PLACES = {**landmarks.TAGS, "title": "title"}


class _Reader:
    """Gathers the elements, blocks and pieces of a text."""

    def __init__(self) -> None:
        self.elements: list[Element] = []
        self.blocks: list[Block] = []
        self.pieces: list[Piece] = []
        self.speaking: dict[int, None] = {}
        self._text = ""
        self._stack = [Element("", {}, 0, 0, -1, -1)]
        self._texts: list[str] = []
        self._length = 0
        self._block_start = 0
        # The open elements that words stand in on lines of their own; the last is that of the block at hand.
        self._lined = self._stack[:]
        self._paragraphs = 0
        self.in_order = 0
        self._later: list[tuple[str, str, Element]] = []

    def read(self, text: str) -> None:
        self._text = text
        tokens.part(text, self)
        if self._length > self._block_start:
            self._end_block()
        for element in self.elements:
            if element.closes < 0:
                element.closes = len(text)
        self.in_order = len(self.pieces)
        for name, place, element in self._later:
            self._attribute(name, place, element)

    def flat(self) -> str:
        return "".join(self._texts)

    def start(self, tag: str, attributes: Mapping[str, str], at: int, end: int, slashed: bool) -> bool:
        """A start tag."""
        inline, void, raw, ended = _KINDS.get(tag, _BLOCK)
        stack, elements = self._stack, self.elements
        if ended and (self._paragraphs or ended is not _ENDING_P):
            self._end_of(ended, at)
        above = stack[-1]
        # Of what is not HTML's a slash ends any element (HTML, 13.1.2.1).
        void = void or (slashed and (tag in _FOREIGN or self._is_in(_FOREIGN)))
        place, hidden = above.place, raw or above.hidden
        if tag in _PLACES or (attributes and "role" in attributes):
            place = self._place(tag, attributes, place)
        if attributes:
            hidden = hidden or "hidden" in attributes
            if tag == "script" and attributes.get("type", "").lower() == "application/ld+json":
                place, hidden = "structured", False
        element = Element(tag, attributes, at, end, above.number, len(elements), -1, place, hidden)
        elements.append(element)
        if not inline and self._length > self._block_start:
            self._end_block()
        if attributes and not _SPEAKING.isdisjoint(attributes):
            self._remember(tag, attributes, element)
        if void or len(stack) > _DEEPEST:
            element.closes = end
            return not void
        if tag == "p":
            self._paragraphs += 1
        stack.append(element)
        if not inline:
            self._lined.append(element)
        return True

    def _is_in(self, tags: frozenset[str]) -> bool:
        return any(one.tag in tags for one in self._stack)

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
        if role in landmarks.ROLES:
            return "text" if role == "main" else landmarks.ROLES[role]
        if tag == "nav" and place in ("header", "text"):
            return "menu"
        if tag in ("header", "footer") and self._is_in(landmarks.SECTIONS):
            return place
        if tag == "title" and self._is_in(_FOREIGN):
            return "label"
        return _PLACES.get(tag, place)

    def _end_of(self, tags: tuple[str, ...], at: int) -> None:
        """Ends the open elements of some names, if nothing that holds others stands between."""
        outermost = 0
        stack = self._stack
        for depth in range(len(stack) - 1, 0, -1):
            tag = stack[depth].tag
            if tag in tags:
                outermost = depth
            elif tag in _HOLDING:
                break
        if outermost:
            self._close(outermost, at)

    def _close(self, depth: int, at: int) -> None:
        while len(self._stack) > depth:
            self._close_inmost(at)

    def _close_inmost(self, at: int) -> None:
        one, lined = self._stack.pop(), self._lined
        one.closes = at
        if one.tag == "p":
            self._paragraphs -= 1
        if one is lined[-1]:
            if self._length > self._block_start:
                self._end_block()
            lined.pop()

    def end(self, tag: str, at: int) -> None:
        """An end tag."""
        stack = self._stack
        if stack[-1].tag == tag:
            self._close_inmost(at)
            return
        for depth in range(len(stack) - 2, 0, -1):
            if stack[depth].tag == tag:
                self._close(depth, at)
                return

    def words(self, at: int, written: str, said: str) -> None:
        """Words that are seen, or a character reference among them."""
        inmost = self._stack[-1]
        if inmost.hidden:
            return
        element = inmost.number
        if not said.isspace():
            self.speaking[element] = None
        elif self._length == self._block_start:
            # What only lays the file out says nothing; there is more of it than of anything else.
            return
        self._piece(at, written, said, element)

    def _piece(self, at: int, raw: str, said: str, element: int) -> None:
        self.pieces.append((self._length, at, len(raw), len(said), element))
        self._texts.append(said)
        self._length += len(said)

    def _end_block(self) -> None:
        """Ends the run of words at hand."""
        one = self._lined[-1]
        self.blocks.append(Block(self._block_start, self._length, one.place, one.number))
        self._between()
        self._block_start = self._length

    def _between(self) -> None:
        self._texts.append(BETWEEN)
        self._length += 1

    def _attribute(self, name: str, place: str, element: Element) -> None:
        """Adds what an attribute says as a block of its own, each character reference a piece."""
        attribute = attribute_of(self._text, element, name)
        if not attribute or attribute[0] == attribute[1]:
            return
        begin, end = attribute
        start = self._length
        for piece in tokens.pieces(self._text, begin, end):
            self._piece(*piece, element.number)
        self.blocks.append(Block(start, self._length, place, element.number, name))
        self._between()


def read(path: str, text: str) -> Source:
    """A page from its text; whatever the text is, it is read as far as it can be."""
    reader = _Reader()
    reader.read(text.replace(BETWEEN, "\ufffd"))
    return Source(
        path, text, reader.elements, reader.blocks, reader.pieces, reader.flat(), reader.speaking, reader.in_order
    )
