"""The facts that are pictures: what is taken, what is refused and why."""

import pytest

from hestor.core import facts as facts_module
from hestor.core import marks
from hestor.core.errors import InvalidInput
from hestor.core.facts import Facts
from hestor.core.marks import DrawnIcon, Logo, LogoIcon, PictureIcon, SharePicture

KEY = "a" * 32
OTHER = "b" * 32
BASE = Facts(name="Seeds")


def taken(**values: object) -> Facts:
    return facts_module.changed(BASE, values)


def refused(**values: object) -> list[tuple[str, str]]:
    with pytest.raises(InvalidInput) as caught:
        taken(**values)
    return [(p.field, p.code) for p in caught.value.problems]


def test_a_logo_is_taken_by_its_key_or_in_full():
    assert taken(logo=KEY).logo == Logo(picture=KEY)
    assert taken(logo={"picture": KEY, "recolour": "#ABC"}).logo.recolour == "#aabbcc"
    assert taken(logo="").logo is None
    assert taken(logo=None).logo is None
    assert taken(share_picture={"picture": KEY, "description": " A green "}).share_picture.description == "A green"


@pytest.mark.parametrize(
    ("value", "code"),
    [
        ("../../etc", "picture_unknown"),
        (7, "mark_form"),
        ({"picture": KEY, "trim": [0, 0, 0, 0]}, "part_empty"),
        ({"picture": KEY, "trim": [0, 0, float("nan"), 1]}, "mark_form"),
        ({"picture": KEY, "trim": [0, 0, 1]}, "mark_form"),
        ({"picture": KEY, "recolour": "red"}, "colour_unreadable"),
        ({"picture": KEY, "extra": 1}, "mark_form"),
        ({"picture": KEY, "description": "x" * 201}, "too_long"),
        ({"picture": KEY, "description": "a\u202eb"}, "bidi_control"),
    ],
)
def test_what_is_no_logo_is_refused(value, code):
    assert refused(logo=value) == [("logo", code)]


def test_icons_by_their_source():
    assert taken(icon={"source": "logo"}).icon == LogoIcon()
    assert taken(icon={"source": "picture", "picture": KEY, "crop": [0, 0, 1, 1]}).icon == PictureIcon(
        picture=KEY, crop=(0, 0, 1, 1)
    )
    assert taken(icon={"source": "drawn", "letters": " Q "}).icon == DrawnIcon(letters="Q")
    both = taken(icon={"source": "drawn", "letters": "Q", "shape": "leaf", "ground": "ABC"}).icon
    assert both == DrawnIcon(shape="leaf", ground="#aabbcc")


@pytest.mark.parametrize(
    ("value", "code"),
    [
        ({"source": "elsewhere"}, "mark_form"),
        ({"source": "picture", "picture": KEY}, "mark_form"),
        ({"source": "drawn", "letters": "ABC"}, "icon_letters"),
        ({"source": "drawn", "letters": "\u202eA"}, "bidi_control"),
        ({"source": "drawn", "shape": "skull"}, "icon_shape"),
        ({"source": "drawn", "form": "blob"}, "mark_form"),
        ({"source": "drawn", "ground_to": "url(x)"}, "colour_unreadable"),
        ("leaf", "mark_form"),
    ],
)
def test_what_is_no_icon_is_refused(value, code):
    assert refused(icon=value) == [("icon", code)]


def test_letters_are_counted_as_readers_do():
    assert taken(icon={"source": "drawn", "letters": "👩‍🌾é"}).icon.letters == "👩‍🌾é"


@pytest.mark.parametrize(
    ("key", "good", "wrong", "code"),
    [
        ("logo_width", [0, 24, 480], [23, 481, -1, "200", 20.5, True], "width_range"),
        ("logo_says_name", [True, False], [1, "yes", None], "not_yes_or_no"),
        ("logo_plate", ["", "dark", "both"], ["none", None, 1], "not_one_of"),
        ("typefaces", ["reading", "ledger"], ["arial", "", None], "not_one_of"),
        ("accent_colour", ["", "#123456"], ["blue"], "colour_unreadable"),
    ],
)
def test_the_smaller_facts(key, good, wrong, code):
    for value in good:
        assert getattr(taken(**{key: value}), key) == value
    for value in wrong:
        assert refused(**{key: value}) == [(key, code)]


def test_they_survive_being_kept():
    facts = taken(logo={"picture": KEY, "trim": [0.1, 0, 0.9, 1]}, icon={"source": "logo"}, share_picture=OTHER)
    assert facts_module.parse(facts_module.document(facts)) == facts


def test_uses_follow_a_replacement():
    facts = taken(
        logo={"picture": KEY, "trim": [0, 0, 0.5, 1], "description": "Q"},
        icon={"source": "picture", "picture": KEY, "crop": [0, 0, 1, 1]},
        share_picture=OTHER,
    )
    assert facts_module.pictures_in(facts) == {"logo": KEY, "icon": KEY, "share_picture": OTHER}
    followed = facts_module.with_picture(facts, KEY, "c" * 32)
    assert followed["logo"] == Logo(picture="c" * 32, description="Q")
    assert followed["icon"].crop == (0, 0, 1, 1)
    assert set(followed) == {"logo", "icon"}


def test_what_a_fact_says_as_one_text():
    assert facts_module.said(BASE, "logo") == "null"
    assert facts_module.said(BASE, "logo_says_name") == "false"
    assert facts_module.said(BASE, "tagline") == ""
    assert facts_module.said(taken(logo_width=180), "logo_width") == "180"
    assert marks.Logo.model_validate_json(facts_module.said(taken(logo=KEY), "logo")) == Logo(picture=KEY)
    assert isinstance(taken(share_picture=KEY).share_picture, SharePicture)
