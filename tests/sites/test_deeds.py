"""An edition brought back into the draft is taken back in one step, words that were never published and all."""

import pytest

from hestor.core.errors import NotFound, StaleRevision
from hestor.sites.models import Revision, Site
from hestor.sites.services import deeds
from hestor.sites.services.cleaning import clean
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish, restore
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def draft(site: Site) -> tuple:
    rows = Revision.objects.in_draft_of(site.pk).order_by("path")
    facts = Site.objects.get(pk=site.pk).facts
    return facts, list(rows.values_list("path", "title", "text__body", "parent_id"))


@pytest.fixture
def worked(site, owner):
    """A second edition, and a draft beyond it: words changed, a page added, facts typed."""
    publish_words = {"name": "Bean Bank"}
    write_facts(site.pk, publish_words, site.revision)
    publish(site.pk, owner, NOW)
    page = Revision.objects.get(path="/about/", in_draft=True).page_id
    change_page(site.pk, page, {"body": "Never published."})
    add_page(site.pk, {"path": "/new/", "title": "New", "body": "Nor this."})
    write_facts(site.pk, {"tagline": "Typed"}, Site.objects.get(pk=site.pk).revision)
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
    change_page(worked.pk, page, {"body": "Written since."})
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
