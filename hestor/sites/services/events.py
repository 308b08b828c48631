"""A new event in a site's draft, with the page that lists the events where there is none yet."""

from hestor import wording
from hestor.core.errors import InvalidInput
from hestor.core.events.schedule import Schedule
from hestor.core.facts.document import Facts
from hestor.core.pages import fields as page_fields
from hestor.core.pages import paths
from hestor.core.pages.fields import PageFields
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.services.pages import add_page


def _free_path(site_id: int, above: str, title: str) -> str:
    """An address below a page that no other page of the draft has, made from a title."""
    stem = paths.slug_from(title) or "event"
    taken = set(Revision.objects.in_draft_of(site_id).filter(path__startswith=above).values_list("path", flat=True))
    number = 1
    while (path := f"{above}{stem}{f'-{number}' if number > 1 else ''}/") in taken:
        number += 1
    return path


def _list_page(site: Site, facts: Facts) -> Revision:
    """The page that lists the events; made where there is none."""
    found = Revision.objects.in_draft_of(site.pk).filter(kind="events").order_by("path").first()
    if found:
        return found
    title = wording.catalogue("public", facts.language)["starter.events"]
    fields = {"path": _free_path(site.pk, "/", title), "title": title, "kind": "events", "in_menu": True}
    last = Revision.objects.in_draft_of(site.pk).filter(in_menu=True).order_by("-order").first()
    return add_page(site.pk, {**fields, "order": last.order + 1 if last else 1})


def add_event(site: Site, title: str, schedule: Schedule) -> Revision:
    """A new event. Raises InvalidInput with every problem of its title and schedule."""
    said = {"title": title, "kind": "event", "schedule": schedule}
    # Looked at by itself first: the page that lists it is not made for one that can't be.
    alone = PageFields(**page_fields.tidied({"path": "/event/", **said}))
    if problems := list(page_fields.problems(alone)):
        raise InvalidInput(problems)
    listed = _list_page(site, site.facts)
    fields = {"path": _free_path(site.pk, listed.path, alone.title), "parent": listed.page_id, **said}
    return current(site.pk, add_page(site.pk, fields).page_id)
