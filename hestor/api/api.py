"""The desk's HTTP API, put together from its routers."""

from typing import Any

from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

from hestor.api import (
    account,
    added,
    address,
    brand,
    changes,
    check,
    checklist,
    contact,
    dates,
    defaults,
    editions,
    enquiries,
    events,
    files,
    followed,
    import_export,
    languages,
    lifecycle,
    live,
    mail,
    notices,
    own_changes,
    pages,
    passages,
    pictures,
    proofs,
    reach,
    session,
    several_pages,
    several_sites,
    sites,
    style,
    sweep,
    titles,
    towns,
    typed_dates,
    well_being,
    whole_site,
)
from hestor.api.auth import signed_in
from hestor.api.bodies import ReadBody
from hestor.api.description import complete
from hestor.api.errors import register


class DeskApi(NinjaAPI):
    """The API, with a description that says every answer it may give."""

    def get_openapi_schema(self, **options: Any) -> OpenAPISchema:
        """The OpenAPI document."""
        schema = super().get_openapi_schema(**options)
        complete(schema)
        return schema


api = DeskApi(
    parser=ReadBody(),
    title="Hestor's desk",
    version="1",
    description="What the desk calls. Session cookie; errors are problem details (RFC 9457).",
    docs_url=None,
    auth=signed_in,
)
register(api)
_MODULES = (
    session, account, sites, several_sites, style, proofs, reach, brand, files, pictures, several_pages, pages,
    passages, changes, own_changes, followed, editions, towns, languages, dates, typed_dates, events, contact, mail,
    enquiries, notices, defaults, titles, added, address, checklist, import_export, sweep, check, live, lifecycle,
    whole_site, well_being,
)  # fmt: skip
for module in _MODULES:
    api.add_router("", module.router)
