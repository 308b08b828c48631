"""Pictures: upload, list, describe, replace, delete, restore."""

from collections.abc import Mapping
from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import File, Router, Status
from ninja.files import UploadedFile

from hestor import clock, translations
from hestor.api.auth import site_for
from hestor.api.description import gives
from hestor.api.picture_schemas import PictureChange, PictureOut, PicturesOut, UploadOut
from hestor.api.schemas import Identifier, ProblemOut
from hestor.core.errors import NotFound
from hestor.core.imaging import crops, ingest
from hestor.core.roles import Action
from hestor.pictures import selectors as picture_selectors
from hestor.pictures import services
from hestor.pictures.models import Picture
from hestor.sandbox import run
from hestor.sites.models import Site
from hestor.sites.selectors.picture_uses import ADDRESS, Use, shown_in, uses_of
from hestor.sites.services import pictures as site_pictures

router = Router(tags=["pictures"])


def _out(site: Site, picture: Picture, uses: dict[str, list[Use]], editions: Mapping[str, int]) -> dict[str, Any]:
    return {
        **{
            f: getattr(picture, f)
            for f in (
                "id",
                "key",
                "name",
                "kind",
                "width",
                "height",
                "size",
                "description",
                "title",
                "caption",
                "created",
                "deleted",
            )
        },
        "came_as": picture.came_as,
        "notes": [translations.say(f"note.{code}", value=value) for code, value in picture.notes],
        "thumbnail": f"/api/sites/{site.slug}/pictures/{picture.pk}/thumbnail?key={picture.key}",
        "markdown": f"![{picture.description}]({ADDRESS}{picture.key})",
        "uses": [vars(use) for use in uses.get(picture.key, ())],
        "edition": editions.get(picture.key),
        "is_live": editions.get(picture.key, 0) == site.live_number > 0,
    }


def _read(file: UploadedFile) -> bytes:
    """The file's bytes, but no more than one too many."""
    return bytes(file.read(ingest.MOST_BYTES + 1))


@router.get("/sites/{site}/pictures", response={200: PicturesOut, 404: ProblemOut})
def list_pictures(request: HttpRequest, site: str) -> dict[str, Any]:
    """All pictures, the newest first, and those deleted in the last 30 days."""
    found_site = site_for(request, site, Action.VIEW)
    uses, editions = uses_of(found_site, clock.now()), shown_in(found_site)
    return {
        "pictures": [_out(found_site, picture, uses, editions) for picture in Picture.objects.kept_by(found_site.pk)],
        "deleted": [_out(found_site, picture, {}, editions) for picture in Picture.objects.deleted_of(found_site.pk)],
        "days_kept": services.DAYS_KEPT,
        "most_bytes": ingest.MOST_BYTES,
    }


@router.post("/sites/{site}/pictures", response={201: UploadOut, 200: UploadOut, 422: ProblemOut})
def upload(request: HttpRequest, site: str, file: Annotated[UploadedFile, File()]) -> Status[dict[str, Any]]:
    """Uploads a picture. The same file twice is one picture."""
    found_site = site_for(request, site, Action.EDIT)
    picture, new = services.upload(found_site.pk, file.name or "", _read(file))
    out = {"picture": _out(found_site, picture, uses_of(found_site, clock.now()), shown_in(found_site)), "new": new}
    return Status(201 if new else 200, out)


@router.patch("/sites/{site}/pictures/{picture}", response={200: PictureOut, 404: ProblemOut, 422: ProblemOut})
def describe(request: HttpRequest, site: str, picture: Identifier, given: PictureChange) -> dict[str, Any]:
    """Changes the words about a picture."""
    found_site = site_for(request, site, Action.EDIT)
    changed = site_pictures.describe(found_site.pk, picture, given.model_dump(exclude_none=True))
    return _out(found_site, changed, uses_of(found_site, clock.now()), shown_in(found_site))


@router.post("/sites/{site}/pictures/{picture}/content", response={200: PictureOut, 404: ProblemOut, 422: ProblemOut})
def replace(
    request: HttpRequest, site: str, picture: Identifier, file: Annotated[UploadedFile, File()]
) -> dict[str, Any]:
    """Gives a picture other content; its uses in the draft follow."""
    found_site = site_for(request, site, Action.EDIT)
    changed = site_pictures.replace(found_site.pk, picture, file.name or "", _read(file), clock.now())
    found_site.refresh_from_db()
    return _out(found_site, changed, uses_of(found_site, clock.now()), shown_in(found_site))


@router.delete("/sites/{site}/pictures/{picture}", response={204: None, 404: ProblemOut, 409: ProblemOut})
def delete(request: HttpRequest, site: str, picture: Identifier, used: bool = False) -> Status[None]:
    """Deletes a picture for 30 days. One that the draft shows is deleted only with ``used=true``."""
    found_site = site_for(request, site, Action.EDIT)
    site_pictures.delete(found_site.pk, picture, clock.now(), used)
    return Status(204, None)


@router.post("/sites/{site}/pictures/{picture}/restore", response={200: PictureOut, 404: ProblemOut})
def restore(request: HttpRequest, site: str, picture: Identifier) -> dict[str, Any]:
    """Restores a deleted picture."""
    found_site = site_for(request, site, Action.EDIT)
    back = services.restore(found_site.pk, picture, clock.now())
    return _out(found_site, back, uses_of(found_site, clock.now()), shown_in(found_site))


@router.get("/sites/{site}/pictures/{picture}/thumbnail", openapi_extra=gives("image/png"))
def thumbnail(request: HttpRequest, site: str, picture: Identifier, key: str = "") -> HttpResponse:
    """The picture made small, as PNG; ``key`` makes the address change with the content."""
    found_site = site_for(request, site, Action.VIEW)
    shown, body = services.thumbnail(found_site.pk, picture)
    response = HttpResponse(body, content_type="image/png")
    response["Cache-Control"] = "private, max-age=31536000, immutable" if key == shown else "no-store"
    return response


@router.get("/sites/{site}/pictures/{picture}/crop", response={200: list[float], 404: ProblemOut})
def proposed_crop(request: HttpRequest, site: str, picture: Identifier) -> list[float]:
    """A square for an icon, proposed from what is in the picture: left, top, right, bottom as shares."""
    found_site = site_for(request, site, Action.VIEW)
    content = picture_selectors.master(found_site.pk, picture_selectors.picture_of(found_site.pk, picture).key)
    if content is None:
        raise NotFound
    return list(run(crops.proposed, content))
