"""How pages are named in tabs, in search results and in feeds: composed of a pattern that holds for the whole site.

A pattern is a text with fill-ins: ``{page} – {site}``. A fill-in that says nothing leaves out the words before it, too:
a page that stands in no section has no dash for it.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from hestor.core.text import fillins, lines, widths
from hestor.core.text.fillins import Fill, Piece, Values

PATTERN = "{page} – {site}"
HOME_PATTERN = "{site} – {tagline}"
OWN_FILL_INS = ("page", "section")
"""What only titles can say: the page's own name, and that of the page at the top above it."""

Long = Literal["keep", "name_last", "without_name"]
LONG_RULES: tuple[Long, ...] = ("keep", "name_last", "without_name")
"""What becomes of the site's name where a page's own is long."""

SEARCH_SIZE, SEARCH_CUT = 20.0, 580.0
"""A search result sets titles at about this size, and cuts them at about this width (CSS pixels)."""
TAB_SIZE, TAB_CUT = 12.0, 190.0
"""The same of a tab among others."""
_LONG = SEARCH_CUT * 2 / 3


def is_long(page: str) -> bool:
    """Whether a page's own name takes two thirds of a search result's line, so that little is left for more."""
    return widths.width(page, SEARCH_SIZE) > _LONG


@dataclass(frozen=True)
class Titling:
    """All of the house style that titles are made of."""

    values: Values
    pattern: str = PATTERN
    home: str = HOME_PATTERN
    long: Long = "keep"


@lru_cache(maxsize=256)
def _pieces(pattern: str) -> tuple[Piece, ...]:
    return fillins.parse(pattern, OWN_FILL_INS)


@lru_cache(maxsize=256)
def _with_name_last(pattern: str) -> tuple[Piece, ...]:
    """The pieces with the site's name at their end, behind the words that parted it from the rest."""
    pieces = list(_pieces(pattern))
    at = next((i for i, piece in enumerate(pieces) if isinstance(piece, Fill) and piece.name == "site"), None)
    if at is None or at == len(pieces) - 1:
        return tuple(pieces)
    name = pieces.pop(at)
    parting = pieces.pop(at) if isinstance(pieces[at], str) else " – "
    return (*pieces, parting, name)


def _joined(pieces: tuple[Piece, ...], said: Mapping[str, str], values: Values) -> str:
    """The pieces as one text, without the words before a fill-in that says nothing."""
    text, between, is_first, is_open = "", "", True, True
    for piece in pieces:
        if isinstance(piece, str):
            between = piece
            continue
        word = said[piece.name] if piece.name in said else fillins.value_of(piece.name, piece.argument, values)
        if word:
            text += (between if text or is_first else "") + word
            between = ""
        is_first, is_open = False, bool(word)
    return (text + between).strip() if is_open and (text or is_first) else text.strip()


def composed(titling: Titling, page: str, section: str = "") -> str:
    """The title of a page that is no home page. One whose own name holds the site's, as whole words, says it once."""
    holds_name = any(lines.occurrences(titling.values.site, page, match_case=False))
    is_cut = titling.long != "keep" and is_long(page)
    without = holds_name or (is_cut and titling.long == "without_name")
    said = {"page": page, "section": section, **({"site": ""} if without else {})}
    last = is_cut and titling.long == "name_last"
    pieces = _with_name_last(titling.pattern) if last else _pieces(titling.pattern)
    return _joined(pieces, said, titling.values) or page or titling.values.site


def of_home(titling: Titling) -> str:
    """The home page's title: by default "Name – tagline"; never "Home", which says nothing to people elsewhere."""
    return _joined(_pieces(titling.home), {}, titling.values) or titling.values.site


def title_of(titling: Titling, path: str, page: str, section: str = "", own: str = "") -> str:
    """The title of the page at ``path``: its ``own`` where it has one. All texts come with their fill-ins filled."""
    if own:
        return own
    return of_home(titling) if path == "/" else composed(titling, page, section)
