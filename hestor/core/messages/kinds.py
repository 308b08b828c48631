"""The messages that a site sends: what sets each off, what its words may name, and what they can't do without."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Literal

from hestor.core.errors import Problem

Kind = Literal["confirm", "replaced", "enquiry"]


@dataclass(frozen=True)
class MessageKind:
    """One kind. ``names`` are the fill-ins that its words may hold beyond those of all texts, ``needed`` must stay.

    Each stands for one text, but for those in ``apart``, which stand in a paragraph of their own. ``is_secret`` says
    that a message holds what its receiver alone may know, ``is_visitors`` that it holds what a visitor wrote.
    """

    kind: Kind
    names: tuple[str, ...]
    needed: tuple[str, ...] = ()
    apart: tuple[str, ...] = ()
    is_secret: bool = False
    is_visitors: bool = False

    @property
    def subject_key(self) -> str:
        """The key of its subject among the site's own words."""
        return f"message.{self.kind}.subject"

    @property
    def text_key(self) -> str:
        """The key of its text among the site's own words."""
        return f"message.{self.kind}.text"


KINDS: Mapping[Kind, MessageKind] = {
    one.kind: one
    for one in (
        MessageKind("enquiry", ("name", "address", "moment", "message"), ("message",), ("message",), is_visitors=True),
        MessageKind("confirm", ("address", "link"), ("link",), ("link",), is_secret=True),
        MessageKind("replaced", ("address", "moment")),
    )
}
SECRET = frozenset(kind for kind, each_kind in KINDS.items() if each_kind.is_secret)
VISITORS = frozenset(kind for kind, each_kind in KINDS.items() if each_kind.is_visitors)
_BY_TEXT = {each_kind.text_key: each_kind for each_kind in KINDS.values()}


def lost(field: str, word: str, text: str) -> Iterator[Problem]:
    """The fill-ins that a text of the site's own lost though its message needs them, each with how it is put back."""
    kind = _BY_TEXT.get(word)
    for name in kind.needed if kind else ():
        if f"{{{name}}}" not in text:
            yield Problem(field, "fill_in_lost", {"name": f"{{{name}}}"}, len(text), len(text), f" {{{name}}}")
