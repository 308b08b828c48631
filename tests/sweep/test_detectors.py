"""Each kind of stray has one place where it is found, and what finds it finds nothing else."""

from collections import Counter

import pytest

from hestor.core.reading import positions
from hestor.core.sweep import detectors
from hestor.core.sweep.detectors import ACROSS, OF_FOLDERS, OF_TEXTS
from hestor.core.sweep.stray import KINDS
from hestor.core.sweep.style import Style

PAGE = """<!DOCTYPE html><html lang="en"><head><title>Bean House</title></head><body><main>
<h1>The Old Bakery</h1><p>Lorem ipsum dolor sit amet, consectetur adipiscing elit.</p>
<p>We meet on 3/4/2026, and on 2026-05-17. Write to old@bakery.example or call 01632 960111.</p>
<p>Das ist ein ganzer Absatz in einer anderen Sprache, den hier niemand so erwartet hätte, nicht wahr?</p>
<img src="a.png"></main></body></html>"""
STYLE = Style(
    {"name": "Bean House", "language": "en-GB", "contact_email": "hello@beans.example", "phone": "+44 1632 960999"},
    {"name": ("The Old Bakery",), "contact_email": ("old@bakery.example",)},
)


def test_every_kind_is_found_in_one_place():
    found = Counter(kind for detector in (*OF_TEXTS, *OF_FOLDERS) for kind in detector.kinds) + Counter(ACROSS)
    assert found == Counter(KINDS)


@pytest.mark.parametrize("detector", OF_TEXTS, ids=lambda detector: "-".join(detector.kinds))
def test_what_finds_a_kind_finds_no_other(detector):
    held = detectors.Held(positions.read("a.html", PAGE), STYLE, ("d MMMM y",))
    assert {stray.kind for stray in detector.find(held)} <= set(detector.kinds)


def test_a_page_is_looked_at_by_all_of_them():
    held = detectors.Held(positions.read("a.html", PAGE), STYLE, ("d MMMM y",))
    found = {stray.kind for stray in detectors.in_texts(held)}
    assert {"former_name", "starter_text", "date_form", "contact", "alt_missing"} <= found
