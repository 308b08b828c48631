"""The desk's HTTP API, put together from its routers."""

from ninja import NinjaAPI

from hestor.api import (
    brand,
    changes,
    editions,
    files,
    languages,
    pages,
    pictures,
    proofs,
    reach,
    session,
    sites,
    style,
    towns,
)
from hestor.api.auth import signed_in
from hestor.api.errors import register

api = NinjaAPI(
    title="Hestor's desk",
    version="1",
    description="What the desk calls. Session cookie; errors are problem details (RFC 9457).",
    docs_url=None,
    auth=signed_in,
)
register(api)
_MODULES = (
    session, sites, style, proofs, reach, brand, files, pictures, pages, changes, editions, towns, languages,
)  # fmt: skip
for module in _MODULES:
    api.add_router("", module.router)
