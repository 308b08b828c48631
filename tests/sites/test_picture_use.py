"""Pictures in use: what follows a replacement, what a deletion leaves, what is kept for how long."""

import shutil
import time
from datetime import timedelta

import pytest

from hestor.core.errors import InvalidInput, NotFound
from hestor.core.pictures import PictureRefused
from hestor.pictures import services, store
from hestor.pictures.models import Content, Picture
from hestor.press.marks import Marks
from hestor.press.press import Press
from hestor.sites import made, picture_use
from hestor.sites.drafts import write_facts
from hestor.sites.models import Revision
from hestor.sites.pages import add_page
from hestor.sites.publishing import changes_of, publish, restore
from hestor.sites.source import draft_of, edition_of, live_edition
from tests.conftest import NOW
from tests.support.pictures import encoded, png, wordmark

LATER = NOW + timedelta(days=31)


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path
    return tmp_path


@pytest.fixture
def logo(site) -> Picture:
    picture = services.take_in(site.pk, "logo.png", encoded(wordmark(), "PNG"))[0]
    write_facts(site.pk, {"logo": picture.key, "share_picture": picture.key}, site.revision)
    site.refresh_from_db()
    return picture


def mark(picture: Picture) -> str:
    return f"![]({picture_use.MARK}{picture.key})"


def test_the_same_file_twice_is_one_picture(site):
    first, new = services.take_in(site.pk, "a.png", png(40, 30))
    again, new_again = services.take_in(site.pk, "b.png", png(40, 30))
    assert (first.pk, new, new_again) == (again.pk, True, False)
    assert Picture.objects.count() == 1


def test_a_refused_file_leaves_nothing(site, data):
    with pytest.raises(PictureRefused):
        services.take_in(site.pk, "a.png", b"words")
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
        write_facts(site.pk, {"logo": "f" * 32}, site.revision)
    assert [(p.field, p.code) for p in caught.value.problems] == [("logo", "picture_unknown")]


def test_uses_are_listed(site, logo):
    page = add_page(site.pk, {"path": "/beans/", "title": "Beans on {site}", "body": mark(logo)}).page_id
    site.refresh_from_db()
    uses = picture_use.uses_of(site)[logo.key]
    assert [(use.fact, use.page, use.title) for use in uses] == [
        ("logo", None, ""),
        ("share_picture", None, ""),
        ("", page, "Beans on Seed Library"),
    ]


def test_all_uses_follow_a_replacement_and_what_is_live_stays(site, owner, logo):
    page = add_page(site.pk, {"path": "/beans/", "title": "Beans", "body": mark(logo)}).page_id
    publish(site.pk, owner, NOW)
    old = logo.key
    site.refresh_from_db()
    replaced = picture_use.replace(site.pk, logo.pk, "new.png", encoded(wordmark("#123456"), "PNG"))
    site.refresh_from_db()
    assert replaced.key != old
    assert (site.facts.logo.picture, site.facts.share_picture.picture) == (replaced.key, replaced.key)
    assert mark(replaced) in Revision.objects.in_draft_of(site.pk).get(page_id=page).text.body
    assert live_edition(site).facts.logo.picture == old
    live = edition_of(site, live_edition(site))
    assert old in live.page("/beans/").html
    assert live.master(old).body != draft_of(site).master(replaced.key).body
    assert {change.key for change in changes_of(site)} == {"logo", "share_picture", "/beans/"}


def test_bringing_an_edition_back_brings_its_pictures_back(site, owner, logo):
    publish(site.pk, owner, NOW)
    old = logo.key
    picture_use.replace(site.pk, logo.pk, "new.png", encoded(wordmark("#123456"), "PNG"))
    publish(site.pk, owner, NOW)
    assert restore(site.pk, 2).facts.logo.picture == old


def test_a_replacement_that_is_refused_changes_nothing(site, logo):
    with pytest.raises(PictureRefused):
        picture_use.replace(site.pk, logo.pk, "new.png", b"words")
    assert services.picture_of(site.pk, logo.pk).key == logo.key


def test_a_new_description_is_said_wherever_the_old_one_was(site, logo):
    picture_use.describe(site.pk, logo.pk, {"description": " A ring "})
    site.refresh_from_db()
    assert (site.facts.logo.description, site.facts.share_picture.description) == ("A ring", "A ring")
    write_facts(site.pk, {"logo": {"picture": logo.key, "description": "Own words"}}, site.revision)
    picture_use.describe(site.pk, logo.pk, {"description": "Other"})
    site.refresh_from_db()
    assert (site.facts.logo.description, site.facts.share_picture.description) == ("Own words", "Other")


