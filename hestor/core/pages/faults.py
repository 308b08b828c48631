"""What is amiss with how pages are called and described, seen over all of them; and for most of it a mend.

A mend is new words for some of a page's own fields. It is a proposal: nothing is changed here.
"""

from collections import Counter
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from typing import Literal, Protocol

import regex

from hestor.core.pages import descriptions, titles
from hestor.core.pages.empty_titles import says_nothing
from hestor.core.pages.titles import Titling
from hestor.core.text import fillins, lines, widths

Kind = Literal[
    "title_repeats_name", "title_empty", "title_twin", "title_long", "former_name",
    "description_unset", "description_twin", "description_long", "description_stuffed",
]  # fmt: skip
KINDS: tuple[Kind, ...] = (
    "former_name", "title_repeats_name", "title_empty", "title_twin", "title_long",
    "description_unset", "description_twin", "description_long", "description_stuffed",
)  # fmt: skip
"""Titles first, in the order of how much a visitor is misled."""
MISLEADING: frozenset[Kind] = frozenset(("former_name", "title_repeats_name", "title_empty", "title_twin"))
"""Those by which a visitor is misled, and not only told less."""
_MOST_REPEATED = 3
_LONG_WORD = 4
_WORD = regex.compile(r"[\p{L}\p{M}\p{N}’']+")
# Where a sentence ends: to look for all before an end at once goes through a text once for each of its letters.
_END = regex.compile(r"[.!?。！？؟](?=\s|$)")
_END_OR_MORE = regex.compile(r"[.!?。！？؟…](?=\s|$)")


@dataclass(frozen=True)
class NamedPage:
    """A page with the words by which it is known; texts may hold fill-ins, but for ``section`` and ``excerpt``."""

    page_id: int
    path: str
    title: str
    own_title: str = ""
    menu_title: str = ""
    summary: str = ""
    excerpt: str = ""
    section: str = ""
    published: date | None = None

    def titled(self, title: str) -> "NamedPage":
        """The same page with another title."""
        return replace(self, title=title)


Field = Literal["title", "own_title", "menu_title", "summary"]
"""The words of a page that are edited in the table of titles."""
FIELDS: tuple[Field, ...] = ("title", "own_title", "menu_title", "summary")
Cells = Mapping[Field, str]


@dataclass(frozen=True)
class Fault:
    """One thing that is amiss, and the fields that would mend it (none: only a person can)."""

    kind: Kind
    mend: Cells = field(default_factory=dict)


@dataclass(frozen=True)
class Row:
    """A page with its title as it will be, its description, how wide both titles are (CSS pixels), and its faults."""

    page: NamedPage
    shown: str
    description: str
    source: descriptions.Source
    search_width: int
    tab_width: int
    faults: tuple[Fault, ...]


@dataclass(frozen=True)
class House:
    """What of the house style titles and descriptions are held to.

    ``former`` are names that the site had before; ``day`` writes a day in the site's own form.
    """

    titling: Titling
    description: str = ""
    former: Sequence[str] = ()
    day: Callable[[date], str] = date.isoformat


class Others(Protocol):
    """What a page is held to of all others: whether they are called and described as it is."""

    def is_twin(self, shown: str) -> bool:
        """Whether several pages have a title."""

    def has_title(self, shown: str) -> bool:
        """Whether a page has a title."""

    def is_first_titled(self, page_id: int, shown: str) -> bool:
        """Whether a page is the first of those with a title."""

    def is_described_twin(self, summary: str) -> bool:
        """Whether several pages have a description of their own that says this."""

    def is_first_described(self, page_id: int, summary: str) -> bool:
        """Whether a page is the first of those that say this."""


