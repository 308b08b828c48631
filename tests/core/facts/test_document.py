import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.errors import InvalidInput
from hestor.core.facts import document
from hestor.core.facts.document import SPECS, Facts
from hestor.core.facts.words import shown_short_name
from hestor.core.text import lines
from tests.support.hostile import HOSTILE

LIMITS = {key: spec.most for key, spec in SPECS.items() if spec.is_text and spec.most}
BASE = Facts(name="Quillmere Seed Library")


def refused(**values: object) -> list[tuple[str, str]]:
    with pytest.raises(InvalidInput) as caught:
        document.changed(BASE, values)
    return [(p.field, p.code) for p in caught.value.problems]


def test_values_are_tidied():
    assert document.changed(BASE, {"name": "  Seeds\t"}).name == "Seeds"
    assert document.changed(BASE, {"name": "e\u0301"}).name == "é"


@pytest.mark.parametrize("words", HOSTILE)
@pytest.mark.parametrize("key", ["name", "tagline", "description"])
def test_any_words_are_kept_as_they_are(key, words):
    kept = document.changed(BASE, {key: words})
    assert getattr(kept, key) == lines.tidy(words)


def test_all_problems_are_told_at_once_and_nothing_is_taken():
    assert refused(name="", tagline="a\nb", footer_text="{x}", colour="#fff") == [
        ("name", "empty"),
        ("tagline", "line_break"),
        ("footer_text", "fillin_unknown"),
        ("colour", "fact_unknown"),
    ]


@pytest.mark.parametrize("value", [None, 3, ["a"], {"a": 1}, True])
def test_only_texts_are_taken(value):
    assert refused(name=value) == [("name", "not_text")]


@pytest.mark.parametrize(("key", "most"), LIMITS.items())
def test_each_limit_holds_to_the_character(key, most):
    assert getattr(document.changed(BASE, {key: "x" * most}), key) == "x" * most
    assert refused(**{key: "x" * (most + 1)}) == [(key, "too_long")]


@pytest.mark.parametrize(
    ("key", "given", "kept"),
    [
        ("brand_colour", "#7A2E4D", "#7a2e4d"),
        ("brand_colour", "abc", "#aabbcc"),
        ("language", "de-CH", "de-CH"),
        ("language", "ar", "ar"),
        ("time_zone", "Europe/London", "Europe/London"),
        ("time_zone", "UTC", "UTC"),
        ("time_zone", "Europe/Kiev", "Europe/Kyiv"),
        ("time_zone", "Europe/Copenhagen", "Europe/Copenhagen"),
        ("time_zone", "EST", "America/Panama"),
        ("time_zone", "Etc/GMT+1", "-01:00"),
        ("time_zone", "utc+5:30", "+05:30"),
        ("time_zone", "+00:00", "UTC"),
    ],
)
def test_settings_are_kept_in_one_form(key, given, kept):
    assert getattr(document.changed(BASE, {key: given}), key) == kept


@pytest.mark.parametrize(
    ("key", "given", "code"),
    [
        ("brand_colour", "red", "colour_unreadable"),
        ("brand_colour", "#12345", "colour_unreadable"),
        ("brand_colour", "#fff;}body{x", "colour_unreadable"),
        ("language", "xx", "language_unknown"),
        ("language", "../etc", "language_unknown"),
        ("time_zone", "+15:00", "zone_unknown"),
        ("time_zone", "UTC+" * 100, "zone_unknown"),
        ("time_zone", "Europe/Atlantis", "zone_unknown"),
        ("time_zone", "../../etc/passwd", "zone_unknown"),
    ],
)
def test_settings_that_mean_nothing_are_refused(key, given, code):
    assert refused(**{key: given}) == [(key, code)]


def test_a_new_site_needs_a_name():
    with pytest.raises(InvalidInput) as caught:
        document.new({"tagline": "x"})
    assert [(p.field, p.code) for p in caught.value.problems] == [("name", "empty")]


@pytest.mark.parametrize(
    ("name", "short"),
    [
        ("Seeds", "Seeds"),
        ("Quillmere Seed Library", "Quillmere"),
        ("The Old Barn Cafe and Shop", "The Old Barn"),
        ("Uhrenwerkstatt Silberpfad", "Uhrenwerkstatt"),
        ("Bread & Butter House", "Bread"),
        ("x" * 100, "x" * 24),
        ("種子図書館" * 5, ("種子図書館" * 5)[:24]),
    ],
)
def test_the_short_name_is_derived(name, short):
    assert shown_short_name(Facts(name=name)) == short


def test_a_short_name_that_is_set_wins():
    assert shown_short_name(Facts(name="Quillmere Seed Library", short_name="QSL")) == "QSL"


@given(st.text(min_size=1, max_size=120))
def test_every_taken_name_has_a_short_one(name):
    if not document.check("name", name)[1]:
        assert shown_short_name(document.new({"name": name}))


def test_a_document_reads_back_and_an_older_one_gets_defaults():
    assert document.parse(document.document(BASE)) == BASE
    assert document.parse({"name": "Old"}).footer_text == "© {year} {site}"


def test_what_differs():
    other = BASE.model_copy(update={"tagline": "New", "name": "N"})
    assert document.differing(BASE, other) == ("name", "tagline")
    assert document.differing(BASE, BASE) == ()
    assert "name" in document.differing(None, BASE)
    assert "tagline" not in document.differing(None, BASE)
