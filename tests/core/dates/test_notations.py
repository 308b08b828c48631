"""Forms of other notations, against what those notations make of a day themselves."""

from datetime import datetime

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.dates import notations, patterns

MOMENT = datetime(2026, 5, 3, 16, 7, 9)
FIELDS = ("%d", "%e", "%-d", "%m", "%-m", "%Y", "%y", "%B", "%b", "%A", "%a", "%H", "%-H", "%I", "%l", "%M", "%p")


@given(
    st.lists(st.sampled_from(FIELDS), min_size=1, max_size=6),
    st.sampled_from([" ", ".", "/", "-", ", ", " of ", " o'clock "]),
    st.datetimes(datetime(1900, 1, 1), datetime(2100, 1, 1)),
)
@example(["%d", "%m", "%Y"], ".", MOMENT)
@example(["%e", "%l"], " ", MOMENT)
def test_per_cent_conversions_say_what_the_c_library_says(fields, between, moment):
    form = between.join(fields)
    pattern = notations.turned(form)
    assert pattern is not None
    said = patterns.format_moment(moment, pattern, "en-US").replace("\u202f", " ")
    # Blanks that pad a number are none on a page.
    assert said.replace(" ", "") == moment.strftime(form).replace(" ", "")


@pytest.mark.parametrize(
    ("form", "said"),
    [
        ("2 January 2006", "3 May 2026"),
        ("Monday, 02.01.2006", "Sunday, 03.05.2026"),
        ("Jan 2, 2006 at 3:04PM", "May 3, 2026 at 4:07PM"),
        ("j. F Y", "3. May 2026"),
        ("d/n/y", "03/5/26"),
        ("l, j.n.Y", "Sunday, 3.5.2026"),
        ("H:i", "16:07"),
        ("TT.MM.JJJJ", "03.05.2026"),
        ("T. MMMM JJJJ", "3. May 2026"),
        ("TTTT, T.M.JJ", "Sunday, 3.5.26"),
    ],
)
def test_other_notations_say_what_was_meant(form, said):
    pattern = notations.turned(form)
    assert patterns.format_moment(MOMENT, pattern, "en-US").replace("\u202f", " ") == said


@pytest.mark.parametrize(
    "form",
    ["d MMMM y", "dd.MM.y", "EEEE, d. MMM y", "HH:mm", "h:mm a", "d 'de' MMMM 'de' y", "y年M月d日", "d/M/yy", ""],
)
def test_patterns_of_the_standard_are_left_alone(form):
    assert notations.turned(form) is None


@pytest.mark.parametrize(
    ("form", "kind", "mended"),
    [
        ("%d.%m.%Y", "date", "dd.MM.y"),
        ("%H:%M", "time", "HH:mm"),
        ("HH:mm [Uhr]", "time", "HH:mm 'Uhr'"),
        ('HH:mm "Uhr"', "time", "HH:mm 'Uhr'"),
        ("d {of} MMMM", "date", "d 'of' MMMM"),
        ("DD.MM.YYYY", "date", "dd.MM.y"),
    ],
)
def test_a_wish_is_granted_by_its_mends(form, kind, mended):
    for _ in range(9):
        problems = patterns.problems("date_long", form, kind)
        if not problems:
            break
        first = problems[0]
        form = form[: first.start] + first.fix + form[first.end :]
    assert form == mended
