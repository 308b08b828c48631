"""A sweep as the JSON that the command and the API give, and scripts rely on."""

from collections.abc import Callable, Iterable
from datetime import UTC, datetime
from typing import Any

from hestor.core.sweep.pages_read import Unread
from hestor.core.sweep.stray import Stray
from hestor.core.sweep.style import Style

Say = Callable[[str], str]


def stray_of(stray: Stray, say: Say) -> dict[str, Any]:
    """One stray; ``say`` gives the words of a key in the reader's language."""
    return {
        "id": stray.id,
        "kind": stray.kind,
        "page": stray.page,
        "place": stray.place,
        "start": stray.start,
        "end": stray.end,
        "says": stray.says,
        "should_say": stray.should_say,
        "why": say(f"sweep.why.{stray.kind}"),
        "sure": stray.sure,
        "mend": stray.mend,
    }


def report(
    pages: int, at: datetime, style: Style, strays: Iterable[Stray], unread: Iterable[Unread], say: Say
) -> dict[str, Any]:
    """The whole of it."""
    return {
        "pages": pages,
        "checked_at": at.astimezone(UTC).strftime("%Y-%m-%dT%H:%M:%SZ"),
        "style": style.plain(),
        "strays": [stray_of(stray, say) for stray in strays],
        "unread": [{"page": each_unread.page, "why": say(f"sweep.unread.{each_unread.why}")} for each_unread in unread],
    }
