"""Changes and reach in words."""

from collections.abc import Iterable

from hestor import wording
from hestor.api.problems import field_name
from hestor.api.schemas import ChangeOut
from hestor.core.changes import Change


def _counted(noun: str, count: int) -> str:
    return wording.say(f"reach.{noun}.{'one' if count == 1 else 'many'}", count=count)


def reach_words(change: Change) -> str:
    """How far a change reaches: "37 pages, 1 feed"."""
    counts = (("pages", change.pages), ("feeds", change.feeds), ("manifests", change.manifests))
    said = [_counted(noun, count) for noun, count in counts if count]
    return ", ".join(said) or wording.say("reach.none")


def change_out(change: Change) -> ChangeOut:
    """A change with its words."""
    name = field_name(change.key) if change.kind == "fact" else change.new or change.old
    reach = reach_words(change)
    words = wording.say(f"change.{change.kind}", name=name, key=change.key, reach=reach)
    return ChangeOut(name=name, reach=reach, words=words, **change.document())


def changes_out(changes: Iterable[Change]) -> list[ChangeOut]:
    """Changes with their words."""
    return [change_out(change) for change in changes]
