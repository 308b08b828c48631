"""The band of language."""

from typing import Annotated

from hestor.core.facts import rules
from hestor.core.facts.spec import Band, FactGroup, FactSpec


class LanguageFacts(FactGroup):
    """What the site speaks."""

    language: Annotated[
        str,
        FactSpec(
            Band.LANGUAGE,
            rules.language,
            lambda facts: "ar" if facts.language != "ar" else "de-CH",
            editor="language",
        ),
    ] = "en-GB"
