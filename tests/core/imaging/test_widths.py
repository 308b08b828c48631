import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from hestor.core.imaging import raster, widths


@pytest.mark.parametrize(
    ("own", "offered"),
    [
        (120, (120,)),
        (480, (480,)),
        (500, (500,)),
        (700, (480, 700)),
        (1000, (480, 1000)),
        (1200, (480, 960, 1200)),
        (4000, (480, 960, 1600)),
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


def photograph() -> Image.Image:
    """Something of a photograph's kind: soft shapes, fine grain."""
    coarse = np.random.default_rng(1).integers(0, 255, (14, 20, 3), dtype=np.uint8)
    soft = np.asarray(Image.fromarray(coarse).resize((960, 672), Image.Resampling.BICUBIC), dtype=float)
    grain = np.random.default_rng(2).normal(0, 3, soft.shape)
    return Image.fromarray(np.clip(soft + grain, 0, 255).astype(np.uint8))


def test_avif_saves_on_photographs():
    image = photograph()
    assert len(raster.avif(image)) < len(raster.webp(image, lossless=False)) < len(raster.jpeg(image))
