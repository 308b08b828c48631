import os
import shutil
import tempfile
from datetime import UTC, datetime
from pathlib import Path

import pytest
from django.core.management import call_command
from django.db import connection, connections
from django.test import Client, override_settings
from hypothesis import settings
from whitenoise.base import WhiteNoise

from hestor.accounts.models import Account
from hestor.core.roles import Role
from hestor.sites.models import Membership, Site
from hestor.sites.services.creation import make_site
from hestor.sites.services.pages import add_page
from hestor.sites.services.publishing import publish
from tests.support import caches, rows
from tests.support.sampling import LONG

# How long a test takes says something of the machine, not of the code; speed is measured in benchmarks/.
settings.register_profile("hestor", deadline=None)
settings.load_profile("hestor")

# Of what is made up at random, many times as much.
settings.register_profile("long", deadline=None, max_examples=2_000)
if LONG:
    settings.load_profile("long")


def pytest_collection_modifyitems(items):
    for item in items:
        if "long" in item.keywords and not LONG:
            item.add_marker(pytest.mark.skip(reason="of make test-long"))


# Where all of pytest's processes ask for servers (``tests.support.server``).
if "TESTS_NURSERY" not in os.environ:
    os.environ["TESTS_NURSERY"] = tempfile.mkdtemp(prefix="hestor-tests-")

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
PASSWORD = "a-long-enough-one"


def pytest_unconfigure(config):
    if not hasattr(config, "workerinput"):
        shutil.rmtree(os.environ["TESTS_NURSERY"], ignore_errors=True)


@pytest.fixture(autouse=True)
def nothing_kept():
    """Each test has a database of its own, so nothing rendered from another's may be kept."""
    caches.forget()


@pytest.fixture(scope="session", autouse=True)
def connections_stay():
    """At the end of a request a connection may be closed; of a test's transaction nothing would be left then."""
    with pytest.MonkeyPatch.context() as patch:
        if connection.vendor == "postgresql":
            patch.setattr(type(connections["default"]), "close_if_unusable_or_obsolete", lambda _: None)
        yield


@pytest.fixture(scope="session", autouse=True)
def static_files_are_listed_once():
    """Each test's client has middleware of its own; what lies in the folder is the same for all."""
    list_files, known = WhiteNoise.add_files, {}

    def add_files(self, root, prefix=None):
        key = (str(root), prefix)
        if key not in known:
            list_files(self, root, prefix)
            known[key] = dict(self.files)
        self.files.update(known[key])

    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(WhiteNoise, "add_files", add_files)
        yield


def _make_owner() -> Account:
    return Account.objects.create_user("owner@example.org", PASSWORD, name="Olive")


@pytest.fixture
def owner(db) -> Account:
    return _make_owner()


def _make_seeds(owner: Account) -> None:
    made = make_site(owner, {"name": "Seed Library", "tagline": "Borrow", "time_zone": "Europe/London"}, "seeds")
    about = {"path": "/about/", "title": "About", "body": "This is {site}.", "in_menu": True}
    parent = add_page(made, about).page_id
    add_page(made, {"path": "/about/people/", "title": "People", "body": "Fourteen.", "parent": parent})
    add_page(made, {"path": "/news/", "title": "News", "kind": "news", "in_menu": True})
    post = {"path": "/news/first/", "title": "First", "body": "Hello.", "kind": "post"}
    add_page(made, {**post, "published": datetime(2026, 4, 1).date()})
    publish(made.pk, owner, NOW)


@pytest.fixture(scope="session")
def seeds(django_db_setup, django_db_blocker) -> rows.Rows:
    """The rows of the site of most tests and of its owner, made once as an owner would have made it."""
    with django_db_blocker.unblock():
        return rows.made_by(lambda: _make_seeds(_make_owner()))


@pytest.fixture
def site(seeds, owner) -> Site:
    """A site with a home page, a page that uses fill-ins, a news list and a post; edition 1 is live."""
    accounts = Account._meta.db_table
    if seeds[accounts][0][0] == owner.pk:
        rows.put({table: listed for table, listed in seeds.items() if table != accounts})
    else:
        # After a test that committed what it did, numbers go on.
        _make_seeds(owner)
    return Site.objects.get(slug="seeds")


@pytest.fixture(scope="session")
def loaded(django_db_setup, django_db_blocker, tmp_path_factory) -> tuple[rows.Rows, Path]:
    """The rows of the demo, and the folder of its pictures, loaded once."""
    folder = tmp_path_factory.mktemp("loaded")
    with django_db_blocker.unblock(), override_settings(DATA=folder, NEW_SITES="everyone"):
        return rows.made_by(lambda: call_command("load_demo", verbosity=0)), folder


@pytest.fixture
def demo_sites(db, loaded, tmp_path, settings) -> dict[str, Site]:
    """The demo's sites, by slug."""
    made, pictures = loaded
    settings.DATA = shutil.copytree(pictures, tmp_path / "demo")
    settings.NEW_SITES = "everyone"
    rows.put(made)
    return {site.slug: site for site in Site.objects.all()}


@pytest.fixture
def person(site):
    """Makes a signed-in client for a person with a role on the site (None: an account with no part in it)."""

    def make(role: Role | None) -> Client:
        email = f"{role or 'stranger'}@people.example"
        account, _ = Account.objects.get_or_create(email=email)
        if role:
            Membership.objects.update_or_create(site=site, account=account, defaults={"role": role})
        client = Client(headers={"host": "localhost"})
        client.force_login(account, backend="django.contrib.auth.backends.ModelBackend")
        return client

    return make


@pytest.fixture
def desk(person) -> Client:
    """The owner's client on the desk."""
    return person(Role.OWNER)


@pytest.fixture
def public() -> Client:
    """A visitor of the site ``seeds``."""
    return Client(headers={"host": "seeds.localhost"})
