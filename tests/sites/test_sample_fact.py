"""A new fact is its spec, its texts and its template: here `make new-fact` adds one to a copy of the code."""

import json
import os
import shutil
import subprocess
import sys
from pathlib import Path

from scripts import new_fact

TOP = Path(__file__).parents[2]
# What a person says of it, and the one line by which pages show it.
SAID = {"en": "Motto", "de": "Motto", "es": "Lema propio", "fr": "Devise", "ar": "شعار"}
TEMPLATE = "hestor/rendering/templates/parts/home.html.jinja"
BEHIND = '<span class="site-tagline" data-hestor="tagline">{{ own(tagline) }}</span>{% endif %}'
SHOWN = '{% if facts.motto %}<span class="site-tagline" data-hestor="motto">{{ own(facts.motto) }}</span>{% endif %}'
ASK = """
import json
import django
django.setup()
from django.core.management import call_command
from django.test import Client
from hestor.accounts.models import Account
from hestor.api.api import api
from hestor.config.export_facts import facts_source
from hestor.sites.services.creation import make_site
call_command("migrate", verbosity=0)
owner = Account.objects.create_user("o@example.org", "a-long-enough-one")
make_site(owner, {"name": "Seeds"}, "seeds")
desk = Client(headers={"host": "localhost"})
desk.force_login(owner, backend="django.contrib.auth.backends.ModelBackend")
def call(method, path, body=None, **headers):
    data = json.dumps(body or {})
    return desk.generic(method, f"/api/sites/seeds{path}", data, "application/json", headers=headers).json()
long = call("PATCH", "/style", {"facts": {"motto": "x" * 161}}, **{"if-match": "2"})
kept = call("PATCH", "/style", {"facts": {"motto": " Sow and share "}}, **{"if-match": "2"})
schema = api.get_openapi_schema()["components"]["schemas"]
print(json.dumps({
    "refused": long["errors"][0]["message"],
    "kept": kept["facts"]["motto"],
    "changed": kept["changed"],
    "in_words": kept["words"]["motto"],
    "change": next(c["words"] for c in call("GET", "/changes")["changes"] if c["key"] == "motto"),
    "reach": [p["place"] for p in call("POST", "/reach", {"keys": ["motto"]})["motto"]["places"]],
    "preview": [
        (line["role"], line["text"], [one["fact"] for one in line["highlights"]])
        for proof in call("POST", "/proofs", {"facts": {"motto": "Typed"}, "places": [{"place": "header"}]})["proofs"]
        for line in proof["lines"]
        if line["role"] != "entry"
    ],
    "schema": schema["Facts"]["properties"]["motto"]["type"],
    "limit": schema["StyleChange"]["properties"]["facts"]["properties"]["motto"]["maxLength"],
    "in_the_list": '"key": "motto"' in facts_source(),
}))
"""


def _changed(folder: Path) -> set[str]:
    files = (path for part in ("hestor", "frontend", "tests") for path in (folder / part).rglob("*") if path.is_file())
    names = {str(path.relative_to(folder)) for path in files if "__pycache__" not in path.parts}
    return {
        name for name in names if not (TOP / name).exists() or (TOP / name).read_bytes() != (folder / name).read_bytes()
    }


def with_sample_fact(folder: Path) -> Path:
    shutil.copytree(TOP / "hestor", folder / "hestor", ignore=shutil.ignore_patterns("__pycache__", "dist"))
    shutil.copytree(TOP / "frontend/src/i18n", folder / "frontend/src/i18n")
    for name in ("scripts", "tests"):
        (folder / name).mkdir()
    shutil.copy(TOP / "scripts/new_fact.py", folder / "scripts/new_fact.py")
    subprocess.run([sys.executable, "-m", "scripts.new_fact", "motto"], cwd=folder, check=True, capture_output=True)
    for language, said in SAID.items():
        for name in (f"frontend/src/i18n/{language}.json", f"hestor/translations/locale/{language}/desk.po"):
            text = (folder / name).read_text()
            assert "TO SAY" in text, name
            (folder / name).write_text(text.replace("TO SAY", said))
    template = folder / TEMPLATE
    assert BEHIND in template.read_text()
    template.write_text(template.read_text().replace(BEHIND, BEHIND + SHOWN, 1))
    return folder


def test_a_fact_is_said_in_one_place(tmp_path):
    code = with_sample_fact(tmp_path)
    own = {"DATA": str(tmp_path / "data"), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    environment = {**os.environ, **own, "PYTHONPATH": str(code)}
    run = subprocess.run([sys.executable, "-c", ASK], cwd=code, env=environment, capture_output=True, text=True)
    assert run.returncode == 0, run.stderr[-2000:]
    assert json.loads(run.stdout) == {
        "refused": "Motto takes 160 characters at most; this has 161. Take out 1.",
        "kept": "Sow and share",
        "changed": ["name", "footer_text", "motto", "brand_colour", "typefaces", "language", "time_zone"],
        "in_words": "Sow and share",
        "change": "Motto: 1 page, the not-found page",
        "reach": ["header", "paper", "aloud", "not_found"],
        "preview": [["name", "Seeds", ["name"]], ["tagline", "", []], ["fact", "Typed", ["motto"]]],
        "schema": "string",
        "limit": 160,
        "in_the_list": True,
    }
    texts = {f"frontend/src/i18n/{tag}.json" for tag in SAID} | {
        f"hestor/translations/locale/{tag}/desk.po" for tag in SAID
    }
    tests = {"tests/facts/test_motto.py"}
    assert _changed(code) == {"hestor/core/facts/words.py", TEMPLATE, *texts, *tests}
    assert (code / "tests/facts/test_motto.py").read_text().count("def test_") == 2


def test_a_name_that_no_fact_can_have_is_refused(capsys):
    assert [new_fact.main(name) for name in ("", "Motto", "name", "a b")] == [1, 1, 1, 1]
    assert "is no name for a new fact" in capsys.readouterr().err
