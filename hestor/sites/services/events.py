"""A new event in a site's draft, with the page that lists the events where there is none yet."""

from hestor.core.errors import InvalidInput
from hestor.core.events.schedule import Schedule
from hestor.core.pages import fields as page_fields
from hestor.core.pages.fields import PageFields
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.services.new_pages import free_path, page_of_kind
from hestor.sites.services.pages import add_page


def add_event(site: Site, title: str, schedule: Schedule) -> Revision:
    """A new event. Raises InvalidInput with every problem of its title and schedule."""
    said = {"title": title, "kind": "event", "schedule": schedule}
    # Looked at by itself first: the page that lists it is not made for one that can't be.
    alone = PageFields(**page_fields.tidied({"path": "/event/", **said}))
    if problems := list(page_fields.problems(alone)):
        raise InvalidInput(problems)
    listed = page_of_kind(site, "events")
    fields = {"path": free_path(site, listed.path, alone.title, "event"), "parent": listed.page_id, **said}
    return current(site, add_page(site, fields).page_id)
