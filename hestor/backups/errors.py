"""What goes wrong with copies, in words for the server's administrator."""

from hestor.core.errors import InternalError


class CopyFailed(InternalError):
    """A copy could not be made."""


class CopyDamaged(InternalError):
    """A copy is not what it was when it was made."""


class NotEmpty(InternalError):
    """There is something already where a copy is to be brought back."""


class OtherDatabase(InternalError):
    """A copy was made of another kind of database than the one here."""
