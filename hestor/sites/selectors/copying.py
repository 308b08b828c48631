"""What a site says otherwise than another of the same person, to be copied by chosen facts."""

from hestor.core.changes import Change, fact_change
from hestor.core.facts import document
from hestor.core.places.reach import NOWHERE
from hestor.sites.models import Site


def differences(target: Site, source: Site) -> tuple[Change, ...]:
    """The facts of two drafts that differ: what the target says, and what it would say; without private ones."""
    keys = document.differing(target.facts, source.facts)
    return tuple(fact_change(key, target.facts, source.facts, NOWHERE) for key in keys)
