"""The texts within facts that pages, feeds and messages show, each by its field: the fact, or what of it is the text.

A field is a fact's key, or, for a text within a fact, the key with the text's own name after a dot:
``site_notice.text``, ``own_words.message.confirm.subject``.
"""

from collections.abc import Mapping
from typing import Any

from hestor.core.errors import NotFound
from hestor.core.facts import own_words
from hestor.core.facts.document import SPECS, Facts
from hestor.core.rules import Value

_OWN_WORDS = "own_words"
# What is said of a picture is said as it stands.
_NO_FILL_INS = frozenset((_OWN_WORDS, *(key for key, spec in SPECS.items() if spec.visual)))
_MESSAGE = f"{_OWN_WORDS}.message."


def of_facts(facts: Facts) -> dict[str, str]:
    """All that say something, by their fields; of own words those that hold in the site's language."""
    found: dict[str, str] = {}
    for key, spec in SPECS.items():
        if value := getattr(facts, key):
            for name in spec.texts:
                found[f"{key}.{name}" if name else key] = str(getattr(value, name) if name else value)
    held = own_words.holding(facts.own_words, facts.language)
    found |= {f"{_OWN_WORDS}.{key}": text for key, text in held.items()}
    return {field: text for field, text in found.items() if text}


def fact_of(field: str) -> str:
    """The fact that a field is part of."""
    return field.partition(".")[0]


def takes_fill_ins(field: str) -> bool:
    """Whether a text may hold the fill-ins of any text; words of the site's own are filled in otherwise."""
    return fact_of(field) not in _NO_FILL_INS or field.startswith(_MESSAGE)


def with_texts(facts: Facts, texts: Mapping[str, str]) -> dict[str, Value]:
    """The facts that hold some texts, by their keys, with these texts in place.

    Raises NotFound for a text within a fact that is not there any more.
    """
    found: dict[str, Any] = {}
    known = of_facts(facts)
    for field, text in texts.items():
        key, _, name = field.partition(".")
        if name and field not in known:
            raise NotFound
        if not name:
            found[key] = text
        elif key == _OWN_WORDS:
            found[key] = _with_word(found.get(key, facts.own_words), name, text, facts.language)
        else:
            found[key] = found.get(key, getattr(facts, key)).model_copy(update={name: text})
    return found


def _with_word(words: own_words.OwnWords, name: str, text: str, language: str) -> own_words.OwnWords:
    spoken = language.partition("-")[0]
    return tuple(
        word.model_copy(update={"text": text}) if (word.key, word.language) == (name, spoken) else word
        for word in words
    )
