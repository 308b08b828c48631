"""Language, clock and dates: finding towns, writing dates, calendars with thousands of events, rules."""

import json
import os
import random
import subprocess
import sys
import tempfile
from collections.abc import Iterator
from datetime import UTC, date, datetime, time, timedelta
from pathlib import Path

from babel import Locale
from babel.dates import parse_pattern
from dateutil.rrule import MO, TH, WEEKLY, rrule

from benchmarks.figures import Figure, p95, quietest, ratio, times
from hestor.core.dates import patterns
from hestor.core.events import expansion
from hestor.core.events.schedule import Repeat, Schedule
from tests.support.server import OWNER, TOP, Caller, Server, make_data

_EVENTS = 5_000
_DATES = 100_000
# As people type: short and long beginnings, other names and scripts, accents left out, slips.
_TYPED = (
    "s", "lon", "san ", "london", "muench", "Мюн", "القاه", "東京", "saint", "new yor", "zurihc", "lndon", "birmigham",
    "st gal", "kobenhavn", "xqzzzy", "villanueva", "ber", "tok", "nizhniy novgrod", "la", "el ", "de", "thessalon",
)  # fmt: skip
_MEMORY = """
import django, json, os, psutil
django.setup()
from hestor.sites.models import Site
from hestor.towns.models import Language
from hestor.towns.selectors import find
list(Language.objects.all()[:10])
before = psutil.Process().memory_info().rss
for number in range(20):
    for typed in json.loads(os.environ["TYPED"]):
        find(typed)
print((psutil.Process().memory_info().rss - before) / 1e6)
"""


def _memory() -> float:
    environment = {**os.environ, "DJANGO_SETTINGS_MODULE": "hestor.config.settings", "TYPED": json.dumps(_TYPED)}
    made = subprocess.run([sys.executable, "-c", _MEMORY], env=environment, capture_output=True, text=True, check=True)
    return float(made.stdout)


def _schedule(number: int) -> Schedule:
    picked = random.Random(number)
    starts = date(2024, 1, 1) + timedelta(days=picked.randrange(1400))
    hours = {"starts_at": time(picked.randrange(8, 20)), "ends_at": time(21)}
    if number % 2:
        return Schedule(starts=starts, **hours)
    unit = picked.choice(("weekly", "monthly_date", "monthly_weekday", "monthly_last"))
    return Schedule(starts=starts, repeat=Repeat(unit=unit), **hours)


def _fill(data: Path) -> None:
    """A site with thousands of events, half of them repeated, published once."""
    os.environ |= {"DATA": str(data), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    import django

    django.setup()
    from django.db import connections

    from hestor import query_statistics
    from hestor.accounts.models import Account
    from hestor.sites.models import Page, Revision, Text
    from hestor.sites.services.creation import make_site
    from hestor.sites.services.pages import add_page
    from hestor.sites.services.publishing import publish
    from hestor.sites.services.tree_order import put_in_order

    owner = Account.objects.get(email=OWNER)
    site = make_site(owner, {"name": "Site of events", "time_zone": "Europe/London"}, "bench-events")
    listed = add_page(site, {"path": "/events/", "title": "Events", "kind": "events", "in_menu": True})
    pages = Page.objects.bulk_create([Page(site=site) for _ in range(_EVENTS)])
    text = Text.objects.create(body="", compiler=1)
    Revision.objects.bulk_create(
        Revision(
            site=site,
            page=page,
            text=text,
            path=f"/events/{number}-x/",
            title=f"Event {number}",
            kind="event",
            parent_id=listed.page_id,
            schedule=schedule.model_dump(mode="json"),
            first_day=schedule.starts,
            last_day=expansion.last_day(schedule),
            signature="event ts - - - - - -",
        )
        for number, (page, schedule) in enumerate((page, _schedule(n)) for n, page in enumerate(pages))
    )
    put_in_order(site.pk, [page.pk for page in pages])
    query_statistics.refresh()
    publish(site.pk, owner, datetime.now(UTC))
    connections.close_all()


def _on_a_server() -> Iterator[Figure]:
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder))
        # In a process of its own: Django knows one database in each.
        subprocess.run([sys.executable, "-m", "benchmarks.clock", str(data)], cwd=TOP, check=True)
        with Server(data) as server:
            desk = Caller(server, OWNER)

            def typed(number: int) -> None:
                desk.call("GET", "/api/towns?" + _query(_TYPED[number % len(_TYPED)]))

            yield Figure("town search, over all places, p95", p95(quietest(lambda _: times(typed, 72), 3)), "ms", 20)

            def pattern(number: int) -> None:
                forms = ("d MMMM y", "EEEE, d MMMM y", "y-MM-dd", "dd.MM.y")
                facts = {"date_long": f"{forms[number % 4]} '{number}'"}
                places = [{"place": place, "home": False} for place in ("dated", "event", "calendar")]
                desk.call("POST", "/api/sites/quillmere/proofs", {"facts": facts, "places": places, "path": "/news/"})

            yield Figure("proof of a changed pattern, p95", p95(quietest(lambda _: times(pattern, 40), 3)), "ms", 50)

            def month(number: int) -> None:
                year, rest = divmod(number, 12)
                server.get("bench-events.localhost", f"/events/{2024 + year}-{rest + 1:02}/")

            # Months of five years, each seen once, in rounds short enough to find the machine at its usual speed.
            first = quietest(lambda turn: times(lambda number: month(turn * 10 + number), 9, warm=1), 6)
            yield Figure("calendar of 5,000 events, first view, p95", p95(first), "ms", 40)


def _query(typed: str) -> str:
    from urllib.parse import urlencode

    return urlencode({"q": typed})


def _dates() -> Figure:
    days = [date(2020, 1, 1) + timedelta(days=number % 3000) for number in range(_DATES)]
    form, ready, locale = "EEEE, d MMMM y", parse_pattern("EEEE, d MMMM y"), Locale.parse("en_GB")

    def ours() -> None:
        for day in days:
            patterns.format_day(day, form, "en-GB")

    def bare() -> None:
        for day in days:
            ready.apply(day, locale)

    return Figure("100,000 dates, ratio to the bare library", ratio(ours, bare, 5), "times", 1.2)


def _rule() -> Figure:
    starts = date(2016, 5, 2)
    schedule = Schedule(starts=starts, repeat=Repeat(unit="weekly", weekdays=("mon", "thu")))
    last = date(2026, 5, 2)

    def ours() -> None:
        expansion.between(schedule, starts, last)

    def bare() -> None:
        end = datetime.combine(last, time())
        list(rrule(WEEKLY, byweekday=(MO, TH), dtstart=datetime.combine(starts, time()), until=end))

    return Figure("ten years of a rule, ratio to the bare library", ratio(ours, bare, 41), "times", 1.5)


def measure() -> Iterator[Figure]:
    """Every figure of language, clock and dates."""
    yield _dates()
    yield _rule()
    yield Figure("memory that town search adds to a worker", _memory(), "MB", 30)
    yield from _on_a_server()


if __name__ == "__main__":
    _fill(Path(sys.argv[1]))
