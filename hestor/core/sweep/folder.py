"""A sweep of a folder of pages, by whomever they were made: every kind of stray on every page."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from datetime import date

from hestor.core.reading.source import Source
from hestor.core.sweep import asked, colour_rules, contrast, dates, detectors, links, page_titles, unset
from hestor.core.sweep.encodings import Undecodable, decode
from hestor.core.sweep.files import Files
from hestor.core.sweep.others import of_text
from hestor.core.sweep.pages_read import OtherText, Page, Pages, Unread, path_of
from hestor.core.sweep.propose import Usual, usual
from hestor.core.sweep.stray import Stray, numbered
from hestor.core.sweep.style import Style
from hestor.core.text import urls

Progress = Callable[[int, int], None]


@dataclass(frozen=True)
class Swept:
    """What a sweep found: how many pages, the style they were held to, the strays in order, what could not be read."""

    pages: int
    style: Style
    strays: tuple[Stray, ...]
    unread: tuple[Unread, ...]


def own_hosts(sources: Sequence[Source]) -> frozenset[str]:
    """The hosts that pages name as their own: that of the canonical address on most of them, with and without www."""
    counted: dict[str, int] = {}
    for source in sources:
        element = next(
            (
                each_element
                for each_element in source.all("link")
                if "canonical" in each_element.get("rel").lower().split()
            ),
            None,
        )
        address = urls.read(element.get("href")) if element else None
        if address and address.host:
            counted[address.host] = counted.get(address.host, 0) + 1
    best = max(counted, key=lambda host: counted[host], default="")
    if not best or counted[best] * 2 <= sum(counted.values()) or counted[best] * 3 < len(sources):
        return frozenset()
    return frozenset((best, f"www.{best}", best.removeprefix("www.")))


class Sweeper:
    """Holds pages to a style. What is found of one page depends on that page, the style and the other files' names."""

    def __init__(self, files: Files, agreed: Usual, today: date, home: str) -> None:
        self.files, self.agreed, self._today = files, agreed, today
        self._forms = dates.house_forms(agreed.style, agreed.date_forms)
        self._home = home
        self._sheets: dict[str, colour_rules.Sheet] = {}
        self._looks: dict[tuple[int, ...], contrast.Looks] = {}
        self._kept: list[colour_rules.Sheet] = []

    def page(self, page: Page) -> Iterator[Stray]:
        """What is amiss with one page by itself, but for its links; what a person has to look at is not mended."""
        return asked.left_to_a_person(page.source, self._amiss(page), self.agreed.style, self._today.year)

    def _amiss(self, page: Page) -> Iterator[Stray]:
        agreed = self.agreed
        held = detectors.Held(page.source, agreed.style, self._forms, agreed.week, self._today.year)
        looks = self._looks_of(page.source)
        return detectors.on_page(held, detectors.InFolder(self.files, agreed, self._home, page.parts, looks))

    def _looks_of(self, source: Source) -> contrast.Looks:
        sheets = tuple(self._sheets_of(source))
        key = tuple(map(id, sheets))
        if key not in self._looks:
            self._looks[key] = contrast.Looks(sheets)
            # What they are known by is theirs for as long as they are kept.
            self._kept.extend(sheets)
        return self._looks[key]

    def _sheets_of(self, source: Source) -> list[colour_rules.Sheet]:
        sheets = []
        for element in sorted(source.all("style", "link"), key=lambda one: one.number):
            if element.tag == "style":
                sheets.append(colour_rules.sheet_of(source.text[element.end : element.closes]))
            elif "stylesheet" in element.get("rel").lower().split():
                if element.get("media").lower() not in ("", "all", "screen"):
                    continue
                leads, path, _ = self.files.led_to(source, element.get("href"))
                if leads == "found":
                    sheets.append(self._sheet(path))
        return sheets

    def _sheet(self, path: str) -> colour_rules.Sheet:
        if path not in self._sheets:
            try:
                self._sheets[path] = colour_rules.sheet_of(decode(self.files.read(path)).text)
            except (Undecodable, OSError):
                self._sheets[path] = colour_rules.Sheet()
        return self._sheets[path]


def canonical_of(source: Source, files: Files) -> str:
    """The file that a page names as the one it is a copy of; itself, where it names none of the folder."""
    element = next(
        (each_element for each_element in source.all("link") if "canonical" in each_element.get("rel").lower().split()),
        None,
    )
    if element is None:
        return source.path
    leads, path, _ = files.led_to(source, element.get("href"))
    return path if leads == "found" else source.path


class _Across:
    """What is seen of pages only beside the others: titles alike, links."""

    def __init__(self, files: Files) -> None:
        self._files = files
        self._titled: list[page_titles.Titled] = []
        self._canonical: dict[str, str] = {}
        self._ids: dict[str, frozenset[str]] = {}
        self._broken: list[Stray] = []
        self._parts: list[tuple[str, str, Stray]] = []
        self.leading_out: list[Unread] = []

    def add(self, source: Source) -> None:
        """One more page."""
        self._titled.append(page_titles.titled(source))
        self._canonical[source.path] = canonical_of(source, self._files)
        self._ids[source.path] = source.ids
        led = links.led(source, self._files)
        self._broken += led.broken
        self._parts += led.parts
        if led.is_out:
            self.leading_out.append(Unread(source.path, "links_out"))

    def strays(self) -> Iterator[Stray]:
        """What is amiss, once all pages were added."""
        yield from page_titles.twins(self._titled, self._canonical)
        yield from self._broken
        for path, fragment, stray in self._parts:
            if not links.is_there(self._ids.get(path), fragment):
                yield stray


def sweeper_of(pages: Pages, files: Files, given: Style | None, today: date) -> Sweeper:
    """Holds the pages of a folder to a given style, or to what most of them agree on."""
    files = Files(files.paths, files.read, files.hosts or own_hosts([page.source for page in pages.sample]))
    agreed = usual(pages.sample, files, given)
    home = pages.home.source.path if pages.home else ""
    return Sweeper(files, agreed, today, home)


def sweep(
    files: Files,
    given: Style | None,
    today: date,
    progress: Progress | None = None,
    enough: Callable[[], bool] = lambda: False,
) -> Swept:
    """Every stray in a folder, held to a given style, or to what most of its pages agree on.

    Once there was ``enough`` of it, what is left is told as not read.
    """
    pages = Pages(files)
    sweeper = sweeper_of(pages, files, given, today)
    agreed = sweeper.agreed
    across, count = _Across(sweeper.files), 0
    strays: list[Stray] = []
    unread: list[Unread] = []
    for page in pages.in_turn():
        if not isinstance(page, Unread) and enough():
            unread.append(Unread(path_of(page), "not_reached"))
        elif isinstance(page, Page):
            strays.extend(sweeper.page(page))
            across.add(page.source)
            count += 1
            if progress:
                progress(count, pages.count)
        elif isinstance(page, OtherText):
            strays.extend(of_text(page, agreed.style))
        else:
            unread.append(page)
    strays.extend(across.strays())
    if pages.home:
        strays.extend(unset.unset(pages.home.source, agreed.says))
    return Swept(count, agreed.style, numbered(strays), (*unread, *across.leading_out))
