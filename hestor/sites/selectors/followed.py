"""What sites that a site follows published since, as proposals for its draft."""

from dataclasses import dataclass

from hestor.core.changes import Change, fact_change
from hestor.core.facts.bundles import Bundle, proposed
from hestor.core.facts.document import Facts
from hestor.core.places.reach import NOWHERE
from hestor.sites.models import Following, Site
from hestor.sites.selectors.states import live_edition


@dataclass(frozen=True)
class Proposal:
    """A bundle that is followed, and what of it the source says otherwise now, old and new; nothing, most of the time.

    ``facts`` are the source's live ones; None before it was published.
    """

    following: Following
    bundle: Bundle
    facts: Facts | None
    changes: tuple[Change, ...]

    @property
    def keys(self) -> tuple[str, ...]:
        """The facts that are proposed."""
        return tuple(change.key for change in self.changes)


def _proposal(site: Site, following: Following) -> Proposal:
    bundle = Bundle(following.bundle)
    live = live_edition(following.source)
    facts = live.facts_in("") if live else None
    if live is None or facts is None or live.number <= following.edition:
        return Proposal(following, bundle, facts, ())
    keys = proposed(bundle, following.settled, facts, site.facts)
    changes = tuple(fact_change(key, site.facts, facts, NOWHERE) for key in keys)
    return Proposal(following, bundle, facts, changes)


def proposals(site: Site) -> list[Proposal]:
    """Each bundle that a site follows, with what it proposes; none from a site that was deleted."""
    rows = Following.objects.filter(site=site, source__deleted=None).select_related("source").order_by("bundle")
    return [_proposal(site, row) for row in rows]
