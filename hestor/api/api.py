"""The desk's HTTP API, put together from its routers."""

from ninja import NinjaAPI

from hestor.api import (
    changes,
    editions,
    files,
    languages,
    marks,
    pages,
    pictures,
    proofs,
    session,
    sites,
    style,
    towns,
)
from hestor.api.auth import signed_in
from hestor.api.problems import register

api = NinjaAPI(
    title="Hestor's desk",
    version="1",
    description="What the desk calls. Session cookie; errors are problem details (RFC 9457).",
    docs_url=None,
    auth=signed_in,
)
register(api)
for module in (session, sites, style, proofs, marks, files, pictures, pages, changes, editions, towns, languages):
    api.add_router("", module.router)
