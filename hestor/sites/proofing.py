"""Proofs of a site's draft: rendered by the press, read back by the core."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from hestor import wording
from hestor.core import facts as facts_module
from hestor.core import fillins, proofs, zones
from hestor.core.errors import NotFound, Problem
from hestor.core.facts import Facts
from hestor.core.reach import Place, PlaceReach, reach
from hestor.core.readback import PageSays, read_colours, read_feed, read_manifest
from hestor.press.answer import HTML
from hestor.press.press import Press
from hestor.sites.counting import counts_of
from hestor.sites.models import Site
from hestor.sites.source import draft_of


@dataclass(frozen=True)
class Proofing:
    """What the draft says in every place, and how far each fact reaches; ``colours`` are its pages' by theme and name.

    ``problems`` are those of values that were given but refused; the proofs then show the kept ones.
    """

    path: str
    facts: Facts
    proofs: tuple[proofs.Proof, ...]
    reach: Mapping[str, tuple[PlaceReach, ...]]
    problems: tuple[Problem, ...]
    colours: Mapping[str, Mapping[str, str]]


def _read(press: Press, path: str) -> PageSays:
    answer = press.answer(path)
    if answer.status != 200 or answer.media_type != HTML:
        raise NotFound
    return PageSays(answer.body)


def _page_proofs(path: str, page: PageSays, words: Mapping[str, str]) -> list[proofs.Proof]:
    return [make(path, page, words) for make in (proofs.tab, proofs.header, proofs.footer, proofs.search, proofs.share)]


def proof(site: Site, path: str, now: datetime, typed: Mapping[str, object] | None = None) -> Proofing:
    """The proofs of the page at ``path``, the home page and the files, with ``typed`` facts in place.

    Raises NotFound if the draft has no such page.
    """
    good, problems = facts_module.check_all(typed or {})
    facts = site.facts.model_copy(update=good)
    year = zones.year_in(facts.time_zone, now)
    press = Press(draft_of(site, facts), year)
    words = proofs.sought(facts, fillins.Values(facts.name, facts.tagline, year))
    page = _read(press, path)
    made = [*_page_proofs(path, page, words), proofs.links(path, page)]
    if path != "/":
        home = _page_proofs("/", _read(press, "/"), words)
        made += [p for p in home if p.place in (Place.TAB, Place.SEARCH, Place.SHARE)]
    made.append(proofs.feed(read_feed(press.answer("/feed.xml").body), words))
    made.append(proofs.manifest(read_manifest(press.answer("/site.webmanifest").body), words))
    subject = wording.catalogue("public", facts.language)["message.subject"]
    made.append(proofs.message(PageSays(press.message(subject, ())), words))
    counts = counts_of(site)
    reached = {key: reach(key, facts, counts) for key in facts_module.KEYS}
    colours = read_colours(press.answer(page.style).body)
    return Proofing(path, facts, tuple(made), reached, problems, colours)
