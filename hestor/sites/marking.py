"""The marks of a draft, measured: made as the public site would have them, and looked at."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

from hestor.core import crops, icons, legibility, logos, palettes, proposals, raster
from hestor.core import facts as facts_module
from hestor.core.errors import Problem
from hestor.core.facts import Facts
from hestor.core.legibility import Legibility
from hestor.core.logos import Measured
from hestor.core.marks import Logo, LogoIcon
from hestor.core.raster import Box
from hestor.pictures import services
from hestor.press.marks import Marks, Shown
from hestor.sites import made
from hestor.sites.models import Site


@dataclass(frozen=True)
class LogoMarking:
    """A logo as it is shown and measured, and what its files weigh at its largest scale."""

    shown: Shown
    measured: Measured
    largest: int
    modern_bytes: int
    fallback_bytes: int


@dataclass(frozen=True)
class Marking:
    """All marks of a draft. ``pixels`` are the icon's PNGs by size; ``crop`` is the square found in the logo.

    ``share_bytes`` is 0 where the share picture has not been made.
    """

    facts: Facts
    marks: Marks
    logos: Mapping[str, LogoMarking]
    pixels: Mapping[int, bytes]
    legibility: Legibility
    crop: Box | None
    share_bytes: int
    proposals: tuple[str, ...]
    problems: tuple[Problem, ...]


@lru_cache(maxsize=64)
def _measured(site_id: int, logo: Logo) -> Measured:
    master = services.master(site_id, logo.picture)
    if master is None:
        raise LookupError(logo.picture)
    grounds: Mapping[str, str] = {str(name): ground for name, ground in palettes.GROUND.items()}
    return logos.measured(master, logos.part(logo.trim), grounds, logo.recolour)


@lru_cache(maxsize=64)
def _found_in(site_id: int, key: str) -> tuple[Box, tuple[str, ...]]:
    """The square for an icon and the colours that are found in a picture."""
    master = services.master(site_id, key)
    if master is None:
        raise LookupError(key)
    return crops.proposed(master), proposals.colours_of(raster.looked_at(master, 200))


def _logo(site_id: int, marks: Marks, shown: Shown | None, logo: Logo | None) -> LogoMarking | None:
    if shown is None or logo is None:
        return None
    folder, _, ending = shown.src.rpartition("/")
    largest = max(int(piece.split()[1].removesuffix("x")) for piece in shown.srcset.split(", "))
    sizes = [made.file(site_id, marks, f"{folder}/{largest}x.{end}") for end in ("webp", ending.partition(".")[2])]
    modern, fallback = (len(answer.body) if answer else 0 for answer in sizes)
    return LogoMarking(shown, _measured(site_id, logo), largest, modern, fallback)


@lru_cache(maxsize=64)
def _looked_at(site_id: int, recipe: str, icon: icons.Icon) -> tuple[dict[int, bytes], Legibility]:
    return {size: raster.png(icon.at(size)) for size in legibility.SIZES}, legibility.measure(icon)


def marking(site: Site, typed: Mapping[str, Any]) -> Marking:
    """The draft's marks with ``typed`` facts in place; refused values are said, and the kept ones shown."""
    good, problems = facts_module.check_all(typed)
    facts = site.facts.model_copy(update=good)
    marks = Marks(facts, services.masters(site.pk))
    found = {
        "logo": _logo(site.pk, marks, marks.logo, facts.logo),
        "logo_dark": _logo(site.pk, marks, marks.logo_dark, facts.logo_dark),
    }
    crop, colours = _found_in(site.pk, facts.logo.picture) if facts.logo and marks.logo else (None, ())
    pixels, legible = _looked_at(site.pk, marks.icon_folder, marks.icon())
    # A share picture is composed anew for every word; while words are being chosen, its weight is not asked for.
    share = made.file(site.pk, marks, marks.share.src) if facts == site.facts else None
    return Marking(
        facts=facts,
        marks=marks,
        logos={key: value for key, value in found.items() if value},
        pixels=pixels,
        legibility=legible,
        crop=facts.icon.crop if isinstance(facts.icon, LogoIcon) and facts.icon.crop else crop,
        share_bytes=len(share.body) if share else 0,
        proposals=colours,
        problems=problems,
    )
