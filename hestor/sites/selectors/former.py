"""What a site said before: the values of a fact in earlier editions, in the language that the site is read in."""

from collections.abc import Iterable
from typing import Any

from hestor.core.facts.document import PER_LANGUAGE
from hestor.core.facts.overlays import MAIN
from hestor.sites.models import Edition, Site


def said_before(site: Site, key: str, now: Any) -> tuple[Any, ...]:
    """What a fact said in earlier editions and does not say ``now``, the newest first; not what says nothing."""
    editions = Edition.objects.filter(site=site).order_by("-number")
    listed: Iterable[Any] = editions.values_list(f"facts_document__{key}", flat=True)
    if site.language != MAIN and key in PER_LANGUAGE:
        own = editions.values_list(f"facts_document__in_languages__{site.language}__{key}", flat=True)
        listed = [there or main for there, main in zip(own, listed, strict=True)]
    return tuple(dict.fromkeys(said for said in listed if said and said != now))
