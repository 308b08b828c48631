"""What holds for the code as a whole: the core is pure, and every message has its words."""

import ast
import gc
import json
import re
import tomllib
from graphlib import TopologicalSorter
from pathlib import Path

import grimp
import pytest
from babel import Locale
from babel.messages.pofile import read_po

from hestor import translations
from hestor.api import errors as api_errors
from hestor.core import errors, languages
from hestor.core.errors import HestorError
from hestor.core.facts.document import SPECS
from hestor.core.places.all import FILE_PLACES, PAGE_PLACES
from hestor.core.places.place import Place
from hestor.version import VERSION

TOP = Path(__file__).parents[2]
CORE = sorted((TOP / "hestor" / "core").rglob("*.py"))
BARRED = {"django", "ninja", "os", "pathlib", "socket", "sqlite3", "urllib", "http", "subprocess", "importlib"}

# Takes addresses apart, and reaches nothing.
PURE = {"urllib.parse"}


@pytest.mark.parametrize("path", CORE, ids=lambda path: str(path.relative_to(TOP)))
def test_the_core_is_pure(path):
    for node in ast.walk(ast.parse(path.read_text())):
        names = [a.name for a in node.names] if isinstance(node, ast.Import) else []
        names += [node.module or ""] if isinstance(node, ast.ImportFrom) else []
        assert not {name.partition(".")[0] for name in names if name not in PURE} & BARRED
        if isinstance(node, ast.Call):
            called = ast.unparse(node.func)
            assert called != "open"
            assert not called.endswith((".now", ".today", ".utcnow"))


def test_every_code_has_its_words():
    known = translations.catalogue("desk", "en")
    source = "\n".join(path.read_text() for path in (TOP / "hestor").rglob("*.py"))
    codes = set(re.findall(r'Problem\(\s*[\w."]+,\s*"(\w+)"', source)) | {
        "line_break",
        "bidi_control",
        "control_character",
    }
    assert len(codes) > 15
    assert {f"problem.{code}" for code in codes} <= set(known)


def _tree(kind: type[HestorError]) -> list[type[HestorError]]:
    return [kind, *(one for child in kind.__subclasses__() for one in _tree(child))]


def test_every_error_has_a_status_words_and_its_line_in_the_tree():
    inner = _tree(errors.InternalError)
    kinds = [kind for kind in _tree(HestorError)[1:] if kind not in inner]
    assert len(kinds) > 12
    known = translations.catalogue("desk", "en")
    for kind in kinds:
        assert 400 <= kind.status < 500 or kind in (errors.TooBusy, errors.FrontStuck), kind
        assert kind.__module__ in (errors.__name__, api_errors.__name__), kind
        assert re.search(rf"{kind.__name__} +{kind.status}", errors.__doc__), kind
        assert {f"error.{kind.code}", f"error.{kind.code}.other"} & set(known), kind


def _errors() -> dict[str, set[str]]:
    """The classes of the whole code that are errors, each with its bases."""
    trees = (ast.parse(path.read_text()) for path in (TOP / "hestor").rglob("*.py"))
    classes = [node for tree in trees for node in ast.walk(tree) if isinstance(node, ast.ClassDef)]
    bases = {node.name: {ast.unparse(base).rpartition(".")[2] for base in node.bases} for node in classes}
    errors_by_name = {
        name for name, above in bases.items() if any(base.endswith(("Error", "Exception")) for base in above)
    }
    return {name: bases[name] for name in bases if name in errors_by_name or bases[name] & errors_by_name}


def test_every_error_is_of_the_one_tree():
    found = _errors()
    assert len(found) > 30
    assert {name for name, above in found.items() if not above & found.keys()} == {"HestorError"}
    assert {name for name in found if not re.search(rf"── {name} ", errors.__doc__)} == {"HestorError"}


def test_an_error_without_a_status_is_found_out():
    class Forgotten(HestorError):
        code = "forgotten"

    with pytest.raises(AttributeError):
        _ = Forgotten.status
    del Forgotten
    gc.collect()


def test_every_place_has_one_module():
    named = [one.place for one in (*PAGE_PLACES, *FILE_PLACES)]
    assert sorted(named) == sorted(Place)


def test_every_fact_has_its_words():
    known = translations.catalogue("desk", "en")
    desk = json.loads((TOP / "frontend" / "src" / "i18n" / "en.json").read_text())
    for key in SPECS:
        assert f"fact.{key}" in known, key
        assert {"why", "empty"} <= set(desk["fact"][key]), key


