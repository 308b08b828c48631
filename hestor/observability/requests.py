"""The request that is being answered: its id, by which what is logged meanwhile belongs together."""

import logging
import re
import secrets
from contextvars import ContextVar
from urllib.parse import quote

_ID: ContextVar[str] = ContextVar("request_id", default="")
# What a proxy may name a request by; anything else could break a line of the log.
_SAFE = re.compile(r"[A-Za-z0-9_-]{8,64}")
# Tokens of previews, on a site in a folder, too, and of links in messages.
_SECRETS = re.compile(r"(/(?:_preview|confirm|confirm-address)/)[^/]+")


def begin(given: str) -> str:
    """Begins a request: takes the id that the proxy gave it, if it is one, else a new one."""
    found = given if _SAFE.fullmatch(given) else secrets.token_hex(8)
    _ID.set(found)
    return found


def current() -> str:
    """The id of the request that is being answered; empty where none is."""
    return _ID.get()


def named(path: str) -> str:
    """An address as it may stand in a log: without what only its owner may know, and in one line of letters."""
    said = _SECRETS.sub(r"\1…", path)[:200]
    return "".join(letter if letter.isprintable() else quote(letter, errors="replace") for letter in said)


class WithRequest(logging.Filter):
    """Adds the request's id to whatever is logged."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Lets everything pass."""
        record.request_id = current()
        return True
