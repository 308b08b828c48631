"""What would be published without a word: starts nobody wrote over, dates of no event, names typed into patterns."""

import pytest

from hestor.sites.models import Revision, Site
from hestor.sites.selectors import stray_changes
from hestor.sites.selectors.consistency import consistency
from hestor.sites.selectors.stray_changes import changes_of
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def told(site: Site) -> set[tuple[str, str]]:
    return {(one.kind, one.says) for one in consistency(Site.objects.get(pk=site.pk), NOW).strays}


def reviewed(site: Site) -> set[tuple[str, str]]:
    return {(one.kind, one.says) for one in changes_of(Site.objects.get(pk=site.pk), NOW).made}


@pytest.mark.parametrize(
    ("language", "start"),
    [("en-GB", "Say here in a few words what visitors find."), ("de-CH", None), ("ar", None)],
)
def test_the_own_start_is_told_of_before_a_first_edition(owner, language, start):
    made = make_site(owner, {"name": "Beans", "language": language}, "beans")
    says = {says for kind, says in told(made) if kind == "starter_text"}
    assert says
    assert start is None or start in says
    assert {("starter_text", one) for one in says} <= reviewed(made)
    # It was said when it came; the next review is about what comes then.
    publish(made.pk, owner, NOW)
    add_page(made, {"path": "/more/", "title": "More", "body": "Words."})
    assert not {kind for kind, _ in reviewed(made)} & {"starter_text"}


def test_the_next_date_of_no_event_is_told_of(site):
    add_page(site, {"path": "/when/", "title": "When", "body": "Next: {next:swop-days}"})
    schedule = {"starts": "2026-06-01"}
    add_page(site, {"path": "/swap-days/", "title": "Swap days", "kind": "event", "schedule": schedule})
    assert ("link_broken", "{next:swop-days}") in told(site)
    assert ("link_broken", "{next:swop-days}") in reviewed(site)
    add_page(site, {"path": "/then/", "title": "Then", "body": "Next: {next:swap-days}"})
    assert ("link_broken", "{next:swap-days}") not in told(site)


@pytest.mark.parametrize("fact", ["title_pattern", "home_title", "footer_text", "description"])
def test_a_former_name_in_the_house_style_is_found_and_mended_there(site, owner, fact):
    typed = {"title_pattern": "{page} at Seed Library"}.get(fact, "Welcome to Seed Library")
    write_facts(site, {fact: typed}, site.revision)
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Bean Bank"}, site.revision)
    site.refresh_from_db()
    found = [one for one in consistency(site, NOW).strays if one.kind == "former_name" and one.field == fact]
    assert [(one.says, one.replacement) for one in found] == [("Seed Library", "{site}")]
    change = changes_of(site, NOW)
    assert fact in {one.field for one in change.made}
    # Nothing of it will agree by itself.
    assert change.ended == 0


def test_what_the_press_writes_is_no_stray(site, owner):
    """Its own dates, and who is behind the site by a name of before, which is a fact of its own."""
    publish_name = {"legal_name": "Seed Library Society", "date_short": "d/M/y", "date_long": "EEEE d MMMM y"}
    write_facts(site, publish_name, site.revision)
    site.refresh_from_db()
    add_page(site, {"path": "/contact/", "title": "Contact", "kind": "contact"})
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Bean Bank"}, site.revision)
    kinds = {(one.kind, one.path) for one in consistency(Site.objects.get(pk=site.pk), NOW).strays}
    assert not {kind for kind, _ in kinds} & {"date_form", "date_ambiguous"}
    assert ("former_name", "/contact/") not in kinds


def test_of_a_large_site_the_pages_that_change_are_compared(site, owner, monkeypatch):
    monkeypatch.setattr(stray_changes, "MOST_PAGES", 4)
    schedule = {"starts": "2026-06-01"}
    add_page(site, {"path": "/swap-days/", "title": "Swap days", "kind": "event", "schedule": schedule})
    add_page(site, {"path": "/when/", "title": "When", "body": "Next: {next:swop-days}"})
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Bean Bank"}, site.revision)
    add_page(site, {"path": "/a/", "title": "A", "body": "Seed Library, {next:swap-days}, {next:swop-days}"})
    site.refresh_from_db()
    change = changes_of(site, NOW)
    assert {(one.kind, one.path, one.says) for one in change.made} == {
        ("former_name", "/a/", "Seed Library"),
        ("link_broken", "/a/", "{next:swop-days}"),
    }
    assert not change.is_whole
    when = Revision.objects.in_draft_of(site).get(path="/when/").page_id
    change_page(site, when, {"body": "Next: {next:swap-days}"})
    site.refresh_from_db()
    assert changes_of(site, NOW).ended == 1
