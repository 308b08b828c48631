"""What can be wrong, as one tree. Each error knows its HTTP status (RFC 9110, section 15); the API only reads it.

HestorError
├── InvalidInput        422  values were refused; carries one Problem for each spot
├── PictureRefused      422  a file is no picture that can be shown
├── Malformed           400  what was sent can't be read at all
├── TooBig              413  more was sent than one call may bring
├── TooMuchWork         422  what was sent takes more time or memory than it may
├── TooBusy             503  everybody who could do it is at work; to be tried again
├── TokensRefused       422  a file of design tokens can't be read
├── NotFound            404  the thing asked for isn't there, or isn't yours to see
├── LinkSpent           410  a link of an account was used, or is too old
├── MessageSealed       403  a message holds a link that its receiver alone may have
├── ConfirmationSpent   410  a link to confirm an address was used, or is too old
├── TooManyLinks        429  as many such links were sent in a day as may be
├── PictureGone         404  a deleted picture can't be brought back any more
├── Forbidden           403  your role on this site does not allow it
├── TooManySites        403  a person has as many sites as one may have
├── SignedOut           401  the call needs a session and has none
├── SignInRefused       401  email and password don't match an account
├── SignInPaused        429  too many wrong tries
├── RevisionMissing     428  a write came without the revision that it was made on
├── StaleRevision       412  somebody else wrote since you read
├── AccountsExist       409  the first account is there already
├── PictureInUse        409  a picture that the draft shows was to be deleted
├── PictureLive         409  a picture that visitors see was to be deleted
├── FrontStuck          503  files in front can't be taken away, so nothing may be changed for visitors
├── NothingToPublish    409  the draft says what the live edition says
├── Conflict            412  a stale write, with both values; its code is that of what was refused
└── InternalError       500  no call is answered with it: the caller turns it into another, or into words
    ├── CopyFailed      a copy could not be made (backups)
    ├── CopyDamaged     a copy is not what it was when it was made (backups)
    ├── NotEmpty        there is something already where a copy is to be brought back (backups)
    ├── OtherDatabase   a copy was made of another kind of database (backups)
    ├── SandboxLost     the whole sandbox ended while it was at work (sandbox)
    ├── NoSuchName      there is no such domain (mail.dns)
    ├── NoAnswer        nobody could say (mail.dns)
    ├── CouldNotRun     the command can't run as it was called (commandline)
    ├── Undecodable     bytes that are no text (core.sweep.encodings)
    ├── UnreadableStyle a file that is no house style (core.sweep.style)
    └── NotADrawing     a text that is no SVG document (core.imaging.svg)

Each error has a ``code``; the words for a code live in ``hestor/translations/locale``.
"""

import dataclasses
from collections.abc import Mapping, Sequence
from typing import ClassVar

Param = str | int
MOST_PROBLEMS = 5
"""How many problems of one kind are said at once; more help nobody, and cost time to find."""


@dataclasses.dataclass(frozen=True)
class Problem:
    """One refused spot: the field, what is wrong (a code), and where in the value it is.

    ``start`` and ``end`` count Unicode code points of the tidied value (``core.text.lines.tidy``). ``fix``, if
    there is one, is what to put in place of that range.
    """

    field: str
    code: str
    params: Mapping[str, Param] = dataclasses.field(default_factory=dict)
    start: int | None = None
    end: int | None = None
    fix: str | None = None


class HestorError(Exception):
    """The base of all errors that the job itself raises; never raised itself."""

    code = "error"
    status: ClassVar[int]

    def __init__(self, **params: Param) -> None:
        super().__init__(self.code, params)
        self.params = params

    def __reduce__(self) -> tuple[object, ...]:
        """As most take other arguments than their base does, they are sent to other processes by what they hold."""
        return _made_again, (type(self), self.args, self.__dict__)


def _made_again(kind: type[HestorError], args: tuple[object, ...], held: Mapping[str, object]) -> HestorError:
    error = kind.__new__(kind, *args)
    error.__dict__.update(held)
    return error


