"""Copying chosen facts of a house style from one site into another's draft, with the pictures that they show."""

from collections.abc import Collection

from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts import document
from hestor.pictures.services import adopt
from hestor.sites.models import Site
from hestor.sites.services.facts import write_facts


def copy_facts(target: Site, source: Site, keys: Collection[str], revision: int) -> Site:
    """Makes the target's draft say chosen facts as the source's draft does. Raises InvalidInput, StaleRevision."""
    unknown = [key for key in keys if key not in document.PUBLIC_KEYS]
    if unknown:
        raise InvalidInput([Problem("keys", "fact_not_common")])
    if not keys:
        raise InvalidInput([Problem("keys", "copy_none")])
    shown = document.pictures_in(source.facts)
    for key in keys:
        if key in shown:
            # Pictures first: facts may only name what a site has. One too many does no harm.
            adopt(target.pk, source.pk, shown[key])
    return write_facts(target, {key: getattr(source.facts, key) for key in keys}, revision)
