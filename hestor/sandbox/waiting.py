"""What a thread lets others do while it waits: for the sandbox, for its turn there, for a file that another makes.

Where threads take turns at computing (``config.worker``), one that waits with the turn in its hand could wait for one
that waits for the turn, for ever. So every such wait is within ``aside``.
"""

from collections.abc import Callable
from contextlib import AbstractContextManager, nullcontext

pass_on: Callable[[], AbstractContextManager[None]] = nullcontext
"""Gives the turn away and takes it again; a server whose threads take turns puts its own here."""


def aside() -> AbstractContextManager[None]:
    """Within this others may compute."""
    return pass_on()
