"""Parts an HTML text into tags and words, each with where it stands (HTML, 13.2.5, as far as texts are concerned).

Every text is parted to its end in one pass: what is broken is read as browsers read it; a tag that never ends is words.
"""

import re
from collections.abc import Iterator, Mapping
from functools import lru_cache
from html import unescape
from types import MappingProxyType
from typing import Protocol

_SPACE = r"[\t\n\f\r ]"
_NAME = r"[A-Za-z][^\t\n\f\r />]*+"
_VALUE = r"""(?:"[^"]*+"|'[^']*+'|[^\t\n\f\r >"'][^\t\n\f\r >]*+)"""
_REFERENCE = r"&(?:#[0-9]++|#[xX][0-9a-fA-F]++|[A-Za-z][A-Za-z0-9]*+);?"
# A quotation mark only guards what is behind an equals sign; elsewhere it is a part of a name.
_TOKEN = re.compile(
    r"([^<&]*+)(?:"
    rf"""<({_NAME})((?:[^>"'=]++|={_SPACE}*+{_VALUE}?+|["'])*+)>"""
    rf"|</({_NAME})[^>]*+>"
    rf"|({_REFERENCE})"
    r"|<!--(?:-?>|.*?(?:--!?>|\Z))"
    r"|<(?:[!?]|/(?![A-Za-z]))[^>]*+>)?",
    re.DOTALL,
)
_WORDS, _START, _END, _REFERRED = 1, 3, 4, 5
_BEGUN = re.compile(r"<[A-Za-z/!?]")
_ATTRIBUTE = re.compile(
    r"([^\t\n\f\r />][^\t\n\f\r />=]*+)"
    rf"""(?:{_SPACE}*+={_SPACE}*+(?:"([^"]*+)"|'([^']*+)'|["']?+([^\t\n\f\r >]*+)))?+"""
)
_REFERENCES = re.compile(_REFERENCE)
# What is within them is no markup; character references count in the first two only (HTML, 13.1.2.1).
_ESCAPABLE = frozenset(("textarea", "title"))
_NO_MARKUP = _ESCAPABLE | {"script", "style", "xmp", "iframe", "noembed", "noframes"}


# What a parser that works as browsers do takes the square of (HTML, 13.2.5.33 and 13.2.6.1): the attributes of one tag,
# and how deep elements stand in each other. Nobody writes so many.
MOST_ATTRIBUTES, MOST_DEPTH = 1_000, 2_000
_SMALL = 20_000
_TAGS = re.compile(rf"""<(/?+)({_NAME})((?:[^>"'=]++|={_SPACE}*+{_VALUE}?+|["'])*+)""")
# Elements that are ended by what comes after them, or hold nothing (HTML, 13.1.2.4 and 13.1.2).
_ENDED = frozenset(
    "li p dt dd tr td th thead tbody tfoot option optgroup rt rp colgroup html head body area base br col embed hr img "
    "input link meta param source track wbr".split()
)


def is_intricate(text: str) -> bool:
    """Whether a text has more attributes in a tag, or more elements within each other, than a reader can bear."""
    if len(text) < _SMALL:
        return False
    depth = 0
    for match in _TAGS.finditer(text):
        closes, name, attributes = match.groups()
        if len(attributes) > MOST_ATTRIBUTES and len(_ATTRIBUTE.findall(attributes)) > MOST_ATTRIBUTES:
            return True
        if name.lower() not in _ENDED:
            depth = max(0, depth - 1) if closes else depth + 1
            if depth > MOST_DEPTH:
                return True
    return False


class Told(Protocol):
    """A receiver of the parts of a text, in their order; positions count characters of the text."""

    def start(self, tag: str, attributes: Mapping[str, str], at: int, end: int, slashed: bool) -> bool:
        """A start tag, its names in small letters; of attributes of one name the first counts. ``slashed``: ``/>``.

        The answer says whether it holds anything: within some elements nothing is markup.
        """

    def end(self, tag: str, at: int) -> None:
        """An end tag."""

    def words(self, at: int, written: str, said: str) -> None:
        """Words, or one character reference, as written and as they are read."""


_WITHOUT: tuple[Mapping[str, str], bool] = (MappingProxyType({}), False)


@lru_cache(maxsize=8192)
def _attributes(written: str) -> tuple[Mapping[str, str], bool]:
    """The attributes of a start tag, and whether it ends with a slash that belongs to none of them.

    The pages of a site have most of their tags in common: the receiver must leave the mapping as it is.
    """
    values: dict[str, str] = {}
    end = 0
    for match in _ATTRIBUTE.finditer(written):
        name, double, single, bare = match.groups()
        value = double or single or bare or ""
        values.setdefault(name.lower(), unescape(value) if "&" in value else value)
        end = match.end()
    return values, end < len(written) and written[-1] == "/"


def pieces(text: str, at: int, end: int) -> Iterator[tuple[int, str, str]]:
    """A stretch in its words and the character references among them: where each stands, as written and as read."""
    for match in _REFERENCES.finditer(text, at, end):
        if match.start() > at:
            yield at, text[at : match.start()], text[at : match.start()]
        yield match.start(), match[0], unescape(match[0])
        at = match.end()
    if end > at:
        yield at, text[at:end], text[at:end]


def end_tag(tag: str) -> re.Pattern[str]:
    """Where an element may end in which nothing is markup (HTML, 13.2.6.2)."""
    return re.compile(rf"</{tag}(?=[\t\n\f\r />])", re.IGNORECASE)


def _raw(text: str, at: int, tag: str, told: Told) -> int:
    """Tells what stands within an element in which nothing is markup; where its end tag begins."""
    match = end_tag(tag).search(text, at)
    end = match.start() if match else len(text)
    if tag in _ESCAPABLE:
        for part in pieces(text, at, end):
            told.words(*part)
    elif end > at:
        told.words(at, text[at:end], text[at:end])
    return end


def _unended(text: str, at: int, told: Told) -> int:
    """Tells a mark that begins nothing as a word; where a tag never ends, all that is left. Where it goes on."""
    end = len(text) if _BEGUN.match(text, at) else at + 1
    for piece in pieces(text, at, end):
        told.words(*piece)
    return end


def part(text: str, told: Told) -> None:
    """Tells all parts of a text."""
    at, size = 0, len(text)
    match, words, start, ended = _TOKEN.match, told.words, told.start, told.end
    # Words of no length fit everywhere.
    while at < size and (found_match := match(text, at)):
        said, begun, written, closing, referred = found_match.groups()
        if said:
            words(at, said, said)
            at += len(said)
        kind, end = found_match.lastindex, found_match.end()
        if kind == _START:
            tag = begun.lower()
            values, slashed = _attributes(written) if written else _WITHOUT
            if start(tag, values, at, end, slashed) and tag in _NO_MARKUP:
                end = _raw(text, end, tag, told)
        elif kind == _END:
            ended(closing.lower(), at)
        elif kind == _REFERRED:
            words(at, referred, unescape(referred))
        elif end == at < size:
            end = _unended(text, end, told)
        at = end
