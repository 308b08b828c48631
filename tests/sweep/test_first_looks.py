"""Rules look first for what they can't do without. What stands close to other words must not be lost by that."""

import pytest

from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.style import Style
from tests.support.labelled import TODAY

STYLE = Style(
    {"name": "Quillmere Seed Library", "language": "en-GB", "contact_email": "hello@q.example", "phone": "+44 117 496 0214",
     "date_long": "d MMMM y", "date_short": "d MMMM y"},
    {"name": ("Old Seed Exchange",), "contact_email": ("old@q.example",), "phone": ("+44 117 496 0999",)},
)  # fmt: skip


def found(words: str) -> list[tuple[str, str]]:
    html = f"<!doctype html><html lang=en-GB><head><title>Hours – Quillmere Seed Library</title></head><body><p>{words}"
    swept = sweep(Files(("index.html",), {"index.html": html.encode()}.__getitem__), STYLE, TODAY)
    kinds = ("former_name", "contact", "phone", "date_form", "date_ambiguous", "starter_text", "misspelt_name")
    return [(one.kind, one.says) for one in swept.strays if one.kind in kinds]


@pytest.mark.parametrize(
    ("words", "strays"),
    [
        ("The Old Seed Exchange’s garden.", [("former_name", "Old Seed Exchange")]),
        ("THE OLD SEED EXCHANGE.", [("former_name", "OLD SEED EXCHANGE")]),
        ("Call us (desk A12): 0117 496 0999.", [("phone", "0117 496 0999")]),
        ("Call us on 0117 496 0999, room 5a.", [("phone", "0117 496 0999")]),
        ("Write to us:\u00a0old@q.example,hello@q.example.", [("contact", "old@q.example")]),
        ("Next on 3 Mar 2026, or the 4th.", [("date_form", "3 Mar 2026")]),
        ("İstanbul, 3 Mar 2026.", [("date_form", "3 Mar 2026")]),
        ("On 3/10/2026 at ten.", [("date_ambiguous", "3/10/2026")]),
        ("{{ title }} and TODO", [("starter_text", "{{ title }}"), ("starter_text", "TODO")]),
        ("Your Name, Jane Doe.", [("starter_text", "Your Name"), ("starter_text", "Jane Doe")]),
        ("Lorem ipsum.", [("starter_text", "Lorem ipsum")]),
        ("The Quilmere Seed Library.", [("misspelt_name", "Quilmere Seed Library")]),
        ("Bags of 1500 and 2026 seeds.", []),
    ],
)
def test_what_stands_close_to_other_words_is_found(words, strays):
    assert found(words) == strays
