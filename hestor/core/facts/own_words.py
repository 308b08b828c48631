"""The words that a site says otherwise than Hestor would: its own texts for "Read on", "Last changed" and the like."""

import re
from collections.abc import Iterator, Mapping
from typing import Any

from pydantic import BaseModel, ConfigDict, ValidationError

from hestor.core.errors import Problem
from hestor.core.messages import kinds
from hestor.core.rules import Checked, Line

_MOST = 200
_TEXT, _MESSAGE = Line(1, 200), Line(1, 800)
_KEY = re.compile(r"[a-z_]+(\.[a-z_]+)*")
_LANGUAGE = re.compile(r"[a-z]{2,3}")


class OwnWord(BaseModel):
    """A text in place of Hestor's own, by its key; it holds as long as the site speaks that language."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    language: str
    key: str
    text: str


OwnWords = tuple[OwnWord, ...]


def holding(own: OwnWords, language: str) -> Mapping[str, str]:
    """The texts that hold in a language (BCP 47), by their keys."""
    spoken = language.partition("-")[0]
    return {word.key: word.text for word in own if word.language == spoken}


def _read(key: str, given: object) -> Iterator[OwnWord | Problem]:
    for number, one in enumerate(given if isinstance(given, (list, tuple)) else ()):
        try:
            word = OwnWord.model_validate(one.model_dump() if isinstance(one, BaseModel) else one)
        except ValidationError:
            yield Problem(f"{key}.{number}", "own_word_unreadable")
            continue
        field = f"{key}.{word.key[:40]}"
        text, problems = (_MESSAGE if word.key.startswith("message.") else _TEXT)(field, word.text)
        problems += tuple(kinds.lost(field, word.key, text))
        if not (_KEY.fullmatch(word.key[:60]) and _LANGUAGE.fullmatch(word.language)):
            yield Problem(f"{key}.{number}", "own_word_unreadable")
        yield from problems
        yield word.model_copy(update={"text": text})


def rule(key: str, given: object) -> Checked[tuple[OwnWord, ...]]:
    """A list of own words; of two for the same the later one holds."""
    if not isinstance(given, (list, tuple)) or len(given) > _MOST:
        return (), (Problem(key, "own_word_unreadable"),)
    found = list(_read(key, given))
    problems = tuple(one for one in found if isinstance(one, Problem))
    words: dict[Any, OwnWord] = {(one.language, one.key): one for one in found if isinstance(one, OwnWord)}
    return ((), problems) if problems else (tuple(sorted(words.values(), key=lambda one: (one.language, one.key))), ())
