"""Making a site, and what is private to the desk about it."""

from collections.abc import Mapping
from itertools import count

from django.db import transaction

from hestor import clock, translations
from hestor.accounts.models import Account
from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts import document
from hestor.core.pages import paths
from hestor.core.roles import Role
from hestor.core.site_address import RESTS
from hestor.core.text import lines
from hestor.sites.models import Membership, Site
from hestor.sites.selectors.access import require_another_site
from hestor.sites.selectors.addresses import short_host
from hestor.sites.selectors.defaults import defaults_of
from hestor.sites.services import resting
from hestor.sites.services.pages import add_page

_MOST_LABEL = 60


def free_slug(name: str, owner: Account) -> str:
    """An address for a new site that nobody has, and that its owner may have, from its name."""
    stem = paths.slug_from(name)
    if not stem or list(paths.slug_problems("slug", stem)):
        stem = "site"
    taken = set(Site.objects.filter(slug__startswith=stem[:36]).values_list("slug", flat=True))
    proposals = (stem if n == 1 else f"{stem[:36].rstrip('-')}-{n}" for n in count(1))
    return next(slug for slug in proposals if slug not in taken and not _rests(slug, owner))


def may_have(slug: str, owner: Account) -> bool:
    """Whether an address is free for a new site of a person."""
    return not Site.objects.filter(slug=slug).exists() and not _rests(slug, owner)


def _rests(slug: str, owner: Account) -> bool:
    return resting.rests(short_host(slug), [owner.pk], clock.now())


def _slug_problems(slug: str, owner: Account) -> list[Problem]:
    problems = list(paths.slug_problems("slug", slug))
    if not problems and Site.objects.filter(slug=slug).exists():
        problems.append(Problem("slug", "slug_taken", {"slug": slug}))
    elif not problems and _rests(slug, owner):
        problems.append(Problem("slug", "slug_rests", {"slug": slug, "days": RESTS.days}))
    return problems


def _label(given: str) -> tuple[str, list[Problem]]:
    label = lines.tidy(given)
    return label, list(lines.line_problems("label", label, least=0, most=_MOST_LABEL))


def make_site(
    owner: Account, given: Mapping[str, object], slug: str = "", label: str = "", limited: bool = False
) -> Site:
    """A new site with a home page in its draft, nothing published. Raises InvalidInput with every problem.

    ``limited`` is for people at the desk, whose number of sites is limited: it may raise Forbidden or TooManySites.
    """
    good, problems = document.check_all({"name": "", **defaults_of(owner), **given})
    label, label_problems = _label(label)
    with transaction.atomic():
        if limited:
            require_another_site(owner)
        slug = slug.strip().lower() or free_slug(str(good.get("name", "")), owner)
        found = [*problems, *_slug_problems(slug, owner), *label_problems]
        if found:
            raise InvalidInput(found)
        facts = document.new(good)
        site = Site.objects.create(slug=slug, label=label, draft_facts=document.document(facts))
        Membership.objects.create(site=site, account=owner, role=Role.OWNER)
        words = translations.catalogue("public", facts.language)
        starter = {"path": "/", "title": words["starter.home.title"], "body": words["starter.home.body"]}
        add_page(site, {**starter, "menu_title": words["home"], "in_menu": True})
        site.refresh_from_db()
        return site


def set_label(site: Site, given: str) -> Site:
    """The private label, shown only on the desk. Raises InvalidInput."""
    site.label, problems = _label(given)
    if problems:
        raise InvalidInput(problems)
    site.save(update_fields=["label"])
    return site
