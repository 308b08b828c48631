"""Links within the site that lead nowhere, former logos in texts, and years gone by in the footer line."""

import pytest

from hestor.pictures.services import upload
from hestor.sites.models import Revision, Site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW
from tests.support.pictures import png


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path


def _write(site: Site, path: str, body: str) -> None:
    page = Revision.objects.in_draft_of(site).get(path=path).page_id
    change_page(site, page, {"body": body})


def _strays(desk, kind: str) -> list[dict]:
    return [one for one in desk.get("/api/sites/seeds/sweep").json()["strays"] if one["kind"] == kind]


BROKEN = """See [the people](/about/poeple/), [them](<https://seeds.localhost/nowhere/>) and [that][that].

[that]: /gone/ "Gone"
"""
WHOLE = """[a](/about/) [b](/about) [c](/about/people/#top) [d](/news/2026-04/) [e](/news/first/) [f](/feed.xml)
[g](https://elsewhere.example/nowhere/) [h](mailto:a@b.example) [i](#here) [j](/about/?from=here) [k](//o.example/x/)
[l](https://seeds.localhost/) [m](/news/first) `[n](x)` ![p](/_hestor/pic-00000000000000000000000000000000)
"""


def test_a_link_that_leads_nowhere_has_its_spot_and_what_was_likely_meant(desk, site):
    _write(site, "/about/", BROKEN)
    found = _strays(desk, "link_broken")
    assert [(one["says"], one["should_say"]) for one in found] == [
        ("/about/poeple/", "/about/people/"),
        ("https://seeds.localhost/nowhere/", ""),
        ("/gone/", ""),
    ]
    for one in found:
        assert BROKEN[one["start"] : one["end"]] == one["says"]
        assert (one["page"], one["field"]) == ("/about/", "body")
    assert [one["mend"] for one in found] == ["replace", None, None]


def test_links_that_lead_somewhere_or_elsewhere_are_none(desk, site):
    _write(site, "/about/", WHOLE)
    assert _strays(desk, "link_broken") == []


def test_a_page_that_moved_is_found_by_its_former_address(desk, site, owner):
    _write(site, "/about/", "[x](/about/people/)")
    page = Revision.objects.in_draft_of(site).get(path="/about/people/").page_id
    change_page(site, page, {"path": "/about/us/"})
    assert _strays(desk, "link_broken") == []


def test_a_link_is_mended(desk, site):
    _write(site, "/about/", BROKEN)
    one = _strays(desk, "link_broken")[0]
    revision = desk.get("/api/sites/seeds/style").json()["revision"]
    answer = desk.post(
        "/api/sites/seeds/sweep/mend",
        {"strays": [{"id": one["id"]}]},
        content_type="application/json",
        headers={"If-Match": str(revision)},
    )
    assert answer.status_code == 200, answer.json()
    assert "[the people](/about/people/)" in Revision.objects.in_draft_of(site).get(path="/about/").text.body


def test_a_former_logo_in_a_text_is_told_with_the_one_of_now(desk, site, owner):
    old, new = (upload(site.pk, f"{seed}.png", png(60, 40, seed=seed))[0].key for seed in (1, 2))
    site.refresh_from_db()
    logo = {"picture": old, "trim": None, "recolour": "", "description": ""}
    site = write_facts(site, {"logo": logo}, site.revision)
    publish(site.pk, owner, NOW)
    write_facts(site, {"logo": {**logo, "picture": new}}, site.revision)
    _write(site, "/about/", f"Our sign: ![Sign](/_hestor/pic-{old}) and now ![Sign](/_hestor/pic-{new}).")
    found = _strays(desk, "old_logo")
    assert [(one["says"], one["should_say"], one["mend"]) for one in found] == [(old, new, "replace")]


@pytest.mark.parametrize(
    ("footer", "says"),
    [
        ("© 2019–2024 Seeds", ["2024"]),
        ("© 2023 {site}", ["2023"]),
        ("© {year:2019} {site}", []),
        ("© {year} {site}, founded in 1999", []),
        ("© 2019–{year} Seeds", []),
    ],
)
def test_a_year_gone_by_in_the_footer_line(desk, site, footer, says):
    write_facts(site, {"footer_text": footer}, site.revision)
    found = _strays(desk, "past_year")
    assert [one["says"] for one in found] == says
    assert all(one["replacement"] == "{year}" and one["field"] == "footer_text" for one in found)
