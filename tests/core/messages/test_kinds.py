"""The messages that a site sends: their words in every language, and what they can't do without."""

import re

import pytest

from hestor import translations
from hestor.core.facts import document
from hestor.core.messages.kinds import KINDS

LANGUAGES = translations.languages("public")


@pytest.mark.parametrize("language", LANGUAGES)
@pytest.mark.parametrize("kind", KINDS.values(), ids=KINDS)
def test_the_usual_words_hold_what_the_message_needs_and_nothing_else(kind, language):
    words = translations.catalogue("public", language)
    text = words[kind.text_key]
    named = set(re.findall(r"\{(\w+)\}", text + words[kind.subject_key]))
    assert set(kind.needed) <= set(re.findall(r"\{(\w+)\}", text))
    assert named <= {"site", *kind.names}


def own(key: str, text: str):
    return document.check("own_words", [{"language": "en", "key": key, "text": text}])


@pytest.mark.parametrize("kind", [kind for kind in KINDS.values() if kind.needed], ids=lambda kind: kind.kind)
def test_a_text_without_what_its_message_needs_is_refused_and_put_right(kind):
    value, problems = own(kind.text_key, "Please look at {site}.")
    assert value == ()
    assert [(one.code, one.field) for one in problems] == [("fill_in_lost", f"own_words.{kind.text_key}")]
    mended = "Please look at {site}." + problems[0].fix
    assert own(kind.text_key, mended)[1] == ()


def test_other_words_need_nothing():
    assert own("message.replaced.text", "Elsewhere now.")[1] == ()
    assert own("message.enquiry.text", "x" * 795 + " {message}")[1][0].code == "too_long"
    assert own("feed", "x" * 201)[1][0].code == "too_long"
