"""Ingesting pictures, describing, deleting and restoring them."""

import hashlib
from collections.abc import Mapping
from datetime import datetime, timedelta

from django.db import transaction

from hestor.core.errors import InvalidInput, NotFound, PictureGone, PictureRefused, TooMuchWork
from hestor.core.facts.assets import KEY_LENGTH
from hestor.core.imaging import ingest as picture_ingest
from hestor.core.imaging import raster, sniffing
from hestor.core.imaging.ingest import Ingested
from hestor.core.imaging.raster import Master
from hestor.core.text import lines
from hestor.pictures import store
from hestor.pictures.models import Content, Picture
from hestor.pictures.selectors import master, picture_of
from hestor.sandbox import TO_DRAW, TO_READ, run, run_within

DAYS_KEPT = 30
LIMITS: Mapping[str, int] = {"description": 200, "title": 120, "caption": 320, "name": 200}
_THUMBNAIL = 360


def key_of(body: bytes) -> str:
    """The key by which facts and texts name a master's content."""
    return hashlib.sha256(body).hexdigest()[:KEY_LENGTH]


def file_name(given: str) -> str:
    """A file's name without its folders and without what can't be shown."""
    plain = lines.tidy(given.replace("\\", "/").rpartition("/")[2])
    return lines.cut("".join(letter for letter in plain if not lines.refusal(letter)), LIMITS["name"]) or "picture"


def read(name: str, body: bytes) -> Ingested:
    """The picture in a file. Raises ``PictureRefused``, naming the file."""
    drawn = False
    try:
        # Not even to tell what it is is a byte looked at here: what strangers send may stop the process that reads it.
        drawn = run_within(TO_DRAW, sniffing.kind_of, body[: sniffing.HEAD]) == "svg"
        return run_within(TO_DRAW if drawn else TO_READ, picture_ingest.ingest, name, body)
    except TooMuchWork as error:
        raise PictureRefused("svg_too_slow" if drawn else "too_slow", name=name) from error
    except PictureRefused as error:
        error.params["name"] = name
        raise


def same_file(site_id: int, body: bytes) -> Picture | None:
    """The site's picture that came from the very same file, if there is one."""
    found = hashlib.sha256(body).hexdigest()
    return Picture.objects.kept_by(site_id).filter(file_hash=found).first()


def _fields(name: str, body: bytes, ingested: Ingested) -> dict[str, object]:
    return {
        "key": key_of(ingested.body),
        "file_hash": hashlib.sha256(body).hexdigest(),
        "name": name,
        "kind": ingested.kind,
        "came_as": ingested.came_as,
        "width": ingested.width,
        "height": ingested.height,
        "size": len(body),
        "notes": [[note.code, note.value] for note in ingested.notes],
    }


def keep(site_id: int, ingested: Ingested) -> None:
    """Keeps a master for a site."""
    key = key_of(ingested.body)
    store.put_master(key, ingested.body)
    size = {"kind": ingested.kind, "width": ingested.width, "height": ingested.height}
    Content.objects.get_or_create(site_id=site_id, key=key, defaults=size)


def adopt(site_id: int, source_id: int, key: str) -> None:
    """Gives a site a picture of another one, with its words; does nothing where it has it already."""
    source = Picture.objects.kept_by(source_id).filter(key=key).first()
    content = Content.objects.filter(site_id=source_id, key=key).first()
    if content is None or Content.objects.filter(site_id=site_id, key=key).exists():
        return
    with transaction.atomic():
        Content.objects.create(site_id=site_id, key=key, kind=content.kind, width=content.width, height=content.height)
        if source:
            source.pk, source.site_id = None, site_id
            source.save()


def upload(site_id: int, name: str, body: bytes) -> tuple[Picture, bool]:
    """A picture from a file, and whether it is new: the same file twice is one picture. Raises PictureRefused."""
    name = file_name(name)
    if known := same_file(site_id, body):
        return known, False
    ingested = read(name, body)
    with transaction.atomic():
        # The same file may have come twice at the same time.
        if known := same_file(site_id, body):
            return known, False
        keep(site_id, ingested)
        return Picture.objects.create(site_id=site_id, **_fields(name, body, ingested)), True


def put_content(picture: Picture, name: str, body: bytes, ingested: Ingested) -> None:
    """Gives a picture other content; what it had stays for the editions that show it."""
    keep(picture.site_id, ingested)
    for field, value in _fields(file_name(name), body, ingested).items():
        setattr(picture, field, value)
    picture.save()


def checked_words(given: Mapping[str, str]) -> dict[str, str]:
    """Words about a picture, tidied. Raises InvalidInput with every problem."""
    tidy = {field: lines.tidy(value) for field, value in given.items()}
    problems = [
        problem
        for field, value in tidy.items()
        for problem in lines.line_problems(field, value, least=int(field == "name"), most=LIMITS[field])
    ]
    if problems:
        raise InvalidInput(problems)
    return tidy


def restore(site_id: int, picture_id: int, now: datetime) -> Picture:
    """Undoes a deletion of the last 30 days. Raises NotFound, PictureGone."""
    picture = picture_of(site_id, picture_id, deleted=True)
    if picture.deleted and picture.deleted < now - timedelta(days=DAYS_KEPT):
        raise PictureGone(days=DAYS_KEPT)
    picture.deleted = None
    picture.save(update_fields=["deleted"])
    return picture


def _small(content: Master) -> bytes:
    longest = _THUMBNAIL if content.kind == "svg" else min(_THUMBNAIL, max(content.width, content.height))
    return raster.png(raster.drawn_within(content, longest))


def thumbnail(site_id: int, picture_id: int) -> tuple[str, bytes]:
    """The key of a picture, deleted or not, and its content made small, as PNG. Raises NotFound."""
    picture = Picture.objects.filter(site_id=site_id, pk=picture_id).first()
    content = master(site_id, picture.key) if picture else None
    if picture is None or content is None:
        raise NotFound
    name = f"thumbnail-{picture.key}.png"
    body = store.generated(site_id, name)
    if body is None:
        body = run(_small, content)
        store.store_generated(site_id, name, body)
    return picture.key, body
