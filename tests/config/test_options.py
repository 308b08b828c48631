"""The settings in one table: read with their kinds, told when wrong, and written where people look for them."""

import os
import re
import subprocess
import sys
from pathlib import Path

import pytest

from hestor.config import options
from hestor.config.export_options import with_table
from hestor.config.options import Options

TOP = Path(__file__).parents[2]


@pytest.fixture(autouse=True)
def bare(monkeypatch):
    """Nothing set."""
    for name in [name for name in os.environ if name.startswith("HESTOR_") or name in ("PORT", "DATA")]:
        monkeypatch.delenv(name)
    return monkeypatch


def test_unset_and_empty_ones_have_their_defaults(bare):
    bare.setenv("HESTOR_FRONT", "")
    bare.setenv("HESTOR_SITES_OF_ONE", "")
    said = Options()
    assert (said.desk_host, said.https, said.new_sites, said.sites_of_one, said.front, said.port) == (
        "localhost", False, "owners", 50, None, 8000,
    )  # fmt: skip


def test_names_of_before_are_read_and_told_of(bare):
    bare.setenv("HESTOR_MAKERS", "everyone")
    bare.setenv("HESTOR_MOST_SITES", "7")
    bare.setenv("HESTOR_NAME_SERVICE", "resolver")
    said = Options()
    assert (said.new_sites, said.sites_of_one, said.dns) == ("everyone", 7, "resolver")
    told = [(code, params["name"], params["now"]) for code, params in options.notes(os.environ)]
    assert told == [
        ("former_setting", "HESTOR_MAKERS", "HESTOR_NEW_SITES"),
        ("former_setting", "HESTOR_MOST_SITES", "HESTOR_SITES_OF_ONE"),
        ("former_setting", "HESTOR_NAME_SERVICE", "HESTOR_DNS"),
    ]
    bare.setenv("HESTOR_DNS", "simulated")
    assert Options().dns == "simulated"


def test_a_slip_in_a_name_is_told_with_the_nearest():
    assert options.notes(["HESTOR_BACKUP", "HOME", "PORT", "HESTOR_QQQQQQQQQ"]) == [
        ("unknown_setting", {"name": "HESTOR_BACKUP", "near": "HESTOR_BACKUPS"}),
        ("unknown_setting", {"name": "HESTOR_QQQQQQQQQ", "near": "—"}),
    ]


@pytest.mark.parametrize(
    ("name", "value", "is_to_be"),
    [
        ("HESTOR_LOG", "xml", "plain or json"),
        ("HESTOR_HTTPS", "perhaps", "1 or 0"),
        ("HESTOR_WORKERS", "0", "a whole number from 1"),
        ("HESTOR_WORKERS", "two", "a whole number from 1"),
        ("HESTOR_SLOW_SECONDS", "-1", "a number above 0"),
        ("HESTOR_SMTP", "mail.example", "an address such as smtp://"),
        ("HESTOR_NOW", "soon", "a moment such as 2026"),
        ("HESTOR_MAKERS", "nobody", "owners or everyone"),
    ],
)
def test_a_wrong_one_ends_the_start_with_words_and_no_traceback(tmp_path, name, value, is_to_be):
    own = {**os.environ, "DATA": str(tmp_path), "DJANGO_SETTINGS_MODULE": "hestor.config.settings", name: value}
    said = subprocess.run([sys.executable, "manage.py", "check"], cwd=TOP, env=own, capture_output=True, text=True)
    assert said.returncode == 1
    assert f"{name} is to be {is_to_be}" in said.stderr
    assert f"says '{value}'." in said.stderr
    assert "Traceback" not in said.stderr


def test_two_wrong_ones_are_told_at_once(bare):
    bare.setenv("HESTOR_LOG", "xml")
    bare.setenv("PORT", "x")
    with pytest.raises(SystemExit) as told:
        options.read()
    assert "HESTOR_LOG" in str(told.value)
    assert "PORT is to be a whole number" in str(told.value)


def test_readme_and_the_shipped_file_are_made_from_the_table():
    readme = (TOP / "README.md").read_text()
    assert with_table(readme) == readme
    assert (TOP / "deploy" / "hestor.env").read_text() == options.example()


def test_no_other_module_reads_a_variable_of_ours():
    # Who runs a command of root's is found before anything else is imported.
    apart = {"hestor/owner.py", "hestor/config/options.py", "hestor/commandline/program.py"}
    read = [
        path.relative_to(TOP).as_posix()
        for path in (TOP / "hestor").rglob("*.py")
        if re.search(r"environ(ment)?(\.get\(|\[)[\"'](HESTOR_|PORT|DATA)", path.read_text())
    ]
    assert set(read) <= apart, read
