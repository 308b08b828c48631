"""A new site from a package that another Hestor, or this one, made (``core.pages.site_package``)."""

from collections.abc import Iterable, Mapping
from typing import Any

from django.db import transaction

from hestor.accounts.models import Account
from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts import document
from hestor.core.pages import package, site_package
from hestor.core.pages.package import Package
from hestor.core.pages.site_package import Described
from hestor.pictures.models import Picture
from hestor.pictures.services import checked_words
from hestor.sandbox import TO_UNPACK, run_within
from hestor.sites.models import Page, Revision, Site
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.services import importing
from hestor.sites.services.creation import make_site, may_have
from hestor.sites.services.facts import write_facts
from hestor.sites.services.importing import Enough, Report, never


def _is_own(problem: Problem) -> bool:
    """Whether what was left out of the ZIP is the file that was read by itself."""
    return problem.code == "file_other" and problem.params.get("name") == site_package.NAME


def _slug(wanted: str, owner: Account) -> str:
    """The address that the site had, if it is free here; else one is found from its name."""
    return wanted if wanted and may_have(wanted, owner) else ""


def _renamed(value: Any, keys: Mapping[str, str]) -> Any:
    """The value with the keys of pictures that it holds as they are here; nothing else of it is touched."""
    if isinstance(value, dict):
        return {name: _renamed(inner, keys) for name, inner in value.items()}
    if isinstance(value, list):
        return [_renamed(inner, keys) for inner in value]
    return keys.get(value, value) if isinstance(value, str) else value


def _values(said: Described, keys: Mapping[str, str], report: Report) -> dict[str, Any]:
    """The facts to be kept, with pictures by the keys that they have here; what is refused is told."""
    plain = document.plain(document.without_private(said.facts))
    good, problems = document.check_all(_renamed(plain, keys))
    report.problems += [(site_package.NAME, problem) for problem in problems]
    return {key: value for key, value in good.items() if not document.SPECS[key].private}


def _write_facts(site: Site, values: Mapping[str, Any], report: Report) -> None:
    """Keeps the facts; those that name a picture which did not come in are left out, and told."""
    kept = dict(values)
    while True:
        try:
            write_facts(site, kept, Site.objects.get(pk=site.pk).revision)
            return
        except InvalidInput as error:
            wrong = {problem.field.partition(".")[0] for problem in error.problems} & kept.keys()
            if not wrong:
                raise
            report.problems += [(site_package.NAME, problem) for problem in error.problems]
            kept = {key: value for key, value in kept.items() if key not in wrong}


def _write_words(site: Site, said: Described, targets: Mapping[str, str], report: Report) -> None:
    for name, words in said.pictures.items():
        key = targets.get(name, "").removeprefix(ADDRESS)
        try:
            Picture.objects.filter(site=site, key=key).update(**checked_words(words.words()))
        except InvalidInput as error:
            report.problems += [(name, problem) for problem in error.problems]


def _keep_identities(site: Site, said: Described, files: Iterable[str]) -> None:
    """Feed readers and calendars go on knowing what they knew, where nothing here is known by the same."""
    if said.uuid and not Site.objects.filter(identity=said.uuid).exists():
        Site.objects.filter(pk=site.pk).update(identity=said.uuid)
    drafts = {f"pages/{package.file_of(one.path)}": one for one in Revision.objects.in_draft_of(site)}
    wanted = {name: said.pages[name] for name in files if name in said.pages and name in drafts}
    identities = [one.uuid for one in wanted.values()]
    taken = set(Page.objects.filter(identity__in=identities).values_list("identity", flat=True))
    for name, one in wanted.items():
        if one.uuid not in taken:
            Page.objects.filter(pk=drafts[name].page_id).update(identity=one.uuid)
        if one.worded and one.worded.tzinfo:
            Revision.objects.filter(pk=drafts[name].pk).update(worded=one.worded)


def read(body: bytes) -> tuple[Described, Package]:
    """What a package says of itself, and its files. Raises InvalidInput if it is none."""
    said = run_within(TO_UNPACK, site_package.of_zip, body)
    unpacked = run_within(TO_UNPACK, package.of_zip, body)
    return said, Package(
        unpacked.texts, unpacked.pictures, tuple(problem for problem in unpacked.problems if not _is_own(problem))
    )


def take_in(owner: Account, body: bytes, slug: str = "", enough: Enough = never) -> tuple[Site, Report]:
    """A new site from a package, and what of it could not be taken, or there was no time for.

    Raises InvalidInput if it is no package or the address can't be had, Forbidden and TooManySites.
    """
    said, found = read(body)
    name = {"name": said.facts.name, "language": said.facts.language, "time_zone": said.facts.time_zone}
    site = make_site(owner, name, slug or _slug(said.slug, owner), limited=True)
    try:
        report = fill(site, said, found, enough)
    except BaseException:
        # Half of a site is of no use to anybody.
        with transaction.atomic():
            site.delete()
        raise
    site.refresh_from_db()
    return site, report


def fill(site: Site, said: Described, found_package: Package, enough: Enough = never) -> Report:
    """Fills a site with what a package holds; begun again, it goes on where it was."""
    first = Report()
    targets = importing.take_pictures(site.pk, found_package, first, enough)
    if first.later:
        return first
    keys = {
        words.key: targets[name].removeprefix(ADDRESS)
        for name, words in said.pictures.items()
        if words.key and name in targets
    }
    report = importing.take_in(site, found_package)
    report.pictures = first.pictures
    _write_words(site, said, targets, report)
    _write_facts(site, _values(said, keys, report), report)
    _keep_identities(site, said, found_package.texts)
    return report
