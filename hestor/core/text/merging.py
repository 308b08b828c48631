"""Two people's changes of one text, brought together paragraph by paragraph.

The usual three-way merge (diff3): what only one of them changed is as that one has it; where both changed the same
paragraph, or both wrote new ones at the same spot, somebody has to choose.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from hestor.core.text import passages
from hestor.core.text.passages import Edit

Choice = Literal["mine", "theirs", "both"]


@dataclass(frozen=True)
class Settled:
    """Paragraphs about which there is nothing to ask."""

    text: str


@dataclass(frozen=True)
class Clash:
    """Paragraphs that two people made something else of; ``base`` is what both began with."""

    base: str
    mine: str
    theirs: str

    def chosen(self, choice: Choice) -> str:
        """What is left of it; of both, theirs first, which stands there already."""
        if choice == "both":
            return passages.joined(text for text in (self.theirs, self.mine) if text)
        return self.mine if choice == "mine" else self.theirs


Part = Settled | Clash


@dataclass(frozen=True)
class _Region:
    """Edits of both that touch the same paragraphs of the text that they began with."""

    start: int
    end: int
    mine: tuple[Edit, ...]
    theirs: tuple[Edit, ...]


def merged(base: str, mine: str, theirs: str) -> list[Part]:
    """The two texts as one, in parts; none of them a clash where each changed paragraphs of their own."""
    began = passages.split(base)
    mines, others = (passages.paragraph_edits(began, passages.split(text)) for text in (mine, theirs))
    parts: list[Part] = []
    done = 0
    for region in _regions(mines, others):
        parts += _settled(began[done : region.start])
        parts += _parts_of(region, began)
        done = region.end
    return _together(parts + _settled(began[done:]))


def text_of(parts: Sequence[Part], choices: Sequence[Choice]) -> str | None:
    """The whole text, with a choice for each clash in turn; none while choices are missing."""
    clashes = [part for part in parts if isinstance(part, Clash)]
    if len(choices) < len(clashes):
        return None
    left = iter(choices)
    texts = [part.chosen(next(left)) if isinstance(part, Clash) else part.text for part in parts]
    return passages.joined(text for text in texts if text)


def _regions(mine: Sequence[Edit], theirs: Sequence[Edit]) -> list[_Region]:
    """All edits from the first on, those that touch each other together."""
    ordered = sorted([(edit, True) for edit in mine] + [(edit, False) for edit in theirs], key=_place)
    groups: list[list[tuple[Edit, bool]]] = []
    end = -1
    for edit, own in ordered:
        if groups and _meets(groups[-1], edit, own, end):
            groups[-1].append((edit, own))
        else:
            groups.append([(edit, own)])
            end = -1
        end = max(end, edit.end)
    return [_region(group) for group in groups]


def _place(edit: tuple[Edit, bool]) -> tuple[int, int]:
    return edit[0].start, edit[0].end


def _meets(group: Sequence[tuple[Edit, bool]], edit: Edit, own: bool, end: int) -> bool:
    """Whether an edit touches what the other person's edits of a group touch: one paragraph, or the same gap."""
    if edit.start < end:
        return True
    return any(whose != own and edit.start == edit.end == one.start == one.end for one, whose in group)


def _region(group: Sequence[tuple[Edit, bool]]) -> _Region:
    start, end = min(edit.start for edit, _ in group), max(edit.end for edit, _ in group)
    mine, theirs = (tuple(edit for edit, own in group if own == whose) for whose in (True, False))
    return _Region(start, end, mine, theirs)


def _parts_of(region: _Region, began: Sequence[str]) -> list[Part]:
    base = began[region.start : region.end]
    mine, theirs = (_applied(edits, base, region.start) for edits in (region.mine, region.theirs))
    if not region.theirs or mine == theirs:
        return _settled(mine)
    if not region.mine:
        return _settled(theirs)
    return [Clash(*(passages.joined(paragraphs) for paragraphs in (base, mine, theirs)))]


def _applied(edits: Sequence[Edit], base: Sequence[str], first: int) -> list[str]:
    """The paragraphs of a region as one of the two has them."""
    made, done = [], 0
    for edit in edits:
        made += [*base[done : edit.start - first], *edit.into]
        done = edit.end - first
    return made + list(base[done:])


def _settled(paragraphs: Sequence[str]) -> list[Part]:
    return [Settled(passages.joined(paragraphs))] if paragraphs else []


def _together(parts: Sequence[Part]) -> list[Part]:
    """Neighbours about which there is nothing to ask are one part."""
    made: list[Part] = []
    for part in parts:
        last = made[-1] if made else None
        if isinstance(part, Settled) and isinstance(last, Settled):
            made[-1] = Settled(passages.joined((last.text, part.text)))
        else:
            made.append(part)
    return made
