"""Proofs of a site's draft: rendered by the renderer, read back by the core."""

from collections.abc import Callable, Collection, Mapping
from dataclasses import dataclass, replace
from datetime import datetime
from functools import cache

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


def _page(renderer: Renderer, path: str) -> PageReading:
    page = renderer.read(path)
    if page is None:
        raise NotFound
    return page


Maker = Callable[[str, PageReading, Sought], Proof]
Read = Callable[[str], PageReading]


def _own_page(state: StoredState, place: Place) -> str:
    """The page that shows a place which hardly any page has; empty where none does, or where any may."""
    if place == Place.STRUCTURED:
        return "/"
    listed = {Place.CALENDAR: state.event_list, Place.ARCHIVE: state.news}.get(place)
    if listed:
        return (listed() or ("",))[0]
    own = {Place.EVENT: state.first_event, Place.HOURS: state.hours_page, Place.CONTACT: state.contact_page}
    single = own.get(place)
    return single() if single else ""


def _proof(state: StoredState, make: Maker, place: Place, path: str, read: Read, sought: Sought) -> Proof:
    """The proof of a place on a page; where the page has none of it, on one that has."""
    proof = make(path, read(path), sought)
    own = "" if proof.lines or proof.pictures else _own_page(state, place)
    return replace(make(own, read(own), sought), path=path, read_on=own) if own else proof


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
    today = zones.day_in(facts.time_zone, now)
    state = edition_of(site, edition, now) if edition else draft_of(site, facts)
    renderer = Renderer(state, now)
    sought = document.sought(facts, today)
    read: Read = cache(lambda at: _page(renderer, at))
    page = read(path)
    spots = dict.fromkeys((slot.place, "/" if slot.home else path) for slot in wanted)
    makers = {each_place.place: each_place.proof for each_place in PAGE_PLACES if each_place.proof}
    proofs = [_proof(state, makers[place], place, at, read, sought) for place, at in spots if place in makers]
    places = {place for place, _ in spots}
    files = [each_place for each_place in FILE_PLACES if each_place.place in places]
    bodies = files_of(renderer, files)
    proofs += [file.proof(bodies[file.source], sought) for file in files if file.proof and file.source in bodies]
    return ProofSheet(path, facts, tuple(proofs), problems, page.style.themes)
