"""Loads the demo once: three accounts and three sites, from the folder ``demo/``."""

import tomllib
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand
from django.db import transaction

from hestor import clock
from hestor.accounts.demo import ACCOUNTS, NAMES, PASSWORD
from hestor.accounts.models import Account
from hestor.core.contact.enquiry import Written
from hestor.core.roles import Role
from hestor.mail.services.enquiries import keep, mark
from hestor.mail.services.notices import set_in_force
from hestor.pictures.services import upload
from hestor.sites.models import Edition, Membership, Revision, Site
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.pictures import describe
from hestor.sites.services.publishing import publish

_FIRST_PUBLISHED = datetime(2025, 3, 29, 9, 30, tzinfo=UTC)


def _load_pictures(site: Site, folder: Path, config: list[dict[str, str]]) -> dict[str, str]:
    """Uploads the demo's pictures; gives their keys by file."""
    keys = {}
    for one in config:
        words = {field: value for field, value in one.items() if field != "file"}
        picture, _ = upload(site.pk, one["file"], (folder / "pictures" / one["file"]).read_bytes())
        keys[one["file"]] = describe(site.pk, picture.pk, words).key
    return keys


def _with_keys(facts: dict[str, Any], keys: dict[str, str]) -> dict[str, Any]:
    """Facts with the keys of pictures in place of their files."""
    return {
        name: {**value, "picture": keys[value["picture"]]} if isinstance(value, dict) and "picture" in value else value
        for name, value in facts.items()
    }


def _page_file(path: Path, keys: dict[str, str]) -> dict[str, Any]:
    """A page's fields (TOML above the line of hyphens) and its text (Markdown below)."""
    head, _, body = path.read_text().partition("\n---\n")
    for file, key in keys.items():
        body = body.replace(f"picture:{file}", ADDRESS + key)
    fields = tomllib.loads(head)
    order = fields.pop("menu", 0)
    return {**fields, "body": body.strip(), "order": order, "in_menu": bool(order)}


def _load_pages(site: Site, folder: Path, keys: dict[str, str]) -> None:
    ids: dict[str, int] = dict(Revision.objects.in_draft_of(site).values_list("path", "page_id"))
    pages = [_page_file(path, keys) for path in sorted(folder.glob("pages/*.md"))]
    posts = [{**_page_file(path, keys), "kind": "post"} for path in sorted(folder.glob("posts/*.md"))]
    for fields in sorted(pages, key=lambda page: "parent" in page) + posts:
        if "parent" in fields:
            fields["parent"] = ids[fields["parent"]]
        if fields["path"] in ids:
            change_page(site, ids[fields["path"]], fields)
        else:
            ids[fields["path"]] = add_page(site, fields).page_id


def _publish(site: Site, owner: Account, values: dict[str, Any]) -> None:
    site.refresh_from_db()
    write_facts(site, values, site.revision)
    done = Edition.objects.filter(site=site).count()
    publish(site.pk, owner, _FIRST_PUBLISHED + timedelta(days=97 * done))


def _load_mail(site: Site, config: dict[str, Any]) -> None:
    """Where notices go, and what visitors wrote."""
    site.refresh_from_db()
    if address := config["facts"].get("notices_email"):
        set_in_force(site, address, clock.now() - timedelta(days=3))
    wrote = sorted(config.get("enquiries", ()), key=lambda one: -one["hours_ago"])
    for number, one in enumerate(wrote):
        written = Written(one.get("name", ""), one["email"], one["message"].strip())
        received = clock.now() - timedelta(hours=one["hours_ago"])
        kept = keep(site, written, "/contact/", received, one.get("suspect", False), f"demo {number}")
        if one.get("done"):
            mark(site, kept.pk, True, None, received + timedelta(hours=1))


def _load_site(folder: Path, people: dict[str, Account], owner: Account) -> None:
    config = tomllib.loads((folder / "site.toml").read_text())
    pictured = {key: value for key, value in config["facts"].items() if isinstance(value, dict)}
    site = make_site(
        owner, {key: value for key, value in config["facts"].items() if key not in pictured}, config["slug"]
    )
    keys = _load_pictures(site, folder, config.get("pictures", []))
    facts = _with_keys(config["facts"], keys)
    for email, account in people.items():
        Membership.objects.update_or_create(site=site, account=account, defaults={"role": ACCOUNTS[email]})
    _load_pages(site, folder, keys)
    for earlier in config.get("earlier", ()):
        _publish(site, owner, {**facts, **earlier})
    _publish(site, owner, facts)
    _load_mail(site, config)


class Command(BaseCommand):
    """``manage.py load_demo``: does nothing if there is an account already."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Loads everything in one transaction."""
        with transaction.atomic():
            if Account.objects.exists():
                return
            people = {email: Account.objects.create_user(email, PASSWORD, name=name) for email, name in NAMES.items()}
            owner = next(people[email] for email, role in ACCOUNTS.items() if role is Role.OWNER)
            for folder in sorted(path.parent for path in (settings.ROOT / "demo").glob("*/site.toml")):
                _load_site(folder, people, owner)
        self.stdout.write("Demo: three sites and three accounts.")
