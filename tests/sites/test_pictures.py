"""Pictures in use: what follows a replacement, what a deletion leaves, what is kept for how long."""

import os
import shutil
import time
from datetime import timedelta

import pytest

from hestor.core.errors import InvalidInput, NotFound, PictureGone, PictureInUse, PictureRefused
from hestor.core.roles import Role
from hestor.pictures import selectors, services, store
from hestor.pictures.models import Content, Picture
from hestor.rendering import Renderer
from hestor.rendering.brand_files import BrandFiles
from hestor.sites import generated_files
from hestor.sites.models import Revision
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.picture_uses import ADDRESS, uses_of
from hestor.sites.selectors.states import draft_of, edition_of, live_edition
from hestor.sites.services import pictures
from hestor.sites.services.cleaning import clean
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page
from hestor.sites.services.publishing import publish, restore
from tests.conftest import NOW
from tests.support.pictures import encoded, png, wordmark

LATER = NOW + timedelta(days=31)


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path
    return tmp_path


@pytest.fixture
def logo(site) -> Picture:
    picture = services.upload(site.pk, "logo.png", encoded(wordmark(), "PNG"))[0]
    write_facts(site, {"logo": picture.key, "share_picture": picture.key}, site.revision)
    site.refresh_from_db()
    return picture


def markdown(picture: Picture) -> str:
    return f"![]({ADDRESS}{picture.key})"


def test_the_same_file_twice_is_one_picture(site):
    first, new = services.upload(site.pk, "a.png", png(40, 30))
    again, new_again = services.upload(site.pk, "b.png", png(40, 30))
    assert (first.pk, new, new_again) == (again.pk, True, False)
    assert Picture.objects.count() == 1


def test_a_refused_file_leaves_nothing(site, data):
    with pytest.raises(PictureRefused):
        services.upload(site.pk, "a.png", b"words")
    assert not Picture.objects.exists()
    assert not Content.objects.exists()
    assert not (data / "pictures").exists()


@pytest.mark.parametrize(
    ("given", "kept"),
    [
        ("C:\\My files\\logo.png", "logo.png"),
        ("../../etc/passwd", "passwd"),
        ("", "picture"),
        ("a\u202eb\x00.png", "ab.png"),
    ],
)
def test_names_are_made_harmless(given, kept):
    assert services.file_name(given) == kept


def test_a_fact_takes_only_the_sites_own_pictures(site):
    with pytest.raises(InvalidInput) as caught:
        write_facts(site, {"logo": "f" * 32}, site.revision)
    assert [(p.field, p.code) for p in caught.value.problems] == [("logo", "picture_unknown")]


def test_uses_are_listed(site, logo):
    page = add_page(site, {"path": "/beans/", "title": "Beans on {site}", "body": markdown(logo)}).page_id
    site.refresh_from_db()
    uses = uses_of(site, NOW)[logo.key]
    assert [(use.fact, use.page, use.title) for use in uses] == [
        ("logo", None, ""),
        ("share_picture", None, ""),
        ("", page, "Beans on Seed Library"),
    ]


def test_all_uses_follow_a_replacement_and_what_is_live_stays(site, owner, logo):
    page = add_page(site, {"path": "/beans/", "title": "Beans", "body": markdown(logo)}).page_id
    publish(site.pk, owner, NOW)
    old = logo.key
    site.refresh_from_db()
    replaced = pictures.replace(site.pk, logo.pk, "new.png", encoded(wordmark("#123456"), "PNG"), NOW)
    site.refresh_from_db()
    assert replaced.key != old
    assert (site.facts.logo.picture, site.facts.share_picture.picture) == (replaced.key, replaced.key)
    assert markdown(replaced) in Revision.objects.in_draft_of(site).get(page_id=page).text.body
    assert live_edition(site).facts.logo.picture == old
    live = edition_of(site, live_edition(site))
    assert old in live.page("/beans/").html
    assert live.master(old).body != draft_of(site).master(replaced.key).body
    assert {change.key for change in changes_of(site)} == {"logo", "share_picture", "/beans/"}


