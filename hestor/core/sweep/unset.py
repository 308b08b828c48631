"""Facts that a site never says."""

from collections.abc import Iterator, Sequence

from hestor.core.reading.source import Source
from hestor.core.sweep.stray import Stray

_HOMES = ("index.html", "index.htm", "index.xhtml", "")


def home_of(paths: Sequence[str]) -> str:
    """The page that a site begins with; of several folders the one nearest to the top."""
    return min(paths, key=home_rank, default="")


def is_home(path: str) -> bool:
    """Whether a page is one that a folder begins with."""
    return path.rpartition("/")[2].lower() in _HOMES


def home_rank(path: str) -> tuple[bool, int, str]:
    """By this the page that a site begins with is the first."""
    return not is_home(path), path.count("/"), path


def unset(home: Source, says: frozenset[str]) -> Iterator[Stray]:
    """What visitors miss of a site: ``says`` are the facts that some page says."""
    head = next(home.all("head"), None) or home.root
    at = head.end if head else 0
    for fact, sure in (("name", 0.8), ("description", 0.8), ("icon", 0.8), ("contact_email", 0.6)):
        if fact not in says:
            yield Stray("fact_unset", home.path, fact, at, at, "", "", sure)
