"""What is in no edition is not public, not even for who guesses its address; and a wrong name makes nothing."""

import pytest

from hestor.pictures.selectors import masters
from hestor.pictures.services import upload
from hestor.rendering import brand_files
from hestor.rendering.brand_files import BrandFiles
from hestor.sites import generated_files
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW
from tests.support.pictures import encoded, png, wordmark


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path


def brand(site) -> BrandFiles:
    site.refresh_from_db()
    return BrandFiles(site.facts, masters(site.pk))


def test_a_picture_is_public_from_the_edition_that_shows_it_on(public, site, owner):
    picture, _ = upload(site.pk, "a.png", png(600, 400))
    address = f"/_hestor/pic-{picture.key}"
    for path in (address, f"{address}/480.png", f"{address}/480.webp"):
        assert public.get(path).status_code == 404
    add_page(site, {"path": "/shown/", "title": "Shown", "body": f"![A]({address})"})
    assert public.get(address).status_code == 404
    publish(site.pk, owner, NOW)
    for path in (address, f"{address}/480.png", f"{address}/480.webp"):
        assert public.get(path).status_code == 200


def test_files_of_a_draft_stay_private_though_they_were_made_for_the_desk(public, site, owner, desk):
    picture, _ = upload(site.pk, "a.png", encoded(wordmark(), "PNG"))
    write_facts(site, {"logo": picture.key, "brand_colour": "#aa3355"}, site.revision)
    draft = brand(site)
    addresses = (draft.logo.src, draft.share.src, f"{draft.icon_folder}icon-32.png")
    assert all(generated_files.file(site.pk, draft, path) for path in addresses)
    assert [public.get(path).status_code for path in addresses] == [404, 404, 404]
    publish(site.pk, owner, NOW)
    assert [public.get(path).status_code for path in addresses] == [200, 200, 200]


def test_files_of_editions_just_past_are_still_there(public, site, owner):
    address = f"{brand(site).icon_folder}icon-32.png"
    for colour in ("#aa3355", "#33aa55", "#3355aa"):
        write_facts(site, {"brand_colour": colour}, brand(site) and site.revision)
        publish(site.pk, owner, NOW)
    assert public.get(address).status_code == 200


def test_a_wrong_name_under_a_right_hash_draws_nothing(public, site, monkeypatch):
    folder = brand(site).icon_folder
    monkeypatch.setattr(brand_files.icons, "make", lambda *_: pytest.fail("something was made"))
    for name in ("icon-33.png", "favicon.png", "x.svg", "icon-32.png.png", "../icon-32.png", "3x.webp"):
        assert public.get(folder + name).status_code == 404


def test_what_could_not_be_made_is_not_tried_again_at_once(public, site, monkeypatch):
    from hestor.core.errors import TooMuchWork

    tries = []

    def fail(*_):
        tries.append(1)
        raise TooMuchWork

    monkeypatch.setattr(BrandFiles, "generate_all", fail)
    path = f"{brand(site).icon_folder}icon-32.png"
    assert [public.get(path).status_code for _ in range(5)] == [404] * 5
    assert len(tries) == 1
