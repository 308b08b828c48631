"""The brand report of a draft: logo, icon, share picture and colours, generated as for the public, and measured."""

from collections.abc import Mapping
from dataclasses import dataclass
from threading import Lock
from typing import Any

from cachetools import LRUCache, cached
from cachetools.keys import hashkey

from hestor.core.errors import Problem
from hestor.core.facts import document, logo_advice
from hestor.core.facts.assets import Logo, LogoIcon, PictureIcon
from hestor.core.facts.document import Facts
from hestor.core.facts.logo_advice import LogoAdvice
from hestor.core.imaging import crops, legibility, proposals, raster
from hestor.core.imaging.legibility import Legibility
from hestor.core.imaging.logos import Measured
from hestor.core.imaging.raster import Box, Master
from hestor.pictures import selectors as pictures
from hestor.rendering.brand_files import BrandFiles
from hestor.rendering.shown import Shown
from hestor.sandbox import run
from hestor.sites import generated_files
from hestor.sites.models import Site
from hestor.sites.selectors import logo_measures


@dataclass(frozen=True)
class LogoReport:
    """A logo as it is shown and measured, and what its files weigh at its largest scale."""

    shown: Shown
    measured: Measured
    largest: int
    modern_bytes: int
    fallback_bytes: int
    advice: tuple[LogoAdvice, ...] = ()


@dataclass(frozen=True)
class BrandReport:
    """The brand of a draft, measured. ``pixels`` are the icon's PNGs by size; ``crop`` is the square found in the logo.

    ``mark`` is the square around the mark alone, where the icon is of a wide picture.

    ``proposals`` are colours of the logo by the fact that they are proposed for.

    ``share_bytes`` is 0 where the share picture has not been made.
    """

    facts: Facts
    brand: BrandFiles
    logos: Mapping[str, LogoReport]
    pixels: Mapping[int, bytes]
    legibility: Legibility
    crop: Box | None
    mark: Box | None
    share_bytes: int
    proposals: Mapping[str, tuple[str, ...]]
    problems: tuple[Problem, ...]


_COLOURS = ("brand_colour", "accent_colour")
_FOUND: LRUCache[Any, tuple[Box, tuple[str, ...], Box | None]] = LRUCache(64)
_ICONS: LRUCache[Any, tuple[dict[int, bytes], Legibility]] = LRUCache(64)


def _found_in_picture(master: Master) -> tuple[Box, tuple[str, ...], Box | None]:
    return crops.proposed(master), proposals.colours_of(raster.drawn_within(master, 200)), crops.mark(master)


@cached(_FOUND, lock=Lock())
def _found_in(site_id: int, key: str) -> tuple[Box, tuple[str, ...], Box | None]:
    """The square for an icon, the colours that are found in a picture, and its mark alone, if it is a wide one."""
    master = pictures.master(site_id, key)
    if master is None:
        raise LookupError(key)
    return run(_found_in_picture, master)


def _logo(site_id: int, brand: BrandFiles, shown: Shown | None, logo: Logo | None) -> LogoReport | None:
    if shown is None or logo is None:
        return None
    folder, _, ending = shown.src.rpartition("/")
    largest = max(int(piece.split()[1].removesuffix("x")) for piece in shown.srcset.split(", "))
    sizes = [
        generated_files.file(site_id, brand, f"{folder}/{largest}x.{end}") for end in ("webp", ending.partition(".")[2])
    ]
    modern, fallback = (len(size.body) if size else 0 for size in sizes)
    measured = logo_measures.measured(site_id, logo)
    found_amiss = logo_advice.advice(brand.facts, measured, shown.width) if logo == brand.facts.logo else ()
    return LogoReport(shown, measured, largest, modern, fallback, found_amiss)


def _mark(site_id: int, facts: Facts, brand: BrandFiles) -> Box | None:
    """The mark alone of the picture that the icon is a part of."""
    icon, key = facts.icon, ""
    if isinstance(icon, PictureIcon):
        key = icon.picture
    elif isinstance(icon, LogoIcon) and facts.logo and brand.logo:
        key = facts.logo.picture
    return _found_in(site_id, key)[2] if key and pictures.master(site_id, key) else None


def _icon_in_pixels(brand: BrandFiles) -> tuple[dict[int, bytes], Legibility]:
    icon = brand.icon()
    return {size: raster.png(icon.at(size)) for size in legibility.SIZES}, legibility.measure(icon)


# The address of the icon's folder stands for all that it is made of.
@cached(_ICONS, key=lambda brand: hashkey(brand.icon_folder), lock=Lock())
def _measured_icon(brand: BrandFiles) -> tuple[dict[int, bytes], Legibility]:
    return run(_icon_in_pixels, brand.settled())


def brand_report(site: Site, typed: Mapping[str, Any]) -> BrandReport:
    """The report with ``typed`` facts in place; refused values are said, and the kept ones shown."""
    good, problems = document.check_all(typed)
    facts = site.facts.model_copy(update=good)
    brand = BrandFiles(facts, pictures.masters(site.pk))
    found_brand_report = {
        "logo": _logo(site.pk, brand, brand.logo, facts.logo),
        "logo_dark": _logo(site.pk, brand, brand.logo_dark, facts.logo_dark),
    }
    crop, colours, _ = _found_in(site.pk, facts.logo.picture) if facts.logo and brand.logo else (None, (), None)
    pixels, legible = _measured_icon(brand)
    # A share picture is composed anew for every word; while words are being chosen, its weight is not asked for.
    share = generated_files.file(site.pk, brand, brand.share.src) if facts == site.facts else None
    return BrandReport(
        facts=facts,
        brand=brand,
        logos={key: value for key, value in found_brand_report.items() if value},
        pixels=pixels,
        legibility=legible,
        crop=facts.icon.crop if isinstance(facts.icon, LogoIcon) and facts.icon.crop else crop,
        mark=_mark(site.pk, facts, brand),
        share_bytes=len(share.body) if share else 0,
        proposals={key: proposals.worth_offering(colours, getattr(facts, key)) for key in _COLOURS},
        problems=problems,
    )


def clear_caches() -> None:
    """Empties the caches, as after another database was put in place."""
    for cache in (_FOUND, _ICONS):
        cache.clear()
