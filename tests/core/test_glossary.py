"""One word a thing, in each of the desk's languages, as the glossary says it: every text of the desk is held to it."""

import json
import re
from collections.abc import Iterator

import pytest
import yaml

from hestor import translations
from tests.support.server import TOP

LANGUAGES = translations.languages("desk")


def _leaves(words: object, path: str = "") -> Iterator[tuple[str, str]]:
    if isinstance(words, str):
        yield path, words
    elif isinstance(words, dict):
        for key, one in words.items():
            yield from _leaves(one, f"{path}.{key}")


def texts(language: str) -> dict[str, str]:
    """All that the desk says in a language, whoever says it: the server or the front end."""
    files = (TOP / "frontend/src/i18n").glob(f"{language}*.json")
    front = [json.loads(file.read_text()) for file in files]
    return dict(translations.catalogue("desk", language)) | {key: text for one in front for key, text in _leaves(one)}


def glossary(language: str) -> list[dict[str, object]]:
    return yaml.safe_load((TOP / f"hestor/translations/glossary/{language}.yaml").read_text())


def has(text: str, words: str) -> bool:
    return re.search(rf"(?<!\w){re.escape(words)}(?!\w)", text, re.IGNORECASE) is not None


@pytest.mark.parametrize("language", LANGUAGES)
def test_every_text_says_what_the_glossary_says(language):
    said = texts(language)
    wrong = [
        f"{key}: “{never}” where it is “{term['says']}”"
        for term in glossary(language)
        for never in term["not"]
        for key, text in said.items()
        if has(text, str(never))
    ]
    assert wrong == []


@pytest.mark.parametrize("language", LANGUAGES)
def test_every_word_of_the_glossary_is_said(language):
    said = "\n".join(texts(language).values()).casefold()
    assert [term["says"] for term in glossary(language) if str(term["says"]).casefold() not in said] == []


@pytest.mark.parametrize(("language", "marks"), [("de", "«»"), ("es", "„“"), ("fr", "„“”"), ("en", "«»„")])
def test_a_language_quotes_in_one_way(language, marks):
    assert [key for key, text in texts(language).items() if set(text) & set(marks)] == []
