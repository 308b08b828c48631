"""Adds a line of text that each page may say: `make new-fact NAME=motto` writes its spec, its texts and its tests.

What only a person can say (what it is called in each language, what it is for, where a page shows it) is marked with
"TO SAY"; the tests that are written along fail until nothing is. docs/newcomer.md goes through it.
"""

import json
import re
import sys
from pathlib import Path

from hestor import translations

TOP = Path(__file__).parents[1]
LANGUAGES = translations.languages("desk")
TO_SAY = "TO SAY"
_SPEC = """    {name}: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(0, 160),
            other_text("{name}"),
            slots=(Slot(Place.HEADER),),
            per_language=True,
            texts=ITSELF,
        ),
    ] = ""
"""
_TEST = '''"""The fact "{name}" has its words in every language of the desk, and pages show it where its row says."""

import json

import pytest

from hestor import translations
from hestor.core.facts.document import SPECS
from hestor.sites.selectors.reach import ReachFinder
from scripts.new_fact import LANGUAGES, TO_SAY, TOP


@pytest.mark.parametrize("language", LANGUAGES)
def test_it_is_called_and_explained(language):
    said = json.loads((TOP / f"frontend/src/i18n/{{language}}.json").read_text())["fact"]["{name}"]
    words = [translations.catalogue("desk", language)["fact.{name}"], said["why"], said["empty"]]
    assert [word for word in words if TO_SAY in word or not word] == []


@pytest.mark.django_db
def test_it_reaches_what_its_row_shows(site):
    facts = site.facts.model_copy(update={{"{name}": "Sow and share"}})
    reach = ReachFinder(site, facts).of_fact("{name}")
    assert {{slot.place for slot in SPECS["{name}"].slots}} <= {{one.place for one in reach.places}}
'''


def _spec(name: str) -> Path:
    file = TOP / "hestor/core/facts/words.py"
    file.write_text(file.read_text().rstrip() + "\n" + _SPEC.format(name=name))
    return file


def _name(name: str, language: str) -> Path:
    """What it is called, behind the names of the other facts."""
    file = TOP / f"hestor/translations/locale/{language}/desk.po"
    text = file.read_text()
    last = list(re.finditer(r'^msgid "fact\.\w+"\nmsgstr ".*"\n', text, re.MULTILINE))[-1]
    entry = f'\nmsgid "fact.{name}"\nmsgstr "{TO_SAY}"\n'
    file.write_text(text[: last.end()] + entry + text[last.end() :])
    return file


def _words(name: str, language: str) -> Path:
    """What it is for, and what stands in its empty field."""
    file = TOP / f"frontend/src/i18n/{language}.json"
    words = json.loads(file.read_text())
    words["fact"][name] = {"why": TO_SAY, "empty": TO_SAY}
    file.write_text(json.dumps(words, ensure_ascii=False, indent=2) + "\n")
    return file


def _test(name: str) -> Path:
    file = TOP / f"tests/facts/test_{name}.py"
    file.parent.mkdir(exist_ok=True)
    (file.parent / "__init__.py").touch()
    file.write_text(_TEST.format(name=name))
    return file


def main(name: str) -> int:
    """Writes all of it; the exit status is 1 for a name that none can have."""
    known = (TOP / "hestor/core/facts/words.py").read_text()
    if not re.fullmatch(r"[a-z][a-z_]{1,30}", name) or f"    {name}: Annotated[" in known:
        print(f"{name!r} is no name for a new fact: small letters and _, and none that there is.", file=sys.stderr)
        return 1
    of_languages = [write(name, language) for language in LANGUAGES for write in (_name, _words)]
    for file in (_spec(name), *of_languages, _test(name)):
        print(file.relative_to(TOP))
    print(f"Now say what stands there as {TO_SAY!r}, and show it in a template: docs/newcomer.md.")
    return 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1] if len(sys.argv) > 1 else ""))
