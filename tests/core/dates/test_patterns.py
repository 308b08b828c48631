from datetime import UTC, date, datetime, time

import pytest
from babel import localedata
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.dates import forms, patterns

DAY = date(2026, 5, 3)


def said(pattern: str, kind: str = "date") -> list[tuple[str, str, str | None]]:
    return [(one.code, pattern[one.start : one.end], one.fix) for one in patterns.problems("date_long", pattern, kind)]


@pytest.mark.parametrize(
    ("pattern", "kind", "expected"),
    [
        ("d MMMM y", "date", []),
        ("EEEE, d. MMMM y", "date", []),
        ("yMMdd", "date", []),
        ("d 'de' MMMM 'de' y", "date", []),
        ("'o''clock' d", "date", []),
        ("", "date", []),
        ("HH:mm", "time", []),
        ("h:mm a", "time", []),
        ("h a", "time", []),
        ("d de MMMM", "date", [("pattern_word", "de", "'de'")]),
        ("d of MMMM", "date", [("pattern_word", "of", "'of'")]),
        ("y年M月d日", "date", []),
        ("h:mma", "time", []),
        ("dd.mm.y", "date", [("pattern_minutes", "mm", "MM")]),
        ("d MMMM YYYY", "date", [("pattern_week_year", "YYYY", "y")]),
        ("D MMMM y", "date", [("pattern_day_of_year", "D", "d")]),
        ("d MMMMMM y", "date", [("pattern_width", "MMMMMM", "MMMMM")]),
        ("d 'de MMMM", "date", [("pattern_quote", "'de MMMM", "'de MMMM'")]),
        ("--", "date", [("pattern_nothing", "", None)]),
        ("HH:MM", "time", [("pattern_months", "MM", "mm")]),
        ("h:mm", "time", [("pattern_half_day", "h", "H")]),
        ("HH", "time", [("pattern_hour_alone", "HH", "HH:mm")]),
        ("HH:mm Uhr", "time", [("pattern_word", "Uhr", "'Uhr'")]),
        ("d" * 61, "date", [("too_long", "", None)]),
    ],
)
def test_each_slip_is_pointed_at_with_its_mend(pattern, kind, expected):
    found = [(code, "" if fix is None else spot, fix) for code, spot, fix in said(pattern, kind)]
    assert found == expected


@given(st.text(alphabet="dMyEHhmsaYDQ :.,-'/deofUhr年", max_size=14), st.sampled_from(["date", "time"]))
def test_the_mends_lead_to_a_pattern_that_is_taken(pattern, kind):
    for _ in range(30):
        wrong = [one for one in patterns.problems("x", pattern, kind) if one.fix is not None]
        if not wrong:
            break
        first = wrong[0]
        pattern = pattern[: first.start] + first.fix + pattern[first.end :]
    left = {one.code for one in patterns.problems("x", pattern, kind)}
    assert left <= {"pattern_nothing", "too_long"}


TAGS = sorted({name.replace("_", "-") for name in localedata.locale_identifiers()} - {"root"})


@given(st.text(alphabet="GyQqMLdEec -./,'年", max_size=12), st.sampled_from(TAGS))
def test_whatever_is_taken_formats_in_every_language(pattern, tag):
    if pattern and not patterns.problems("x", pattern, "date"):
        assert isinstance(patterns.format_day(DAY, pattern, tag), str)


@given(st.text(alphabet="abBhHKkmsS :.'", max_size=10), st.sampled_from(TAGS))
def test_whatever_time_is_taken_formats_in_every_language(pattern, tag):
    if pattern and not patterns.problems("x", pattern, "time"):
        assert isinstance(patterns.format_clock(time(9, 5, 7), pattern, tag), str)


def test_every_languages_own_forms_are_taken_as_they_are():
    refused = {}
    for tag in TAGS:
        for kind in ("date", "time"):
            for form in forms.choices(tag, kind):
                if found := patterns.problems("x", form, kind):
                    refused[tag, form] = [one.code for one in found]
    assert refused == {}


@pytest.mark.parametrize(
    ("pattern", "ambiguous"),
    [
        ("dd/MM/y", True),
        ("M/d/yy", True),
        ("d. MMM y", False),
        ("y-MM-dd", False),
        ("MMMM y", False),
        ("d MMMM", False),
    ],
)
def test_what_can_be_read_in_two_ways(pattern, ambiguous):
    assert patterns.is_ambiguous(pattern) is ambiguous


def test_forms_and_digits_are_the_languages_own():
    assert patterns.format_day(DAY, forms.own_long("en-GB"), "en-GB") == "3 May 2026"
    assert patterns.format_day(DAY, forms.own_short("de-CH"), "de-CH") == "03.05.2026"
    assert patterns.format_day(DAY, forms.own_long("ar-EG"), "ar-EG") == "٣ مايو ٢٠٢٦"
    moment = datetime(2026, 5, 3, 14, 5, tzinfo=UTC)
    form = forms.joined("en-GB", forms.own_short("en-GB"), forms.own_time("en-GB"))
    assert patterns.format_moment(moment, form, "en-GB") == "3 May 2026, 14:05"
    assert patterns.format_clock(moment, forms.own_time("en-US"), "en-US") == "2:05\u202fPM"
