"""What can be wrong, as one tree.

HestorError
├── InvalidInput       a value was refused; carries one Problem for each spot
├── NotFound           the thing asked for isn't there, or isn't yours to see
├── Forbidden          your role on this site does not allow it
├── StaleRevision      somebody else wrote since you read
└── NothingToPublish   the draft says what the live edition says

Each error has a ``code``; the words for a code live in ``hestor/wording/locale``.
"""

import dataclasses
from collections.abc import Mapping, Sequence

Param = str | int


@dataclasses.dataclass(frozen=True)
class Problem:
    """One refused spot: the field, what is wrong (a code), and where in the value it is.

    ``start`` and ``end`` count Unicode code points of the tidied value (``core.texts.tidy``). ``fix``, if
    there is one, is what to put in place of that range.
    """

    field: str
    code: str
    params: Mapping[str, Param] = dataclasses.field(default_factory=dict)
    start: int | None = None
    end: int | None = None
    fix: str | None = None


class HestorError(Exception):
    """The base of all errors that the job itself raises."""

    code = "error"

    def __init__(self, **params: Param) -> None:
        super().__init__(self.code, params)
        self.params = params


class InvalidInput(HestorError):
    """One or more values were refused; nothing was stored."""

    code = "invalid_input"

    def __init__(self, problems: Sequence[Problem]) -> None:
        if not problems:
            raise ValueError("InvalidInput needs at least one Problem")
        super().__init__(count=len(problems))
        self.problems = tuple(problems)


class NotFound(HestorError):
    """The thing asked for isn't there, or isn't yours to see."""

    code = "not_found"


class Forbidden(HestorError):
    """The person's role on this site does not allow the action."""

    code = "forbidden"


class StaleRevision(HestorError):
    """A write was made on a revision that is no longer the newest."""

    code = "stale_revision"

    def __init__(self, given: int, current: int) -> None:
        super().__init__(given=given, current=current)
        self.given = given
        self.current = current
        self.values: Mapping[str, object] = {}


class NothingToPublish(HestorError):
    """The draft says exactly what the live edition says."""

    code = "nothing_to_publish"
