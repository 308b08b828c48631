"""A site read in a further language: its facts, pages, tree, titles, reach, proofs and sweep are that language's."""

import pytest
from django.db import IntegrityError

from hestor.core.errors import InvalidInput
from hestor.core.pages.placing import Target
from hestor.core.places.place import Place
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Revision
from hestor.sites.selectors.addresses import address_key
from hestor.sites.selectors.consistency import consistency
from hestor.sites.selectors.former import said_before
from hestor.sites.selectors.groups import groups_of
from hestor.sites.selectors.page_fields import current
from hestor.sites.selectors.page_list import Wanted, page_window
from hestor.sites.selectors.reach import ReachFinder
from hestor.sites.selectors.states import draft_of, edition_of
from hestor.sites.selectors.title_table import every_row, title_window
from hestor.sites.services import deeds, page_tree
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page, remove_page
from hestor.sites.services.publishing import publish, restore
from hestor.web import serving
from tests.conftest import NOW


def paths(site):
    return [row["path"] for row in page_window(site, Wanted(), NOW).rows]


@pytest.fixture
def welsh(site):
    """The same site read in Welsh, in which it says its tagline and two of its pages."""
    cy = site.in_language("cy")
    write_facts(cy, {"tagline": "Benthyg"}, site.revision)
    home = current(site, Revision.objects.in_draft_of(site).get(path="/").page_id).page
    about = Revision.objects.in_draft_of(site).get(path="/about/").page
    add_page(cy, {"path": "/", "title": "Hafan", "body": "Croeso.", "in_menu": True}, page=home)
    add_page(cy, {"path": "/amdanom/", "title": "Amdanom ni", "body": "Dyma {site}.", "in_menu": True}, page=about)
    site.refresh_from_db()
    return site.in_language("cy")


def test_facts_are_said_in_it_and_the_main_ones_stay(site, welsh):
    assert (site.facts.tagline, welsh.facts.tagline) == ("Borrow", "Benthyg")
    assert (welsh.facts.name, welsh.facts.language) == (site.facts.name, "cy")
    write_facts(site, {"tagline": "Lend"}, site.revision)
    site.refresh_from_db()
    assert (site.facts.tagline, site.in_language("cy").facts.tagline) == ("Lend", "Benthyg")


def test_what_is_the_same_in_all_languages_is_refused_there(welsh):
    with pytest.raises(InvalidInput) as error:
        write_facts(welsh, {"time_zone": "UTC"}, welsh.revision)
    assert [problem.code for problem in error.value.problems] == ["same_in_all_languages"]


def test_the_main_language_by_its_own_name_is_the_main_one(site):
    assert site.in_language(site.facts.language).language == ""


def test_each_language_has_a_tree_of_its_own(site, welsh):
    before = paths(site)
    assert paths(welsh) == ["/", "/amdanom/"]
    added = add_page(welsh, {"path": "/cylch/", "title": "Cylch", "body": "Un."})
    page_tree.move(welsh, added.page_id, Target(None, 0))
    welsh.refresh_from_db()
    assert paths(welsh)[0] == "/cylch/"
    assert paths(site) == before


def test_an_address_is_free_in_a_language_until_it_is_taken_there(site, welsh):
    add_page(welsh, {"path": "/about/", "title": "Arall", "body": "Un."})
    with pytest.raises(InvalidInput):
        add_page(welsh, {"path": "/about/", "title": "Eto", "body": "Dau."})
    # The database holds it, too, for two who write at once.
    again = Revision.objects.get(site=site, language="cy", path="/about/", in_draft=True)
    again.pk, again.page = None, Revision.objects.in_draft_of(site).get(path="/news/").page
    with pytest.raises(IntegrityError):
        again.save(force_insert=True)


def test_a_page_changes_and_goes_in_one_language_alone(site, welsh):
    page = Revision.objects.in_draft_of(welsh).get(path="/amdanom/").page_id
    change_page(welsh, page, {"title": "Pwy ydym ni"})
    assert (current(welsh, page).title, current(site, page).title) == ("Pwy ydym ni", "About")
    remove_page(welsh, page)
    assert current(site, page).title == "About"
    assert not Revision.objects.in_draft_of(welsh).filter(page_id=page).exists()


