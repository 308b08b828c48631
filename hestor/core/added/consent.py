"""The cookie notice: what is asked of visitors before the code of others runs."""

from pydantic import BaseModel, ConfigDict

from hestor.core.errors import Problem
from hestor.core.rules import Checked, Line, read_as

_TITLE, _TEXT = Line(1, 80, takes_fill_ins=True), Line(1, 600, takes_fill_ins=True)


class CookieNotice(BaseModel):
    """What it is called and what it says; both answers are Hestor's own words, and equally easy."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    title: str
    text: str


def rule(key: str, given: object) -> Checked[CookieNotice | None]:
    """A notice with title and text, or none."""
    if given is None:
        return None, ()
    read = read_as(CookieNotice, given)
    if read is None:
        return None, (Problem(key, "notice_unreadable"),)
    title, one = _TITLE(f"{key}.title", read.title)
    text, other = _TEXT(f"{key}.text", read.text)
    return CookieNotice(title=title, text=text), (*one, *other)
