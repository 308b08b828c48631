"""What a keystroke costs, counted: facts are parsed once, brand files worked out once for each state of them."""

import pytest

from hestor.api import files
from hestor.core.facts import document
from hestor.rendering import frame
from hestor.rendering.brand_files import BrandFiles
from tests.api.test_proofs import ask


@pytest.fixture
def counted(monkeypatch):
    counts = {"parsed": 0, "brands": 0}
    parse = document.parse

    def parsing(kept):
        counts["parsed"] += 1
        return parse(kept)

    class Counted(BrandFiles):
        def __init__(self, *given):
            counts["brands"] += 1
            super().__init__(*given)

    monkeypatch.setattr(document, "parse", parsing)
    monkeypatch.setattr(frame, "BrandFiles", Counted)
    monkeypatch.setattr(files, "BrandFiles", Counted)
    return counts


def test_a_keystroke_works_out_each_thing_once(desk, site, counted, django_assert_max_num_queries):
    ask(desk, name="Typed")
    counted.update(parsed=0, brands=0)
    # Who is calling, which site it is; the draft's pages are cached.
    with django_assert_max_num_queries(3):
        ask(desk, name="Typed once more")
    # The typed facts, and those that are kept: which of their files are the same is asked for each picture.
    assert counted == {"parsed": 1, "brands": 3}