def test_words_about_a_picture_are_checked(site, logo):
    with pytest.raises(InvalidInput) as caught:
        picture_use.describe(site.pk, logo.pk, {"description": "x" * 201, "title": "a\nb", "name": ""})
    assert [(p.field, p.code) for p in caught.value.problems] == [
        ("description", "too_long"),
        ("title", "line_break"),
        ("name", "empty"),
    ]


def test_what_is_used_goes_only_when_that_is_known(site, owner, logo):
    with pytest.raises(picture_use.PictureInUse):
        picture_use.delete(site.pk, logo.pk, NOW)
    picture_use.delete(site.pk, logo.pk, NOW, even_if_used=True)
    assert not Picture.objects.of(site.pk).exists()
    site.refresh_from_db()
    # What shows it goes on doing so until somebody changes it.
    assert draft_of(site).master(site.facts.logo.picture).body


def test_a_deleted_picture_comes_back_for_thirty_days(site):
    picture = services.take_in(site.pk, "a.png", png(40, 30))[0]
    picture_use.delete(site.pk, picture.pk, NOW)
    with pytest.raises(NotFound):
        services.picture_of(site.pk, picture.pk)
    assert services.bring_back(site.pk, picture.pk, NOW + timedelta(days=29)).deleted is None
    picture_use.delete(site.pk, picture.pk, NOW)
    with pytest.raises(services.NothingLeft):
        services.bring_back(site.pk, picture.pk, LATER)


def test_after_thirty_days_only_what_an_edition_shows_is_kept(site, owner, logo):
    other = services.take_in(site.pk, "a.png", png(40, 30))[0]
    publish(site.pk, owner, NOW)
    write_facts(site.pk, {"logo": None, "share_picture": None}, site.__class__.objects.get().revision)
    for picture in (logo, other):
        picture_use.delete(site.pk, picture.pk, NOW)
    picture_use.purge(site.pk, LATER)
    assert not Picture.objects.exists()
    assert services.master(site.pk, logo.key).body
    assert services.master(site.pk, other.key) is None
    with pytest.raises(FileNotFoundError):
        store.read_master(other.key)


def test_content_that_two_sites_share_outlives_the_one(site, owner):
    from hestor.sites.making import make_site

    second = make_site(owner, {"name": "Second"})
    for one in (site, second):
        services.take_in(one.pk, "a.png", png(40, 30))
    picture = Picture.objects.of(site.pk).get()
    picture_use.delete(site.pk, picture.pk, NOW)
    picture_use.purge(site.pk, LATER)
    assert services.master(second.pk, picture.key).body


def test_made_files_stay_within_their_folder(data):
    store.keep_made(1, "../../outside", b"x")
    store.keep_made(1, "icon-0/a.png", b"y")
    assert store.made(1, "icon-0/a.png") == b"y"
    assert store.made(2, "icon-0/a.png") is None
    assert [path.name for path in data.rglob("*") if path.is_file()] == ["icon-0-a.png"]


def test_pages_do_without_a_picture_that_a_backup_lacks(site, logo, data):
    services.forget()
    shutil.rmtree(data / "pictures")
    site.refresh_from_db()
    press = Press(draft_of(site), 2026)
    assert press.marks.logo is None
    assert press.answer("/").status == 200
    assert picture_use.uses_of(site)[logo.key]


def test_a_file_whose_picture_goes_meanwhile_is_not_found(site, logo, data):
    site.refresh_from_db()
    marks = Marks(site.facts, services.masters(site.pk))
    assert marks.logo
    shutil.rmtree(data / "pictures")
    assert made.file(site.pk, marks, marks.logo.src) is None


def test_what_was_made_is_kept_once_chosen_and_swept_in_the_end(site, logo, data):
    site.refresh_from_db()
    marks = Marks(site.facts, services.masters(site.pk))
    folder = data / "made" / str(site.pk)
    assert made.file(site.pk, marks, marks.share.src, keep=False)
    assert not folder.exists()
    assert made.file(site.pk, marks, marks.share.src)
    assert len(list(folder.iterdir())) == 1
    store.sweep_made(site.pk, 0)
    assert len(list(folder.iterdir())) == 1
    store.sweep_made(site.pk, time.time() + 60)
    assert list(folder.iterdir()) == []
