"""The proof of a page's text: what it says of facts, else how it begins."""

import pytest

from hestor.core.places.proof import Proof
from hestor.core.places.text import TEXT
from hestor.core.reading.page import PageReading

TIME = "<time datetime=2026-05-03>3. Mai 2026</time>"


def proof(body: str, **sought: str) -> Proof:
    html = f"<!doctype html><html lang=de-CH><title>x</title><main><article>{body}</article></main>"
    assert TEXT.proof
    return TEXT.proof("/", PageReading(html.encode()), sought)


def test_the_first_paragraph_comes_and_those_that_say_facts():
    shown = proof(
        f"<p>{TIME}</p><h1>H</h1><p>Anfang</p><p>Nichts</p><ul><li>Die <b>Bibliothek Ostheim</b><ul><li>drin</ul></ul>"
        "<nav><p>Bibliothek Ostheim</p></nav>",
        name="Bibliothek Ostheim",
    )
    assert [(line.role, line.text) for line in shown.lines] == [
        ("language", "de-CH"),
        ("paragraph", "Anfang"),
        ("paragraph", "Die Bibliothek Ostheim drin"),
    ]
    assert [(one.fact, one.start, one.end) for one in shown.lines[2].highlights] == [("name", 4, 22)]


def test_what_is_long_is_cut_and_what_is_much_is_left_out():
    shown = proof("".join(f"<p>Ostheim {number} {'x ' * 300}</p>" for number in range(50)), name="Ostheim")
    assert len(shown.lines) == 13
    assert max(len(line.text) for line in shown.lines) == 400


@pytest.mark.parametrize("body", ["", "<h1>H</h1>", f"<p>{TIME}</p>", "<p> </p>", "<section><p>a list</p></section>"])
def test_a_page_without_words_of_its_own_has_no_proof_of_its_text(body):
    assert proof(body).lines == ()
