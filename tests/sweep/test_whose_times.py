"""Whether a line is a leftover, and whose times a sentence says: by what stands around, in sentences of all kinds."""

import pytest

from hestor.core.reading import positions
from hestor.core.sweep import hours, phrases
from hestor.core.sweep.starter_lines import is_left_over
from hestor.core.sweep.written_hours import hours_in


@pytest.mark.parametrize(
    "line",
    [
        "This page is still under construction.", "More photos to follow", "Weitere Informationen folgen in Kürze", "Bientôt en ligne !",
        "Haz doble clic aquí para editar el texto", "Your content goes here", "Escreva aqui o seu texto", "Voeg hier uw tekst in", "أضف العنوان هنا",
    ],
)  # fmt: skip
def test_a_line_that_stands_for_another_is_a_leftover(line):
    assert is_left_over(line)


@pytest.mark.parametrize(
    "line",
    [
        "Click here to change your booking.", "Click here to see the pictures", "More seeds to follow in May, from Tom", "The bridge is under construction",
        "Enter by the side door", "Add a pinch of salt", "Schreiben Sie uns", "Ajoutez une pincée de sel", "Próximamente abriremos otro huerto", "", "." * 500,
    ],
)  # fmt: skip
def test_a_line_that_says_something_is_none(line):
    assert not is_left_over(line)


@pytest.mark.parametrize(
    ("said", "spans"),
    [
        ("Sat 9–2", (540, 840)), ("Wed 12–7", (720, 1140)), ("Wednesdays from noon to 6", (720, 1080)), ("Sat 1–5", (780, 1020)),
        ("Sat 09:00–12:00", (540, 720)), ("Sat 10–16", (600, 960)), ("Fri 22–2", (1320, 120)), ("Sat 6–2", (360, 840)), ("Sat 9 am–noon", (540, 720)),
    ],
)  # fmt: skip
def test_hours_as_they_are_spoken_are_those_of_the_day(said, spans):
    assert [one.spans for one in hours_in(said, "en-US")] == [(spans,)]


def test_where_days_have_twenty_four_hours_a_night_stays_one():
    assert [one.spans for one in hours_in("Sa 21–2 Uhr", "de-DE")] == [((1260, 120),)]


@pytest.mark.parametrize(
    ("said", "count"),
    [
        ("The pharmacy across the road is open Sat 9:00–14:00.", 0), ("The cheese shop opens Sat 9:00–14:00.", 1), ("The dairy is open Sat 9:00–14:00.", 0),
        ("The mill is open Sat 9:00–14:00.", 1), ("Business hours: Sat 9:00–14:00.", 1), ("We are open Sat 9:00–14:00.", 1),
    ],
)  # fmt: skip
def test_who_is_open_is_told_by_what_stands_before_the_verb(said, count):
    source = positions.read("a.html", f"<html lang=en><body><main><p>{said}</p></main></body></html>")
    assert len(hours.said_on(source, "en-GB", frozenset(("fen", "mill")))) == count


def test_the_last_heading_says_what_times_are():
    page = (
        "<html lang=en><body><main><h2>{}</h2><p>Come and see.</p><h2>{}</h2><p>Sat 9:00–14:00</p></main></body></html>"
    )
    said = [hours.said_on(positions.read("a.html", page.format(*two)), "en-GB")
            for two in (("Events", "Opening hours"), ("Opening hours", "Events"))]  # fmt: skip
    assert [len(one) for one in said] == [1, 0]


@pytest.mark.parametrize(
    ("text", "before"),
    [
        ("Come. Tel. 0117 496", "Tel. "), ("We are here. 2018 was wet", ""), ("Open Sat. 9 a.m. to noon", "Open Sat. "),
        ("Ask Tom. He knows 5", "He knows "),
    ],
)  # fmt: skip
def test_a_shortened_word_ends_no_sentence(text, before):
    at = next(place for place, sign in enumerate(text) if sign.isdigit())
    said = phrases.sentence_before(text, at)
    assert said.strip() == before.strip()


def test_what_was_so_in_a_past_year_is_history_and_what_will_be_is_not():
    assert phrases.is_history("In 2018 it opened its doors", "", 2026)
    assert not phrases.is_history("In 2026 it opens its doors", "", 2026)
    assert phrases.is_history("A sticker of the old name", "A sticker of the old ", 2026)
