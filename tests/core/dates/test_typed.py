"""Days and times that are typed freely, against Babel's own writing of them and against a calendar on the wall."""

from datetime import date, datetime, time, timedelta

import pytest
from babel.dates import format_date, format_time
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.dates import typed

# A Tuesday.
NOW = datetime(2026, 12, 1, 12, 0)
DAYS = st.dates(date(1900, 1, 1), date(2100, 12, 31))


def day(text, language="en", order="DMY"):
    read = typed.read(text, "day", [language], NOW, order)
    return read and read.day


def at(text, language="en"):
    read = typed.read(text, "time", [language], NOW, "DMY")
    return read and read.at


@pytest.mark.parametrize("language", ["en-GB", "en-US", "de-CH", "es-MX", "fr", "ar-EG", "ar-SA"])
@given(DAYS)
@example(date(2028, 2, 29))
@example(date(2026, 3, 1))
def test_a_day_as_the_desk_writes_it_is_read_back(language, wanted):
    said = format_date(wanted, "long", locale=language.replace("-", "_"))
    for order in ("DMY", "MDY", "YMD"):
        assert day(said, language, order) == wanted
    assert day(wanted.isoformat(), language, "MDY") == wanted


@pytest.mark.parametrize("language", ["en-GB", "en-US", "de", "es-US", "ar-EG"])
@given(st.times())
@example(time(0, 30))
@example(time(12, 0))
def test_a_time_as_the_desk_writes_it_is_read_back(language, wanted):
    said = format_time(wanted, "short", locale=language.replace("-", "_"))
    assert at(said, language) == wanted.replace(second=0, microsecond=0)


@given(DAYS, st.sampled_from(["/", ".", "-", " . "]))
def test_numbers_are_read_in_the_order_of_the_site(wanted, joint):
    parts = {"D": str(wanted.day), "M": f"{wanted.month:02}", "Y": str(wanted.year)}
    for order in ("DMY", "MDY", "YMD"):
        assert day(joint.join(parts[one] for one in order), order=order) == wanted


@given(st.datetimes(datetime(2026, 1, 1), datetime(2030, 1, 1)), st.integers(1, 12), st.integers(1, 28))
def test_a_day_without_a_year_is_the_next_one(now, month, number):
    read = typed.read(f"{number}.{month}.", "day", ["de"], now, "DMY")
    assert read is not None
    assert (read.day.month, read.day.day) == (month, number)
    assert timedelta() <= read.day - now.date() < timedelta(366)


@pytest.mark.parametrize(
    ("language", "text", "wanted"),
    [
        ("en", "next Friday 6pm", "2026-12-04T18:00"),
        ("en", "tomorrow at noon", "2026-12-02T12:00"),
        ("en", "May 3rd at 6 p.m.", "2027-05-03T18:00"),
        ("en", "11:59", "2026-12-02T11:59"),
        ("en", "12:01", "2026-12-01T12:01"),
        ("de", "nächsten Freitag 18 Uhr", "2026-12-04T18:00"),
        ("de", "24.12. 18.30 Uhr", "2026-12-24T18:30"),
        ("de", "übermorgen um 9", "2026-12-03T09:00"),
        ("es", "el próximo viernes a las 18:00", "2026-12-04T18:00"),
        ("es", "mañana a las 9", "2026-12-02T09:00"),
        ("ar", "غدا الساعة ٦ مساءً", "2026-12-02T18:00"),
        ("fr", "vendredi prochain à 18h30", "2026-12-04T18:30"),
    ],
)
def test_days_with_times_are_read_as_people_say_them(language, text, wanted):
    read = typed.read(text, "moment", [language, "en"], NOW, "DMY")
    assert read == typed.Typed(*(lambda one: (one.date(), one.time()))(datetime.fromisoformat(wanted)))


@pytest.mark.parametrize("text", ["", "12", "bananas", "31.4.", "2026-13-01", "0.0.", "9999/99/99", "1" * 500])
def test_what_is_no_day_is_none(text):
    assert day(text) is None
    assert typed.read(text, "moment", ["en"], NOW, "DMY") is None


@pytest.mark.parametrize("text", ["25", "18:60", "13 pm", "next Friday", "next Friday 9:00", "9:5"])
def test_what_is_no_time_is_none(text):
    assert at(text) is None


@given(st.text(max_size=120))
@example("٣/٥ " * 30)
def test_no_text_at_all_is_too_much(text):
    for wanted in ("day", "time", "moment"):
        read = typed.read(text, wanted, ["en", "de"], NOW, "MDY")
        assert read is None or isinstance(read.day or read.at, date | time)


@pytest.mark.parametrize(
    ("form", "order"),
    [
        ("dd.MM.y", "DMY"),
        ("M/d/yy", "MDY"),
        ("y-MM-dd", "YMD"),
        ("d MMMM y", "DMY"),
        ("EEEE, MMMM d", "MDY"),
        ("", "DMY"),
    ],
)
def test_the_order_is_that_of_the_form(form, order):
    assert typed.order_of(form) == order
