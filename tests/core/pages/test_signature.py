import pytest

from hestor.core.pages import signature
from hestor.core.pages.fields import PageFields
from hestor.core.text import markdown


def of(**fields: object) -> signature.Signature:
    page = PageFields(**{"path": "/a/", "title": "A", **fields})
    return signature.signature_of(page, markdown.compile_text(page.body))


@pytest.mark.parametrize(
    ("fields", "trait", "value"),
    [
        ({"path": "/"}, "home", True),
        ({"published": "2026-04-01"}, "dated", True),
        ({"body": "![](/_hestor/pic-" + "a" * 32 + ")"}, "own_picture", True),
        ({"title": "{year} at {site}"}, "title_fills", "site+year"),
        ({"body": "# H\n\n{site}"}, "body_fills", "site"),
        ({"summary": "{tagline}", "body": "{site}"}, "description_fills", "tagline"),
        ({"body": "Of {site}."}, "description", "excerpt"),
        ({"summary": "S", "body": "B"}, "description", "summary"),
        ({}, "description", ""),
    ],
)
def test_each_trait(fields, trait, value):
    assert getattr(of(**fields), trait) == value


@pytest.mark.parametrize("fields", [{}, {"path": "/", "title": "{site}", "body": "{year} {tagline}", "kind": "news"}])
def test_it_reads_back_from_its_text(fields):
    assert signature.parse(of(**fields).text) == of(**fields)


def test_words_make_no_difference_where_they_show_no_fact():
    assert of(title="A", body="One.") == of(title="B", body="Two words.")


def test_what_an_older_compiler_left_is_refused():
    with pytest.raises(ValueError, match="not a signature"):
        signature.parse("")
