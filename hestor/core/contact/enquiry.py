"""What a visitor writes through a form: as it is kept, and what is wrong with it, in the words of public pages."""

from collections.abc import Mapping
from dataclasses import dataclass

from hestor.core.contact import addresses
from hestor.core.text import lines

MOST_NAME, MOST_MESSAGE = 120, 8000


@dataclass(frozen=True)
class Written:
    """What was written, tidied."""

    name: str
    email: str
    message: str


@dataclass(frozen=True)
class Wrong:
    """What is wrong with a field: a key of public words, and the most that it may hold."""

    word: str
    most: int = 0


def read(given: Mapping[str, str]) -> tuple[Written, dict[str, Wrong]]:
    """What was written as it is kept, and what is wrong with which field.

    A name becomes one line, so that nothing of it can begin a line of its own wherever it is put.
    """
    name = " ".join(lines.carried(given.get("name", ""))[: 4 * MOST_NAME].split())
    message = lines.carried(given.get("message", "")).strip()
    email, problems = addresses.check("email", given.get("email", ""))
    wrong: dict[str, Wrong] = {}
    if len(name) > MOST_NAME:
        wrong["name"] = Wrong("contact.form.too_long", MOST_NAME)
    if not email.strip():
        wrong["email"] = Wrong("contact.form.missing")
    elif problems:
        wrong["email"] = Wrong("contact.form.bad_email")
    if not message:
        wrong["message"] = Wrong("contact.form.missing")
    elif len(message) > MOST_MESSAGE:
        wrong["message"] = Wrong("contact.form.too_long", MOST_MESSAGE)
    return Written(name, email, message), wrong
