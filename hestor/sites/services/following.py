"""Following another site in a bundle of facts: begun with giving it; what is proposed is taken over or left."""

from collections.abc import Collection, Sequence

from django.db import transaction

from hestor.core.errors import NotFound
from hestor.core.facts import document
from hestor.core.facts.bundles import Bundle, facts_of
from hestor.pictures.services import adopt
from hestor.sites.models import Following, Site
from hestor.sites.selectors.followed import Proposal, proposals
from hestor.sites.services.facts import write_facts


def follow(source: Site, sites: Sequence[Site], bundles: Collection[Bundle]) -> None:
    """From here on these sites follow the source in some bundles, and nobody else in them."""
    for site in sites:
        for bundle in bundles if site.pk != source.pk else ():
            settled = {
                "source": source,
                "settled": document.plain(source.facts, facts_of(bundle)),
                "edition": source.live_number,
            }
            Following.objects.update_or_create(site=site, bundle=bundle.value, defaults=settled)


def _one(site: Site, number: int) -> Proposal:
    found = next((one for one in proposals(site) if one.following.pk == number), None)
    if found is None:
        raise NotFound
    return found


def settle(site: Site, number: int, take: bool, revision: int) -> Site:
    """Takes over what is proposed into the draft, or leaves it: it is not proposed again.

    Raises StaleRevision, NotFound, InvalidInput.
    """
    with transaction.atomic():
        proposal = _one(site, number)
        following, facts = proposal.following, proposal.facts
        if facts is None:
            return site
        if take and proposal.changes:
            shown = document.pictures_in(facts)
            for key in set(proposal.keys) & shown.keys():
                adopt(site.pk, following.source_id, shown[key])
            site = write_facts(site, {key: getattr(facts, key) for key in proposal.keys}, revision)
        following.settled = document.plain(facts, facts_of(proposal.bundle))
        following.edition = following.source.live_number
        following.save(update_fields=["settled", "edition"])
    return site


def follow_no_more(site: Site, number: int) -> None:
    """Ends it; what was taken over stays. Raises NotFound."""
    if not Following.objects.filter(site=site, pk=number).delete()[0]:
        raise NotFound
