"""Mended copies of a file: what each stray should say in the place of what it says, all else as it was."""

from collections.abc import Iterable
from dataclasses import dataclass
from html import escape

from hestor.core.reading.source import Source
from hestor.core.sweep.stray import Stray


@dataclass(frozen=True)
class Edit:
    """Text put in the place of what stands from ``start`` to ``end``, in code points of the decoded file."""

    start: int
    end: int
    text: str


def edits_of(stray: Stray, text: str, is_markup: bool = True) -> tuple[Edit, ...]:
    """How a stray's file is changed so that it says what it should; none where only a person can tell."""
    if stray.mend is None:
        return ()
    also = tuple(Edit(start, end, escape(said)) for start, end, said in stray.also)
    if stray.kind == "lang_missing":
        return (Edit(stray.start, stray.end, f' lang="{escape(stray.should_say)}"'),)
    said = escape(stray.should_say, quote=_is_in_tag(text, stray.start)) if is_markup else stray.should_say
    return (Edit(stray.start, stray.end, said), *also)


def _is_in_tag(text: str, at: int) -> bool:
    return text.rfind("<", 0, at) > text.rfind(">", 0, at)


def edited(text: str, edits: Iterable[Edit]) -> str:
    """A text with edits made; of two that overlap the one that begins first is made."""
    made, last = [], 0
    for edit in sorted(edits, key=lambda one: (one.start, one.end)):
        if edit.start < last:
            continue
        made.append(text[last : edit.start])
        made.append(edit.text)
        last = edit.end
    return "".join((*made, text[last:]))


def mended(source: Source, strays: Iterable[Stray], is_markup: bool = True) -> str:
    """A file with those strays mended that can be; nothing else is altered."""
    return edited(source.text, (edit for stray in strays for edit in edits_of(stray, source.text, is_markup)))
