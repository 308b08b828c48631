import pytest

from hestor.core.roles import Role
from hestor.core.text.names import HEAD, plain
from hestor.sites.models import Site
from hestor.towns.models import Language, LanguageName, Town, TownName

pytestmark = pytest.mark.django_db(databases=["default", "towns"])


@pytest.fixture
def towns():
    rows = [("Trogen", "trogen", "CH", 1700, "Europe/Zurich"), ("Trogen", "trogen", "DE", 1200, "Europe/Berlin")]
    rows += [("Zürich", "zurich", "CH", 340_000, "Europe/Zurich"), ("Tokyo", "tokyo", "JP", 9_000_000, "Asia/Tokyo")]
    made = [Town.objects.create(name=n, country=c, population=q, time_zone=z) for n, _, c, q, z in rows]
    for town in made:
        key = plain(town.name)
        TownName.objects.create(town=town, name=town.name, key=key, head=key[:HEAD])
    return made


def make(client, **body):
    return client.post("/api/sites", body, "application/json")


def test_a_site_from_a_name_and_a_town(desk, towns):
    made = make(desk, name="Neue Werkstatt", town=towns[0].pk)
    assert made.status_code == 201
    assert (made.json()["slug"], made.json()["role"], made.json()["live_number"]) == ("neue-werkstatt", "owner", 0)
    facts = Site.objects.get(slug="neue-werkstatt").facts
    assert (facts.time_zone, facts.language) == ("Europe/Zurich", "de-CH")
    (home,) = desk.get("/api/sites/neue-werkstatt/pages").json()
    assert (home["path"], home["title"], home["state"]) == ("/", "Willkommen", "new")


def test_nothing_is_public_before_the_first_edition(desk, towns, public):
    make(desk, name="Neue Werkstatt", town=towns[0].pk)
    answer = public.get("/", headers={"host": "neue-werkstatt.localhost"})
    assert answer.status_code == 404
    assert "Hier ist noch nichts veröffentlicht" in answer.content.decode()
    assert "Neue Werkstatt" not in answer.content.decode()
    style = answer.content.decode().split('rel="stylesheet" href="')[1].split('"')[0]
    assert public.get(style, headers={"host": "neue-werkstatt.localhost"}).status_code == 200
    desk.post("/api/sites/neue-werkstatt/editions")
    assert public.get("/", headers={"host": "neue-werkstatt.localhost"}).status_code == 200


@pytest.mark.parametrize(
    ("body", "field", "code"),
    [
        ({"name": ""}, "name", "empty"),
        ({"name": "N", "slug": "A b"}, "slug", "slug_form"),
        ({"name": "N", "slug": "seeds"}, "slug", "slug_taken"),
        ({"name": "N", "slug": "api"}, "slug", "slug_reserved"),
        ({"name": "N", "town": 999_999}, "town", "town_unknown"),
        ({"name": "N", "label": "x" * 61}, "label", "too_long"),
    ],
)
def test_a_site_that_is_refused(desk, body, field, code):
    answer = make(desk, **body)
    assert answer.status_code == 422
    assert [(e["field"], e["code"]) for e in answer.json()["errors"]] == [(field, code)]
    assert Site.objects.count() == 1


def test_sites_of_one_name_get_addresses_of_their_own(desk):
    slugs = [make(desk, name="Seeds", label=label).json()["slug"] for label in ("north", "south")]
    assert slugs == ["seeds-2", "seeds-3"]
    assert [make(desk, name=name).json()["slug"] for name in ("مقهى", "API", "種子")] == ["mqh", "site", "zhong-zi"]


def test_the_label_is_for_the_desk_alone(desk, site, public):
    answer = desk.patch("/api/sites/seeds", {"label": " north "}, "application/json")
    assert answer.json()["label"] == "north"
    assert "north" not in public.get("/").content.decode()


def test_the_list_holds_ones_own_sites_with_their_changes(desk, site, person):
    make(desk, name="Zeta")
    listed = desk.get("/api/sites").json()
    assert [(s["slug"], s["changes"], s["host"]) for s in listed] == [
        ("seeds", 0, "seeds.localhost"),
        ("zeta", 7, "zeta.localhost"),
    ]
    assert desk.get(listed[0]["icon_url"]).content.startswith(b"<svg")
    assert person(None).get("/api/sites").json() == []


def test_the_list_asks_no_more_of_the_database_for_more_sites(desk, site, django_assert_max_num_queries):
    for n in range(6):
        make(desk, name=f"Site {n}")
    with django_assert_max_num_queries(6 + 2 * 7):
        assert len(desk.get("/api/sites").json()) == 7


def test_towns_are_found_as_they_are_typed(desk, towns):
    def names(q: str) -> list[tuple[str, str]]:
        return [(t["name"], t["country"]) for t in desk.get("/api/towns", {"q": q}).json()]

    assert names("trog") == [("Trogen", "Switzerland"), ("Trogen", "Germany")]
    assert names("ZUR") == [("Zürich", "Switzerland")]
    assert names("Zür") == [("Zürich", "Switzerland")]
    assert names(" ") == names("xyz") == names("%") == []


@pytest.fixture
def languages():
    known = [("de", "Deutsch", "German"), ("de-CH", "Deutsch (Schweiz)", "German (Switzerland)")]
    known += [("ar", "العربية", "Arabic"), ("fr", "français", "French")]
    for tag, own, name in known:
        made = Language.objects.create(tag=tag, own_name=own, name=name)
        for key in {tag.casefold(), plain(own), plain(name)}:
            LanguageName.objects.create(language=made, key=key)


def test_languages_are_found_by_their_own_name_in_english_and_by_tag(desk, languages):
    def tags(typed: str) -> list[str]:
        return [one["tag"] for one in desk.get("/api/languages", {"q": typed}).json()]

    assert tags("deuts") == tags("GERMAN") == tags("de") == ["de", "de-CH"]
    assert tags("العرب") == ["ar"]
    assert tags("  ") == tags("xyz") == tags("%") == []


def test_languages_say_whether_pages_speak_them(desk, languages):
    found = {one["tag"]: one for one in desk.get("/api/languages", {"q": "french"}).json()}
    assert found["fr"] == {"tag": "fr", "own_name": "français", "name": "French", "own_words": True}


def test_roles_are_said(site, person):
    assert [person(role).get("/api/sites").json()[0]["role"] for role in Role] == ["owner", "editor", "viewer"]
