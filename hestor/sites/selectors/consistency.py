"""What the pages of a draft say otherwise than its house style: swept page by page, kept until one of both changes."""

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import asdict, dataclass
from datetime import datetime
from hashlib import blake2b
from time import monotonic
from typing import Any

from django.db.models import Q

from hestor import clock
from hestor.core import zones
from hestor.core.checklist import ChecklistItem
from hestor.core.facts import clock as clock_facts
from hestor.core.facts import document, shown_texts
from hestor.core.facts.document import SPECS, Facts
from hestor.core.pages import faults, parts
from hestor.core.pages.faults import Fault, Row
from hestor.core.sweep import hours, own
from hestor.core.sweep.own import OwnHouse, OwnPage, OwnStray
from hestor.core.sweep.style import Style
from hestor.rendering import Renderer
from hestor.sites.models import Meant, Revision, RevisionQuerySet, Site, SweptPage
from hestor.sites.selectors import own_texts
from hestor.sites.selectors.checklist import checklist
from hestor.sites.selectors.former import said_before
from hestor.sites.selectors.title_table import rows_with
from hestor.sites.selectors.unlinked import UnlinkedPages, unlinked_draft

_AT_ONCE = 20
_TITLES: tuple[faults.Kind, ...] = ("title_repeats_name", "title_empty", "title_twin", "title_long")
# In what the renderer itself writes these are none.
_NEEDS_FIELD = frozenset(
    ("starter_text", "text_language", "former_name", "misspelt_name", "date_form", "date_ambiguous")
)
# Of these kinds the main part shows other pages, too.
_LISTING = frozenset(("news", "events"))


@dataclass(frozen=True)
class Progress:
    """How many of the pages are swept."""

    done: int
    total: int


@dataclass(frozen=True)
class Consistency:
    """The strays of a draft or an edition, those that are meant apart; over which pages (titles by their numbers), held
    to which style."""

    titles: Mapping[int, str]
    style: Style
    strays: tuple[OwnStray, ...]
    meant: tuple[tuple[Meant, OwnStray | None], ...]


def house_of(site: Site, facts: Facts | None = None) -> OwnHouse:
    """What the pages of a draft are held to, or those of an edition by its facts."""
    facts = facts or site.facts
    week = hours.week_of(facts.opening_hours.model_dump(mode="json")) if facts.opening_hours else {}
    former = {key: said_before(site, key, getattr(facts, key)) for key, spec in SPECS.items() if spec.remembered}
    style = Style(document.held(facts), former)
    year = zones.day_in(facts.time_zone, clock.now()).year
    return OwnHouse(style, (clock_facts.long_form(facts), clock_facts.short_form(facts)), week, year)


def _house_key(house: OwnHouse) -> str:
    said = repr((own.RULES_VERSION, house.style.plain(), house.forms, sorted(house.week.items())))
    return blake2b(said.encode(errors="surrogatepass"), digest_size=8).hexdigest()


class Sweeping:
    """A sweep of a site's draft at a moment; what was found before and is still good is not looked for again."""

    def __init__(self, site: Site, now: datetime) -> None:
        self._site, self._now = site, now
        self._house = house_of(site)
        self._key = f"{_house_key(self._house)}-{zones.day_in(site.facts.time_zone, now)}"

    def _drafts(self) -> Any:
        return Revision.objects.in_draft_of(self._site)

    @property
    def _listing_key(self) -> str:
        return f"{self._key}-{self._site.pages_revision}"[:40]

    def _key_of(self, kind: str) -> str:
        return self._listing_key if kind in _LISTING else self._key

    def _stale(self) -> Any:
        lists = Q(kind__in=_LISTING)
        good = Q(swept__key=self._listing_key) & lists | Q(swept__key=self._key) & ~lists
        return self._drafts().exclude(pk__in=self._drafts().filter(good).values("pk"))

    def progress(self) -> Progress:
        """How far it is."""
        total = self._drafts().count()
        return Progress(total - self._stale().count(), total)

    def run(self, seconds: float | None = None) -> Progress:
        """Goes on with the sweep, for about so many seconds, or to its end."""
        begin = monotonic()
        state, pages = unlinked_draft(self._site)
        renderer = Renderer(state, self._now)
        while batch := list(self._stale().select_related("text", "page").order_by("pk")[:_AT_ONCE]):
            self._keep(renderer, pages, batch)
            if seconds is not None and monotonic() - begin > seconds:
                break
        return self.progress()

    def _keep(self, renderer: Renderer, pages: UnlinkedPages, batch: Sequence[Revision]) -> None:
        rows = [
            SweptPage(
                revision=revision,
                key=self._key_of(revision.kind),
                found=[asdict(stray) for stray in self._found(renderer, pages, revision)],
            )
            for revision in batch
        ]
        SweptPage.objects.bulk_create(
            rows, update_conflicts=True, unique_fields=["revision"], update_fields=["key", "found"]
        )

    def _found(self, renderer: Renderer, pages: UnlinkedPages, revision: Revision) -> Iterator[OwnStray]:
        yield from strays_on(renderer, pages, revision, self._house)
        yield from left_out(revision)

    def strays(self) -> tuple[OwnStray, ...]:
        """All strays of the pages that are swept, of the titles and of the facts, in the order of the pages."""
        kept = SweptPage.objects.filter(revision__in=self._drafts()).order_by("revision__path")
        pages = (_read(one) for found in kept.values_list("found", flat=True) for one in found)
        facts = self._site.facts
        texts = tuple(of_facts(facts, self._house))
        told = {(one.kind, one.says) for one in texts}
        # What a page shows of a fact is said at the fact.
        own_ones = (page for page in pages if page.field or (page.kind, page.says) not in told)
        listed = (
            *texts,
            *_titles(rows_with(self._site, self._now, *_TITLES)),
            *_unset(checklist(self._site, self._now).items),
            *filter(is_told, own_ones),
            *own_texts.strays(self._site, self._now),
            *own.past_years(self._site.facts.footer_text, zones.day_in(self._site.facts.time_zone, self._now).year),
        )
        return own.grouped(listed)


