"""The band of language."""

from typing import Annotated

from hestor.core import languages
from hestor.core.facts import rules
from hestor.core.facts.own_words import OwnWord, OwnWords
from hestor.core.facts.own_words import rule as own_words_rule
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words, itself
from hestor.core.places.place import Place


class LanguageFacts(FactGroup):
    """What the site speaks."""

    language: Annotated[
        str,
        FactSpec(
            Band.LANGUAGE,
            rules.language,
            lambda facts: "ar" if facts.language != "ar" else "de-CH",
            editor="language",
            slots=(Slot(Place.ALOUD), Slot(Place.TEXT), Slot(Place.DATED)),
            in_words=lambda tag: Words(said=lambda reader: languages.name_in(tag, reader)),
            held=itself("language"),
            drawn=True,
            needed=True,
        ),
    ] = "en-GB"
    own_words: Annotated[
        OwnWords,
        FactSpec(
            Band.WORDS,
            own_words_rule,
            lambda facts: () if facts.own_words else (OwnWord(language="en", key="changed", text="Changed"),),
            editor="own_words",
            in_words=lambda words: Words("value.own_words", (("count", len(words or ())),)),
        ),
    ] = ()
