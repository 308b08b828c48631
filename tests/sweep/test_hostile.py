"""Pages made to take time: each is swept to its end. How long that takes, `benchmarks/sweeping.py` measures."""

import pytest

from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.style import Style
from tests.support.labelled import TODAY

STYLE = Style(
    {"name": "Quillmere Seed Library", "language": "en-GB", "contact_email": "hello@q.example", "phone": "+44 117 496 0214",
     "opening_hours": {"week": {"mon": [{"opens": "10:00", "closes": "16:00"}]}}},
    {"name": ("Old Seed Box",), "contact_email": ("old@q.example",)},
)  # fmt: skip
PIECES = [
    "a@", "a@b.cc ", '<a href="mailto:info@q.example">write to us</a>', "1/2/", "3 May 2026 4/5/2026 ", "<", "<p>", "<b>x", "<div>x",
    "Mon 10:00-12:00 ", "&#65;", "&#", "Quilmere Seed Library ", "Old Seed Box. ", "0117 496 0214 ", "1", "insert your text here ", "© 20 ",
    "<img src=x>", "<p style='color:#aaa'>x", "<a href='x.html'>y</a>", "{{ a ", "<tr><th>Mon<td>10:00-12:00",
    "<p lang=de>Das ist ein Satz mit einigen Worten darin.", "<li>a", "<title>Quillmere Seed Library ", "<h1>", "\u0301", "(", "«",
]  # fmt: skip


def swept(piece: str, times: int):
    files = {"a.html": ("<body><p>" + piece * times).encode(), "b.html": b"<html lang=en><title>x</title><p>y"}
    return sweep(Files(tuple(files), files.__getitem__), STYLE, TODAY)


@pytest.mark.parametrize("piece", PIECES)
def test_a_page_of_one_piece_over_and_over_is_swept_to_its_end(piece):
    found = swept(piece, 500)
    assert found.pages == 2
    assert all(0 <= one.start <= one.end for one in found.strays)
