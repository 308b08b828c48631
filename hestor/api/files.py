"""Files generated from a site's pictures, for the desk, whose own origin must not depend on a site's."""

import json
from typing import Any
from urllib.parse import urlencode

from django.http import HttpRequest, HttpResponse
from ninja import Router
from propcache.api import cached_property

from hestor.api.auth import site_for
from hestor.api.description import gives
from hestor.core.errors import NotFound
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.roles import Action
from hestor.pictures import selectors as pictures
from hestor.rendering.brand_files import DRAWN_FROM, PREFIX, BrandFiles
from hestor.sites import generated_files
from hestor.sites.models import Site

router = Router(tags=["files"])


class FileAddresses:
    """Where the desk gets a site's generated files, with facts that may be typed but not kept yet."""

    def __init__(self, site: Site, facts: Facts | None = None) -> None:
        self._site = site
        self._facts = facts or site.facts

    @cached_property
    def _kept(self) -> BrandFiles:
        return BrandFiles(self._site.facts, pictures.masters(self._site.pk))

    @cached_property
    def _typed(self) -> str:
        """The facts that files are drawn from, where they are not as they are kept."""
        kept = self._site.facts
        drawn = (key for key in DRAWN_FROM if getattr(kept, key) != getattr(self._facts, key))
        return urlencode({"typed": json.dumps(document.plain(self._facts, drawn), ensure_ascii=False)})

    def address_of(self, path: str) -> str:
        """Where the desk gets the file at a public address; empty for what is no such file.

        Typed facts go along only if the kept ones have no such file: so that a keystroke fetches nothing anew that
        looks as it did.
        """
        if not path.startswith(PREFIX):
            return ""
        plain = f"/api/sites/{self._site.slug}/files/{path.removeprefix(PREFIX)}"
        as_kept = self._facts == self._site.facts or self._kept.names(path)
        return plain if as_kept else f"{plain}?{self._typed}"

    @cached_property
    def icon(self) -> str:
        """Where the desk gets the site's icon."""
        same = self._facts == self._site.facts
        brand = self._kept if same else BrandFiles(self._facts, pictures.masters(self._site.pk))
        name = "icon.svg" if "icon.svg" in brand.icon_names else "icon-192.png"
        return self.address_of(brand.icon_folder + name)


def _typed(text: str) -> dict[str, Any]:
    try:
        found = json.loads(text)
    except ValueError:
        return {}
    return found if isinstance(found, dict) else {}


@router.get("/sites/{site}/files/{path:path}", openapi_extra=gives("image/*"))
def show(request: HttpRequest, site: str, path: str, typed: str = "") -> HttpResponse:
    """A file that the draft's brand has. Its address holds a hash of what it shows."""
    found_site = site_for(request, site, Action.VIEW)
    good, _ = document.check_all(_typed(typed))
    facts = found_site.facts.model_copy(update=good)
    made = generated_files.file(
        found_site.pk, BrandFiles(facts, pictures.masters(found_site.pk)), PREFIX + path, store_it=not good
    )
    if made is None:
        raise NotFound
    response = HttpResponse(made.body, content_type=made.media_type)
    response["Cache-Control"] = "private, max-age=31536000, immutable"
    # A drawing that is opened by itself may do nothing but draw.
    response["Content-Security-Policy"] = "default-src 'none'; sandbox"
    return response
