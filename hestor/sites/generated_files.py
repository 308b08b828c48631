"""Files generated from pictures: those generated before are read, others are generated now and stored."""

from hestor.pictures import store
from hestor.press.brand_files import PREFIX, BrandFiles, media_type
from hestor.press.response import Response


def file(site_id: int, brand: BrandFiles, path: str, store_it: bool = True) -> Response | None:
    """The file at an address below the brand files' prefix; None if it is neither stored nor one of ``brand``.

    ``store_it`` is false for what is generated while somebody is still choosing: most of it is never asked for again.
    """
    name = path.removeprefix(PREFIX)
    known = media_type(name)
    if known is None:
        return brand.make(path)
    if stored := store.generated(site_id, name):
        return Response(200, known, stored, immutable=True)
    try:
        generated = brand.generate_all(path)
    except FileNotFoundError:
        # Its picture was let go meanwhile, by another process.
        return None
    for address, response in generated.items() if store_it else ():
        store.store_generated(site_id, address.removeprefix(PREFIX), response.body)
    return generated.get(path)
