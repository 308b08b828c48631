"""Two published states of a site beside each other."""

from collections.abc import Sequence

from hestor.core.changes import Change, fact_change
from hestor.core.errors import NotFound
from hestor.core.facts import document
from hestor.core.places.reach import NOWHERE
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors.changes import ChangeWindow, windowed
from hestor.sites.selectors.page_diff import PageDiff


def edition(site: Site, number: int) -> Edition:
    """An edition of a site. Raises NotFound."""
    found_edition = Edition.objects.filter(site=site, number=number).first()
    if found_edition is None:
        raise NotFound
    return found_edition


def _only(site: Site, number: int, other: int) -> RevisionQuerySet:
    """The states of pages that one edition has and another has not."""
    theirs = Revision.objects.in_edition_of(site, other).values("pk")
    return Revision.objects.in_edition_of(site, number).exclude(pk__in=theirs)


def compared(site: Site, number: int, other: int, start: int = 0, count: int | None = None) -> ChangeWindow:
    """What edition ``other`` says otherwise than edition ``number``, from number ``start`` on: facts, then pages.

    Raises NotFound.
    """
    one, two = edition(site, number), edition(site, other)
    diff = PageDiff(_only(site, number, other), _only(site, other, number))

    def told(keys: Sequence[str]) -> tuple[Change, ...]:
        return tuple(fact_change(key, one.facts, two.facts, NOWHERE) for key in keys)

    return windowed(document.differing(one.facts, two.facts), told, diff, start, count)
