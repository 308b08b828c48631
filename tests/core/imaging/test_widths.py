import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.imaging import raster, widths
from tests.support.pictures import photograph


@pytest.mark.parametrize(
    ("own", "offered"),
    [
        (120, (120,)),
        (480, (480,)),
        (500, (500,)),
        (700, (480, 700)),
        (1000, (480, 720, 1000)),
        (1200, (480, 720, 1200)),
        (4000, (480, 720, 1080, 1600)),
    ],
)
def test_a_picture_is_offered_in_its_own_width_or_the_largest(own, offered):
    assert widths.offered(own) == offered


@given(st.integers(1, 20_000))
def test_widths_rise_and_none_is_larger_than_the_picture(own):
    found = widths.offered(own)
    assert list(found) == sorted(set(found))
    assert found[-1] == min(own, 1600)
    assert widths.for_feed(own) in found


def test_avif_saves_on_photographs():
    image = photograph(960, 672)
    assert len(raster.avif(image)) < len(raster.webp(image, lossless=False)) < len(raster.jpeg(image))
