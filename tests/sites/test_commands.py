from io import StringIO

import pytest
from django.core.management import CommandError, call_command

from hestor.accounts.models import Account
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.services.creation import make_site
from tests.support.databases import ON_POSTGRESQL
from tests.support.server import Server, copy_data
from tests.support.template import BARE


def set_domain(*words: str) -> str:
    out = StringIO()
    call_command("set_domain", *words, stdout=out)
    return out.getvalue()


def test_a_domain_of_its_own(site, public):
    assert set_domain("seeds", "WWW.Seeds.example") == "seeds is read at http://www.seeds.example:8000/\n"
    text = public.get("/about/", headers={"host": "www.seeds.example"}).content.decode()
    assert '<link rel="canonical" href="http://www.seeds.example:8000/about/">' in text
    set_domain("seeds")
    answer = public.get("/about/", headers={"host": "www.seeds.example"})
    assert (answer.status_code, answer["location"]) == (301, "http://seeds.localhost:8000/about/")


@pytest.mark.parametrize(
    "domain", ["seeds", "https://seeds.example", "a b.example", "a-.example", "ü.example", "x" * 260]
)
def test_what_is_no_domain_is_refused(site, domain):
    with pytest.raises(CommandError, match="is not a domain"):
        set_domain("seeds", domain)


def test_a_domain_belongs_to_one_site(site, owner):
    make_site(owner, {"name": "Other"}, "other")
    set_domain("seeds", "seeds.example")
    with pytest.raises(CommandError, match="Another site"):
        set_domain("other", "seeds.example")
    with pytest.raises(CommandError, match="no site"):
        set_domain("nosuch", "x.example")


@pytest.mark.django_db
def test_the_demo_is_loaded_once_and_holds_its_faults():
    for _ in range(2):
        call_command("load_demo", stdout=StringIO())
    assert (Account.objects.count(), Site.objects.count()) == (3, 3)
    draft = Revision.objects.in_draft_of(Site.objects.get(slug="quillmere"))
    assert draft.exclude(kind="post").count() >= 12
    assert draft.filter(kind="post").count() >= 8
    assert draft.get(path="/about/").text.body.count("Quillmere Seed Exchange") == 1
    assert "03/10/2026" in draft.get(path="/swap-days/").text.body
    assert Site.objects.get(slug="narjis").facts.tagline == "سطر قصير عنّا"
    assert Edition.objects.filter(site__slug="quillmere").count() == 3


def test_what_is_kept_is_its_owners_alone(tmp_path):
    data = copy_data(BARE, tmp_path / "data")
    (data / "pictures").mkdir(mode=0o755)
    data.chmod(0o755)
    if not ON_POSTGRESQL:
        (data / "hestor.sqlite3").chmod(0o644)
    with Server(data, demo=False) as server:
        assert server.get("localhost", "/api/session")[0] == 200
        modes = {path.relative_to(data): path.stat().st_mode & 0o077 for path in (data, *data.rglob("*"))}
    assert set(modes.values()) == {0}, modes
