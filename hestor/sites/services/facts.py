"""Writing the draft's facts, one revision at a time."""

from collections.abc import Iterator, Mapping

from django.db import transaction

from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts import document, in_languages
from hestor.core.facts.assets import PictureIcon
from hestor.core.facts.document import Facts
from hestor.core.imaging import crops
from hestor.pictures import selectors as pictures
from hestor.sites.models import Site
from hestor.sites.services import own_changes
from hestor.sites.services.locking import bump, locked


def _picture_problems(site_id: int, facts: Facts, keys: Mapping[str, object]) -> Iterator[Problem]:
    """What is wrong with the pictures that the facts ``keys`` name: they are not the site's, or not cut as a square."""
    for fact, key in document.pictures_in(facts).items():
        if fact not in keys:
            continue
        master = pictures.master(site_id, key)
        value = getattr(facts, fact)
        if master is None:
            yield Problem(fact, "picture_unknown")
        elif isinstance(value, PictureIcon) and not crops.is_square(value.crop, master):
            yield Problem(fact, "crop_not_square")


def write_facts(site: Site, values: Mapping[str, object], revision: int) -> Site:
    """Keeps facts in the draft, in the language that the site is read in.

    Raises StaleRevision, or InvalidInput; then nothing is kept.
    """
    good, problems = in_languages.checked(site.said, site.language, values)
    with transaction.atomic():
        site = locked(site, revision)
        if problems:
            raise InvalidInput(problems)
        before, plain = site.said, document.plain(site.facts, tuple(good))
        site.say(good)
        wrong = list(_picture_problems(site.pk, site.facts, good))
        if wrong:
            raise InvalidInput(wrong)
        if site.said != before:
            own_changes.note(site, None, plain, document.plain(site.facts, tuple(good)))
            bump(site)
        return site
