"""Days in other calendars, against another implementation of CLDR (Node's Intl, by ICU)."""

import json
import subprocess
from datetime import date, timedelta

import pytest
from babel.localedata import locale_identifiers
from hypothesis import given
from hypothesis import strategies as st

from hestor.core import languages, numerals
from hestor.core.dates import calendars, reckoning

FIRST, STEP, COUNT = date(1873, 1, 3), 5, 17_000
SCRIPT = """
const [calendars, first, step, count] = JSON.parse(process.argv[1]);
const found = {};
for (const calendar of calendars) {
  const parts = { year: "numeric", month: "numeric", day: "numeric", era: "short", timeZone: "UTC" };
  const format = new Intl.DateTimeFormat(`en-u-nu-latn-ca-${calendar}`, parts);
  found[calendar] = Array.from({ length: count }, (_, at) => {
    const parts = format.formatToParts(new Date(Date.parse(first) + at * step * 86400000));
    return Object.fromEntries(parts.map((part) => [part.type, part.value]));
  });
}
console.log(JSON.stringify(found));
"""
TEXTS = """
const [calendars, tags, days] = JSON.parse(process.argv[1]);
console.log(JSON.stringify(calendars.map((calendar) => tags.map((tag) => {
  const format = new Intl.DateTimeFormat(tag, { calendar, dateStyle: "long", timeZone: "UTC" });
  return days.map((day) => format.format(new Date(day)));
}))));
"""
HEBREW = [
    "Tishri", "Heshvan", "Kislev", "Tevet", "Shevat", "Adar I", "Adar", "Nisan", "Iyar", "Sivan", "Tamuz", "Av", "Elul",
]  # fmt: skip
JAPANESE = ["Meiji", "Taishō", "Shōwa", "Heisei", "Reiwa"]


def _node(script: str, *given_):
    answer = subprocess.run(["node", "-e", script, json.dumps(given_)], capture_output=True, check=True, text=True)
    return json.loads(answer.stdout)


def _month(calendar: str, said: str) -> int:
    if calendar == "hebrew":
        return 7 if said == "Adar II" else HEBREW.index(said) + 1
    return int(said)


@pytest.fixture(scope="module")
def judged():
    return _node(SCRIPT, reckoning.CALENDARS, FIRST.isoformat(), STEP, COUNT)


# From 2000 to 2028 the published calendar of Umm al-Qura is in both. Before, hijridate keeps to what was published and
# ICU to what was computed later; for later years each computes by its own rule, and the months differ by a day.
SURE = {"islamic-umalqura": (date(2000, 1, 1), date(2028, 12, 31))}


@pytest.mark.parametrize("calendar", reckoning.CALENDARS)
def test_days_of_two_centuries_are_those_that_another_implementation_finds(judged, calendar):
    begins, ends = SURE.get(calendar, (date.min, date.max))
    compared = 0
    for at, other in enumerate(judged[calendar]):
        day = FIRST + timedelta(at * STEP)
        found = reckoning.read(day, calendar)
        if found is None or not begins <= day <= ends:
            continue
        year = int(other.get("relatedYear") or other["year"])
        assert found[:3] == (year, _month(calendar, other["month"]), int(other["day"])), day
        if calendar == "japanese":
            assert JAPANESE[found.era] == other["era"]
        assert found.leap == (calendar == "hebrew" and other["month"] == "Adar II")
        compared += 1
    assert compared > (2000 if begins > date.min else COUNT * 0.75)


def test_the_umm_al_qura_calendar_says_nothing_outside_of_its_tables():
    assert reckoning.read(date(1900, 1, 1), "islamic-umalqura") is None
    assert calendars.day_said(date(1900, 1, 1), "y-MM-dd", "en", "islamic-umalqura") == "1900-01-01"


@given(st.dates(date(1, 1, 1), date(9999, 12, 31)), st.sampled_from(reckoning.CALENDARS))
def test_every_day_is_said_or_nothing_is_said_of_it(day, calendar):
    for language in ("en-GB", "he", "ar-EG", "zh-Hant-TW", "yue"):
        assert "|" not in calendars.written(day, calendar, language)


@pytest.mark.parametrize("calendar", reckoning.CALENDARS)
def test_in_every_language_a_day_has_no_field_left_and_no_gap(calendar):
    for name in locale_identifiers():
        if not languages.is_known(tag := name.replace("_", "-")):
            continue
        said = calendars.written(date(2026, 11, 25), calendar, tag)
        assert said
        assert said == " ".join(said.split())
        assert "ERA" not in said


TAGS = ["en-GB", "de", "fr", "es", "it", "nl", "pt", "el", "ru", "tr", "fa", "fa-AF", "th", "zh-Hant-TW", "ja", "he"]
DAYS = ["2026-11-25", "2024-03-10", "2027-03-10", "2001-01-01", "2019-05-02"]


def _of_any_version(text: str) -> str:
    """A text as each version of CLDR has it: Persian months lost a mark between that of Babel and that of Node."""
    return text.replace("\N{ARABIC HAMZA ABOVE}", "")


def test_texts_are_those_of_another_implementation():
    found = _node(TEXTS, reckoning.CALENDARS, TAGS, DAYS)
    differing = {
        (calendar, tag): (own, other)
        for calendar, by_tag in zip(reckoning.CALENDARS, found, strict=True)
        for tag, others in zip(TAGS, by_tag, strict=True)
        for day, other in zip(DAYS, others, strict=True)
        if (own := calendars.written(date.fromisoformat(day), calendar, tag))
        and _of_any_version(own) != _of_any_version(other)
    }
    assert differing == {}


def test_a_language_knows_which_calendars_its_readers_use():
    assert reckoning.used_in("fa-IR") == ("persian", "islamic-civil")
    assert reckoning.used_in("he")[0] == "hebrew"
    assert reckoning.used_in("en-GB") == ()


def test_a_day_is_said_with_what_it_is_in_the_other_calendar():
    day = date(2026, 11, 25)
    assert calendars.day_said(day, "d MMMM y", "en-GB") == "25 November 2026"
    assert calendars.day_said(day, "d MMMM y", "en-GB", "hebrew") == "25 November 2026 (15 Kislev 5787)"
    assert calendars.day_said(day, "y年M月d日", "ja", "japanese") == "2026年11月25日（令和8年11月25日）"
    assert calendars.day_said(day, "d MMMM y", "ar-SA", "islamic-umalqura").endswith("(١٥ جمادى الآخرة ١٤٤٨ هـ)")
    assert numerals.are_own("ar-SA")
