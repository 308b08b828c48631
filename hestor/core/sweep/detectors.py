"""What finds each kind of stray on a page by itself: a new kind is its module, its texts and its line here.

Those of texts look at a site of Hestor's own, too; the others only at folders of pages that anybody made. Kinds that
are seen only beside other pages (``ACROSS``) are found by ``folder``.
"""

from collections.abc import Callable, Iterator
from dataclasses import dataclass, field

from hestor.core.reading.source import Source
from hestor.core.sweep import (
    brand,
    contacts,
    contrast,
    dates,
    hours,
    langs,
    names,
    page_titles,
    parts,
    phrases,
    pictures,
    starters,
    years,
)  # fmt: skip
from hestor.core.sweep.files import Files
from hestor.core.sweep.propose import Usual
from hestor.core.sweep.stray import Kind, Stray
from hestor.core.sweep.style import Style


@dataclass(frozen=True)
class Held:
    """A page, and what it is held to; ``is_whole``: a day of which the hours say nothing is closed."""

    source: Source
    style: Style
    forms: tuple[str, ...]
    week: hours.Week = field(default_factory=dict)
    year: int = phrases.ANY_YEAR
    is_whole: bool = False


@dataclass(frozen=True)
class InFolder:
    """What a page is held to beside the other pages of its folder."""

    files: Files
    agreed: Usual
    home: str
    parts: frozenset[str]
    looks: contrast.Looks


@dataclass(frozen=True)
class OfTexts:
    """Finds kinds in the texts of any page."""

    kinds: tuple[Kind, ...]
    find: Callable[[Held], Iterator[Stray]]


@dataclass(frozen=True)
class OfFolders:
    """Finds kinds on pages of a folder."""

    kinds: tuple[Kind, ...]
    find: Callable[[Held, InFolder], Iterator[Stray]]


def _hours(held: Held) -> Iterator[Stray]:
    said = hours.said_on(held.source, dates.tag_of(held.style), names.words_of(held.style))
    return hours.of_page(held.source, said, held.week, held.is_whole)


OF_TEXTS = (
    OfTexts(("former_name",), lambda held: names.former_names(held.source, held.style, held.year)),
    OfTexts(("misspelt_name",), lambda held: names.misspelt_names(held.source, held.style)),
    OfTexts(("starter_text",), lambda held: starters.starter_texts(held.source)),
    OfTexts(("text_language",), lambda held: langs.passages_of(held.source, held.style)),
    OfTexts(("date_form", "date_ambiguous"), lambda held: dates.of_page(held.source, held.style, held.forms)),
    OfTexts(("contact",), lambda held: contacts.other_addresses(held.source, held.style)),
    OfTexts(("phone",), lambda held: contacts.other_phones(held.source, held.style)),
    OfTexts(("hours",), _hours),
    OfTexts(("alt_missing",), lambda held: pictures.undescribed(held.source)),
)
OF_FOLDERS = (
    OfFolders(("short_name",), lambda held, folder: names.short_names(held.source, held.style)),
    OfFolders(
        ("title_repeats_name", "title_empty", "title_long"),
        lambda held, folder: page_titles.of_page(held.source, held.style, folder.home),
    ),
    OfFolders(("lang_missing", "lang_wrong"), lambda held, folder: langs.of_page(held.source, held.style)),
    OfFolders(("past_year",), lambda held, folder: years.past_years(held.source, held.year)),
    OfFolders(
        ("old_logo",), lambda held, folder: brand.logos(held.source, folder.files, held.style, folder.agreed.logo)
    ),
    OfFolders(
        ("old_icon",),
        lambda held, folder: brand.icons(held.source, folder.files, held.style, dict(folder.agreed.icons)),
    ),
    OfFolders(("opted_out",), lambda held, folder: parts.left_out(held.source, folder.parts, folder.agreed.wanted)),
    OfFolders(("contrast",), lambda held, folder: contrast.unreadable(held.source, folder.looks)),
)
ACROSS: tuple[Kind, ...] = ("title_twin", "link_broken", "fact_unset")
"""The kinds that are seen only beside other pages."""
TEXT_KINDS = frozenset(kind for detector in OF_TEXTS for kind in detector.kinds)
"""The kinds that are found in the texts of a page by itself."""


def in_texts(held: Held) -> Iterator[Stray]:
    """What is amiss in the texts of a page."""
    for detector in OF_TEXTS:
        yield from detector.find(held)


def on_page(held: Held, folder: InFolder) -> Iterator[Stray]:
    """What is amiss with a page of a folder."""
    yield from in_texts(held)
    for detector in OF_FOLDERS:
        yield from detector.find(held, folder)
