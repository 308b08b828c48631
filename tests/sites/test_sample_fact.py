"""A new fact is its spec, its texts and the template that shows it: here one is added to a copy of the code."""

import json
import os
import shutil
import subprocess
import sys
from pathlib import Path

TOP = Path(__file__).parents[2]
SPEC = """    motto: Annotated[
        str,
        FactSpec(Band.WORDS, Line(0, 40), other_text("motto"), slots=(Slot(Place.FOOTER),), per_language=True),
    ] = ""
"""
# file, what is there, what is put behind it
ADDED = [
    ("hestor/core/facts/words.py", '    ] = "© {year} {site}"\n', SPEC),
    (
        "hestor/translations/locale/en/desk.po",
        'msgid "fact.name"\nmsgstr "Name"\n',
        '\nmsgid "fact.motto"\nmsgstr "Motto"\n',
    ),
    ("frontend/src/i18n/en.json", '  "fact": {\n', '    "motto": {"why": "W", "empty": "E"},\n'),
    (
        "hestor/rendering/templates/parts/foot.html.jinja",
        '<p class="footer-line">{{ footer }}</p>\n',
        "{% if facts.motto %}<p>{{ facts.motto }}</p>{% endif %}\n",
    ),
]
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
long = call("PATCH", "/style", {"facts": {"motto": "x" * 41}}, **{"if-match": "2"})
kept = call("PATCH", "/style", {"facts": {"motto": " Sow and share "}}, **{"if-match": "2"})
schema = api.get_openapi_schema()["components"]["schemas"]
print(json.dumps({
    "refused": long["errors"][0]["message"],
    "kept": kept["facts"]["motto"],
    "changed": kept["changed"],
    "in_words": kept["words"]["motto"],
    "change": next(c["words"] for c in call("GET", "/changes")["changes"] if c["key"] == "motto"),
    "reach": [p["place"] for p in call("POST", "/reach", {"keys": ["motto"]})["motto"]["places"]],
    "preview": call("POST", "/proofs", {"facts": {"motto": "Typed"}, "places": [{"place": "footer"}]})["errors"],
    "schema": schema["Facts"]["properties"]["motto"]["type"],
    "limit": schema["StyleChange"]["properties"]["facts"]["properties"]["motto"]["maxLength"],
    "in_the_list": '"key": "motto"' in facts_source(),
}))
"""


def with_sample_fact(folder: Path) -> Path:
    shutil.copytree(TOP / "hestor", folder / "hestor", ignore=shutil.ignore_patterns("__pycache__", "dist"))
    (folder / "frontend/src/i18n").mkdir(parents=True)
    shutil.copy(TOP / "frontend/src/i18n/en.json", folder / "frontend/src/i18n/en.json")
    for name, before, added in ADDED:
        file = folder / name
        assert before in file.read_text(), name
        file.write_text(file.read_text().replace(before, before + added, 1))
    return folder


def test_a_fact_is_said_in_one_place(tmp_path):
    code = with_sample_fact(tmp_path)
    json.loads((code / "frontend/src/i18n/en.json").read_text())
    own = {"DATA": str(tmp_path / "data"), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    environment = {**os.environ, **own, "PYTHONPATH": str(code)}
    run = subprocess.run([sys.executable, "-c", ASK], cwd=code, env=environment, capture_output=True, text=True)
    assert run.returncode == 0, run.stderr[-2000:]
    assert json.loads(run.stdout) == {
        "refused": "Motto takes 40 characters at most; this has 41. Take out 1.",
        "kept": "Sow and share",
        "changed": ["name", "footer_text", "motto", "brand_colour", "typefaces", "language", "time_zone"],
        "in_words": "Sow and share",
        "change": "Motto: 1 page, the not-found page",
        "reach": ["footer", "paper", "not_found"],
        "preview": [],
        "schema": "string",
        "limit": 40,
        "in_the_list": True,
    }
    touched = {Path(name).suffix for name, *_ in ADDED}
    assert len(ADDED) == 4
    assert touched == {".py", ".po", ".json", ".jinja"}
