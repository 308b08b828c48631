"""Reading pictures: one by its id, and the content that a key names."""

from collections.abc import Callable
from functools import partial
from threading import Lock
from typing import Any, cast

from cachetools import LRUCache, cached

from hestor.core.errors import NotFound
from hestor.core.imaging.ingest import MasterKind
from hestor.core.imaging.raster import Master
from hestor.pictures import store
from hestor.pictures.models import Content, Picture


def picture_of(site_id: int, picture_id: int, deleted: bool = False) -> Picture:
    """One picture of a site. Raises NotFound."""
    states = Picture.objects.deleted_of(site_id) if deleted else Picture.objects.kept_by(site_id)
    state = states.filter(pk=picture_id).first()
    if state is None:
        raise NotFound
    return state


_MASTERS: LRUCache[Any, Master] = LRUCache(4096)


# Content never changes under its key, so what is known of it never goes stale.
@cached(_MASTERS, lock=Lock())
def _known(site_id: int, key: str) -> Master:
    content = Content.objects.get(site_id=site_id, key=key)
    if not store.has_master(key):
        # As after a backup without its pictures: pages do without it.
        raise Content.DoesNotExist
    return Master(cast(MasterKind, content.kind), content.width, content.height, store.reader(key))


def master(site_id: int, key: str) -> Master | None:
    """The content of a key, if the site has it."""
    try:
        return _known(site_id, key)
    except Content.DoesNotExist:
        return None


def masters(site_id: int) -> Callable[[str], Master | None]:
    """Gives a site's contents by their keys."""
    return partial(master, site_id)


def clear_caches() -> None:
    """Empties the cache, as after another database was put in place."""
    _MASTERS.clear()