SPOKEN = translations.languages("public")
FORMS = re.compile(r"\.(zero|one|two|few|many|other)$")


def _own(language, domain="public"):
    """The messages of a language's own file, without those that it falls back to."""
    with (TOP / "hestor" / "translations" / "locale" / language / f"{domain}.po").open("rb") as opened:
        return {str(message.id): str(message.string) for message in read_po(opened) if message.id}


def test_public_pages_speak_many_languages_in_many_scripts():
    assert len(SPOKEN) >= 16
    assert len({languages.script(tag) for tag in SPOKEN}) >= 5
    assert len([tag for tag in SPOKEN if languages.direction(tag) == "rtl"]) >= 3


@pytest.mark.parametrize("language", sorted(set(SPOKEN) - {"en"}))
def test_public_pages_speak_each_language_whole(language):
    english, other = _own("en"), _own(language)
    assert {FORMS.sub("", key) for key in english} == {FORMS.sub("", key) for key in other}
    wanted = Locale.parse(language).plural_form.tags | {"other"}
    counted = {FORMS.sub("", key) for key in english if FORMS.search(key)}
    assert {f"{key}.{form}" for key in counted for form in wanted} == {key for key in other if FORMS.search(key)}
    # "Menu" and the like are one word in many languages; Dutch says "Home" and "Contact" as English does.
    assert len([key for key in english if english[key] == other.get(key)]) <= 2
    for key in other.keys() & english.keys():
        assert set(re.findall(r"\{\w+\}", english[key])) == set(re.findall(r"\{\w+\}", other[key])), key


@pytest.mark.parametrize("language", sorted(set(translations.languages("desk")) - {"en"}))
def test_the_desk_speaks_each_of_its_languages_whole(language):
    english, other = _own("en", "desk"), _own(language, "desk")
    assert {FORMS.sub("", key) for key in english} == {FORMS.sub("", key) for key in other}
    counted = {FORMS.sub("", key) for key in english if key.endswith(".other")}
    wanted = Locale.parse(language).plural_form.tags | {"other"}
    assert {f"{key}.{form}" for key in counted for form in wanted} <= set(other)
    for key in other.keys() & english.keys():
        assert set(re.findall(r"\{\w+\}", english[key])) == set(re.findall(r"\{\w+\}", other[key])), key
    same = {key for key in english if english[key] == other.get(key) and len(english[key].split()) > 3}
    assert same == set()


def test_a_language_without_a_file_falls_back_to_english():
    assert translations.catalogue("public", "cy") == translations.catalogue("public", "en")


def test_files_are_short():
    long = [str(p) for p in (TOP / "hestor").rglob("*.py") if len(p.read_text().splitlines()) > 400]
    assert long == []


def test_where_is_names_files_that_are_there():
    named = re.findall(r"\| `([\w./-]+)` \|", (TOP / "docs" / "where-is.md").read_text())
    assert len(named) >= 12
    assert [name for name in named if not (TOP / name).is_file()] == []


# Paths in documents are said from here, as long as it takes to be clear.
_ROOTS = [TOP / name for name in ("", "hestor", "hestor/core", "hestor/sites", "frontend", "frontend/src", "docs")]
_PATH = re.compile(r"`((?:[\w.-]+/)+[\w-]+\.(?:py|tsx?|jinja|md|css|json|service|env|conf))`")


def test_every_path_that_a_document_names_is_there():
    documents = [*TOP.glob("*.md"), *(TOP / "docs").rglob("*.md")]
    # What changed when is history, and may name what is gone.
    named = [(one, path) for one in documents if one.name != "CHANGELOG.md" for path in _PATH.findall(one.read_text())]
    assert len(named) > 250
    gone = [(one.name, path) for one, path in named if not any((root / path).exists() for root in _ROOTS)]
    assert gone == []


def test_the_version_is_said_in_two_places_alike():
    project = tomllib.loads((TOP / "pyproject.toml").read_text())
    assert project["project"]["version"] == VERSION


def test_names_of_tests_say_the_case_in_a_line():
    names = [name for path in (TOP / "tests").rglob("*.py") for name in re.findall(r"def (test_\w+)", path.read_text())]
    assert len(names) > 1_200
    assert [name for name in names if len(name) > 70] == []


def test_no_modules_import_each_other_in_a_circle():
    graph = grimp.build_graph("hestor")
    imports = {name: graph.find_modules_directly_imported_by(name) for name in graph.modules}
    assert len(imports) > 400
    # Raises CycleError, which names them.
    assert len(tuple(TopologicalSorter(imports).static_order())) == len(imports)
