"""The facts that are pictures: what is taken, what is refused and why."""

import pytest

from hestor.core.errors import InvalidInput
from hestor.core.facts import document
from hestor.core.facts.assets import DrawnIcon, Logo, LogoIcon, PictureIcon
from hestor.core.facts.document import Facts
from hestor.core.facts.spec import Words

KEY = "a" * 32
OTHER = "b" * 32
BASE = Facts(name="Seeds")


def taken(**values: object) -> Facts:
    return document.changed(BASE, values)


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
        (7, "asset_form"),
        ({"picture": KEY, "trim": [0, 0, 0, 0]}, "part_empty"),
        ({"picture": KEY, "trim": [0, 0, float("nan"), 1]}, "asset_form"),
        ({"picture": KEY, "trim": [0, 0, 1]}, "asset_form"),
        ({"picture": KEY, "recolour": "red"}, "colour_unreadable"),
        ({"picture": KEY, "extra": 1}, "asset_form"),
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
        ({"source": "elsewhere"}, "asset_form"),
        ({"source": "picture", "picture": KEY}, "asset_form"),
        ({"source": "drawn", "letters": "ABC"}, "icon_letters"),
        ({"source": "drawn", "letters": "\u202eA"}, "bidi_control"),
        ({"source": "drawn", "shape": "skull"}, "icon_shape"),
        ({"source": "drawn", "form": "blob"}, "asset_form"),
        ({"source": "drawn", "ground_to": "url(x)"}, "colour_unreadable"),
        ("leaf", "asset_form"),
    ],
)
def test_what_is_no_icon_is_refused(value, code):
    assert refused(icon=value) == [("icon", code)]


def test_letters_are_counted_as_readers_do():
    assert taken(icon={"source": "drawn", "letters": "👩‍🌾é"}).icon.letters == "👩‍🌾é"


@pytest.mark.parametrize(
    ("key", "good", "wrong", "code"),
    [
        ("logo_width", [0, 24, 1344], [23, 1345, -1, "200", 20.5, True], "width_range"),
        ("logo_says_name", [True, False], [1, "yes", None], "not_yes_or_no"),
        ("logo_plate", ["", "none", "dark", "both"], ["all", None, 1], "not_one_of"),
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
    assert document.parse(document.document(facts)) == facts


def test_uses_follow_a_replacement():
    facts = taken(
        logo={"picture": KEY, "trim": [0, 0, 0.5, 1], "description": "Q"},
        icon={"source": "picture", "picture": KEY, "crop": [0, 0, 1, 1]},
        share_picture=OTHER,
    )
    assert document.pictures_in(facts) == {"logo": KEY, "icon": KEY, "share_picture": OTHER}
    followed = document.with_picture(facts, KEY, "c" * 32)
    assert followed["logo"] == Logo(picture="c" * 32, description="Q")
    assert followed["icon"].crop == (0, 0, 1, 1)
    assert set(followed) == {"logo", "icon"}


@pytest.mark.parametrize(
    ("key", "value", "words"),
    [
        ("logo", None, Words()),
        ("logo", {"picture": KEY}, Words("value.picture")),
        ("logo_dark", {"picture": KEY, "recolour": "#f4f2ee"}, Words("value.recoloured", (("colour", "#f4f2ee"),))),
        ("logo_plate", "dark", Words("value.plate.dark")),
        ("logo_plate", "", Words("value.plate.needed")),
        ("logo_width", 0, Words("value.by_shape")),
        ("logo_width", 180, Words("value.width", (("width", 180),))),
        ("logo_says_name", False, Words("value.no")),
        ("icon", None, Words("value.starter")),
        ("icon", {"source": "logo"}, Words("value.logo")),
        ("icon", {"source": "drawn", "letters": "Q"}, Words("value.drawn_letters", (("letters", "Q"),))),
        ("icon", {"source": "drawn", "shape": "leaf"}, Words("value.drawn_shape", (("shape", "leaf"),))),
        ("icon", {"source": "drawn"}, Words("value.drawn")),
        ("share_picture", None, Words("value.composed")),
        ("typefaces", "ledger", Words(text="Source Serif 4 · Public Sans")),
        ("tagline", "Borrow", Words(text="Borrow")),
        ("a_fact_that_is_gone", "x", Words(text="x")),
    ],
)
def test_what_a_fact_says_in_words(key, value, words):
    assert document.in_words(key, value) == words


@pytest.mark.parametrize("trim", [[-0.1, 0, 1, 1], [0, 0, 1.2, 1], [0, 0, 1, "x"], [0, 0, 1], [0, 0, 1, float("nan")]])
def test_a_trim_lies_within_the_picture(trim):
    assert refused(logo={"picture": KEY, "trim": trim}) == [("logo", "asset_form")]
