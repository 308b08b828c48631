"""English words come with the part that says them: with the desk itself, or with what is fetched later."""

import json
import re
from pathlib import Path

TOP = Path(__file__).resolve().parents[2]
DESK = TOP / "hestor" / "desk" / "dist"
WORDS = TOP / "frontend" / "src" / "i18n"
SAID = re.compile(r"[\"'`](\w+)\.[\w$`{]")


def test_what_is_there_first_says_nothing_that_comes_later():
    later = json.loads((WORDS / "en.later.json").read_text())
    names = re.findall(r'(?:src|href)="/_desk/([^"]+\.js)"', (DESK / "index.html").read_text())
    first = "".join((DESK / "public" / "_desk" / name).read_text() for name in names)
    assert len(later) > 50
    assert set(SAID.findall(first)) & set(later) == set()
