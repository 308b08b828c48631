"""Dates written by hand in another form than the site's, or so that they can be read in two ways."""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from functools import lru_cache

from hestor.core.dates import forms, patterns
from hestor.core.reading.source import Source
from hestor.core.sweep import phrases
from hestor.core.sweep.langs import is_tag
from hestor.core.sweep.names import is_quoted
from hestor.core.sweep.passages import primary_of
from hestor.core.sweep.stray import Stray, mend_if
from hestor.core.sweep.style import Style
from hestor.core.sweep.written_dates import Written, as_form, conforms, dates_in, without_weekday

_NOT_READ = frozenset(("hint", "short_name", "head", "structured"))
_FEWEST, _SHARE, _SECOND_SHARE = 3, 0.4, 0.3


def tag_of(style: Style) -> str:
    """The language that dates are read and written in."""
    said = style.text("language")
    return said if said and is_tag(said) else "en-GB"


def tags_of(source: Source, style: Style) -> tuple[str, ...]:
    """The languages that a page's dates may be in: the house's, its own, English."""
    return _tags(tag_of(style), source.root.get("lang") if source.root else "")


@lru_cache(maxsize=256)
def _tags(house: str, declared: str) -> tuple[str, ...]:
    tags = (house, declared if is_tag(declared) else house, "en-GB")
    return tuple({primary_of(tag): tag for tag in reversed(tags)}.values())[::-1]


def written_on(source: Source, style: Style) -> tuple[Written, ...]:
    """The whole dates that people read on a page."""
    return dates_in(source, tags_of(source, style))


def own_forms(style: Style) -> tuple[str, ...]:
    """The forms that the house style says, the long one first; empty if it says none."""
    said = (style.text("date_long"), style.text("date_short"))
    return tuple(form for form in said if form and not patterns.problems("form", form, "date"))


def usual_forms(pages: Iterable[Iterable[tuple[str, Written, bool]]], tag: str) -> tuple[str, ...]:
    """The form of the language that dates have on most pages, and a second one where it has a share of its own.

    Each date comes with whether it is marked up as one: those that are, a program wrote. Empty where there are few.
    """
    counted: Counter[str] = Counter()
    marked: Counter[str] = Counter()
    for page in pages:
        found = {(_form_of(text, written, tag), is_marked) for text, written, is_marked in page}
        counted.update({form for form, _ in found})
        marked.update({form for form, is_marked in found if is_marked})
    best = next((form for form, _ in counted.most_common() if form), "")
    if not best or counted[best] < _FEWEST or counted[best] < _SHARE * counted.total():
        return ()
    second = next((form for form, _ in counted.most_common() if form and form != best), "")
    is_used = marked[second] >= _FEWEST or counted[second] >= max(_FEWEST, _SECOND_SHARE * counted.total())
    return (best, second) if second and is_used else (best,)


def _form_of(text: str, written: Written, tag: str) -> str:
    return next((form for form in _known_forms(tag) if conforms(text, written, form, tag)), "")


@lru_cache(maxsize=64)
def _known_forms(tag: str) -> tuple[str, ...]:
    """Forms to tell dates by, those without a weekday first: one before a date does not count."""
    more = (
        "d MMMM y",
        "MMMM d, y",
        "d MMM y",
        "MMM d, y",
        "dd.MM.y",
        "d.M.y",
        "dd/MM/y",
        "d/M/y",
        "y-MM-dd",
        "dd-MM-y",
    )
    bare = (without_weekday(form) for form in (*forms.choices(tag, "date"), *more))
    return tuple(form for form in dict.fromkeys(bare) if {"d", "y"} <= set(form) and ("M" in form or "L" in form))


def house_forms(style: Style, usual: Sequence[str]) -> tuple[str, ...]:
    """The forms that dates may have: those said, else the usual ones, else the language's own."""
    if said := own_forms(style):
        return said
    tag = tag_of(style)
    return tuple(usual) or (forms.own_long(tag), forms.own_short(tag))


def of_page(source: Source, style: Style, allowed: Sequence[str]) -> Iterator[Stray]:
    """Each date that has none of the forms that are allowed."""
    tag = tag_of(style)
    for written in written_on(source, style):
        block = source.block_at(written.start)
        said = source.flat[written.start : written.end]
        if block.place in _NOT_READ or is_quoted(source, written.start):
            continue
        if written.numeric and phrases.COUNTED.search(source.flat[max(0, written.start - 20) : written.start]):
            continue
        if any(conforms(said, written, form, tag) for form in allowed) or _is_of_passage(source, written, said, tag):
            continue
        yield _stray(source, written, said, allowed, tag, block.place)


def _is_of_passage(source: Source, written: Written, said: str, house: str) -> bool:
    """Whether a date stands in a passage of another language, in one of that language's own forms."""
    number = source.element_at(written.start)
    declared = next((element.get("lang") for element in source.above(number) if element.get("lang")), "")
    if not is_tag(declared) or primary_of(declared) == primary_of(house):
        return False
    own = (forms.own_long(declared), forms.own_short(declared))
    return any(conforms(said, written, form, declared) for form in own)


def _stray(source: Source, written: Written, said: str, allowed: Sequence[str], tag: str, place: str) -> Stray:
    form = _best(allowed, written, tag)
    should = as_form(written.day, form, tag)
    spot = source.spot(written.start, written.end)
    words = " ".join(said.split())
    readings = tuple(day.isoformat() for day in written.days)
    if written.others:
        return Stray("date_ambiguous", source.path, place, spot.start, spot.end, words, should, 0.9, readings=readings)
    mend = mend_if(spot.is_plain)
    return Stray("date_form", source.path, place, spot.start, spot.end, words, should, 0.9, mend, readings=readings)


def _best(allowed: Sequence[str], written: Written, tag: str) -> str:
    """The form to write a date in: a short one for one of numbers, if nobody can misread it."""
    clear = [form for form in allowed if not patterns.is_ambiguous(form)]
    found = clear or [forms.own_long(tag)]
    return found[-1] if written.numeric else found[0]
