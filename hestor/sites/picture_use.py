"""Where pictures are used, and what follows when one is replaced, described or deleted.

A use in the draft follows a replacement at once, as a change of the draft; what was published stays as it was.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

from django.db import transaction
from django.db.models import Q

from hestor.core import facts as facts_module
from hestor.core import fillins
from hestor.core.errors import HestorError
from hestor.core.marks import Logo, SharePicture
from hestor.pictures import services, store
from hestor.pictures.models import Content, Picture
from hestor.sites.drafts import bump, locked
from hestor.sites.models import Edition, Revision, Site, Text
from hestor.sites.pages import change_page

MARK = "/_hestor/pic-"
_DAYS_MADE = 90


class PictureInUse(HestorError):
    """A picture that the draft shows was to be deleted without a word about its uses."""

    code = "picture_in_use"


@dataclass(frozen=True)
class Use:
    """One use in the draft: a fact by its key, or a page by its id, address and title."""

    fact: str = ""
    page: int | None = None
    path: str = ""
    title: str = ""


def uses_of(site: Site) -> dict[str, list[Use]]:
    """All uses of pictures in the draft, by the picture's key."""
    found: dict[str, list[Use]] = {}
    facts = site.facts
    for fact, key in facts_module.pictures_in(facts).items():
        found.setdefault(key, []).append(Use(fact=fact))
    values = fillins.Values(facts.name, facts.tagline, 0)
    rows = (
        Revision.objects.in_draft_of(site.pk).filter(text__body__contains=MARK).select_related("text").order_by("path")
    )
    for row in rows:
        for key in {piece[:32] for piece in row.text.body.split(MARK)[1:]}:
            use = Use(page=row.page_id, path=row.path, title=fillins.fill(row.title, values))
            found.setdefault(key, []).append(use)
    return found


def replace(site_id: int, picture_id: int, name: str, body: bytes) -> Picture:
    """Gives a picture other content; every use in the draft follows. Raises NotFound, PictureRefused."""
    services.picture_of(site_id, picture_id)
    taken = services.read(name, body)
    with transaction.atomic():
        site = locked(site_id)
        picture = services.picture_of(site_id, picture_id)
        old = picture.key
        services.put_content(picture, name, body, taken)
        if picture.key != old:
            _follow(site, old, picture.key)
        return picture


def _follow(site: Site, old: str, new: str) -> None:
    changed = facts_module.with_picture(site.facts, old, new)
    if changed:
        site.draft_facts = facts_module.document(site.facts.model_copy(update=changed))
        bump(site)
    for use in uses_of(site).get(old, ()):
        if use.page is not None:
            body = Revision.objects.in_draft_of(site.pk).get(page_id=use.page).text.body
            change_page(site.pk, use.page, {"body": body.replace(MARK + old, MARK + new)})


def describe(site_id: int, picture_id: int, given: Mapping[str, str]) -> Picture:
    """Other words for a picture. Facts of the draft that said its old description say the new one."""
    tidy = services.checked_words(given)
    with transaction.atomic():
        site = locked(site_id)
        picture = services.picture_of(site_id, picture_id)
        old = picture.description
        for field, value in tidy.items():
            setattr(picture, field, value)
        picture.save()
        if picture.description != old:
            _say(site, picture.key, old, picture.description)
        return picture


def _say(site: Site, key: str, old: str, new: str) -> None:
    changed: dict[str, Any] = {}
    for fact in ("logo", "logo_dark", "share_picture"):
        mark = getattr(site.facts, fact)
        if isinstance(mark, (Logo, SharePicture)) and mark.picture == key and mark.description in ("", old):
            changed[fact] = mark.model_copy(update={"description": new})
    if changed:
        site.draft_facts = facts_module.document(site.facts.model_copy(update=changed))
        bump(site)


def delete(site_id: int, picture_id: int, now: datetime, even_if_used: bool = False) -> None:
    """Deletes a picture; it can be brought back for 30 days. What shows it goes on doing so until it is changed.

    Raises PictureInUse if the draft shows it and ``even_if_used`` does not say that this is known.
    """
    with transaction.atomic():
        site = locked(site_id)
        picture = services.picture_of(site_id, picture_id)
        uses = uses_of(site).get(picture.key, [])
        if uses and not even_if_used:
            raise PictureInUse(name=picture.name, count=len(uses))
        picture.deleted = now
        picture.save(update_fields=["deleted"])
    purge(site_id, now)
    store.sweep_made(site_id, (now - timedelta(days=_DAYS_MADE)).timestamp())


def purge(site_id: int, now: datetime) -> None:
    """Forgets pictures deleted more than 30 days ago, and their content unless some edition or the draft shows it."""
    old = Picture.objects.deleted_of(site_id).filter(deleted__lt=now - timedelta(days=services.DAYS_KEPT))
    for picture in old:
        key = picture.key
        picture.delete()
        if not _ever_shown(site_id, key):
            Content.objects.filter(site_id=site_id, key=key).delete()
            services.forget()
            if not Content.objects.filter(key=key).exists():
                store.drop_master(key)


def _ever_shown(site_id: int, key: str) -> bool:
    return (
        Picture.objects.filter(site_id=site_id, key=key).exists()
        or Edition.objects.filter(site_id=site_id, facts_document__icontains=key).exists()
        or Site.objects.filter(pk=site_id, draft_facts__icontains=key).exists()
        or Text.objects.filter(Q(body__contains=MARK + key), revision__site_id=site_id).exists()
    )
