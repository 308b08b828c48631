import pytest

from hestor.core.imaging import crops, raster
from tests.support.pictures import master_of, noise

WIDE = master_of(noise(80, 40))


@pytest.mark.parametrize(
    ("box", "square"),
    [((0, 0, 1, 1), False), ((0, 0, 0.5, 1), True), ((0.25, 0, 0.752, 1), True), ((-0.5, -1, 0.5, 1), True)],
)
def test_a_square_is_as_wide_as_it_is_high_in_pixels(box, square):
    assert crops.is_square(box, WIDE) == square


@pytest.mark.parametrize("box", [(0, 0, 1, 1), (0.1, 0.2, 0.9, 0.4), (0, 0, 0.5, 1)])
def test_what_is_no_square_is_drawn_as_the_square_in_its_middle(box):
    found = crops.squared(box, WIDE)
    assert raster.ratio(WIDE, found) == pytest.approx(1, abs=0.02)
    assert found[0] + found[2] == pytest.approx(box[0] + box[2])
    assert all(abs(one) <= abs(other) + 1e-9 for one, other in ((box[0], found[0]), (found[2], box[2])))


@pytest.mark.parametrize("size", [(400, 20), (20, 400), (300, 8)])
def test_a_proposed_crop_of_a_strip_is_one_that_can_be_kept(size):
    from hestor.core.facts import document

    master = master_of(noise(*size))
    given = {"source": "picture", "picture": "a" * 32, "crop": list(crops.proposed(master))}
    assert document.check("icon", given)[1] == ()
