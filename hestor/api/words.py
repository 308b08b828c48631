"""Changes and reach in words."""

import json
from collections.abc import Iterable
from typing import Any

from hestor import wording
from hestor.api.problems import field_name
from hestor.api.schemas import ChangeOut
from hestor.core import typefaces
from hestor.core.changes import Change


def _counted(noun: str, count: int) -> str:
    return wording.say(f"reach.{noun}.{'one' if count == 1 else 'many'}", count=count)


def reach_words(change: Change) -> str:
    """How far a change reaches: "37 pages, 1 feed"."""
    counts = (("pages", change.pages), ("feeds", change.feeds), ("manifests", change.manifests))
    said = [_counted(noun, count) for noun, count in counts if count]
    return ", ".join(said) or wording.say("reach.none")


def _mark_words(said: dict[str, Any]) -> str:
    match said.get("source"):
        case "logo":
            return wording.say("said.logo")
        case "drawn" if said["letters"] or said["shape"]:
            kind = "letters" if said["letters"] else "shape"
            return wording.say(f"said.drawn_{kind}", **{kind: said[kind]})
        case "drawn":
            return wording.say("said.drawn")
    return (
        wording.say("said.recoloured", colour=said["recolour"]) if said.get("recolour") else wording.say("said.picture")
    )


def fact_words(key: str, said: str) -> str:
    """What a fact says, in words; a text says itself."""
    if not said or key not in _IN_OTHER_WORDS:
        return said
    match key, said:
        case "logo_plate", _:
            return wording.say(f"said.plate.{said}")
        case "typefaces", _:
            return " · ".join(dict.fromkeys(typefaces.families(said)))
        case "logo_width", "0":
            return wording.say("said.by_shape")
        case "logo_width", _:
            return wording.say("said.width", width=said)
        case "logo_says_name", _:
            return wording.say("said.yes" if said == "true" else "said.no")
        case "icon", "null":
            return wording.say("said.starter")
        case "share_picture", "null":
            return wording.say("said.composed")
        case _, "null":
            return ""
    return _mark_words(json.loads(said))


_IN_OTHER_WORDS = (
    "logo", "logo_dark", "logo_plate", "logo_width", "logo_says_name", "icon", "share_picture", "typefaces",
)  # fmt: skip


def change_out(change: Change) -> ChangeOut:
    """A change with its words."""
    name = field_name(change.key) if change.kind == "fact" else change.new or change.old
    reach = reach_words(change)
    words = wording.say(f"change.{change.kind}", name=name, key=change.key, reach=reach)
    said = change.document()
    if change.kind == "fact":
        said |= {side: fact_words(change.key, said[side]) for side in ("old", "new")}
    return ChangeOut(name=name, reach=reach, words=words, **said)


def changes_out(changes: Iterable[Change]) -> list[ChangeOut]:
    """Changes with their words."""
    return [change_out(change) for change in changes]
