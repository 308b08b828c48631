"""Files generated from pictures: those generated before are read, others are now, in the sandbox, and stored."""

from cachetools import TTLCache

from hestor.core.errors import TooMuchWork
from hestor.pictures import store
from hestor.rendering.brand_files import PREFIX, BrandFiles, media_type
from hestor.rendering.response import Response
from hestor.sandbox import run

# A file whose drawing failed is not drawn again for each request; after a while it may have been a busy machine.
_FAILED: TTLCache[tuple[int, str], bool] = TTLCache(500, 60)


def file(site_id: int, brand: BrandFiles, path: str, store_it: bool = True) -> Response | None:
    """The file at an address below the brand files' prefix; None if it is none of ``brand``, or can't be made.

    ``store_it`` is false for what is generated while somebody is still choosing: most of it is never asked for again.
    """
    name = path.removeprefix(PREFIX)
    if not brand.names(path):
        return None
    known = media_type(name)
    if known is None:
        return _original(brand, path)
    if found_response := _stored(site_id, name, known):
        return found_response
    if (site_id, name) in _FAILED:
        return None
    if not store_it:
        return _made(site_id, brand, path).get(path)
    # However many ask for it at the same time, one makes it.
    with store.making(site_id, name.rpartition("/")[0] or name):
        if found_response := _stored(site_id, name, known):
            return found_response
        made = _made(site_id, brand, path)
        for address, response in made.items():
            store.store_generated(site_id, address.removeprefix(PREFIX), response.body)
    return made.get(path)


def _stored(site_id: int, name: str, media: str) -> Response | None:
    stored = store.generated(site_id, name)
    return Response(200, media, stored, immutable=True) if stored else None


def _original(brand: BrandFiles, path: str) -> Response | None:
    """A picture as it is kept: read, not drawn."""
    try:
        return brand.make(path)
    except FileNotFoundError:
        # It was let go meanwhile, by another process.
        return None


def _made(site_id: int, brand: BrandFiles, path: str) -> dict[str, Response]:
    try:
        return run(BrandFiles.generate_all, brand.settled(path), path)
    except FileNotFoundError:
        return {}
    except TooMuchWork:
        _FAILED[site_id, path.removeprefix(PREFIX)] = True
        return {}


def clear_caches() -> None:
    """Forgets what could not be made."""
    _FAILED.clear()