def test_pages_are_rendered_with_the_words_of_their_language(site, welsh):
    there, here = Renderer(draft_of(welsh), NOW), Renderer(draft_of(site), NOW)
    home = there.respond("/").body.decode()
    assert '<html lang="cy"' in home
    assert "Benthyg" in home
    assert "Amdanom ni" in home
    assert "About" not in home
    assert there.respond("/about/").status == 404
    main = here.respond("/").body.decode()
    assert "Borrow" in main
    assert "Benthyg" not in main


def test_groups_titles_and_reach_are_of_its_own_pages(site, welsh):
    assert sum(group.count for group in groups_of(welsh)) == 2
    assert [row.page.title for row in every_row(welsh, NOW)] == ["Hafan", "Amdanom ni"]
    assert title_window(welsh, NOW, 0, 10).count == 2
    reach = {one.place: one.number for one in ReachFinder(welsh, welsh.facts).of_fact("name").places}
    main = {one.place: one.number for one in ReachFinder(site, site.facts).of_fact("name").places}
    assert (reach[Place.TAB], main[Place.TAB]) == (2, 5)


def test_a_stray_is_found_in_the_language_that_says_it(site, welsh):
    write_facts(welsh, {"name": "Llyfrgell Hadau"}, welsh.revision)
    site.refresh_from_db()
    about = Revision.objects.in_draft_of(welsh).get(path="/amdanom/").page_id
    change_page(site.in_language("cy"), about, {"body": "Mae gan Llyfrgel Hadau bedwar ar ddeg."})
    site.refresh_from_db()
    there = consistency(site.in_language("cy"), NOW)
    assert [(one.path, one.says) for one in there.strays if one.kind == "misspelt_name"] == [
        ("/amdanom/", "Llyfrgel Hadau")
    ]
    assert not [one for one in consistency(site, NOW).strays if one.kind == "misspelt_name"]


def test_former_names_are_those_of_the_language(site, welsh, owner):
    for name in ("Hadau", "Llyfrgell"):
        write_facts(site.in_language("cy"), {"name": name}, site.revision)
        site.refresh_from_db()
        publish(site.pk, owner, NOW)
        site.refresh_from_db()
    welsh = site.in_language("cy")
    assert said_before(welsh, "name", welsh.facts.name) == ("Hadau", "Seed Library")
    assert said_before(site, "name", site.facts.name) == ()


def test_an_edition_holds_all_languages_and_brings_all_back(site, welsh, owner):
    edition = publish(site.pk, owner, NOW)
    site.refresh_from_db()
    welsh = site.in_language("cy")
    public = Renderer(edition_of(welsh, edition, NOW), NOW)
    assert "Dyma Seed Library." in public.respond("/amdanom/").body.decode()
    write_facts(welsh, {"tagline": "Rhannu"}, welsh.revision)
    page = Revision.objects.in_draft_of(welsh).get(path="/amdanom/").page_id
    change_page(welsh, page, {"body": "Arall."})
    restored, deed = restore(site.pk, edition.number)
    assert restored.in_language("cy").facts.tagline == "Benthyg"
    assert current(welsh, page).text.body == "Dyma {site}."
    assert deed is not None
    again, _ = deeds.take_back(site.pk, deed.pk, NOW)
    assert again.in_language("cy").facts.tagline == "Rhannu"
    assert current(welsh, page).text.body == "Arall."


def test_words_of_a_further_language_alone_are_published(site, owner):
    write_facts(site.in_language("cy"), {"tagline": "Benthyg"}, site.revision)
    edition = publish(site.pk, owner, NOW)
    assert Edition.objects.get(pk=edition.pk).facts_in("cy").tagline == "Benthyg"
    assert edition.facts.tagline == "Borrow"


def test_what_is_served_and_kept_is_told_apart_by_language(site, welsh, owner):
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    welsh = site.in_language("cy")
    assert address_key(site) != address_key(welsh)
    for _ in range(2):
        assert b"Dyma" in serving.live(welsh, "/amdanom/", "").response.body
        assert serving.live(site, "/amdanom/", "").response.status == 404
        assert b'lang="en-GB"' in serving.live(site, "/about/", "").response.body
