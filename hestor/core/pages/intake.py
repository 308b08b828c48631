"""Pages taken in from files, against those that are there: which addresses may be, and which page is above which."""

import posixpath
from collections.abc import Collection, Iterator, Mapping
from typing import Any

from hestor.core.errors import Problem
from hestor.core.events import month
from hestor.core.pages import front_matter, package, paths
from hestor.core.pages.pagination import page_number
from hestor.core.pages.tree import MOST_LEVELS

LISTS = ("news", "events")
"""The kinds of pages below whose addresses there are others that nobody made: numbered pages, and months."""


def page_of(name: str, text: str) -> tuple[dict[str, Any], list[Problem]]:
    """A page's fields from its file; what it does not say itself comes from its name. Empty for what can't be read."""
    given, problems = front_matter.read(text)
    if not given:
        return {}, problems
    stem = posixpath.basename(name).rpartition(".")[0]
    title = given.get("title") or stem.replace("-", " ").replace("_", " ").strip().capitalize() or "…"
    return {**given, "title": title, "path": given.get("path") or package.path_of(name)}, problems


def list_problem(path: str, lists: Mapping[str, str]) -> Problem | None:
    """That an address belongs to a list: its numbered pages, or a month of it. ``lists`` are kinds by addresses."""
    above = paths.above(path)
    kind = lists.get(above)
    if kind == "news" and page_number(path, above):
        return Problem("path", "path_numbered", {"path": path, "news": above})
    if kind in LISTS and month.read(path.rstrip("/").rpartition("/")[2]):
        return Problem("path", "path_month", {"path": path, "news": above})
    return None


def address_problems(wanted: Collection[str], here: Mapping[str, str]) -> Iterator[tuple[int, Problem]]:
    """What keeps addresses from being taken in, each by its number among ``wanted``; ``here`` are kinds by addresses.

    One that is here already is written over. Of two that a person would take for one the first counts.
    """
    lists = {path: kind for path, kind in here.items() if kind in LISTS}
    known = {paths.comparable(path): path for path in here}
    taken: dict[str, str] = {}
    for number, path in enumerate(wanted):
        same = paths.comparable(path)
        other = taken.get(same) or (known.get(same) if known.get(same) != path else None)
        clash = list_problem(path, lists)
        if other:
            yield number, Problem("path", "path_alike", {"path": path, "other": other})
        elif clash:
            yield number, clash
        taken.setdefault(same, path)


def parents(
    wanted: Mapping[str, str | None], here: Mapping[str, str | None]
) -> tuple[dict[str, str | None], list[tuple[str, Problem]]]:
    """The page above each, and what was wrong with some, all by their addresses; then nothing stands above those.

    ``wanted`` are the pages that are taken in, each with the address that it names, ``here`` those that are there.
    """
    above = {**here, **wanted}
    problems = []
    for path, parent in wanted.items():
        if path == "/":
            above[path] = None
            continue
        if parent is not None and parent not in above:
            problems.append((path, Problem("parent", "parent_unknown")))
            above[path] = None
        chain, at = [path], above[path]
        while at is not None and at not in chain and len(chain) < MOST_LEVELS:
            chain.append(at)
            at = above.get(at)
        if at is not None:
            code = "parent_loop" if at in chain else "parent_deep"
            problems.append((path, Problem("parent", code, {"most": MOST_LEVELS})))
            above[path] = None
    return above, problems
