"""Finds what a public site answers: the right edition, at the press or among what is kept."""

from dataclasses import dataclass
from datetime import UTC, datetime

from hestor.core import zones
from hestor.pictures import services
from hestor.press import Answer, Look, Press, assets, marks
from hestor.press.marks import Marks
from hestor.press.press import unpublished
from hestor.sites import counting, looks, made, source
from hestor.sites.models import Edition, Site
from hestor.sites.source import draft_of, edition_of, live_edition
from hestor.web import encoding
from hestor.web.kept import Kept


@dataclass(frozen=True)
class Wire:
    """An answer as it goes over the wire in one coding, with its strong validator."""

    answer: Answer
    coding: str
    body: bytes
    etag: str


def _weight(wire: Wire) -> int:
    return len(wire.body) + len(wire.answer.body) + 500


_ANSWERS: Kept[Wire] = Kept(64_000_000, _weight)
# What all pages of an edition share (menu, footer …) is kept for the editions asked for last.
_PRESSES: Kept[Press] = Kept(200, lambda press: 1)
_ZONES: Kept[str] = Kept(10_000, lambda zone: 1)
# Paths that nobody wrote are not worth keeping; anyone could fill the store with them.
_KEEPS = (200, 301)
# How many editions back a page that is still open may ask for its files.
_PAST = 3


def forget() -> None:
    """Lets go of all that is kept, as after another database was put in place."""
    counting.forget()
    source.forget()
    for kept in (_ANSWERS, _PRESSES, _ZONES):
        kept.clear()


def _wire(answer: Answer, accepts: str) -> Wire:
    coding = encoding.choose(accepts, answer.media_type, len(answer.body))
    etag = f'"{answer.digest}{"-" + coding if coding else ""}"'
    return Wire(answer, coding, encoding.encode(answer.body, coding), etag)


def _zone(site: Site) -> str | None:
    """The clock of the live edition; None before the first."""
    key = (site.pk, site.live_number)
    if kept := _ZONES.get(key):
        return kept
    edition = live_edition(site)
    return _ZONES.put(key, edition.facts.time_zone) if edition else None


def _press(site: Site, year: int) -> Press:
    key = (site.pk, site.live_number, year, site.slug, site.domain)
    if kept := _PRESSES.get(key):
        return kept
    edition = Edition.objects.get(site=site, number=site.live_number)
    return _PRESSES.put(key, Press(edition_of(site, edition), year))


def live(site: Site, path: str, accepts: str) -> Wire:
    """What the public reads at ``path`` now."""
    zone = _zone(site)
    if zone is None:
        own = assets.answer(path) if path.startswith(assets.PREFIX) else None
        return _wire(own or unpublished(site.facts.language), accepts)
    year = zones.year_in(zone, datetime.now(UTC))
    if path.startswith(marks.PREFIX) and (own := _made(site, year, path)):
        return _wire(own, accepts)
    coding = encoding.choose(accepts, "text/", 1 << 20)
    key = (site.pk, site.live_number, site.slug, site.domain, year, coding, path)
    if kept := _ANSWERS.get(key):
        return kept
    wire = _wire(_press(site, year).answer(path), accepts)
    return _ANSWERS.put(key, wire) if wire.answer.status in _KEEPS else wire


def _made(site: Site, year: int, path: str) -> Answer | None:
    """A file made from pictures. One that only an edition just past names is still asked for by pages open then."""
    if marks.media_type(path.removeprefix(marks.PREFIX)) is None:
        return None
    if found := made.file(site.pk, _press(site, year).marks, path):
        return found
    for edition in Edition.objects.filter(site=site, number__lt=site.live_number).order_by("-number")[:_PAST]:
        if found := made.file(site.pk, Marks(edition.facts, services.masters(site.pk)), path):
            return found
    return None


def look(site: Site, path: str, accepts: str) -> Wire | None:
    """What a private look shows; None if the link is not good for this site."""
    found = looks.read(path)
    if found is None or found[0].site != site.pk:
        return None
    ticket, root, inner = found
    edition = Edition.objects.filter(site=site, number=ticket.edition).first() if ticket.edition else None
    if ticket.edition and edition is None:
        return None
    state = edition_of(site, edition) if edition else draft_of(site)
    if inner.startswith(marks.PREFIX):
        own = made.file(site.pk, Marks(state.facts, services.masters(site.pk)), inner)
        if own:
            return _wire(own, accepts)
    year = zones.year_in(state.facts.time_zone, datetime.now(UTC))
    return _wire(Press(state, year, Look(root, ticket.edition)).answer(inner), accepts)
