"""What a rule is, and the one that facts and pages share: a line of text."""

from dataclasses import dataclass
from typing import Protocol, TypeVar

from pydantic import BaseModel, ValidationError

from hestor.core.errors import Problem
from hestor.core.text import fillins, lines

# Normalising makes a text shorter, by no more than this in any script.
_FAR_TOO_LONG = 4
Value = object
"""What a fact says, whichever fact it is: a text, a number, a model or a list of such; its own rule knows which."""
V = TypeVar("V")
Kept = TypeVar("Kept", covariant=True)
Checked = tuple[V, tuple[Problem, ...]]


class Rule(Protocol[Kept]):
    """What a field may say. Called with the field's name and what was given, whatever that is."""

    def __call__(self, key: str, given: object) -> Checked[Kept]:
        """The value as it would be kept, and what is wrong with it (nothing, if it is fine)."""


M = TypeVar("M", bound=BaseModel)


def read_as(model: type[M], given: object) -> M | None:
    """A value as a model, be it one already or plain JSON; None for what is neither."""
    try:
        return model.model_validate(given.model_dump() if isinstance(given, BaseModel) else given)
    except ValidationError:
        return None


def not_text(key: str) -> Checked[str]:
    """Refuses what is no text."""
    return "", (Problem(key, "not_text"),)


@dataclass(frozen=True)
class Line:
    """A one-line text of ``least`` to ``most`` characters (code points after NFC).

    ``also`` are fill-ins that only this text may use.
    """

    least: int
    most: int
    takes_fill_ins: bool = False
    also: tuple[str, ...] = ()

    def __call__(self, key: str, given: object) -> Checked[str]:
        """Tidies and checks."""
        if not isinstance(given, str):
            return not_text(key)
        # Before anything else is done with it: normalising a text of hundreds of thousands of accents takes minutes.
        if len(given) > _FAR_TOO_LONG * (self.most + 1):
            return "", (lines.too_long(key, given, self.most),)
        text = lines.tidy(given)
        problems = list(lines.line_problems(key, text, least=self.least, most=self.most))
        if self.takes_fill_ins:
            problems += fillins.problems(key, text, self.also)
        return text, tuple(problems)
