"""Mending strays: the words at their spots changed in the draft, many pages at once, all or none; and taken back."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from django.db import transaction

from hestor import clock
from hestor.accounts.models import Account
from hestor.core.errors import InvalidInput, NotFound
from hestor.core.facts import shown_texts
from hestor.core.pages.fields import PageFields
from hestor.core.rules import Line
from hestor.core.sweep.mend import Edit, edited
from hestor.core.sweep.own import OwnStray, date_fill
from hestor.core.text.markdown import CompiledText
from hestor.sites.models import Meant, Site
from hestor.sites.selectors.page_fields import current, fields_of
from hestor.sites.services.facts import write_facts
from hestor.sites.services.locking import bump, locked
from hestor.sites.services.pages import compiled_within, new_revision, take_out

_REASON = Line(0, 200)


@dataclass(frozen=True)
class Mending:
    """A stray that is to be mended, and for a date that can be read in two ways, the number of the reading."""

    stray: OwnStray
    reading: int | None = None

    @property
    def replacement(self) -> str | None:
        """What is written at its spot; None where other fields mend it, or nothing does."""
        if self.stray.readings and self.reading is not None and self.reading < len(self.stray.readings):
            return date_fill(self.stray.readings[self.reading])
        return self.stray.replacement


def in_one_go(mendings: Sequence[Mending]) -> Sequence[Mending]:
    """Those that may be mended together: one that asks for a person is mended alone, or not."""
    return mendings if len(mendings) == 1 else [mending for mending in mendings if not mending.stray.asks]


@dataclass(frozen=True)
class PageChange:
    """A page with the fields that a mend changes, as they were and as they are."""

    page: int
    path: str
    before: Mapping[str, Any]
    after: Mapping[str, Any]


def proposed(site: Site, mendings: Iterable[Mending]) -> tuple[list[PageChange], dict[str, str]]:
    """What mending would change: pages, and texts of facts by their fields; nothing is kept. Raises NotFound."""
    per_page: dict[int, list[Mending]] = defaultdict(list)
    facts: dict[str, list[Mending]] = defaultdict(list)
    for mending in mendings:
        if mending.stray.page_id:
            per_page[mending.stray.page_id].append(mending)
        elif mending.stray.field and mending.replacement is not None:
            facts[mending.stray.field].append(mending)
    changes = [change for page, found in per_page.items() if (change := _of_page(site, page, found))]
    shown = shown_texts.of_facts(site.facts)
    texts = {field: _edited(shown[field], fact) for field, fact in facts.items() if field in shown}
    return changes, texts


def _of_page(site: Site, page: int, mendings: Sequence[Mending]) -> PageChange | None:
    fields = fields_of(current(site, page)).model_dump(mode="json")
    after: dict[str, Any] = {}
    per_field: dict[str, list[Mending]] = defaultdict(list)
    for mending in mendings:
        if mending.replacement is not None:
            per_field[mending.stray.field].append(mending)
        else:
            after |= _values(mending.stray, fields, after)
    for name, found in per_field.items():
        if name not in after:
            after[name] = _edited(str(fields[name]), found)
    changed = {name: value for name, value in after.items() if fields[name] != value}
    if not changed:
        return None
    return PageChange(page, str(fields["path"]), {name: fields[name] for name in changed}, changed)


def _values(stray: OwnStray, fields: Mapping[str, Any], after: Mapping[str, Any]) -> dict[str, Any]:
    """Other fields that mend a stray; of several parts that are left out each takes part again by itself."""
    if stray.kind == "opted_out":
        now = after.get("left_out", fields["left_out"])
        return {"left_out": [one for one in now if one != stray.place]}
    return dict(stray.values)


def _edited(text: str, mendings: Iterable[Mending]) -> str:
    """A text with each spot replaced that still says what it said."""
    edits = []
    for mending in mendings:
        stray = mending.stray
        said = " ".join(text[stray.start : stray.end].split())
        if mending.replacement is not None and said == " ".join(stray.says.split()):
            edits.append(Edit(stray.start, stray.end, mending.replacement))
    return edited(text, edits)


def write(site: Site, changes: Mapping[int, Mapping[str, Any]], revision: int | None = None) -> list[PageChange]:
    """Keeps other fields for many pages of the draft, all or none; gives what they were and are.

    Texts are compiled before any other writer has to wait. Raises InvalidInput, StaleRevision, NotFound.
    """
    olds = {page: fields_of(current(site, page)) for page in changes}
    ready = {page: compiled_within({**olds[page].model_dump(), **changes[page]}) for page in changes}
    with transaction.atomic():
        site = locked(site, revision)
        now = clock.now()
        done = [_put(site, page, olds[page], *ready[page], now) for page in changes]
        if done:
            bump(site, list(changes))
    return done


@dataclass(frozen=True)
class Mended:
    """The site after a mend, what it changed on pages, and texts of facts, by their fields, as they were and are."""

    site: Site
    pages: Sequence[PageChange]
    facts_before: Mapping[str, str]
    facts_after: Mapping[str, str]


def mend(site: Site, mendings: Iterable[Mending], revision: int) -> Mended:
    """Mends strays in the draft. Raises InvalidInput, StaleRevision, NotFound."""
    changes, facts = proposed(site, mendings)
    shown = shown_texts.of_facts(site.facts)
    before = {field: shown[field] for field in facts}
    done = write(site, {change.page: change.after for change in changes}, revision)
    return Mended(_with_facts(site, facts), done, before, facts)


def put(site: Site, pages: Mapping[int, Mapping[str, Any]], facts: Mapping[str, str], revision: int | None) -> Site:
    """Puts fields of pages and texts of facts in place, as they were before a mend or after it. Raises NotFound."""
    write(site, pages, revision)
    return _with_facts(site, facts)


def _with_facts(site: Site, facts: Mapping[str, str]) -> Site:
    site.refresh_from_db()
    return write_facts(site, shown_texts.with_texts(site.facts, facts), site.revision) if facts else site


def _put(
    site: Site, page: int, old: PageFields, given: PageFields, compiled: CompiledText, now: datetime
) -> PageChange:
    present = current(site, page)
    if fields_of(present) != old:
        raise NotFound
    take_out(present)
    made = new_revision(site, present.page, given, compiled, now)
    made.place = present.place
    made.save()
    before, after = old.model_dump(mode="json"), given.model_dump(mode="json")
    names = [name for name in before if before[name] != after[name]]
    return PageChange(page, given.path, {name: before[name] for name in names}, {name: after[name] for name in names})


def mean(site: Site, stray: OwnStray, reason: str, by: Account) -> Meant:
    """Keeps that a stray is meant. Raises InvalidInput for a reason that is none."""
    text, problems = _REASON("reason", reason)
    if problems:
        raise InvalidInput(list(problems))
    values = {
        "kind": stray.kind,
        "path": stray.path,
        "says": stray.says[:500],
        "reason": text,
        "by": by,
        "at": clock.now(),
    }
    made, _ = Meant.objects.update_or_create(site=site, stray=stray.key, defaults=values)
    return made


def mean_no_more(site: Site, stray: str) -> None:
    """Lets a stray speak again. Raises NotFound."""
    if not Meant.objects.filter(site=site, stray=stray).delete()[0]:
        raise NotFound
