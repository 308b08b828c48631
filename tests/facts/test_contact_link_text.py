"""The fact "contact_link_text" has its words in every language of the desk, and pages show it where its row says."""

import json

import pytest

from hestor import translations
from hestor.core.contact import protection
from hestor.core.facts.document import SPECS
from hestor.core.places.place import Place
from hestor.sites.selectors.reach import ReachFinder
from scripts.new_fact import LANGUAGES, TO_SAY, TOP


@pytest.mark.parametrize("language", LANGUAGES)
def test_it_is_called_and_explained(language):
    said = json.loads((TOP / f"frontend/src/i18n/{language}.json").read_text())["fact"]["contact_link_text"]
    words = [translations.catalogue("desk", language)["fact.contact_link_text"], said["why"], said["empty"]]
    assert [word for word in words if TO_SAY in word or not word] == []


@pytest.mark.django_db
def test_it_reaches_what_its_row_shows(site):
    facts = site.facts.model_copy(update={"contact_link_text": "Write to us", "contact_email": "hello@seeds.example"})
    reach = ReachFinder(site, facts).of_fact("contact_link_text")
    assert Place.FOOTER in {one.place for one in ReachFinder(site, facts).of_fact("contact_email").places}
    assert {slot.place for slot in SPECS["contact_link_text"].slots} <= {one.place for one in reach.places}


@pytest.mark.parametrize("kind", protection.PROTECTIONS)
def test_the_link_says_the_text_and_leads_to_the_address(kind):
    link = protection.link("hello@seeds.example", kind, "Write <us>")
    assert link == "" or (">Write &lt;us&gt;</a>" in link and "hello@seeds.example" not in link.split(">", 1)[1])
    assert ("mailto:hello@seeds.example" in link) == (kind == "plain")
