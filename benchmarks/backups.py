"""Copies of all that is kept, and the way back: 10,000 pages with 500 pictures."""

import secrets
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

from benchmarks.figures import Figure
from benchmarks.sites import fill
from tests.support.server import make_data

_PICTURES, _BYTES = 500, 300_000


def _add_pictures() -> None:
    from hestor.pictures import store
    from hestor.pictures.models import Content
    from hestor.sites.models import Site

    site = Site.objects.order_by("pk").first()
    for _ in range(_PICTURES):
        key = secrets.token_hex(16)
        store.put_master(key, secrets.token_bytes(_BYTES))
        Content.objects.create(site=site, key=key, kind="png", width=10, height=10)


def measure() -> Iterator[Figure]:
    """How long a copy takes, and bringing it back into an empty folder, checked file by file."""
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        fill(make_data(folder / "data"))
        from django.conf import settings
        from django.db import connections

        from hestor import clock
        from hestor.backups import create, restore
        from hestor.backups import folder as copies

        settings.DATA, settings.BACKUPS = folder / "data", folder / "copies"
        _add_pictures()
        begun = time.perf_counter()
        create.make(clock.now(), "measured")
        yield Figure("a copy of 10,000 pages with 500 pictures", time.perf_counter() - begun, "s", None)
        begun = time.perf_counter()
        restore.restore(copies.listed()[0], folder / "back")
        yield Figure("restore of 10,000 pages with 500 pictures", time.perf_counter() - begun, "s", 60)
        connections.close_all()
