"""A site's mark for use on the desk, whose own origin must not depend on a site's."""

import base64

from hestor.core.facts import Facts
from hestor.press import assets


def data_url(facts: Facts) -> str:
    """The mark that the public site shows, as a ``data:`` address."""
    answer = assets.answer(assets.mark_url(facts.brand_colour, facts.name))
    if answer is None:
        raise RuntimeError("the press does not know a mark that it has just named")
    return f"data:{answer.media_type};base64,{base64.b64encode(answer.body).decode()}"
