"""What a logo is, measured on its pixels once for each picture, trim and colour."""

from collections.abc import Mapping
from threading import Lock
from typing import Any

from cachetools import LRUCache, cached

from hestor.core.errors import HestorError
from hestor.core.facts.assets import PROBE_KEY, Logo
from hestor.core.facts.plates import Standings
from hestor.core.imaging import logos, palettes
from hestor.core.imaging.logos import Measured
from hestor.pictures import selectors as pictures
from hestor.sandbox import run

_MEASURED: LRUCache[Any, Measured] = LRUCache(500)


@cached(_MEASURED, lock=Lock())
def measured(site_id: int, logo: Logo) -> Measured:
    """The measures of a logo. Raises LookupError if its picture is lost, and what the sandbox raises."""
    master = pictures.master(site_id, logo.picture)
    if master is None:
        raise LookupError(logo.picture)
    grounds: Mapping[str, str] = {str(name): ground for name, ground in palettes.GROUND.items()}
    return run(logos.measured, master, logos.part(logo.trim), grounds, logo.recolour)


def standings(site_id: int, logo: Logo) -> Standings:
    """How a logo stands on each ground; nothing where that can't be found out now, and a page has to do without."""
    if logo.picture == PROBE_KEY:
        return {}
    try:
        return measured(site_id, logo).standing
    except (HestorError, LookupError):
        return {}


def clear_caches() -> None:
    """Empties the cache, as after another database was put in place."""
    _MEASURED.clear()
