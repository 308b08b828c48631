"""What a site still has to say: found from the facts and pages themselves, and gone once it was said."""

import pytest

from hestor.sites.models import Revision
from hestor.sites.selectors.checklist import checklist
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def kinds(site):
    site.refresh_from_db()
    return [one.kind for one in checklist(site, NOW).items]


@pytest.mark.parametrize("language", ["en-GB", "de-CH", "ar"])
def test_a_new_site_has_all_of_it_to_say_and_each_falls_away(owner, language):
    site = make_site(owner, {"name": "Plum", "language": language}, "plum")
    assert kinds(site) == [
        "starter_text", "tagline", "description", "logo", "icon", "contact_email", "notices_email", "one_page",
        "unpublished",
    ]  # fmt: skip
    home = Revision.objects.in_draft_of(site).get(path="/").page_id
    change_page(site, home, {"body": "Plums."})
    assert "starter_text" not in kinds(site)
    said = {
        "tagline": "T",
        "description": "D",
        "contact_email": "a@b.example",
        "icon": {"source": "drawn", "letters": "P"},
    }
    write_facts(site, said, site.revision)
    add_page(site, {"path": "/plums/", "title": "Plums"})
    assert kinds(site) == ["logo", "notices_email", "empty_pages", "unpublished"]
    publish(site.pk, owner, NOW)
    assert "unpublished" not in kinds(site)


def test_titles_that_mislead_are_counted(site):
    for number in (1, 2):
        add_page(site, {"path": f"/same-{number}/", "title": "Same", "body": "Words."})
    found = {one.kind: one.count for one in checklist(site, NOW).items}
    assert found["titles"] == 2
