"""The front end's types are those of this API."""

import json
import shutil
import subprocess
from pathlib import Path

import pytest

from hestor.api.api import api
from hestor.config.export_facts import sources

TOP = Path(__file__).parents[2]


def test_the_front_ends_types_are_fresh(tmp_path):
    tool = TOP / "frontend" / "node_modules" / ".bin" / "openapi-typescript"
    if not shutil.which("node") or not tool.exists():
        pytest.fail("The front end's packages are not installed: run make build.")
    schema, made = tmp_path / "openapi.json", tmp_path / "schema.d.ts"
    schema.write_text(json.dumps(api.get_openapi_schema(), indent=1, sort_keys=True) + "\n")
    subprocess.run([tool, schema, "-o", made], check=True, capture_output=True, cwd=TOP / "frontend")
    kept = (TOP / "frontend" / "src" / "api" / "schema.d.ts").read_text()
    assert made.read_text() == kept, "stale: run make types"


@pytest.mark.parametrize("name", sources())
def test_the_front_ends_lists_are_fresh(name):
    assert sources()[name] == (TOP / "frontend" / "src" / name).read_text(), "stale: run make types"
