"""Days and times typed freely at a site: read in its order, on its clock, said back in full."""

import pytest

from hestor.sites.services.facts import write_facts
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def fixed(settings):
    settings.FIXED_NOW = NOW


def read(desk, text, wanted="day", site="seeds"):
    body = {"text": text, "wanted": wanted}
    return desk.post(f"/api/sites/{site}/dates/read", body, "application/json").json()


@pytest.mark.parametrize(("form", "day"), [("dd/MM/y", "2027-05-03"), ("MM/dd/y", "2027-03-05")])
def test_numbers_have_the_sites_order(desk, site, form, day):
    write_facts(site, {"date_short": form}, site.revision)
    said = read(desk, "3/5/27")
    assert (said["day"], said["at"], said["errors"]) == (day, None, [])


def test_what_was_understood_is_said_in_the_language_of_the_desk(desk, site):
    write_facts(site, {"date_short": "dd/MM/y", "further_calendar": "persian"}, site.revision)
    assert read(desk, "3 May 2027 18:00", "moment")["says"].startswith("Monday")
    assert "1406" in read(desk, "3 May 2027")["says"]


@pytest.mark.parametrize(
    ("reader", "said"), [("de", "Freitag, 1. Januar 2027"), ("ar", "الجمعة، 1 يناير 2027"), ("en", "Friday")]
)
def test_each_desk_language_says_a_day_wherever_the_site_is(desk, site, reader, said):
    body = {"text": "2027-01-01", "wanted": "day"}
    answer = desk.post(
        f"/api/sites/{site.slug}/dates/read", body, "application/json", headers={"accept-language": reader}
    )
    assert answer.json()["says"].startswith(said)


def test_what_is_not_understood_is_told_with_an_example(desk, site):
    write_facts(site, {"date_short": "dd/MM/y", "time_style": "H:mm"}, site.revision)
    (error,) = read(desk, "bananas")["errors"]
    assert error["code"] == "typed_day"
    assert "/" in error["message"]
    (error,) = read(desk, "next Friday", "moment")["errors"]
    assert error["code"] == "typed_moment"
    assert "18:00" in error["message"]
    assert read(desk, "x" * 81).get("status") == 422
