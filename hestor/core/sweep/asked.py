"""Which mends of body text are left to a person, one by one: what speaks of the past, is quoted, or is another's.

Until each stray carries its evidence, this is asked of the words around it alone, and rather once too often.
"""

from bisect import bisect_right
from collections.abc import Iterable, Iterator
from dataclasses import replace

import regex

from hestor.core.reading.source import Block, Element, Source
from hestor.core.sweep import phrases
from hestor.core.sweep.stray import Kind, Stray
from hestor.core.sweep.style import Style

# A way of writing, or what is missing, is mended the same whoever says it.
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
    return next((one for one in source.above(number) if at < one.closes), None)


def _block(source: Source, stray: Stray, element: Element) -> Block | None:
    """The block of words that a stray is in: of those of the element and around it the first that says it."""
    for one in source.above(element.number):
        for block in source.blocks_of(one.number):
            if not stray.says or stray.says in source.words_of(block):
                return block
    return None


def _is_between_marks(words: str, says: str) -> bool:
    at = words.find(says)
    before, after = words[: max(at, 0)], words[max(at, 0) + len(says) :]
    for opening, closing in _MARKS.items():
        if opening == closing:
            if before.count(opening) % 2 and opening in after:
                return True
        elif opening in before and any(one in after for one in closing):
            since = before[before.rindex(opening) + 1 :]
            if not any(one in since for one in closing):
                return True
    return False


def _names_another(words: str, style: Style) -> bool:
    """Whether a line with a sign of ownership names somebody, and not the site."""
    if not _OWNED.search(words):
        return False
    said = {word.casefold() for word in _WORD.findall(words)} - _NO_NAMES
    names = [style.text("name"), style.text("short_name"), *style.before("name")]
    own = {word.casefold() for name in names for word in _WORD.findall(name)}
    return bool(said) and not said & own


def _speaks_of_the_past(words: str, year: int) -> bool:
    is_over = any(int(found[0]) < year for found in _YEAR.finditer(words))
    return is_over or bool(_PAST.search(words) or phrases.FORMERLY.search(words))


def is_for_a_person(source: Source, stray: Stray, style: Style, year: int) -> bool:
    """Whether a stray is mended only if a person says so of this very spot; ``year`` is the present one."""
    if stray.kind not in _ASKED:
        return False
    element = _innermost(source, stray.start)
    if element is None:
        return False
    block = _block(source, stray, element)
    words = source.words_of(block) if block else ""
    if _names_another(words, style):
        return True
    if stray.place not in ("text", "alt"):
        return False
    if any(one.tag in _QUOTING for one in source.above(element.number)):
        return True
    if stray.kind == "date_form":
        return _is_between_marks(words, stray.says)
    return _is_between_marks(words, stray.says) or _speaks_of_the_past(words, year)


def left_to_a_person(source: Source, strays: Iterable[Stray], style: Style, year: int) -> Iterator[Stray]:
    """Strays of a page, those without a mend that a person has to look at first."""
    for stray in strays:
        yield replace(stray, mend=None) if stray.mend and is_for_a_person(source, stray, style, year) else stray
