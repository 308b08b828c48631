"""What holds for the code as a whole: the core is pure, and every message has its words."""

import ast
import re
from pathlib import Path

import pytest

from hestor import wording

TOP = Path(__file__).parents[2]
CORE = sorted((TOP / "hestor" / "core").glob("*.py"))
BARRED = {"django", "ninja", "os", "pathlib", "socket", "sqlite3", "urllib", "http", "subprocess", "importlib"}


@pytest.mark.parametrize("path", CORE, ids=lambda path: path.name)
def test_the_core_is_pure(path):
    for node in ast.walk(ast.parse(path.read_text())):
        names = [a.name for a in node.names] if isinstance(node, ast.Import) else []
        names += [node.module or ""] if isinstance(node, ast.ImportFrom) else []
        assert not {name.partition(".")[0] for name in names} & BARRED
        if isinstance(node, ast.Call):
            called = ast.unparse(node.func)
            assert called != "open"
            assert not called.endswith((".now", ".today", ".utcnow"))


def test_every_code_has_its_words():
    said = wording.catalogue("desk", "en")
    source = "\n".join(path.read_text() for path in (TOP / "hestor").rglob("*.py"))
    codes = set(re.findall(r'Problem\(\s*[\w."]+,\s*"(\w+)"', source)) | {
        "line_break",
        "bidi_control",
        "control_character",
    }
    assert len(codes) > 15
    assert {f"problem.{code}" for code in codes} <= set(said)
    assert {f"error.{code}" for code in re.findall(r'^    code = "(\w+)"$', source, re.M)} - {"error.error"} <= set(
        said
    )


@pytest.mark.parametrize("language", ["de", "ar"])
def test_public_pages_speak_each_language_whole(language):
    english = wording.catalogue("public", "en")
    other = wording.catalogue("public", language)
    assert set(english) == set(other)
    same = {key for key in english if english[key] == other[key]}
    assert same == set()
    for key in english:
        assert set(re.findall(r"\{\w+\}", english[key])) == set(re.findall(r"\{\w+\}", other[key])), key


def test_a_language_without_a_file_falls_back_to_english():
    assert wording.catalogue("public", "fr") == wording.catalogue("public", "en")


def test_files_are_short():
    long = [str(p) for p in (TOP / "hestor").rglob("*.py") if len(p.read_text().splitlines()) > 400]
    assert long == []