def test_bringing_an_edition_back_brings_its_pictures_back(site, owner, logo):
    publish(site.pk, owner, NOW)
    old = logo.key
    pictures.replace(site.pk, logo.pk, "new.png", encoded(wordmark("#123456"), "PNG"), NOW)
    publish(site.pk, owner, NOW)
    assert restore(site.pk, 2)[0].facts.logo.picture == old


def test_a_replacement_that_is_refused_changes_nothing(site, logo):
    with pytest.raises(PictureRefused):
        pictures.replace(site.pk, logo.pk, "new.png", b"words", NOW)
    assert selectors.picture_of(site.pk, logo.pk).key == logo.key


def test_a_new_description_is_said_wherever_the_old_one_was(site, logo):
    pictures.describe(site.pk, logo.pk, {"description": " A ring "})
    site.refresh_from_db()
    assert (site.facts.logo.description, site.facts.share_picture.description) == ("A ring", "A ring")
    write_facts(site, {"logo": {"picture": logo.key, "description": "Own words"}}, site.revision)
    pictures.describe(site.pk, logo.pk, {"description": "Other"})
    site.refresh_from_db()
    assert (site.facts.logo.description, site.facts.share_picture.description) == ("Own words", "Other")


def test_words_about_a_picture_are_checked(site, logo):
    with pytest.raises(InvalidInput) as caught:
        pictures.describe(site.pk, logo.pk, {"description": "x" * 201, "title": "a\nb", "name": ""})
    assert [(p.field, p.code) for p in caught.value.problems] == [
        ("description", "too_long"),
        ("title", "line_break"),
        ("name", "empty"),
    ]


def test_what_is_used_goes_only_when_that_is_known(site, owner, logo):
    with pytest.raises(PictureInUse):
        pictures.delete(site.pk, logo.pk, NOW)
    pictures.delete(site.pk, logo.pk, NOW, even_if_used=True)
    assert not Picture.objects.kept_by(site.pk).exists()
    site.refresh_from_db()
    # What shows it goes on doing so until somebody changes it.
    assert draft_of(site).master(site.facts.logo.picture).body


def test_a_deleted_picture_comes_back_for_thirty_days(site):
    picture = services.upload(site.pk, "a.png", png(40, 30))[0]
    pictures.delete(site.pk, picture.pk, NOW)
    with pytest.raises(NotFound):
        selectors.picture_of(site.pk, picture.pk)
    assert services.restore(site.pk, picture.pk, NOW + timedelta(days=29)).deleted is None
    pictures.delete(site.pk, picture.pk, NOW)
    with pytest.raises(PictureGone):
        services.restore(site.pk, picture.pk, LATER)


def test_after_thirty_days_only_what_an_edition_shows_is_kept(site, owner, logo):
    other = services.upload(site.pk, "a.png", png(40, 30))[0]
    publish(site.pk, owner, NOW)
    write_facts(site, {"logo": None, "share_picture": None}, site.__class__.objects.get().revision)
    publish(site.pk, owner, NOW)
    for picture in (logo, other):
        pictures.delete(site.pk, picture.pk, NOW)
    clean(LATER)
    assert not Picture.objects.exists()
    assert selectors.master(site.pk, logo.key).body
    assert selectors.master(site.pk, other.key) is None
    with pytest.raises(FileNotFoundError):
        store.reader(other.key)()


def test_content_that_two_sites_share_outlives_the_one(site, owner):
    from hestor.sites.services.creation import make_site

    second = make_site(owner, {"name": "Second"})
    for one in (site, second):
        services.upload(one.pk, "a.png", png(40, 30))
    picture = Picture.objects.kept_by(site.pk).get()
    pictures.delete(site.pk, picture.pk, NOW)
    clean(LATER)
    assert selectors.master(second.pk, picture.key).body


def test_generated_files_stay_within_their_folder(data):
    store.store_generated(1, "../../outside", b"x")
    store.store_generated(1, "icon-0/a.png", b"y")
    assert store.generated(1, "icon-0/a.png") == b"y"
    assert store.generated(2, "icon-0/a.png") is None
    assert [path.name for path in data.rglob("*") if path.is_file()] == ["icon-0-a.png"]


