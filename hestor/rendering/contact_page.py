"""The contact page with its form, the page that says that a message has arrived, and the imprint."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

from hestor.core.contact.details import PARTS
from hestor.rendering import card, details, opening
from hestor.rendering.frame import Frame
from hestor.rendering.page import values
from hestor.rendering.response import Response
from hestor.rendering.state import Page

STAMP = "0hestor-form-stamp0"
"""Stands in a rendered form for its stamp, which is another one each time that it is handed out."""
SENT = "sent/"
FIELDS = ("name", "email", "message")
TRAP = "website"
"""A field that nobody sees, for programs that fill in all there are."""


@dataclass(frozen=True)
class FormState:
    """What a form shows: what was typed, what is amiss with each field, and what is said above it (keys of words)."""

    typed: Mapping[str, str] = field(default_factory=dict)
    wrong: Mapping[str, str] = field(default_factory=dict)
    notice: str = ""
    status: int = 200


EMPTY = FormState()


def respond(frame: Frame, page: Page, form: FormState = EMPTY) -> Response:
    """The contact page's bytes."""
    parts = frame.facts.contact_parts.page
    response = frame.html(
        "contact.html.jinja",
        form.status,
        **values(frame, page),
        details=details.shown(frame, parts),
        hours=opening.shown(frame) if "hours" in parts else None,
        has_form="form" in parts,
        card=f"{frame.root}{card.PATH}" if "card" in parts and details.ways_told(frame.facts) else "",
        form=form,
        stamp=STAMP,
        trap=TRAP,
        days=frame.number(frame.facts.enquiry_days),
    )
    return replace(response, stamped=STAMP.encode() in response.body)


def sent(frame: Frame, page: Page) -> Response:
    """What a sender reads when a message has arrived."""
    said = {**values(frame, page), "title": frame.word("contact.sent.title"), "structured": "", "unlisted": True}
    return frame.html("sent.html.jinja", **said, days=frame.number(frame.facts.enquiry_days))


def imprint(frame: Frame, page: Page) -> Response:
    """A page that says who stands behind the site: all that is known of it, whatever other pages leave out."""
    shown = details.shown(frame, PARTS)
    return frame.html("imprint.html.jinja", **values(frame, page), details=shown, form=EMPTY)
