"""The house style that pages are held to: facts, and what was said of them before; read from and written as JSON.

The format is published as a JSON Schema (``docs/house-style.schema.json``), which is made from here.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from hestor.core.errors import InternalError
from hestor.core.facts.document import PICTURES, SPECS, Facts

VERSION = 1
KEYS: frozenset[str] = frozenset(SPECS)
# Pictures are said by their files' paths.
_TEXTS = frozenset(key for key, field in Facts.model_fields.items() if field.annotation is str) | PICTURES


class UnreadableStyle(InternalError):
    """A file that is no house style; its words say what to do."""


@dataclass(frozen=True)
class Style:
    """Facts by their keys, and for some of them what they said before. An empty fact says nothing."""

    facts: Mapping[str, Any] = field(default_factory=dict)
    former: Mapping[str, Sequence[str]] = field(default_factory=dict)

    def text(self, key: str) -> str:
        """A fact that is a text; empty if it says nothing."""
        said = self.facts.get(key)
        return said.strip() if isinstance(said, str) else ""

    def before(self, key: str) -> tuple[str, ...]:
        """What a fact said before, but for what it says now."""
        return tuple(one for one in self.former.get(key, ()) if one.strip() and one != self.text(key))

    def plain(self) -> dict[str, Any]:
        """The style as it is written."""
        former = {key: list(said) for key, said in self.former.items() if said}
        return {"hestor": VERSION, "facts": dict(self.facts), **({"former": former} if former else {})}


@dataclass(frozen=True)
class ReadStyle:
    """A style that was read, with the keys in it that mean nothing here."""

    style: Style
    unknown: tuple[str, ...] = ()


def _former(given: object) -> dict[str, tuple[str, ...]]:
    if not isinstance(given, dict):
        raise UnreadableStyle('"former" has to be an object: for each fact a list of what it said before')
    found: dict[str, tuple[str, ...]] = {}
    for key, said in given.items():
        listed = [said] if isinstance(said, str) else said
        if not isinstance(listed, list) or not all(isinstance(one, str) for one in listed):
            raise UnreadableStyle(f'"former.{key}" has to be a list of texts')
        found[key] = tuple(listed)
    return found


def read(given: object) -> ReadStyle:
    """A style from what a JSON file holds. Unknown keys are left out and named. Raises UnreadableStyle."""
    if not isinstance(given, dict) or not isinstance(given.get("facts"), dict):
        raise UnreadableStyle('a house style is an object with "hestor": 1 and "facts": {…}')
    if given.get("hestor") != VERSION:
        raise UnreadableStyle(f'"hestor" has to be {VERSION}, the version of the format')
    facts = {key: said for key, said in given["facts"].items() if key in KEYS}
    wrong = next((key for key, said in facts.items() if key in _TEXTS and not isinstance(said, str)), None)
    if wrong is not None:
        raise UnreadableStyle(f'"facts.{wrong}" has to be a text')
    former = {key: said for key, said in _former(given.get("former", {})).items() if key in KEYS}
    unknown = [key for key in given if key not in ("hestor", "facts", "former", "$schema")]
    unknown += [f"facts.{key}" for key in given["facts"] if key not in KEYS]
    unknown += [f"former.{key}" for key in given.get("former", {}) if key not in KEYS]
    return ReadStyle(Style(facts, former), tuple(unknown))


def schema() -> dict[str, Any]:
    """The format as JSON Schema (2020-12)."""
    said = {key: {"type": "string"} if key in _TEXTS else {} for key in sorted(KEYS)}
    before = {key: {"type": "array", "items": {"type": "string"}} for key in sorted(KEYS)}
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "House style",
        "description": "The facts of a site, and what was said of them before.",
        "type": "object",
        "required": ["hestor", "facts"],
        "properties": {
            "$schema": {"type": "string"},
            "hestor": {"const": VERSION},
            "facts": {"type": "object", "properties": said},
            "former": {"type": "object", "properties": before},
        },
    }
