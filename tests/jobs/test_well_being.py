"""How an installation is: what is missing or unsafe is said, and nothing that is not."""

import io
from datetime import timedelta

import pytest
from django.core.management import call_command
from django.db import connection
from django.test import Client
from django.utils import timezone
from django_tasks_db.models import DBTaskResult

from hestor import clock, translations
from hestor.accounts.models import Account
from hestor.backups import create
from hestor.jobs import checks, runner, tasks
from hestor.jobs.checks import Disk
from tests.support.databases import ON_POSTGRESQL
from tests.support.server import copy_data
from tests.support.template import DEMO

pytestmark = pytest.mark.django_db


@pytest.fixture
def installed(tmp_path, settings):
    """An installation at which nothing is amiss but that all is on one disk."""
    settings.DATA = copy_data(DEMO, tmp_path / "data")
    settings.DATA.chmod(0o700)
    settings.BACKUPS, settings.FRONT = tmp_path / "copies", tmp_path / "front"
    settings.FRONT.mkdir()
    settings.DESK_HOST, settings.SITES_DOMAIN, settings.HTTPS = "desk.example", "sites.example", True
    settings.SMTP, settings.DNS = {"host": "mail.example"}, "resolver"
    create.make(clock.now(), "daily")
    return settings


@pytest.fixture
def keeper(owner) -> Client:
    """The desk of whoever made the first account."""
    client = Client(headers={"host": "localhost"})
    client.force_login(owner, backend="django.contrib.auth.backends.ModelBackend")
    return client


def _codes() -> set[str]:
    return {one.code for one in checks.findings()} - {"copies_same_disk"}


def test_an_installation_at_which_nothing_is_amiss(installed):
    assert _codes() == set()


@pytest.mark.parametrize(
    ("change", "code"),
    [
        (lambda s: s.DATA.chmod(0o755), "open_to_others"),
        (lambda s: setattr(s, "HTTPS", False), "no_https"),
        (lambda s: setattr(s, "DESK_HOST", "localhost"), "only_here"),
        (lambda s: setattr(s, "DESK_HOST", "sites.example"), "one_host"),
        (lambda s: setattr(s, "FRONT", None), "no_front"),
        (lambda s: s.FRONT.rmdir(), "front_unwritable"),
        (lambda s: setattr(s, "BACKUPS", s.DATA / "none"), "no_copy"),
        (lambda s: setattr(s, "FIXED_NOW", clock.now() + timedelta(days=5)), "old_copy"),
        (lambda s: (s.BACKUPS / "odd").mkdir(), "copy_unreadable"),
        (lambda s: setattr(s, "SMTP", None), "no_mail"),
        (lambda s: setattr(s, "DNS", "simulated"), "simulated_names"),
    ],
)
def test_what_is_amiss_is_said(installed, change, code):
    change(installed)
    assert _codes() == {code}


def test_a_disk_that_is_nearly_full(installed, monkeypatch):
    assert Disk(1000, 40).is_nearly_full
    assert not Disk(10**13, 2 * 10**9).is_nearly_full
    monkeypatch.setattr(checks, "disk", lambda path: Disk(10**12, 10**6))
    assert _codes() == {"disk_full"}


def test_every_finding_has_words_in_each_language():
    codes = ["open_to_others", "data_unwritable", "no_https", "only_here", "one_host", "no_front", "front_unwritable"]
    codes += ["no_copy", "old_copy", "copy_unreadable", "copies_same_disk", "no_mail", "simulated_names", "disk_full"]
    for language in translations.languages("desk"):
        known = translations.catalogue("desk", language)
        assert [code for code in codes if f"install.{code}" not in known] == []


def test_by_command_the_exit_code_says_whether_anything_is_wrong(installed):
    out = io.StringIO()
    call_command("check_install", stdout=out)
    installed.HTTPS = False
    with pytest.raises(SystemExit) as ended:
        call_command("check_install", stdout=out)
    assert ended.value.code == 1
    assert "▲ HTTPS is off" in out.getvalue()


def test_the_page_is_for_whoever_set_the_installation_up(installed, keeper, person, site):
    installed.DESK_HOST = "localhost"
    said = keeper.get("/api/well-being").json()
    assert {one["name"] for one in said["versions"]} == {"Hestor", "Python", "Django", connection.display_name}
    assert [copy["sites"] for copy in said["copies"]] == [0 if ON_POSTGRESQL else 3]
    assert keeper.get("/api/session").json()["account"]["keeps_installation"]
    other = person(None)
    assert other.get("/api/well-being").status_code == 403
    assert not other.get("/api/session").json()["account"]["keeps_installation"]
    assert Account.objects.count() == 2


def test_a_copy_is_asked_for_and_what_fails_is_told(installed, keeper, site, monkeypatch):
    installed.DESK_HOST = "localhost"
    assert keeper.post("/api/well-being/copies").status_code == 202
    said = keeper.get("/api/well-being").json()
    assert said["queues"]["jobs_waiting"] == 1
    assert said["jobs"][0]["at"][:4] == f"{timezone.now():%Y}"

    def full(now, reason):
        raise create.CopyFailed("No copy could be made: no space left.")

    monkeypatch.setattr(tasks.create, "make", full)
    runner.run_ready(tasks.SLOW)
    job = keeper.get("/api/well-being").json()["jobs"][0]
    assert (job["status"], job["reason"]) == ("failed", "No copy could be made: no space left.")
    assert DBTaskResult.objects.failed().count() == 1
