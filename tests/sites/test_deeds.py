"""An edition brought back into the draft is taken back in one step, words that were never published and all."""

import pytest

from hestor import clock
from hestor.core.errors import NotFound, StaleRevision
from hestor.core.pages.package import Package
from hestor.sites.models import Deed, Revision, Site, Text
from hestor.sites.services import deeds
from hestor.sites.services.cleaning import clean
from hestor.sites.services.facts import write_facts
from hestor.sites.services.importing import take_in
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish, restore
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def draft(site: Site) -> tuple:
    rows = Revision.objects.in_draft_of(site).order_by("path")
    facts = Site.objects.get(pk=site.pk).facts
    return facts, list(rows.values_list("path", "title", "text__body", "parent_id"))


@pytest.fixture
def worked(site, owner):
    """A second edition, and a draft beyond it: words changed, a page added, facts typed."""
    publish_words = {"name": "Bean Bank"}
    write_facts(site, publish_words, site.revision)
    publish(site.pk, owner, NOW)
    page = Revision.objects.get(path="/about/", in_draft=True).page_id
    change_page(site, page, {"body": "Never published."})
    add_page(site, {"path": "/new/", "title": "New", "body": "Nor this."})
    write_facts(site, {"tagline": "Typed"}, Site.objects.get(pk=site.pk).revision)
    return site


def test_it_is_taken_back_and_done_again(worked):
    before = draft(worked)
    _, deed = restore(worked.pk, 1)
    after = draft(worked)
    assert after != before
    _, again = deeds.take_back(worked.pk, deed.pk, NOW)
    assert draft(worked) == before
    _, once_more = deeds.take_back(worked.pk, again.pk, NOW)
    assert draft(worked) == after
    deeds.take_back(worked.pk, once_more.pk, NOW)
    assert draft(worked) == before
    with pytest.raises(NotFound):
        deeds.take_back(worked.pk, deed.pk, NOW)


def test_words_that_were_written_since_are_not_lost(worked):
    _, deed = restore(worked.pk, 1)
    page = Revision.objects.get(path="/about/", in_draft=True).page_id
    change_page(worked, page, {"body": "Written since."})
    now = draft(worked)
    with pytest.raises(StaleRevision):
        deeds.take_back(worked.pk, deed.pk, NOW)
    assert draft(worked) == now


def test_a_draft_that_says_it_already_needs_nothing_taken_back(site):
    assert restore(site.pk, 1)[1] is None


def test_by_the_api_and_by_who_may(worked, desk, person):
    before = draft(worked)
    deed = desk.post("/api/sites/seeds/editions/1/restore").json()["deed"]
    assert person("viewer").post(f"/api/sites/seeds/deeds/{deed}/take-back").status_code == 403
    assert desk.post(f"/api/sites/seeds/deeds/{deed}/take-back").status_code == 200
    assert draft(worked) == before
    clean(NOW)


def imported(site: Site):
    texts = {"about.md": "---\ntitle: About us\npath: /about/\n---\nFrom a file.", "more.md": "# More\n\nWords."}
    return take_in(site, Package(texts))


def test_an_import_is_taken_back_whole_with_unpublished_words(worked):
    before = draft(worked)
    report = imported(worked)
    assert (report.added, report.changed) == (["/more/"], ["/about/"])
    after = draft(worked)
    _, again = deeds.take_back(worked.pk, report.deed, NOW)
    assert draft(worked) == before
    deeds.take_back(worked.pk, again.pk, NOW)
    assert draft(worked) == after


def test_an_import_that_changes_nothing_leaves_nothing_to_take_back(worked):
    imported(worked)
    assert imported(worked).deed is None


def test_facts_that_were_typed_since_stay(worked):
    report = imported(worked)
    site = Site.objects.get(pk=worked.pk)
    write_facts(site, {"tagline": "Typed since"}, site.revision)
    deeds.take_back(worked.pk, report.deed, NOW)
    assert Site.objects.get(pk=worked.pk).facts.tagline == "Typed since"


def test_a_fact_that_the_deed_brought_and_was_changed_since_is_not_lost(worked):
    site, deed = restore(worked.pk, 1)
    write_facts(site, {"name": "Typed since"}, site.revision)
    with pytest.raises(StaleRevision):
        deeds.take_back(worked.pk, deed.pk, NOW)
    assert Site.objects.get(pk=worked.pk).facts.name == "Typed since"


def test_a_fact_beside_those_that_the_deed_brought_stays(worked):
    site, deed = restore(worked.pk, 1)
    write_facts(site, {"footer_text": "Typed since"}, site.revision)
    deeds.take_back(worked.pk, deed.pk, NOW)
    facts = Site.objects.get(pk=worked.pk).facts
    assert (facts.name, facts.footer_text) == ("Bean Bank", "Typed since")


def test_what_nobody_can_take_back_any_more_is_deleted_with_its_texts(worked):
    report = imported(worked)
    gone = Deed.objects.get(pk=report.deed).gone
    texts = list(Revision.objects.filter(pk__in=gone).values_list("text_id", flat=True))
    before = draft(worked)
    deeds.forget_old(NOW)
    assert Revision.objects.filter(pk__in=gone).count() == len(gone)
    deeds.forget_old(clock.now() + deeds.KEPT * 2)
    assert not Revision.objects.filter(pk__in=gone).exists()
    assert not Text.objects.filter(pk__in=texts).exists()
    assert draft(worked) == before
