"""Files made from a site's pictures, for the desk, whose own origin must not depend on a site's."""

import json
from typing import Any
from urllib.parse import urlencode

from django.http import HttpRequest, HttpResponse
from ninja import Router

from hestor.api.auth import site_for
from hestor.core import facts as facts_module
from hestor.core.errors import NotFound
from hestor.core.facts import Facts
from hestor.core.roles import Action
from hestor.pictures import services
from hestor.press.marks import PREFIX, Marks
from hestor.sites import made
from hestor.sites.models import Site

router = Router(tags=["files"])
# The facts that a made file can depend on.
_DRAWN = (
    "name", "tagline", "logo", "logo_dark", "logo_width", "logo_says_name", "icon", "share_picture", "brand_colour",
    "accent_colour", "typefaces", "language",
)  # fmt: skip


def address(site: Site, path: str, facts: Facts) -> str:
    """Where the desk gets the file at a public address.

    Facts that are typed but not kept yet go along, if the kept ones have no such file: so that a keystroke fetches
    nothing anew that looks as it did.
    """
    if not path.startswith(PREFIX):
        return ""
    plain = f"/api/sites/{site.slug}/files/{path.removeprefix(PREFIX)}"
    kept = site.facts
    if facts == kept or Marks(kept, services.masters(site.pk)).owns(path):
        return plain
    typed = {
        key: value
        for key, value in facts_module.document(facts).items()
        if key in _DRAWN and getattr(kept, key) != getattr(facts, key)
    }
    return f"{plain}?{urlencode({'typed': json.dumps(typed, ensure_ascii=False)})}"


def mark_address(site: Site, facts: Facts | None = None) -> str:
    """Where the desk gets the site's icon."""
    facts = facts or site.facts
    marks = Marks(facts, services.masters(site.pk))
    name = "icon.svg" if "icon.svg" in marks.icon_names else "icon-192.png"
    return address(site, marks.icon_folder + name, facts)


def _typed(text: str) -> dict[str, Any]:
    try:
        found = json.loads(text)
    except ValueError:
        return {}
    return found if isinstance(found, dict) else {}


@router.get("/sites/{site}/files/{path:path}")
def show(request: HttpRequest, site: str, path: str, typed: str = "") -> HttpResponse:
    """A file that the draft's marks have. Its address holds a hash of what it shows."""
    found = site_for(request, site, Action.LOOK)
    good, _ = facts_module.check_all(_typed(typed))
    facts = found.facts.model_copy(update=good)
    answer = made.file(found.pk, Marks(facts, services.masters(found.pk)), PREFIX + path, keep=not good)
    if answer is None:
        raise NotFound
    response = HttpResponse(answer.body, content_type=answer.media_type)
    response["Cache-Control"] = "private, max-age=31536000, immutable"
    # A drawing that is opened by itself may do nothing but draw.
    response["Content-Security-Policy"] = "default-src 'none'; style-src 'unsafe-inline'; sandbox"
    return response
