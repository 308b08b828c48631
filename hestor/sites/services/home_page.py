"""Choosing a page for what a site has once: its home page, and the page for addresses that lead nowhere."""

from typing import Any

from django.db import transaction

from hestor.core.pages import actions
from hestor.core.pages.actions import PageAction
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.services import page_values
from hestor.sites.services.link_updates import follow
from hestor.sites.services.locking import locked
from hestor.sites.services.new_pages import free_path


def make_home(site: Site, page_id: int) -> None:
    """Makes a page the home page; the one that was gets an address from its title. Raises InvalidInput, NotFound."""
    with transaction.atomic():
        site = locked(site)
        chosen = current(site, page_id)
        home = Revision.objects.in_draft_of(site).filter(path="/").first()
        if chosen.path == "/":
            return
        actions.require(PageAction.MAKE_HOME, chosen.kind, chosen.path)
        former = chosen.path
        if home:
            # Its address is free only once the new one is at hand, and the other way round: by a third, in between.
            aside = free_path(site, "/", home.menu_title or home.title, "page")
            page_values.put(site, {home.page_id: {"path": aside}})
        page_values.put(site, {page_id: {"path": "/", "parent_id": None}})
    follow(site, {former: "/"})


def make_not_found(site: Site, page_id: int, on: bool) -> None:
    """Makes a page the one for addresses that lead nowhere, or a page like others again. Raises InvalidInput, NotFound.

    It has no place in the menu, as it is at no address of its own.
    """
    with transaction.atomic():
        site = locked(site)
        chosen = current(site, page_id)
        if on:
            actions.require(PageAction.MAKE_NOT_FOUND, chosen.kind, chosen.path)
        below = Revision.objects.in_draft_of(site).filter(parent_id=page_id)
        wanted: dict[int, dict[str, Any]] = {}
        if on:
            before = Revision.objects.in_draft_of(site).filter(kind="not_found")
            wanted |= {page: {"kind": "page"} for page in before.values_list("page_id", flat=True)}
            wanted |= {page: {"parent_id": chosen.parent_id} for page in below.values_list("page_id", flat=True)}
            wanted[page_id] = {"kind": "not_found", "in_menu": False}
        elif chosen.kind == "not_found":
            wanted[page_id] = {"kind": "page"}
        page_values.put(site, wanted)
