"""Addresses, zones, colours, languages, roles: a truth table each."""

from datetime import UTC, datetime

import pytest

from hestor.core import languages, zones
from hestor.core.errors import Forbidden
from hestor.core.imaging import colours, palettes
from hestor.core.pages import paths
from hestor.core.roles import Action, Role, may, require


@pytest.mark.parametrize(
    ("name", "slug"),
    [
        ("Quillmere Seed Library", "quillmere-seed-library"),
        ("Zoë’s Café!", "zoes-cafe"),
        ("مقهى النرجس", "mqh-lnrjs"),
        ("x" * 60, "x" * 40),
    ],
)
def test_a_slug_from_a_name(name, slug):
    assert paths.slug_from(name) == slug


@pytest.mark.parametrize("slug", ["a", "seed-library", "x" * 40, "7"])
def test_good_slugs(slug):
    assert list(paths.slug_problems("slug", slug)) == []


@pytest.mark.parametrize(
    ("slug", "code"),
    [
        ("", "slug_form"),
        ("-a", "slug_form"),
        ("a--b", "slug_form"),
        ("Ä", "slug_form"),
        ("a.b", "slug_form"),
        ("api", "slug_reserved"),
    ],
)
def test_bad_slugs(slug, code):
    assert [p.code for p in paths.slug_problems("slug", slug)] == [code]


@pytest.mark.parametrize("path", ["/", "/a/", "/growing/beans-and-peas/", "/über/uns/", "/القائمة/"])
def test_good_paths(path):
    assert list(paths.path_problems("path", path)) == []


@pytest.mark.parametrize(
    ("path", "code"),
    [
        ("a", "path_form"),
        ("/a", "path_form"),
        ("//", "path_form"),
        ("/a b/", "path_form"),
        ("/../", "path_form"),
        ("/a/%2e/", "path_form"),
        ("/<b>/", "path_form"),
        ("/" + "x" * 300 + "/", "path_form"),
        ("/_look/", "path_reserved"),
        ("/feed.xml/", "path_reserved"),
    ],
)
def test_bad_paths(path, code):
    assert [p.code for p in paths.path_problems("path", path)] == [code]


@pytest.mark.parametrize(
    ("zone", "moment", "year"),
    [
        ("Europe/London", datetime(2026, 12, 31, 23, 59, tzinfo=UTC), 2026),
        ("Europe/Zurich", datetime(2026, 12, 31, 23, 0, tzinfo=UTC), 2027),
        ("Pacific/Kiritimati", datetime(2026, 12, 31, 10, 0, tzinfo=UTC), 2027),
        ("Pacific/Honolulu", datetime(2027, 1, 1, 9, 59, tzinfo=UTC), 2026),
    ],
)
def test_the_year_turns_by_the_sites_own_clock(zone, moment, year):
    assert zones.day_in(zone, moment).year == year


def test_a_moment_without_a_zone_is_refused():
    with pytest.raises(ValueError, match="time zone"):
        zones.day_in("UTC", datetime(2026, 1, 1))


def _luminance(colour: str) -> float:
    """WCAG 2.2's own formula, written out."""
    parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
    r, g, b = (p / 12.92 if p <= 0.04045 else ((p + 0.055) / 1.055) ** 2.4 for p in parts)
    return 0.2126 * r + 0.7152 * g + 0.0722 * b


def _contrast(one: str, other: str) -> float:
    high, low = sorted((_luminance(one), _luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)


BRANDS = ["#7a2e4d", "#1f4e5f", "#8a5a00", "#ffff00", "#ffffff", "#000000", "#777777", "#00ff00", "#0000ff"]


@pytest.mark.parametrize("accent", ["", *BRANDS])
@pytest.mark.parametrize("brand", BRANDS)
def test_every_pair_of_colours_can_be_read(brand, accent):
    for theme in palettes.themes(brand, accent).values():
        for pair in theme.pairs:
            assert _contrast(pair.fore, pair.back) >= pair.needed, pair
            assert pair.moved == (pair.difference > 0)
        assert theme.pairs[0].asked == palettes._INK["light"] or theme.ground == palettes.GROUND["dark"]


def test_a_tone_that_had_to_give_way_is_said():
    pairs = {pair.name: pair for pair in palettes.theme("#ffff00", "", "light").pairs}
    assert pairs["link"].moved
    assert pairs["link"].asked == "#ffff00"
    assert pairs["link"].difference > 20
    assert not {pair.name: pair for pair in palettes.theme("#7a2e4d", "", "light").pairs}["link"].moved


def test_a_colour_that_can_be_read_stays():
    assert colours.legible("#7a2e4d", "#ffffff") == "#7a2e4d"


@pytest.mark.parametrize(
    ("tag", "direction"), [("en-GB", "ltr"), ("de-CH", "ltr"), ("ar", "rtl"), ("he", "rtl"), ("fa-IR", "rtl")]
)
def test_direction(tag, direction):
    assert languages.direction(tag) == direction


@pytest.mark.parametrize(
    ("code", "tag"), [("GB", "en-GB"), ("CH", "de-CH"), ("JO", "ar-JO"), ("JP", "ja-JP"), ("XX", "en"), ("", "en")]
)
def test_the_language_of_a_country(code, tag):
    assert languages.of_country(code) == tag


def test_every_countrys_language_is_one_that_a_site_may_have():
    for code in languages.locale_of("en").territories:
        assert languages.is_known(languages.of_country(code)), code


MAY = {
    Role.OWNER: {Action.VIEW, Action.EDIT, Action.PUBLISH, Action.MANAGE},
    Role.EDITOR: {Action.VIEW, Action.EDIT, Action.PUBLISH},
    Role.VIEWER: {Action.VIEW},
}


@pytest.mark.parametrize("role", Role)
@pytest.mark.parametrize("action", Action)
def test_roles(role, action):
    assert may(role, action) == (action in MAY[role])
    if action not in MAY[role]:
        with pytest.raises(Forbidden):
            require(role, action)
