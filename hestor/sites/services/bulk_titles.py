"""Writing words of many pages at once, as they are edited in the table of titles: all of them, or none."""

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from django.db import transaction

from hestor.core.errors import MOST_PROBLEMS, InvalidInput, Problem
from hestor.core.pages.faults import FIELDS
from hestor.core.pages.fields import LINES
from hestor.sites.models import Site
from hestor.sites.services import page_values
from hestor.sites.services.locking import locked


class Cell(NamedTuple):
    """New words for one field of one page."""

    page: int
    field: str
    value: str


def _by_page(cells: Iterable[Cell]) -> dict[int, dict[str, str]]:
    found: dict[int, dict[str, str]] = {}
    for page, field, value in cells:
        found.setdefault(page, {})[field] = value
    return found


def _checked(wanted: Mapping[int, Mapping[str, str]]) -> dict[int, dict[str, str]]:
    """The words as they would be kept. Raises InvalidInput with the first problems, each named by page and field."""
    problems: list[Problem] = []
    good: dict[int, dict[str, str]] = {}
    for page, words in wanted.items():
        for field, given in words.items():
            if field not in FIELDS:
                problems.append(Problem(f"{page}.{field}", "not_one_of", {"names": ", ".join(FIELDS)}))
                continue
            value, found = LINES[field](f"{page}.{field}", given)
            problems += found
            good.setdefault(page, {})[field] = value
        if len(problems) >= 10 * MOST_PROBLEMS:
            break
    if problems:
        raise InvalidInput(problems)
    return good


def write_cells(site: Site, cells: Iterable[Cell], revision: int) -> list[int]:
    """Keeps words of many pages in the draft; gives the pages that changed.

    Raises InvalidInput, StaleRevision, and NotFound for a page that the draft does not have; then nothing is kept.
    """
    wanted = _checked(_by_page(cells))
    with transaction.atomic():
        return page_values.put(locked(site, revision), wanted)
