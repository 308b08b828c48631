"""Changes, values and reach in words."""

from collections.abc import Iterable
from functools import lru_cache
from typing import Any

from hestor import translations
from hestor.accounts.models import Account
from hestor.api.errors import field_name
from hestor.api.schemas import AuthorOut, ChangeOut, PlaceReachOut
from hestor.api.sweep_schemas import StrayKindOut
from hestor.core.changes import Change
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.places.all import FILE_PLACES
from hestor.core.sweep.stray import KINDS
from hestor.sites.selectors.authors import Author

_FILES = [place.place for place in FILE_PLACES]


def reach_words(change: Change) -> str:
    """How far a change reaches: "37 pages, 1 feed"."""
    parts = [translations.counted("reach.pages", change.pages)] if change.pages else []
    parts += [translations.counted(f"reach.{one.place}", one.number) for one in change.reach if one.place in _FILES]
    return ", ".join(parts) or translations.say("reach.none")


def fact_words(key: str, value: Any) -> str:
    """What a value of a fact says, in words; ``value`` is plain JSON."""
    words = document.in_words(key, value)
    if words.said:
        return words.said(translations.speaking())
    return translations.say(words.message, **dict(words.params)) if words.message else words.text


def all_words(facts: Facts) -> dict[str, str]:
    """What each fact says, in words, by key."""
    return {key: fact_words(key, value) for key, value in document.plain(facts).items()}


@lru_cache(maxsize=8)
def default_words(language: str) -> dict[str, str]:
    """What each fact says that nobody has said, in words of the ``language`` that the desk speaks."""
    return all_words(Facts(name="-")) | {"name": ""}


def author_out(author: Author, account: Account) -> AuthorOut:
    """Who changed something, as the account sees it."""
    return AuthorOut(by=author.by.shown_name if author.by else "", own=author.by == account, at=author.at)


def change_out(change: Change) -> ChangeOut:
    """A change with its words."""
    is_fact = change.kind == "fact"
    old, new = (fact_words(change.key, v) if is_fact else str(v or "") for v in (change.old, change.new))
    name = field_name(change.key) if is_fact else new or old
    reach = reach_words(change)
    return ChangeOut(
        kind=change.kind,
        key=change.key,
        name=name,
        old=old,
        new=new,
        pages=change.pages,
        reach=[PlaceReachOut(place=one.place, number=one.number) for one in change.reach],
        reach_words=reach,
        words=translations.say(f"change.{change.kind}", name=name, key=change.key, reach=reach),
        page=change.page,
    )


def changes_out(changes: Iterable[Change]) -> list[ChangeOut]:
    """Changes with their words."""
    return [change_out(change) for change in changes]


def stray_kinds(there: Iterable[str]) -> list[StrayKindOut]:
    """The kinds of strays that there are, in words, in their order."""
    present = set(there)
    return [
        StrayKindOut(kind=kind, name=translations.say(f"sweep.kind.{kind}"), why=translations.say(f"sweep.why.{kind}"))
        for kind in KINDS
        if kind in present
    ]
