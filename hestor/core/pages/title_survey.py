"""Looking over the titles of all pages, some at a time, in little memory: how often each fault is, and on which pages.

Of each page a few numbers are kept: its number, and its faults (a bit each); of titles and descriptions a hash. That
many pages are called alike is known for sure once all of them were looked over.
"""

from array import array
from bisect import bisect_left
from collections import Counter
from collections.abc import Iterable, Mapping

from hestor.core.pages.faults import KINDS, House, Kind, NamedPage, Reader, Row

_BIT: Mapping[Kind, int] = {kind: 1 << number for number, kind in enumerate(KINDS)}


class TitleSurvey:
    """What is amiss with titles and descriptions, as far as pages were looked over."""

    def __init__(self, house: House) -> None:
        self._alone = Reader(house)
        self._reader = Reader(house, self)
        self._pages = array("q")
        self._faults, self._mends = array("H"), array("H")
        # The first page of each title and description, by its number here; and what would tell twins apart.
        self._titled: dict[int, int] = {}
        self._described: dict[int, int] = {}
        self._renamed: dict[int, int] = {}
        self._title_twins: dict[int, int] = {}
        self._description_twins: dict[int, int] = {}
        self._sorted = array("q")
        self.is_whole = False

    def __len__(self) -> int:
        """How many pages were looked over."""
        return len(self._pages)

    def look(self, pages: Iterable[NamedPage]) -> None:
        """Looks over some more pages, in the order of the table."""
        for page in pages:
            self._look(page)

    def _look(self, page: NamedPage) -> None:
        row = self._alone.row(page)
        number = len(self._pages)
        self._pages.append(page.page_id)
        self._faults.append(sum(_BIT[fault.kind] for fault in row.faults))
        self._mends.append(sum(_BIT[fault.kind] for fault in row.faults if fault.mend))
        self._note_title(number, page, row.shown)
        if page.summary:
            self._note_description(number, page)

    def _note_title(self, number: int, page: NamedPage, shown: str) -> None:
        first = self._titled.setdefault(_hash(shown), number)
        if first == number:
            return
        self._title_twins[_hash(shown)] = self._pages[first]
        self._mark("title_twin", first, number)
        title = self._alone.renamed(page)
        if title and not page.own_title:
            self._renamed[number] = _hash(self._alone.shown(page.titled(title)))

    def _note_description(self, number: int, page: NamedPage) -> None:
        said = _hash(page.summary)
        first = self._described.setdefault(said, number)
        if first == number:
            return
        self._description_twins[said] = self._pages[first]
        self._mark("description_twin", first, number)
        if page.excerpt:
            self._mends[number] |= _BIT["description_twin"]

    def _mark(self, kind: Kind, *numbers: int) -> None:
        for number in numbers:
            self._faults[number] |= _BIT[kind]

    def finish(self) -> None:
        """Says that all pages were looked over: now it is known which new titles would be no twins."""
        self._sorted = array("q", sorted(self._titled))
        for number, renamed in self._renamed.items():
            if not self.has_title_hashed(renamed):
                self._mends[number] |= _BIT["title_twin"]
        self._titled, self._described, self._renamed = {}, {}, {}
        self.is_whole = True

    def counts(self) -> Mapping[Kind, tuple[int, int]]:
        """On how many pages each fault is, and for how many of those there is a mend; only those that there are."""
        faults, mends = Counter(self._faults), Counter(self._mends)
        return {kind: (pages, _having(mends, kind)) for kind in KINDS if (pages := _having(faults, kind))}

    def misleading(self, kinds: Iterable[Kind]) -> int:
        """On how many pages one of some faults is."""
        wanted = sum(_BIT[kind] for kind in kinds)
        return sum(pages for bits, pages in Counter(self._faults).items() if bits & wanted)

    def pages_with(self, *kinds: Kind) -> list[int]:
        """The pages that have one of some faults, in the order of the table."""
        wanted = sum(_BIT[kind] for kind in kinds)
        return [page for page, bits in zip(self._pages, self._faults, strict=True) if bits & wanted]

    def row(self, page: NamedPage) -> Row:
        """A page with all that is known to be amiss with it."""
        return (self._reader if self.is_whole else self._alone).row(page)

    def is_twin(self, shown: str) -> bool:
        """Whether several pages have a title."""
        return _hash(shown) in self._title_twins

    def is_first_titled(self, page_id: int, shown: str) -> bool:
        """Whether a page is the first of those with a title."""
        return self._title_twins.get(_hash(shown)) == page_id

    def has_title(self, shown: str) -> bool:
        """Whether a page has a title."""
        return self.has_title_hashed(_hash(shown))

    def has_title_hashed(self, said: int) -> bool:
        """Whether a page has a title, by its hash."""
        at = bisect_left(self._sorted, said)
        return at < len(self._sorted) and self._sorted[at] == said

    def is_described_twin(self, summary: str) -> bool:
        """Whether several pages have a description of their own that says this."""
        return _hash(summary) in self._description_twins

    def is_first_described(self, page_id: int, summary: str) -> bool:
        """Whether a page is the first of those that say this."""
        return self._description_twins.get(_hash(summary)) == page_id


def _hash(text: str) -> int:
    # Of 64 bits: two of a hundred thousand titles share one once in some billion sites.
    return hash(text.casefold())


def _having(counted: Mapping[int, int], kind: Kind) -> int:
    return sum(pages for bits, pages in counted.items() if bits & _BIT[kind])


def surveyed(pages: Iterable[NamedPage], house: House) -> TitleSurvey:
    """All pages looked over at once."""
    survey = TitleSurvey(house)
    survey.look(pages)
    survey.finish()
    return survey
