"""The ``hestor`` command: what it prints, what it writes, how it ends."""

import json
import os
import subprocess
import sys
from pathlib import Path

import pytest

from hestor.commandline.program import main
from hestor.core.sweep.stray import KINDS
from tests.support.labelled import sites

TOP = Path(__file__).parents[2]


@pytest.fixture(scope="module")
def site(tmp_path_factory):
    sown = next(sites())
    top = tmp_path_factory.mktemp("site")
    for path, raw in sown.files.items():
        (top / path).parent.mkdir(parents=True, exist_ok=True)
        (top / path).write_bytes(raw)
    style = top.parent / "style.json"
    style.write_text(json.dumps(sown.style()))
    return top, style, sown


@pytest.fixture(autouse=True)
def the_moment(monkeypatch):
    monkeypatch.setenv("HESTOR_NOW", "2026-05-03T09:00:00+00:00")
    monkeypatch.setenv("LC_ALL", "C")


def test_a_sweep_as_json(site, capsys):
    top, style, sown = site
    assert main(["sweep", str(top), "--style", str(style), "--format", "json"]) == 1
    found = json.loads(capsys.readouterr().out)
    assert (found["checked_at"], found["pages"]) == (
        "2026-05-03T09:00:00Z",
        sum(p.endswith(".html") for p in sown.files),
    )
    assert found["style"]["facts"]["name"] == sown.name
    keys = {"id", "kind", "page", "place", "start", "end", "says", "should_say", "why", "sure", "mend"}
    for one in found["strays"]:
        assert set(one) == keys
        assert one["kind"] in KINDS
        assert one["why"]
        assert one["mend"] in ("replace", None)
        assert 0 < one["sure"] <= 1
    assert len({one["id"] for one in found["strays"]}) == len(found["strays"])
    spot = next(one for one in found["strays"] if one["kind"] == "former_name")
    assert (top / spot["page"]).read_text()[spot["start"] : spot["end"]] == spot["says"]


def test_a_sweep_for_people_and_in_their_language(site, capsys, monkeypatch):
    top, style, _ = site
    monkeypatch.setenv("LC_ALL", "de_CH.UTF-8")
    assert main(["sweep", str(top), "--style", str(style)]) == 1
    printed = capsys.readouterr().out
    assert "Ein früherer Name der Website" in printed
    assert "Quillmere Seed Exchange → Quillmere Seed Library" in printed


def test_what_is_proposed_can_be_used_as_a_style(site, tmp_path, capsys):
    top, _, sown = site
    assert main(["propose", str(top)]) == 0
    proposed = json.loads(capsys.readouterr().out)
    assert proposed["hestor"] == 1
    assert (proposed["facts"]["name"], proposed["facts"]["language"]) == (sown.name, "en-GB")
    (tmp_path / "proposed.json").write_text(json.dumps(proposed))
    assert main(["sweep", str(top), "--style", str(tmp_path / "proposed.json")]) == 1


def test_mended_copies_stand_beside_an_untouched_original(site, tmp_path, capsys):
    top, style, sown = site
    out = tmp_path / "out"
    assert main(["mend", str(top), "--style", str(style), "--out", str(out)]) == 0
    for path, raw in sown.files.items():
        assert (top / path).read_bytes() == raw
        assert (out / path).exists()
    assert (out / "img" / "logo.png").read_bytes() == sown.files["img/logo.png"]
    assert "Quillmere Seed Library" in (out / "former-name-0.html").read_text()
    capsys.readouterr()
    main(["sweep", str(out), "--style", str(style), "--format", "json"])
    assert not [one for one in json.loads(capsys.readouterr().out)["strays"] if one["mend"]]


def test_pages_that_agree_end_with_nought(tmp_path, capsys):
    whole = (
        '<html lang="en-GB"><head><title>Peas</title><meta name="description" content="Peas for all of us">'
        '<link rel="icon" href="icon.png"></head><body><a href="mailto:a@peas.example">a@peas.example</a></body></html>'
    )
    (tmp_path / "index.html").write_text(whole)
    (tmp_path / "icon.png").write_bytes(b"x")
    (tmp_path / "style.json").write_text('{"hestor": 1, "facts": {"name": "Peas", "contact_email": "a@peas.example"}}')
    assert main(["sweep", str(tmp_path), "--style", str(tmp_path / "style.json")]) == 0
    assert "All pages agree" in capsys.readouterr().out


@pytest.mark.parametrize(
    "arguments",
    [
        [], ["swoop"], ["sweep"], ["sweep", "/nowhere"], ["sweep", "{empty}"], ["sweep", "{top}", "--style", "/nowhere.json"],
        ["sweep", "{top}", "--style", "{bad}"], ["sweep", "{top}", "--format", "xml"], ["mend", "{top}", "--out", "x"],
        ["mend", "{top}", "--style", "{style}", "--out", "{top}/in"], ["mend", "{top}", "--style", "{style}", "--out", "{full}"],
        ["propose", "/nowhere"],
    ],
)  # fmt: skip
def test_what_could_not_run_is_said_in_one_line(site, tmp_path, capsys, arguments):
    top, style, _ = site
    (tmp_path / "empty").mkdir()
    (tmp_path / "full").mkdir()
    (tmp_path / "full" / "x").write_text("x")
    (tmp_path / "bad.json").write_text('{"hestor": 1, "facts": [')
    named = {
        "top": top,
        "style": style,
        "empty": tmp_path / "empty",
        "full": tmp_path / "full",
        "bad": tmp_path / "bad.json",
    }
    assert main([one.format(**named) for one in arguments]) == 2
    printed = capsys.readouterr()
    assert (printed.out, len(printed.err.strip().splitlines())) == ("", 1)


def test_symbolic_links_are_not_followed(tmp_path, capsys):
    (tmp_path / "in").mkdir()
    (tmp_path / "secret.html").write_text("<p>secret</p>")
    (tmp_path / "in" / "a.html").write_text("<html lang=en><title>Peas</title><p>Peas</p>")
    (tmp_path / "in" / "b.html").symlink_to(tmp_path / "secret.html")
    (tmp_path / "in" / "loop").symlink_to(tmp_path / "in")
    main(["sweep", str(tmp_path / "in"), "--format", "json"])
    assert json.loads(capsys.readouterr().out)["pages"] == 1


def test_it_is_on_the_path_of_the_environment(site, tmp_path):
    top, _, _ = site
    command = Path(sys.executable).parent / "hestor"
    run = subprocess.run(
        [command, "propose", top], cwd=tmp_path, capture_output=True, text=True, env={**os.environ}, check=False
    )
    assert run.returncode == 0, run.stderr
    assert json.loads(run.stdout)["hestor"] == 1