def of_facts(facts: Facts, house: OwnHouse) -> Iterator[OwnStray]:
    """What is amiss in the texts within facts, patterns of titles among them."""
    return own.of_facts(shown_texts.of_facts(facts), facts.language, house)


def is_told(stray: OwnStray) -> bool:
    """Whether a stray of a page is told of: what the renderer itself writes there is none, or is said at its fact."""
    return bool(stray.field) or stray.kind not in _NEEDS_FIELD


def strays_on(renderer: Renderer, pages: UnlinkedPages, revision: Revision, house: OwnHouse) -> Iterator[OwnStray]:
    """The strays of a page as the renderer makes it."""
    yield from own.of_page(renderer.page(pages.page_of(revision)).body.decode(), own_page(revision), house)


def own_page(revision: Revision) -> OwnPage:
    """A page of the draft as the sweep traces strays in it."""
    fields = {name: getattr(revision, name) for name in own.FIELDS if name != "body"}
    return OwnPage(revision.page_id, str(revision.page.identity), revision.path, {"body": revision.text.body, **fields})


def _read(kept: Mapping[str, Any]) -> OwnStray:
    return OwnStray(**{**kept, "readings": tuple(kept.get("readings", ()))})


def left_out(revision: Revision) -> Iterator[OwnStray]:
    """The site-wide parts that a page leaves out by choice."""
    for part in revision.left_out:
        if part not in parts.PARTS:
            continue
        kept = [one for one in revision.left_out if one != part]
        yield OwnStray(
            "opted_out", revision.page_id, revision.path, part, "", 0, 0, "", part, 0.5,
            values={"left_out": kept}, key=f"{revision.page.identity.hex[:16]}-{part}"[:40],
        )  # fmt: skip


def _titles(rows: Iterable[Row]) -> Iterator[OwnStray]:
    """What is amiss with titles, as their table says it."""
    for row in rows:
        for fault in row.faults:
            if fault.kind in _TITLES:
                yield _title(row, fault)


def _title(row: Row, fault: Fault) -> OwnStray:
    page = row.page
    said = "\x1f".join((fault.kind, str(page.page_id), row.shown))
    key = blake2b(said.encode(errors="surrogatepass"), digest_size=8).hexdigest()
    return OwnStray(
        fault.kind, page.page_id, page.path, "title", "own_title" if page.own_title else "title", 0, 0, row.shown,  # type: ignore[arg-type]
        next(iter(fault.mend.values()), ""), 0.95, values=dict[str, object](fault.mend.items()), key=key,
    )  # fmt: skip


def _unset(items: Iterable[ChecklistItem]) -> Iterator[OwnStray]:
    for item in items:
        # What only the owner misses is no stray of a page.
        if item.fact and not SPECS[item.fact].private:
            yield OwnStray("fact_unset", 0, "/", item.fact, item.fact, 0, 0, "", "", 0.9, key=f"unset-{item.fact}")


def consistency(site: Site, now: datetime) -> Consistency:
    """The whole of it, swept to its end."""
    sweeping = Sweeping(site, now)
    sweeping.run()
    return told_apart(site, Revision.objects.in_draft_of(site), house_of(site), sweeping.strays())


def told_apart(site: Site, pages: RevisionQuerySet, house: OwnHouse, strays: Sequence[OwnStray]) -> Consistency:
    """Strays of pages, those apart that somebody said are meant; a word about a spot that is gone is listed with it."""
    meant = {one.stray: one for one in Meant.objects.filter(site=site).select_related("by").order_by("-at")}
    quiet = {stray.key: stray for stray in strays if stray.key in meant}
    loud = tuple(stray for stray in strays if stray.key not in meant)
    titles = dict(pages.values_list("page_id", "title"))
    return Consistency(titles, house.style, loud, tuple((one, quiet.get(key)) for key, one in meant.items()))