class InvalidInput(HestorError):
    """One or more values were refused; nothing was stored."""

    code = "invalid_input"
    status = 422

    def __init__(self, problems: Sequence[Problem]) -> None:
        if not problems:
            raise ValueError("InvalidInput needs at least one Problem")
        super().__init__(count=len(problems))
        self.problems = tuple(problems)


class PictureRefused(HestorError):
    """A file is no picture that can be shown. ``params`` name the file and what was found."""

    code = "picture_unknown"
    status = 422

    def __init__(self, reason: str, **params: Param) -> None:
        super().__init__(**params)
        self.code = f"picture_{reason}"


class Malformed(HestorError):
    """What was sent can't be read at all."""

    code = "malformed"
    status = 400


class TooBig(HestorError):
    """More was sent than one call may bring, or nested deeper."""

    code = "too_big"
    status = 413


class TooMuchWork(HestorError):
    """What was sent takes more time or memory than one piece of work may."""

    code = "too_much_work"
    status = 422


class TooBusy(HestorError):
    """Everybody who could do it is at work."""

    code = "too_busy"
    status = 503


class TokensRefused(HestorError):
    """A file of design tokens holds no colour or typeface that can be read; ``reason`` says why."""

    code = "tokens_none"
    status = 422

    def __init__(self, reason: str) -> None:
        super().__init__()
        self.code = f"tokens_{reason}"


class NotFound(HestorError):
    """The thing asked for isn't there, or isn't yours to see."""

    code = "not_found"
    status = 404


class LinkSpent(HestorError):
    """A link to replace a lost password was used, or is too old, or was never given out."""

    code = "link_spent"
    status = 410


class MessageSealed(HestorError):
    """A message holds a link that its receiver alone may have."""

    code = "message_sealed"
    status = 403


class ConfirmationSpent(HestorError):
    """A link to confirm an address was used, or is too old, or another one was sent since."""

    code = "confirmation_spent"
    status = 410


class TooManyLinks(HestorError):
    """As many links to confirm an address were sent in a day as may be."""

    code = "too_many_links"
    status = 429


class PictureGone(HestorError):
    """A deleted picture can't be brought back any more."""

    code = "picture_gone"
    status = 404


class Forbidden(HestorError):
    """The person's role on this site does not allow the action."""

    code = "forbidden"
    status = 403


class TooManySites(HestorError):
    """A person has as many sites as one may have here."""

    code = "too_many_sites"
    status = 403


class SignedOut(HestorError):
    """The call needs a session and has none."""

    code = "signed_out"
    status = 401


class SignInRefused(HestorError):
    """Email and password don't match an account."""

    code = "sign_in_refused"
    status = 401


class SignInPaused(HestorError):
    """Too many wrong tries from one place for one account."""

    code = "sign_in_paused"
    status = 429


class RevisionMissing(HestorError):
    """A write came without the revision that it was made on."""

    code = "revision_missing"
    status = 428


class StaleRevision(HestorError):
    """A write was made on a revision that is no longer the newest."""

    code = "stale_revision"
    status = 412

    def __init__(self, given: int, current: int) -> None:
        super().__init__(given=given, current=current)
        self.given = given
        self.current = current


class AccountsExist(HestorError):
    """The first account can be made only while there is none."""

    code = "accounts_exist"
    status = 409


class PictureInUse(HestorError):
    """A picture that the draft shows was to be deleted without a word about its uses."""

    code = "picture_in_use"
    status = 409


class PictureLive(HestorError):
    """A picture that the live edition shows was to be deleted."""

    code = "picture_live"
    status = 409


class FrontStuck(HestorError):
    """Files in front can't be taken away, so visitors would go on getting what was before."""

    code = "front_stuck"
    status = 503


class NothingToPublish(HestorError):
    """The draft says exactly what the live edition says."""

    code = "nothing_to_publish"
    status = 409


class InternalError(HestorError):
    """What goes wrong between parts of Hestor; says itself in the words that it is made with.

    No call is answered with one: the caller turns it into another error, or says its words where a server is run.
    """

    code = "internal"
    status = 500

    def __init__(self, words: str = "") -> None:
        super().__init__()
        self.args = (words,)

    def __str__(self) -> str:
        return str(self.args[0])