class Reader:
    """Reads pages as rows of the table, held to the house style, and to others as far as those are known."""

    def __init__(self, house: House, others: Others | None = None) -> None:
        self._house, self._values, self._others = house, house.titling.values, others

    def filled(self, text: str) -> str:
        """A text with its fill-ins filled."""
        return fillins.fill(text, self._values) if "{" in text or "'" in text else text

    def shown(self, page: NamedPage, own: str | None = None) -> str:
        """The title of a page as its tab says it; with another ``own`` title, if that is given."""
        own_title = self.filled(page.own_title if own is None else own)
        return titles.title_of(self._house.titling, page.path, self.filled(page.title), page.section, own_title)

    def row(self, page: NamedPage) -> Row:
        """A page with all that is known to be amiss with it."""
        shown = self.shown(page)
        source = descriptions.source(page.summary, page.excerpt)
        own = self.filled(page.summary) if source == "summary" else page.excerpt
        described = descriptions.description(page.path == "/", own, self._house.description)
        wide = widths.width(shown, titles.SEARCH_SIZE)
        tab = wide * titles.TAB_SIZE / titles.SEARCH_SIZE
        faults = tuple(self._faults(page, shown, wide, source))
        return Row(page, shown, described, source, round(wide), round(tab), faults)

    def renamed(self, page: NamedPage) -> str:
        """The title that would tell a page from another one of the same: with its day, or its section; or nothing."""
        apart = self._house.day(page.published) if page.published else page.section
        return f"{page.title} ({apart})" if apart else ""

    def _faults(self, page: NamedPage, shown: str, wide: float, source: str) -> Iterator[Fault]:
        yield from self._former(page)
        yield from self._repeated(page, shown)
        yield from self._empty(page)
        yield from self._twin(page, shown)
        if wide > titles.SEARCH_CUT:
            yield Fault("title_long", self._shorter(page))
        yield from self._description_faults(page, source)

    def _former(self, page: NamedPage) -> Iterator[Fault]:
        mend: dict[Field, str] = {}
        for name in FIELDS:
            text = getattr(page, name)
            if text and (renamed := without_former(text, self._values.site, self._house.former)) != text:
                mend[name] = renamed
        if mend:
            yield Fault("former_name", mend)

    def _repeated(self, page: NamedPage, shown: str) -> Iterator[Fault]:
        if len(list(lines.occurrences(self._values.site, shown, match_case=False))) > 1:
            by_pattern = self.shown(page, "")
            once = len(list(lines.occurrences(self._values.site, by_pattern, match_case=False))) <= 1
            yield Fault("title_repeats_name", {"own_title": ""} if page.own_title and once else {})

    def _empty(self, page: NamedPage) -> Iterator[Fault]:
        shown = page.own_title or ("" if page.path == "/" else page.title)
        if not shown or not says_nothing(self.filled(shown)):
            return
        mend: dict[Field, str] = {"own_title": ""} if page.own_title else {}
        if page.path != "/" and says_nothing(self.filled(page.title)):
            words = lines.shorten(_first_sentence(page.excerpt), 60).rstrip("…").strip(" .")
            mend = {**mend, "title": words} if words and not says_nothing(words) else {}
        yield Fault("title_empty", mend)

    def _twin(self, page: NamedPage, shown: str) -> Iterator[Fault]:
        if self._others is None or not self._others.is_twin(shown):
            return
        if self._others.is_first_titled(page.page_id, shown):
            yield Fault("title_twin")
            return
        title = self.renamed(page)
        is_new = bool(title) and not self._others.has_title(self.shown(page.titled(title)))
        yield Fault("title_twin", {"title": title} if is_new and not page.own_title else {})

    def _shorter(self, page: NamedPage) -> Cells:
        whole = page.own_title or page.title
        if page.own_title or widths.width(self.filled(whole), titles.SEARCH_SIZE) > titles.SEARCH_CUT:
            # Fill-ins are kept whole: what is cut is cut between the words as they were typed.
            short = widths.fitting(whole, titles.SEARCH_SIZE, titles.SEARCH_CUT)
            return {"own_title": short} if short != whole and "{" not in whole else {}
        return {"own_title": whole}

    def _description_faults(self, page: NamedPage, source: str) -> Iterator[Fault]:
        if not source:
            if not (page.path == "/" and self._house.description):
                yield Fault("description_unset")
            return
        if source != "summary":
            return
        text = self.filled(page.summary)
        if self._others is not None and self._others.is_described_twin(page.summary):
            mends = bool(page.excerpt) and not self._others.is_first_described(page.page_id, page.summary)
            yield Fault("description_twin", {"summary": ""} if mends else {})
        if is_stuffed(text):
            yield Fault("description_stuffed", {"summary": ""} if page.excerpt else {})
        elif len(text) > descriptions.MOST_SHOWN:
            short = _whole_sentences(lines.cut(page.summary, descriptions.MOST_SHOWN))
            yield Fault("description_long", {"summary": short} if short else {})


def _first_sentence(text: str) -> str:
    end = _END.search(text)
    return text[: end.end()] if end else text


def _whole_sentences(text: str) -> str:
    return text[: max((end.end() for end in _END_OR_MORE.finditer(text)), default=0)]


def is_stuffed(text: str) -> bool:
    """Whether a description says one word over and over, as if for machines."""
    counted = Counter(word.casefold() for word in _WORD.findall(text) if len(word) >= _LONG_WORD)
    return any(count > _MOST_REPEATED for count in counted.values())


def without_former(text: str, name: str, former: Iterable[str]) -> str:
    """A text with each former name given way to the fill-in for the present one.

    What is part of the present name, or of a longer former one, is left alone.
    """
    spans: list[tuple[int, int]] = []
    kept = [*lines.occurrences(name, text)]
    for one in sorted(former, key=len, reverse=True):
        for start, end in lines.occurrences(one, text):
            if all(end <= a or start >= b for a, b in (*kept, *spans)):
                spans.append((start, end))
    for start, end in sorted(spans, reverse=True):
        text = f"{text[:start]}{{site}}{text[end:]}"
    return text
