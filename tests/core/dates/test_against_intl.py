"""Dates and times in every language, compared with another implementation of CLDR: that of Node (ICU).

The two come with neighbouring versions of CLDR. Where those differ, so do they: the languages are listed in
``tests/data/intl-differences.json`` with the versions, and no other one may differ.
"""

import json
import subprocess
from datetime import datetime
from pathlib import Path

import pytest

from hestor.core import languages
from hestor.core.dates import patterns

LISTED = json.loads((Path(__file__).parents[2] / "data" / "intl-differences.json").read_text())
LENGTHS = ("full", "long", "medium", "short")
INSTANTS = ("2026-01-03T00:00:00+00:00", "2026-09-28T12:05:00+00:00", "2026-12-31T23:59:00+00:00")
ASK = """
const { tags, instants, lengths } = JSON.parse(require("fs").readFileSync(0));
const said = {};
for (const tag of tags) {
  const base = { timeZone: "UTC", calendar: "gregory" };
  // Node falls back without a word where it lacks a language.
  if (new Intl.DateTimeFormat(tag).resolvedOptions().locale !== tag) continue;
  const as = (form, iso) => new Intl.DateTimeFormat(tag, { ...base, ...form }).format(new Date(iso));
  const all = (iso) => [...lengths.map((dateStyle) => as({ dateStyle }, iso)), as({ timeStyle: "short" }, iso)];
  said[tag] = instants.map(all);
}
console.log(JSON.stringify({ cldr: process.versions.cldr, said }));
"""


def _plain(text: str) -> str:
    """Node writes common spaces for those that don't break."""
    return text.replace("\u202f", " ").replace("\xa0", " ")


def _ours(tag: str, iso: str) -> list[str]:
    locale, moment = languages.locale_of(tag), datetime.fromisoformat(iso)
    days = [patterns.format_day(moment.date(), str(locale.date_formats[length]), tag) for length in LENGTHS]
    return [*days, patterns.format_clock(moment, str(locale.time_formats["short"]), tag)]


@pytest.fixture(scope="module")
def node():
    tags = [tag for tag, *_ in languages.all_names()]
    asked = json.dumps({"tags": tags, "instants": INSTANTS, "lengths": LENGTHS})
    made = subprocess.run(["node", "-e", ASK], input=asked, capture_output=True, text=True, check=True)
    return json.loads(made.stdout)


def test_every_language_that_node_knows_reads_the_same(node):
    said = node["said"]
    assert len(said) > 800
    differing = {
        tag
        for tag, rows in said.items()
        if any(
            [_plain(text) for text in _ours(tag, iso)] != [_plain(text) for text in row]
            for iso, row in zip(INSTANTS, rows, strict=True)
        )
    }
    if node["cldr"] == LISTED["node_cldr"]:
        assert differing <= set(LISTED["tags"])
    # With a further version of CLDR on the other side more may differ, but most words stay.
    assert len(differing) < len(said) / 6
    assert not differing & {
        "en-GB",
        "en-US",
        "de-CH",
        "de-DE",
        "ar",
        "ar-EG",
        "fr-FR",
        "es-ES",
        "he-IL",
        "ja-JP",
        "hi-IN",
    }
