"""What a revision says, as an owner said it."""

from typing import Any

from hestor.core.errors import NotFound
from hestor.core.pages.fields import PageFields
from hestor.sites.models import Revision, Site

COLUMNS = tuple(name for name in PageFields.model_fields if name not in ("body", "parent"))
"""The fields of a page that a revision keeps under the same name."""


def columns_of(revision: Revision) -> dict[str, Any]:
    """All that a revision says but for its text."""
    return {**{name: getattr(revision, name) for name in COLUMNS}, "parent": revision.parent_id}


def fields_of(revision: Revision) -> PageFields:
    """All that a revision says; its text has to be fetched with it."""
    return PageFields(**columns_of(revision), body=revision.text.body)


def current(site: Site, page_id: int) -> Revision:
    """A page of the draft as it is now. Raises NotFound."""
    revision = Revision.objects.in_draft_of(site).filter(page_id=page_id).select_related("text", "page").first()
    if revision is None:
        raise NotFound
    return revision
