"""Which mends of body text are left to a person, one by one: what speaks of the past, is quoted, or is another's.

Until each stray carries its evidence, this is asked of the words around it alone, and rather once too often.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Iterable, Iterator
from dataclasses import replace

import regex
from propcache.api import cached_property

from hestor.core.reading.source import Block, Element, Source
from hestor.core.sweep import phrases
from hestor.core.sweep.stray import Kind, Stray
from hestor.core.sweep.style import Style

# A way of writing, or what is missing, is mended the same, no matter whose words they are.
_ASKED: frozenset[Kind] = frozenset(
    ("former_name", "misspelt_name", "contact", "phone", "hours", "past_year", "old_logo", "old_icon", "date_form")
)
_QUOTING = frozenset("q blockquote cite code pre samp kbd del s figcaption figure".split())
# All languages' kinds (CLDR's delimiters): opening marks with what closes them. One that is both stands for itself.
_MARKS = {
    "“": "”",
    "„": "“”",
    "‚": "‘’",
    "‘": "’",
    "«": "»",
    "»": "«",
    "‹": "›",
    "›": "‹",
    "「": "」",
    "『": "』",
    '"': '"',
}
_MARK = regex.compile("[" + "".join(sorted({*_MARKS, *"".join(_MARKS.values())})) + "]")
_YEAR = regex.compile(r"(?<!\p{Nd})(?:1[5-9]|20|١[٥-٩]|٢٠|۱[۵-۹]|۲۰)\p{Nd}{2}(?!\p{Nd})")
_PAST = regex.compile(
    r"(?<!\p{L})(?:founded|began|opened|established|started|used to|back then|in those days|for years|ago|history|"
    r"gegründet|eröffnet|begann|damals|früher|einst|seinerzeit|Geschichte|"
    r"fundad[ao]|nació|abrió|empezó|entonces|antaño|historia|fondé|ouvert en|débuta|autrefois|jadis|histoire|"
    r"تأسس\w*|افتتح\w*|بدأ\w*|كان\w*|قديما|آنذاك|تاريخ\w*)(?!\p{L})",
    regex.IGNORECASE,
)
_OWNED = regex.compile(r"©|\(c\)|copyright", regex.IGNORECASE)
_WORD = regex.compile(r"\p{L}{2,}")
# Words that stand beside a year and a sign without naming anybody.
_NO_NAMES = frozenset(
    "copyright all rights reserved alle rechte vorbehalten todos los derechos reservados tous droits réservés".split()
)


def _innermost(source: Source, at: int) -> Element | None:
    """The innermost element around a position of the file."""
    number = bisect_right(source.starts_of_elements, at) - 1
    if number < 0:
        return None
    return next((element for element in source.above(number) if at < element.closes), None)


class _Words:
    """The words of a block: looked through once, however much strays in it."""

    def __init__(self, said: str, style: Style, year: int) -> None:
        self.said = said
        self._style, self._year = style, year

    @cached_property
    def names_another(self) -> bool:
        """Whether it is a line of somebody else's."""
        return _names_another(self.said, self._style)

    @cached_property
    def speaks_of_the_past(self) -> bool:
        """Whether it tells of what was."""
        return _speaks_of_the_past(self.said, self._year)

    @cached_property
    def _marks(self) -> dict[str, list[int]]:
        marks: dict[str, list[int]] = {}
        for match in _MARK.finditer(self.said):
            marks.setdefault(match[0], []).append(match.start())
        return marks

    def _at(self, marks: str) -> list[int]:
        found = [self._marks[one] for one in marks if one in self._marks]
        return found[0] if len(found) == 1 else sorted(at for one in found for at in one)

    def quotes(self, says: str) -> bool:
        """Whether something that it says stands between quotation marks."""
        begin = max(self.said.find(says), 0)
        end = begin + len(says)
        return any(self._is_between(opening, closing, begin, end) for opening, closing in _MARKS.items())

    def _is_between(self, opening: str, closing: str, begin: int, end: int) -> bool:
        opened, closed = self._at(opening), self._at(closing)
        before = bisect_left(opened, begin)
        if not before or not closed or closed[-1] < end:
            return False
        if opening == closing:
            return before % 2 == 1
        return bisect_left(closed, opened[before - 1] + 1) == bisect_left(closed, begin)


def _names_another(words: str, style: Style) -> bool:
    """Whether a line with a sign of ownership names somebody, and not the site."""
    if not _OWNED.search(words):
        return False
    said = {word.casefold() for word in _WORD.findall(words)} - _NO_NAMES
    names = [style.text("name"), style.text("short_name"), *style.before("name")]
    own = {word.casefold() for name in names for word in _WORD.findall(name)}
    return bool(said) and not said & own


def _speaks_of_the_past(words: str, year: int) -> bool:
    is_over = any(int(match[0]) < year for match in _YEAR.finditer(words))
    return is_over or bool(_PAST.search(words) or phrases.FORMERLY.search(words))


class Asked:
    """What of one page is left to a person; ``year`` is the present one."""

    def __init__(self, source: Source, style: Style, year: int) -> None:
        self._source, self._style, self._year = source, style, year
        self._known: dict[tuple[int, int], _Words] = {}

    def _words(self, block: Block) -> _Words:
        spot = block.start, block.end
        if spot not in self._known:
            self._known[spot] = _Words(self._source.words_of(block), self._style, self._year)
        return self._known[spot]

    def _around(self, stray: Stray, element: Element) -> _Words:
        """The words of the block that a stray is in: of those of the element and around it the first that says it."""
        for each_element in self._source.above(element.number):
            for block in self._source.blocks_of(each_element.number):
                words = self._words(block)
                if not stray.says or stray.says in words.said:
                    return words
        return _Words("", self._style, self._year)

    def is_for_a_person(self, stray: Stray) -> bool:
        """Whether a stray is mended only if a person says so of this very spot."""
        if stray.kind not in _ASKED:
            return False
        element = _innermost(self._source, stray.start)
        if element is None:
            return False
        words = self._around(stray, element)
        if words.names_another:
            return True
        if stray.place not in ("text", "alt"):
            return False
        if any(each_element.tag in _QUOTING for each_element in self._source.above(element.number)):
            return True
        return words.quotes(stray.says) or (stray.kind != "date_form" and words.speaks_of_the_past)


def left_to_a_person(source: Source, strays: Iterable[Stray], style: Style, year: int) -> Iterator[Stray]:
    """Strays of a page, those without a mend that a person has to look at first."""
    asked = Asked(source, style, year)
    for stray in strays:
        yield replace(stray, mend=None) if stray.mend and asked.is_for_a_person(stray) else stray
