"""Titles: the name said twice, a title that says nothing, two pages alike, one that is cut; by the rules of pages."""

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import regex

from hestor.core.pages import titles
from hestor.core.pages.empty_titles import says_nothing
from hestor.core.reading.source import Source
from hestor.core.sweep.stray import Stray, mend_if
from hestor.core.sweep.style import Style
from hestor.core.text import lines, widths
from hestor.core.text.lines import folded

_APART = regex.compile(r"(?<!\s)\s++[-–—|·•:»«/]++\s++|:\s++")

_MARKS = " -–—|·•:»«/"

# What is longer is no title, and is said to be too long.
_LONGEST = 500


@dataclass(frozen=True)
class Titled:
    """What the pages of a site are compared by: a title with where it stands, and whether the page counts.

    A page that leads elsewhere, or that says it is a copy of another, may share a title. ``heading`` is its first one.
    """

    page: str
    title: str
    start: int
    end: int
    counts: bool
    heading: str = ""


def titled(source: Source) -> Titled:
    """What a page is compared by."""
    start, end = _spot(source)
    return Titled(source.path, source.title, start, end, _counts(source), _heading(source))


def _heading(source: Source) -> str:
    """The words of the first heading of the page."""
    if "h1" not in source.by_tag:
        return ""
    return next((folded(source.words_of(b)) for b in source.blocks if source.elements[b.element].tag == "h1"), "")


def _counts(source: Source) -> bool:
    return not source.leads_on and "noindex" not in source.meta("robots").lower()


def _spot(source: Source) -> tuple[int, int]:
    block = source.title_block
    if block is not None:
        raw = source.words_of(block)
        lead = len(raw) - len(raw.lstrip())
        spot = source.spot(block.start + lead, block.start + lead + max(1, len(raw.strip())))
        return spot.start, spot.end
    element = next(
        (each_element for each_element in source.all("title") if _is_of_head(source, each_element.number)), None
    )
    if element is not None:
        return element.end, element.closes
    head = next(source.all("head"), None) or source.root
    return (head.end, head.end) if head else (0, 0)


def _is_of_head(source: Source, number: int) -> bool:
    return not source.is_within(number, frozenset(("svg", "math")))


def _parts(title: str) -> list[str]:
    return [part.strip() for part in _APART.split(title) if part.strip()]


def _times(name: str, title: str) -> int:
    return len(list(lines.occurrences(name, title, match_case=False))) if name else 0


def of_page(source: Source, style: Style, home: str) -> Iterator[Stray]:
    """What is amiss with a title by itself."""
    if source.leads_on:
        return
    name, title = style.text("name"), source.title
    start, end = _spot(source)
    said = source.text[start:end]
    if _is_empty(title, name, source.path == home):
        heading = _heading(source)
        should = _proposed(heading, name)
        mend = mend_if(should and any(source.all("title")))
        yield Stray("title_empty", source.path, "title", start, end, folded(said), should, 0.95, mend)
        return
    shown = title
    if len(title) <= _LONGEST and _times(name, title) > 1:
        shown = once(title, name)
        yield Stray("title_repeats_name", source.path, "title", start, end, title, shown, 0.95, "replace")
    # A title that is long only for saying the name twice is mended with that.
    if widths.width(shown, titles.SEARCH_SIZE) > titles.SEARCH_CUT:
        short = _shorter(title, name) if len(title) <= _LONGEST else ""
        mend = mend_if(short)
        yield Stray("title_long", source.path, "title", start, end, title, short, 0.9, mend)


def _proposed(heading: str, name: str) -> str:
    if not heading or says_nothing(heading):
        return ""
    return f"{heading} – {name}" if name and not _times(name, heading) else heading


def _is_empty(title: str, name: str, is_home: bool) -> bool:
    if says_nothing(title):
        return True
    parts = [part for part in _parts(title) if not name or part.casefold() != name.casefold()]
    bare = title.strip(_MARKS)
    if name and bare != title and bare.casefold() == name.casefold():
        # The name with a mark beside it, where the page's own words were to stand.
        return True
    return bool(parts) and all(says_nothing(part) for part in parts) and (not is_home or _untitled(parts))


def _untitled(parts: Sequence[str]) -> bool:
    return any(part.casefold().split()[0] in _UNTITLED for part in parts)


_UNTITLED = frozenset(
    ("untitled", "unbenannt", "unbenanntes", "sans", "sin", "senza", "بدون", "new", "neue", "nouvelle")
)


def once(title: str, name: str) -> str:
    """A title with the name at its last spot only; parts that were nothing but the name go."""
    parts = _parts(title)
    joints = _APART.findall(title)
    if sum(part.casefold() == name.casefold() for part in parts) > 1:
        kept = [part for part in parts if part.casefold() != name.casefold()]
        joint = joints[-1] if joints else " – "
        return joint.join((*kept, name)) if kept else name
    if len(parts) > 1 and any(part.casefold() == name.casefold() for part in parts):
        # The name is in the words of the page's own part: that part says it already.
        own = [part for part in parts if part.casefold() != name.casefold()]
        return (joints[0] if joints else " – ").join(own)
    return title


def _shorter(title: str, name: str) -> str:
    """A title without the name where that is enough; else a person has to say it shorter."""
    parts = _parts(title)
    own = [part for part in parts if not name or part.casefold() != name.casefold()]
    if 0 < len(own) < len(parts):
        kept = _APART.findall(title)[0].join(own)
        if widths.width(kept, titles.SEARCH_SIZE) <= titles.SEARCH_CUT:
            return str(kept)
    return ""


def twins(pages: Sequence[Titled], canonical: Mapping[str, str]) -> Iterator[Stray]:
    """Pages whose titles are alike, each of them; a page that names another as its canonical one is its copy."""
    alike: dict[str, list[Titled]] = defaultdict(list)
    for page in pages:
        if page.counts and page.title and canonical.get(page.page, page.page) == page.page:
            alike[page.title.casefold()].append(page)
    for found in alike.values():
        for page in found if len(found) > 1 else ():
            yield Stray("title_twin", page.page, "title", page.start, page.end, page.title, "", 0.9)
