"""Proofs of a site's draft: rendered by the renderer, read back by the core."""

from collections.abc import Callable, Collection, Mapping
from dataclasses import dataclass, replace
from datetime import datetime

from hestor.core import zones
from hestor.core.errors import NotFound, Problem
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.facts.spec import Slot
from hestor.core.places.all import DRAWN, FILE_PLACES, PAGE_PLACES
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought
from hestor.core.reading.page import PageReading
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Site
from hestor.sites.selectors.reach import files_of
from hestor.sites.selectors.samples import sample_page
from hestor.sites.selectors.states import StoredState, draft_of, edition_of

# Places that tell something of their own on the home page.
_ON_HOME_TOO = (Place.TAB, Place.SEARCH, Place.SHARE)
ALL = (*(Slot(place) for place in DRAWN), *(Slot(place, home=True) for place in _ON_HOME_TOO))


@dataclass(frozen=True)
class ProofSheet:
    """What the draft says in the places that were asked for; ``themes`` are its pages' colours by theme and name.

    ``problems`` are those of values that were given but refused; the proofs then show the kept ones.
    """

    path: str
    facts: Facts
    proofs: tuple[Proof, ...]
    problems: tuple[Problem, ...]
    themes: Mapping[str, Mapping[str, str]]


Maker = Callable[[str, PageReading, Sought], Proof]
_MAKERS: Mapping[Place, Maker] = {one.place: one.proof for one in PAGE_PLACES if one.proof}


class _Reader:
    """Reads the proofs of one state, each page once."""

    def __init__(self, state: StoredState, now: datetime) -> None:
        self._state = state
        self.renderer = Renderer(state, now)
        self._today = zones.day_in(state.facts.time_zone, now)
        self.sought = document.sought(state.facts, self._today)
        self._read: dict[str, PageReading] = {}

    def page(self, path: str) -> PageReading:
        """A page read back. Raises NotFound."""
        if path not in self._read:
            found_page = self.renderer.read(path)
            if found_page is None:
                raise NotFound
            self._read[path] = found_page
        return self._read[path]

    def proof(self, place: Place, path: str) -> Proof:
        """The proof of a place on a page; where the page has none of it, on one that has, else on a sample."""
        make = _MAKERS[place]
        proof = make(path, self.page(path), self.sought)
        if proof.lines or proof.pictures:
            return proof
        if own := self._own_page(place):
            there = make(own, self.page(own), self.sought)
            if there.lines or there.pictures:
                return replace(there, path=path, read_on=own)
        return self._sampled(make, place, path) or proof

    def _sampled(self, make: Maker, place: Place, path: str) -> Proof | None:
        sample = sample_page(place, self._state.facts, self._today)
        if sample is None:
            return None
        read = PageReading(self.renderer.page(sample).body, self.renderer.style)
        return replace(make(path, read, self.sought), is_sample=True)

    def _own_page(self, place: Place) -> str:
        """The page that shows a place which hardly any page has; empty where none does, or where any may."""
        state = self._state
        if place in (Place.STRUCTURED, Place.TEXT):
            return "/"
        listed = {Place.CALENDAR: state.event_list, Place.ARCHIVE: state.news}.get(place)
        if listed:
            return (listed() or ("",))[0]
        own = {Place.EVENT: state.first_event, Place.HOURS: state.hours_page, Place.CONTACT: state.contact_page}
        single = own.get(place)
        return single() if single else ""


def proof_sheet(
    site: Site,
    path: str,
    now: datetime,
    typed: Mapping[str, object] | None = None,
    wanted: Collection[Slot] = ALL,
    edition: Edition | None = None,
) -> ProofSheet:
    """The proofs that are ``wanted``: of the page at ``path``, the home page and the files, with ``typed`` facts.

    Of an edition where one is given, as it was published. Raises NotFound if there is no such page.
    """
    good, problems = document.check_all(typed or {}) if edition is None else ({}, ())
    kept = edition.facts_in(site.language) if edition else site.facts
    facts = kept.model_copy(update=good) if good else kept
    reader = _Reader(edition_of(site, edition, now) if edition else draft_of(site, facts), now)
    page = reader.page(path)
    spots = dict.fromkeys((slot.place, "/" if slot.home else path) for slot in wanted)
    proofs = [reader.proof(place, at) for place, at in spots if place in _MAKERS]
    places = {place for place, _ in spots}
    files = [each_place for each_place in FILE_PLACES if each_place.place in places]
    bodies = files_of(reader.renderer, files)
    proofs += [file.proof(bodies[file.source], reader.sought) for file in files if file.proof and file.source in bodies]
    return ProofSheet(path, facts, tuple(proofs), problems, page.style.themes)
