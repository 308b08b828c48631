"""A database that version 0.2.0 wrote, brought to the present: nothing is lost, and nothing that was public changes."""

import gzip
import json
import os
import sqlite3
import subprocess
import sys
from pathlib import Path

import pytest

from tests.support.databases import sqlite_only
from tests.support.server import TOP, manage

OLD = TOP / "tests" / "data" / "hestor-0.2.0.sql.gz"
# What a server would say of it, asked in a process of its own, as tests have a database of theirs.
ASK = """
import json
import django
django.setup()
from hestor import clock
from hestor.core.changes import Change
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Membership, Revision, Site, Text
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.groups import groups_of
from hestor.sites.selectors.states import draft_of, edition_of
site = Site.objects.get(slug="quillmere")
live = Edition.objects.get(site=site, number=site.live_number)
print(json.dumps({
    "trim": site.facts.logo.trim,
    "tagline": site.facts.tagline,
    "roles": sorted(Membership.objects.filter(site=site).values_list("role", flat=True)),
    "changed": [change.key for change in changes_of(site)],
    "kept_changes": [Change.parse(one).key for one in live.changes],
    "counted": sum(group.count for group in groups_of(site)) == len(Renderer(draft_of(site), clock.now()).paths()),
    "unsigned": Revision.objects.filter(signature="").count(),
    "live": {path: Renderer(edition_of(site, live), clock.now()).read(path).title for path in ("/", "/borrowing/")},
    "texts": Text.objects.count(),
}))
"""


pytestmark = sqlite_only


@pytest.fixture(scope="module")
def data(tmp_path_factory) -> Path:
    folder = tmp_path_factory.mktemp("old")
    with sqlite3.connect(folder / "hestor.sqlite3") as old:
        old.executescript(gzip.decompress(OLD.read_bytes()).decode())
    (folder / "made").mkdir()
    return folder


def asked(data: Path) -> str:
    own = {"DATA": str(data), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    run = subprocess.run(
        [sys.executable, "-c", ASK], cwd=TOP, env={**os.environ, **own}, capture_output=True, text=True
    )
    assert run.returncode == 0, run.stderr
    return run.stdout


def test_an_upgrade_from_0_2_0(data):
    before = list(sqlite3.connect(data / "hestor.sqlite3").iterdump())
    told = manage(data, "upgrade", demo=False)
    assert "Page texts compiled anew" in told
    copied = Path(told.splitlines()[0].partition("copied to ")[2].removesuffix("."))
    assert list(sqlite3.connect(copied / "hestor.sqlite3").iterdump()) == before
    assert manage(data, "upgrade", demo=False) == ""
    said = json.loads(asked(data))
    # A trim that left the picture showed nothing; the whole picture does.
    assert said["trim"] is None
    assert said["tagline"] == "Borrow. Grow. Return."
    assert said["roles"] == ["editor", "owner", "viewer"]
    assert said["changed"] == ["tagline", "/borrowing/", "/new/"]
    assert said["kept_changes"]
    assert said["counted"]
    assert said["unsigned"] == 0
    assert said["live"] == {
        "/": "Quillmere Seed Library – Borrow in spring, return in autumn",
        "/borrowing/": "Borrowing seed – Quillmere Seed Library",
    }
    assert not (data / "made").exists()
