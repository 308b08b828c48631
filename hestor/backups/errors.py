"""What goes wrong with copies, in words for whoever keeps the server."""


class CopyFailed(Exception):
    """A copy could not be made."""


class Damaged(Exception):
    """A copy is not what it was when it was made."""


class NotEmpty(Exception):
    """There is something already where a copy is to be brought back."""


class OtherDatabase(Exception):
    """A copy was made of another kind of database than the one here."""
