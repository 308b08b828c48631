"""The owner's own page for addresses that lead nowhere; its own address answers the same."""

from dataclasses import replace

from hestor.rendering import page
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response
from hestor.rendering.state import Page


def respond(frame: Frame, found_page: Page) -> Response:
    """The page's bytes. It is at no address of its own, so none is to be kept for it, nor named as a page above."""
    said = {**page.values(frame, found_page), "unlisted": True, "structured": "", "trail": (), "path": ""}
    return replace(frame.html("page.html.jinja", **said), status=404)
