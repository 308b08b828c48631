"""What follows in a site when a picture is replaced, described or deleted.

A use in the draft follows a replacement at once, as a change of the draft; what was published stays as it was.
"""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from django.db import transaction

from hestor.core.errors import PictureInUse, PictureLive
from hestor.core.facts import document
from hestor.core.facts.assets import Logo, SharePicture
from hestor.core.facts.document import Facts
from hestor.core.facts.in_languages import everywhere
from hestor.pictures import selectors as picture_selectors
from hestor.pictures import services
from hestor.pictures.models import Picture
from hestor.sites.models import Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.selectors.picture_uses import ADDRESS, shown_in, uses_of
from hestor.sites.services.locking import bump, locked_whole
from hestor.sites.services.pages import change_page


def replace(site_id: int, picture_id: int, name: str, body: bytes, now: datetime) -> Picture:
    """Gives a picture other content; every use in the draft follows. Raises NotFound, PictureRefused."""
    picture_selectors.picture_of(site_id, picture_id)
    ingested = services.read(name, body)
    with transaction.atomic():
        site = locked_whole(site_id)
        picture = picture_selectors.picture_of(site_id, picture_id)
        old = picture.key
        services.put_content(picture, name, body, ingested)
        if picture.key != old:
            _follow(site, old, picture.key, now)
        return picture


def _follow(site: Site, old: str, new: str, now: datetime) -> None:
    said = everywhere(site.said, lambda facts: document.with_picture(facts, old, new))
    if said != site.said:
        site.draft_facts = document.document(said)
        bump(site)
    for use in uses_of(site, now).get(old, ()):
        if use.page is not None:
            read = site.in_language(use.language)
            body = current(read, use.page).text.body
            change_page(read, use.page, {"body": body.replace(ADDRESS + old, ADDRESS + new)})


def describe(site_id: int, picture_id: int, given: Mapping[str, str]) -> Picture:
    """Other words for a picture. Facts of the draft that said its old description say the new one."""
    tidy = services.checked_words(given)
    with transaction.atomic():
        site = locked_whole(site_id)
        picture = picture_selectors.picture_of(site_id, picture_id)
        old = picture.description
        for field, value in tidy.items():
            setattr(picture, field, value)
        picture.save()
        if picture.description != old:
            _say(site, picture.key, old, picture.description)
        return picture


def _say(site: Site, key: str, old: str, new: str) -> None:
    said = everywhere(site.said, lambda facts: _described(facts, key, old, new))
    if said != site.said:
        site.draft_facts = document.document(said)
        bump(site)


def _described(facts: Facts, key: str, old: str, new: str) -> dict[str, Any]:
    """The facts that show a picture, with its new description where they said the old one, or none."""
    changed: dict[str, Any] = {}
    for fact in ("logo", "logo_dark", "logo_phone", "share_picture"):
        value = getattr(facts, fact)
        if isinstance(value, (Logo, SharePicture)) and value.picture == key and value.description in ("", old):
            changed[fact] = value.model_copy(update={"description": new})
    return changed


def delete(site_id: int, picture_id: int, now: datetime, even_if_used: bool = False) -> None:
    """Deletes a picture; it can be brought back for 30 days. What shows it goes on doing so until it is changed.

    Raises PictureLive if visitors see it, and PictureInUse if the draft shows it and ``even_if_used`` does not say that
    this is known.
    """
    with transaction.atomic():
        site = locked_whole(site_id)
        picture = picture_selectors.picture_of(site_id, picture_id)
        if shown_in(site).get(picture.key) == site.live_number:
            raise PictureLive(name=picture.name, number=site.live_number)
        uses = uses_of(site, now).get(picture.key, [])
        if uses and not even_if_used:
            raise PictureInUse(name=picture.name, count=len(uses))
        picture.deleted = now
        picture.save(update_fields=["deleted"])
