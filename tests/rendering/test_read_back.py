"""What is read of our pages doesn't hang on the names that our own stylesheet gives to classes."""

import re

from hestor.core.facts.document import SPECS
from hestor.core.places.all import PAGE_PLACES
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import read_style
from hestor.rendering import Renderer, static_files
from hestor.sites.selectors.reach import MOMENT
from hestor.sites.selectors.states import draft_of

_CLASS = re.compile(r'class="([^"]*)"')


def _renamed(html: str, css: str) -> tuple[str, str]:
    """The page and its stylesheet with every class called otherwise, in both alike."""
    names = sorted({name for found in _CLASS.findall(html) for name in found.split()}, key=len, reverse=True)
    new = {name: f"zz{number}" for number, name in enumerate(names)}
    html = _CLASS.sub(lambda found: f'class="{" ".join(new[name] for name in found[1].split())}"', html)
    css = re.sub(r"\.(-?[A-Za-z_][\w-]*)", lambda found: f".{new.get(found[1], found[1])}", css)
    return html, css


def _read(html: str, css: str) -> dict[str, object]:
    page = PageReading(html.encode(), read_style(css.encode()))
    read = {place.place.value: place.read(page) for place in PAGE_PLACES}
    # How it is arranged is said by the classes themselves, which the stylesheet gives their meaning.
    words, images, colour, colours, _ = read["header"]
    text, language, direction, _, set_in = read["text"]
    return read | {"header": (words, images, colour, colours), "text": (text, language, direction, set_in)}


def test_every_page_reads_the_same_under_other_names_of_classes(demo_sites):
    compared = 0
    for site in demo_sites.values():
        facts = site.facts.model_copy(
            update={"site_notice": SPECS["site_notice"].other(site.facts), "side_text": "Beside **all**."}
        )
        renderer = Renderer(draft_of(site, facts), MOMENT)
        css = static_files.style(static_files.style_key(facts)).decode()
        for path in renderer.paths():
            html = renderer.respond(path).body.decode()
            assert _read(html, css) == _read(*_renamed(html, css)), path
            compared += 1
    assert compared > 40
