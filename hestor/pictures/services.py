"""Taking pictures in, saying what they are, deleting and bringing back."""

import hashlib
from collections.abc import Callable, Mapping
from datetime import datetime, timedelta
from functools import lru_cache, partial
from threading import Lock
from typing import cast

from django.db import transaction

from hestor.core import pictures, raster, texts
from hestor.core.errors import HestorError, InvalidInput, NotFound
from hestor.core.marks import KEY_LENGTH
from hestor.core.pictures import MasterKind, Taken
from hestor.core.raster import Master
from hestor.pictures import store
from hestor.pictures.models import Content, Picture

DAYS_KEPT = 30
LIMITS: Mapping[str, int] = {"description": 200, "title": 120, "caption": 320, "name": 200}
_THUMBNAIL = 360
_LARGE = 1_500_000
# Large pictures take much memory while they are read, so a process reads one of them at a time.
_ONE_LARGE = Lock()


class NothingLeft(HestorError):
    """A deleted picture can't be brought back any more."""

    code = "picture_gone"


def key_of(body: bytes) -> str:
    """The key by which facts and texts name a master's content."""
    return hashlib.sha256(body).hexdigest()[:KEY_LENGTH]


def file_name(given: str) -> str:
    """A file's name without its folders and without what can't be shown."""
    plain = texts.tidy(given.replace("\\", "/").rpartition("/")[2])
    return texts.cut("".join(letter for letter in plain if not texts.refusal(letter)), LIMITS["name"]) or "picture"


def read(name: str, body: bytes) -> Taken:
    """The picture in a file. Raises ``pictures.PictureRefused``, naming the file."""
    try:
        if len(body) < _LARGE:
            return pictures.take(name, body)
        with _ONE_LARGE:
            return pictures.take(name, body)
    except pictures.PictureRefused as error:
        error.params["name"] = name
        raise


def same_file(site_id: int, body: bytes) -> Picture | None:
    """The site's picture that came from the very same file, if there is one."""
    found = hashlib.sha256(body).hexdigest()
    return Picture.objects.of(site_id).filter(file_hash=found).first()


def _fields(name: str, body: bytes, taken: Taken) -> dict[str, object]:
    return {
        "key": key_of(taken.body),
        "file_hash": hashlib.sha256(body).hexdigest(),
        "name": name,
        "kind": taken.kind,
        "came_as": taken.came_as,
        "width": taken.width,
        "height": taken.height,
        "size": len(body),
        "notes": [[note.code, note.value] for note in taken.notes],
    }


def keep(site_id: int, taken: Taken) -> None:
    """Keeps a master for a site."""
    key = key_of(taken.body)
    store.put_master(key, taken.body)
    size = {"kind": taken.kind, "width": taken.width, "height": taken.height}
    Content.objects.get_or_create(site_id=site_id, key=key, defaults=size)


def take_in(site_id: int, name: str, body: bytes) -> tuple[Picture, bool]:
    """A picture from a file, and whether it is new: the same file twice is one picture. Raises PictureRefused."""
    name = file_name(name)
    if known := same_file(site_id, body):
        return known, False
    taken = read(name, body)
    with transaction.atomic():
        # The same file may have come twice at the same time.
        if known := same_file(site_id, body):
            return known, False
        keep(site_id, taken)
        return Picture.objects.create(site_id=site_id, **_fields(name, body, taken)), True


def put_content(picture: Picture, name: str, body: bytes, taken: Taken) -> None:
    """Gives a picture other content; what it had stays for the editions that show it."""
    keep(picture.site_id, taken)
    for field, value in _fields(file_name(name), body, taken).items():
        setattr(picture, field, value)
    picture.save()


def picture_of(site_id: int, picture_id: int, deleted: bool = False) -> Picture:
    """One picture of a site. Raises NotFound."""
    states = Picture.objects.deleted_of(site_id) if deleted else Picture.objects.of(site_id)
    found = states.filter(pk=picture_id).first()
    if found is None:
        raise NotFound
    return found


def checked_words(given: Mapping[str, str]) -> dict[str, str]:
    """Words about a picture, tidied. Raises InvalidInput with every problem."""
    tidy = {field: texts.tidy(value) for field, value in given.items()}
    problems = [
        problem
        for field, value in tidy.items()
        for problem in texts.line_problems(field, value, least=int(field == "name"), most=LIMITS[field])
    ]
    if problems:
        raise InvalidInput(problems)
    return tidy


def bring_back(site_id: int, picture_id: int, now: datetime) -> Picture:
    """Undoes a deletion of the last 30 days. Raises NotFound, NothingLeft."""
    picture = picture_of(site_id, picture_id, deleted=True)
    if picture.deleted and picture.deleted < now - timedelta(days=DAYS_KEPT):
        raise NothingLeft(days=DAYS_KEPT)
    picture.deleted = None
    picture.save(update_fields=["deleted"])
    return picture


# Content never changes under its key, so what is known of it never goes stale.
@lru_cache(maxsize=4096)
def _known(site_id: int, key: str) -> Master:
    content = Content.objects.get(site_id=site_id, key=key)
    if not store.has_master(key):
        # As after a backup without its pictures: pages do without it.
        raise Content.DoesNotExist
    return Master(cast(MasterKind, content.kind), content.width, content.height, partial(store.read_master, key))


def master(site_id: int, key: str) -> Master | None:
    """The content of a key, if the site has it."""
    try:
        return _known(site_id, key)
    except Content.DoesNotExist:
        return None


def thumbnail(site_id: int, picture_id: int) -> tuple[str, bytes]:
    """The key of a picture, deleted or not, and its content made small, as PNG. Raises NotFound."""
    picture = Picture.objects.filter(site_id=site_id, pk=picture_id).first()
    content = master(site_id, picture.key) if picture else None
    if picture is None or content is None:
        raise NotFound
    name = f"thumbnail-{picture.key}.png"
    body = store.made(site_id, name)
    if body is None:
        longest = _THUMBNAIL if content.kind == "svg" else min(_THUMBNAIL, max(content.width, content.height))
        body = raster.png(raster.looked_at(content, longest))
        store.keep_made(site_id, name, body)
    return picture.key, body


def masters(site_id: int) -> Callable[[str], Master | None]:
    """Gives a site's contents by their keys."""
    return partial(master, site_id)


def forget() -> None:
    """Lets go of all that is remembered, as after another database was put in place."""
    _known.cache_clear()
