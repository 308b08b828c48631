"""The band of legal lines and code of others."""

from typing import Annotated, Any

from hestor.core.added import code, consent
from hestor.core.added.code import AddedCode
from hestor.core.added.consent import CookieNotice
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words
from hestor.core.places.place import Place


def _other_code(facts: Any) -> AddedCode:
    first = AddedCode(code='<meta name="otherwise" content="one">')
    return first if facts.added_code != first else AddedCode(code='<meta name="otherwise" content="two">')


def _other_notice(facts: Any) -> CookieNotice:
    title = "Otherwise" if not facts.cookie_notice or facts.cookie_notice.title != "Otherwise" else "Differently"
    return CookieNotice(title=title, text=title)


class AddedFacts(FactGroup):
    """A cookie notice, off by default, and code in the head of every page."""

    cookie_notice: Annotated[
        CookieNotice | None,
        FactSpec(
            Band.ADDED,
            consent.rule,
            _other_notice,
            editor="cookie_notice",
            slots=(Slot(Place.COOKIES),),
            in_words=lambda notice: Words(text=notice.title) if notice else Words(),
            texts=("title", "text"),
            per_language=True,
        ),
    ] = None
    added_code: Annotated[
        AddedCode | None,
        FactSpec(
            Band.ADDED,
            code.rule,
            _other_code,
            editor="added_code",
            in_words=lambda added: Words("value.code", (("count", len(added.code)),)) if added else Words(),
        ),
    ] = None
