"""A site made as a copy of another: what it takes over, and that neither is bound to the other."""

import pytest

from hestor.core.errors import InvalidInput
from hestor.core.facts import document
from hestor.sites.models import Page, Revision, Text
from hestor.sites.services import site_copies
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import change_page

pytestmark = pytest.mark.django_db


def pages_of(site):
    return {one.path: one for one in Revision.objects.in_draft_of(site).select_related("text")}


def bodies(site):
    return {path: (one.title, one.text.body, one.menu_title, one.in_menu) for path, one in pages_of(site).items()}


def tree(site):
    by_page = {one.page_id: path for path, one in pages_of(site).items()}
    ordered = sorted(pages_of(site).values(), key=lambda one: one.place)
    return [(one.path, by_page.get(one.parent_id)) for one in ordered]


def test_a_whole_copy_says_the_same_under_its_own_name(site, owner):
    write_facts(site, {"tagline": "Seed for all", "brand_colour": "#7a2e4d"}, site.revision)
    site.refresh_from_db()
    made = site_copies.copy_site(owner, site, "all", "Pond", "pond")
    assert bodies(made) == bodies(site)
    assert tree(made) == tree(site)
    assert document.differing(made.facts, site.facts) == ("name",)
    assert made.facts.name == "Pond"
    assert made.live_number == 0
    identities = [set(Page.objects.filter(site=one).values_list("identity", flat=True)) for one in (site, made)]
    assert not identities[0] & identities[1]
    assert identities[1]


def test_what_is_changed_or_deleted_in_one_leaves_the_other(site, owner):
    made = site_copies.copy_site(owner, site, "all", "Pond", "pond")
    before = bodies(made)
    change_page(site, pages_of(site)["/about/"].page_id, {"body": "Otherwise"})
    assert bodies(made) == before
    change_page(made, pages_of(made)["/about/"].page_id, {"body": "Here otherwise"})
    assert pages_of(site)["/about/"].text.body == "Otherwise"
    kept = set(Revision.objects.in_draft_of(site).values_list("text_id", flat=True))
    made.delete()
    assert Text.objects.filter(pk__in=kept).count() == len(kept)


@pytest.mark.parametrize("what", ["facts", "frame"])
def test_a_copy_of_facts_has_the_home_page_of_a_new_site(site, owner, what):
    write_facts(site, {"tagline": "Seed for all", "brand_colour": "#7a2e4d"}, site.revision)
    site.refresh_from_db()
    made = site_copies.copy_site(owner, site, what, "Pond", "pond")
    assert list(pages_of(made)) == ["/"]
    assert made.facts.brand_colour == "#7a2e4d"
    assert made.facts.tagline == ("Seed for all" if what == "facts" else "")


def test_a_copy_without_a_name_or_of_too_much_leaves_nothing(site, owner, monkeypatch):
    with pytest.raises(InvalidInput):
        site_copies.copy_site(owner, site, "all", "")
    monkeypatch.setattr(site_copies, "MOST_PAGES", 1)
    with pytest.raises(InvalidInput):
        site_copies.copy_site(owner, site, "all", "Pond")
    assert Page.objects.exclude(site=site).count() == 0
