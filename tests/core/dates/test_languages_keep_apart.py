"""What one language says never depends on which others were asked before it, within one process.

A library that shares data between languages, and writes into it, shows only so: each language is asked in a process
of its own (a fork that has asked none), then all of them in shuffled orders in one.
"""

import json
import subprocess
import sys

from tests.support.sampling import LONG

ASK = """
import json, os, random, sys
from datetime import UTC, date, datetime
from babel import localedata
from hestor.core import languages
from hestor.core.dates import forms, patterns
from hestor.core.facts import proposal

NOW = datetime(2026, 9, 28, 12, 5, tzinfo=UTC)
TAGS = sorted(tag for tag in localedata.locale_identifiers() if tag != "root" and "_" not in tag)[:: int(sys.argv[1])]

def said(tag):
    days = [languages.weekday_name(day, tag, width) for day in languages.WEEKDAYS for width in ("wide", "abbreviated")]
    months = [patterns.format_day(date(2026, month, 3), "MMM MMMM LLLL EEEE", tag) for month in range(1, 13)]
    return [days, months, [one.says for one in proposal.proposed(tag, "UTC", NOW)], forms.choices(tag, "date")]

def apart(work):
    read, write = os.pipe()
    if os.fork() == 0:
        os.close(read)
        with os.fdopen(write, "w") as out:
            json.dump(work(), out)
        os._exit(0)
    os.close(write)
    with os.fdopen(read) as given:
        found = json.load(given)
    os.wait()
    return found

def all_in(order):
    random.Random(order).shuffle(tags := list(TAGS))
    return {tag: said(tag) for tag in tags}

alone = {tag: apart(lambda tag=tag: said(tag)) for tag in TAGS}
leaks = {}
for order in range(3 if len(TAGS) > 200 else 1):
    together = apart(lambda: all_in(order))
    leaks |= {tag: together[tag] for tag in TAGS if together[tag] != alone[tag]}
print(json.dumps({"count": len(TAGS), "leaks": leaks}))
"""


def test_all_languages_in_any_order_say_what_each_says_alone():
    made = subprocess.run([sys.executable, "-c", ASK, "1" if LONG else "5"], capture_output=True, text=True, check=True)
    found = json.loads(made.stdout)
    assert found["count"] > (300 if LONG else 60)
    assert found["leaks"] == {}
