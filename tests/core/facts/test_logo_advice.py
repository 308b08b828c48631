"""What is said of a logo: a truth table of findings and their remedies."""

import pytest

from hestor.core.facts import document
from hestor.core.facts.assets import Logo
from hestor.core.facts.document import Facts
from hestor.core.facts.logo_advice import advice
from hestor.core.imaging.logos import REMEDIES, Measured

KEY = "a" * 32
TRIM = (0.2, 0.1, 0.8, 0.9)
# What is said where nothing is amiss.
GOOD = {"clear_on_light": [], "sharp": []}


def facts(**values: object) -> Facts:
    return document.changed(Facts(name="N"), {"logo": KEY, **values})


def measured(light="clear", dark="clear", trim=None, one_colour=None, sharp_to=480) -> Measured:
    return Measured(2.0, trim, 180, one_colour, {"light": light, "dark": dark}, sharp_to)


def said(given: Facts, found: Measured, width: int = 180) -> dict[str, list[str]]:
    return {one.code: [remedy.code for remedy in one.remedies] for one in advice(given, found, width)}


@pytest.mark.parametrize(
    ("given", "found", "expected"),
    [
        (facts(), measured(), GOOD),
        (facts(), measured(sharp_to=100), {"clear_on_light": [], "unsharp": []}),
        (facts(), measured(trim=TRIM), {"margins": ["trim"], **GOOD}),
        (
            facts(logo={"picture": KEY, "trim": TRIM}),
            measured(),
            {"trimmed": ["untrim"], **GOOD},
        ),
        (facts(), measured(dark="lost"), {"plate_dark": ["choose_dark", "drop_plate"], **GOOD}),
        (facts(logo_plate="none"), measured(dark="lost"), {"lost_dark": ["choose_dark", "plate"], **GOOD}),
        (
            facts(logo_plate="none"),
            measured(dark="faint", one_colour="#111111"),
            {"faint_dark": ["pale", "choose_dark", "plate"], "clear_on_light": [], "sharp": []},
        ),
        (
            facts(),
            measured(light="lost", one_colour="#eeeeee"),
            {"plate_light": ["deep", "drop_plate"], "sharp": []},
        ),
        (facts(), measured(light="faint"), {"faint_light": ["plate"], "sharp": []}),
        (facts(logo_dark=KEY), measured(dark="lost"), {"has_dark": ["drop_dark"], **GOOD}),
        (
            facts(logo_plate="dark"),
            measured(dark="lost"),
            {"plate_dark": ["drop_plate"], **GOOD},
        ),
        (
            facts(logo_plate="both"),
            measured(light="lost", dark="lost"),
            {"plate_light": ["drop_plate"], "plate_dark": ["drop_plate"], "sharp": []},
        ),
        (Facts(name="N"), measured(), {}),
    ],
)
def test_findings_and_remedies(given, found, expected):
    assert said(given, found) == expected


def taken(given: Facts, found: Measured, code: str) -> Facts:
    remedies = {remedy.code: remedy.facts for one in advice(given, found, 180) for remedy in one.remedies}
    return document.changed(given, remedies[code])


def test_each_remedy_can_be_taken_as_it_is():
    lost = measured("lost", "lost", one_colour="#888888", trim=TRIM)
    assert taken(facts(), lost, "trim").logo == Logo(picture=KEY, trim=TRIM)
    assert taken(facts(), lost, "pale").logo_dark == Logo(picture=KEY, recolour=REMEDIES["dark"])
    deep = taken(facts(), lost, "deep")
    assert (deep.logo.recolour, deep.logo_dark) == (REMEDIES["light"], Logo(picture=KEY))
    assert taken(facts(logo_plate="light"), lost, "plate").logo_plate == "both"
    assert taken(facts(logo_plate="both"), lost, "drop_plate").logo_plate == "light"
    assert taken(facts(logo_plate="dark"), lost, "drop_plate").logo_plate == "none"
    assert taken(facts(), measured(dark="lost"), "drop_plate").logo_plate == "none"
    assert taken(facts(), measured(light="faint"), "plate").logo_plate == "light"
    assert taken(facts(logo={"picture": KEY, "trim": TRIM}), measured(), "untrim").logo.trim is None
