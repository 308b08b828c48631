import pytest

from hestor.core.facts import document
from hestor.core.facts.upgrade import VERSION, upgraded

KEY = "a" * 32


def logo(trim):
    return {"name": "N", "version": 1, "logo": {"picture": KEY, "trim": trim, "recolour": "", "description": ""}}


@pytest.mark.parametrize(
    ("trim", "kept"),
    [
        (None, None),
        ([0.1, 0, 0.9, 1], (0.1, 0, 0.9, 1)),
        ([-1, -1, 2, 2], None),
        ([-0.5, 0.2, 0.5, 1.5], (0, 0.2, 0.5, 1)),
        ([0.5, 0, 0.501, 1], None),
        ([1.2, 0, 1.8, 1], None),
    ],
)
def test_trims_of_the_first_version_lie_within_the_picture(trim, kept):
    assert document.parse(logo(trim)).logo.trim == kept


def test_a_document_without_a_version_is_of_the_first():
    assert document.parse({"name": "Old"}).footer_text == "© {year} {site}"


def test_the_present_version_is_left_as_it_is():
    facts = document.new({"name": "N", "logo": {"picture": KEY, "trim": [0.1, 0, 0.9, 1]}})
    kept = document.document(facts)
    assert kept["version"] == VERSION
    assert document.parse(kept) == facts


def test_a_newer_document_is_refused_rather_than_read_wrongly():
    with pytest.raises(ValueError, match="a newer Hestor wrote this"):
        upgraded({"name": "N", "version": VERSION + 1})