def test_pages_do_without_a_picture_that_a_backup_lacks(site, logo, data):
    selectors.clear_caches()
    shutil.rmtree(data / "pictures")
    site.refresh_from_db()
    renderer = Renderer(draft_of(site), NOW)
    assert renderer.brand.logo is None
    assert renderer.respond("/").status == 200
    assert uses_of(site, NOW)[logo.key]


def test_a_file_whose_picture_goes_meanwhile_is_not_found(site, logo, data):
    site.refresh_from_db()
    brand = BrandFiles(site.facts, selectors.masters(site.pk))
    assert brand.logo
    shutil.rmtree(data / "pictures")
    assert generated_files.file(site.pk, brand, brand.logo.src) is None


def test_what_was_generated_is_stored_once_chosen_and_deleted_in_the_end(site, logo, data):
    site.refresh_from_db()
    brand = BrandFiles(site.facts, selectors.masters(site.pk))
    folder = data / "generated" / str(site.pk)
    assert generated_files.file(site.pk, brand, brand.share.src, store_it=False)
    assert not folder.exists()
    assert generated_files.file(site.pk, brand, brand.share.src)
    assert len(list(folder.iterdir())) == 1
    store.drop_generated_before(site.pk, 0)
    assert len(list(folder.iterdir())) == 1
    store.drop_generated_before(site.pk, time.time() + 60)
    assert list(folder.iterdir()) == []


def test_what_a_crash_left_half_written_goes_after_a_day(site, logo, data):
    draft = data / "pictures" / ".drafts" / "0a1b"
    draft.write_bytes(b"half")
    os.utime(draft, (NOW.timestamp(), NOW.timestamp()))
    clean(NOW + timedelta(hours=1))
    assert draft.exists()
    assert set(store.masters()) == {logo.key}
    clean(NOW + timedelta(days=2))
    assert not draft.exists()
    assert selectors.master(site.pk, logo.key).body


def test_an_icon_is_cut_as_a_square(site):
    picture = services.upload(site.pk, "a.png", png(80, 40))[0]
    crop = {"source": "picture", "picture": picture.key, "crop": [0, 0, 1, 1]}
    with pytest.raises(InvalidInput) as caught:
        write_facts(site, {"icon": crop}, site.revision)
    assert [(p.field, p.code) for p in caught.value.problems] == [("icon", "crop_not_square")]
    square = {**crop, "crop": [0, 0, 0.5, 1]}
    assert write_facts(site, {"icon": square}, site.revision).facts.icon.crop == (0, 0, 0.5, 1)


def test_looking_at_pictures_deletes_nothing(site, person):
    picture = services.upload(site.pk, "a.png", png(40, 30))[0]
    pictures.delete(site.pk, picture.pk, NOW - timedelta(days=400))
    assert person(Role.VIEWER).get("/api/sites/seeds/pictures").status_code == 200
    assert Picture.objects.filter(pk=picture.pk).exists()
    assert clean(NOW) == 1
    assert not Picture.objects.filter(pk=picture.pk).exists()


def test_where_a_picture_is_used_says_the_year_that_it_is(site):
    picture = services.upload(site.pk, "a.png", png(40, 30))[0]
    add_page(site, {"path": "/p/", "title": "Programme {year}", "body": markdown(picture)})
    site.refresh_from_db()
    assert [use.title for use in uses_of(site, NOW)[picture.key]] == ["Programme 2026"]


def test_a_picture_said_in_a_further_language_is_used_and_follows(site):
    made, _ = services.upload(site.pk, "arwydd.png", png(600, 400))
    said = {"share_picture": {"picture": made.key, "description": "Arwydd"}}
    write_facts(site.in_language("cy"), said, site.revision)
    site.refresh_from_db()
    assert [use.fact for use in uses_of(site, NOW)[made.key]] == ["share_picture"]
    replaced = pictures.replace(site.pk, made.pk, "arwydd.png", png(600, 400, seed=2), NOW)
    site.refresh_from_db()
    assert replaced.key != made.key
    assert site.in_language("cy").facts.share_picture.picture == replaced.key
    assert site.facts.share_picture is None
