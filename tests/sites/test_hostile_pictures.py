"""A part of the hostile set, through the sandbox as in the server; all of it runs in ``make bench``."""

import pytest

from hestor.core.errors import PictureRefused
from hestor.pictures import services
from hestor.pictures.selectors import masters
from hestor.rendering.brand_files import BrandFiles
from hestor.sites import generated_files
from hestor.sites.selectors.brand_report import brand_report
from tests.support.hostile_pictures import hostile_pictures
from tests.support.sampling import sample


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path


# Of each kind of mischief one or two; the first that was found of each is among them.
NAMES = {
    *("side-60000.svg", "side-1e9.svg", "box-inf.svg", "strip-1e9.svg", "strip-4000x8.png", "strip-8x4000.png"),
    *("strip-48x10.png", "morphology-3.svg", "blurs-5000.svg", "uses-30.svg", "pattern.svg", "deep-5000.svg"),
    *("reaches-6.svg", "reaches-8.svg", "laughs.svg", "bomb-7000x7000.png", "bomb-60000x60000.png", "scans-1500.jpg"),
}


@pytest.fixture(scope="module")
def pictures():
    return {name: body for name, body in hostile_pictures(7, each=0) if name in NAMES}


@pytest.mark.xdist_group("hostile")
@pytest.mark.parametrize("name", sample(sorted(NAMES), *range(0, len(NAMES), 2)))
def test_is_refused_in_words_or_can_be_shown_everywhere(sandbox, site, pictures, name):
    try:
        picture, _ = services.upload(site.pk, name, pictures[name])
    except PictureRefused:
        return
    services.thumbnail(site.pk, picture.pk)
    facts = {"logo": picture.key, "share_picture": picture.key, "icon": {"source": "logo"}}
    report = brand_report(site, facts)
    assert report.problems == ()
    brand = BrandFiles(report.facts, masters(site.pk))
    for path in (brand.logo.src, brand.share.src, f"{brand.icon_folder}icon-32.png"):
        assert generated_files.file(site.pk, brand, path), path
