"""What was found amiss with a logo, and the remedies: each is other values of facts, to be taken at a click."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from hestor.core.facts import plates
from hestor.core.facts.document import Facts
from hestor.core.facts.plates import GROUNDS, Ground
from hestor.core.imaging.logos import REMEDIES, Measured

Code = Literal[
    "trimmed",
    "margins",
    "has_dark",
    "plate_light",
    "plate_dark",
    "lost_light",
    "lost_dark",
    "faint_light",
    "faint_dark",
    "clear_on_light",
    "sharp",
    "unsharp",
]
RemedyCode = Literal["untrim", "trim", "drop_dark", "drop_plate", "pale", "deep", "choose_dark", "plate"]


@dataclass(frozen=True)
class Remedy:
    """Something to be done: facts to take; empty for ``choose_dark``, for which a picture has to be chosen first."""

    code: RemedyCode
    facts: Mapping[str, Any] = field(default_factory=dict)


@dataclass(frozen=True)
class LogoAdvice:
    """One finding; ``good`` says that nothing is amiss. ``number`` goes with some: a share in percent, or a width."""

    code: Code
    good: bool
    remedies: tuple[Remedy, ...] = ()
    number: int = 0


def _margins(facts: Facts, measured: Measured) -> Iterator[LogoAdvice]:
    logo = facts.logo
    if logo is None:
        return
    if logo.trim:
        whole = logo.model_copy(update={"trim": None})
        yield LogoAdvice("trimmed", True, (Remedy("untrim", {"logo": whole.model_dump(mode="json")}),))
    elif measured.trim:
        left, top, right, bottom = measured.trim
        share = round((1 - (right - left) * (bottom - top)) * 100)
        trimmed = logo.model_copy(update={"trim": measured.trim})
        yield LogoAdvice("margins", False, (Remedy("trim", {"logo": trimmed.model_dump(mode="json")}),), share)


def _remedies(facts: Facts, measured: Measured, ground: Ground) -> Iterator[Remedy]:
    """What helps a logo that can't be made out on a ground: a version of one other colour, another picture, a plate."""
    assert facts.logo is not None  # noqa: S101
    logo = facts.logo.model_dump(mode="json")
    recoloured = {**logo, "recolour": REMEDIES[ground]}
    if measured.one_colour and ground == "dark":
        yield Remedy("pale", {"logo_dark": recoloured})
    if measured.one_colour and ground == "light":
        yield Remedy("deep", {"logo": recoloured, "logo_dark": logo})
    if ground == "dark":
        yield Remedy("choose_dark")
    yield Remedy("plate", {"logo_plate": plates.named(plates.grounds(facts, measured.standing) | {ground})})


def _on(facts: Facts, measured: Measured, ground: Ground) -> Iterator[LogoAdvice]:
    shown = plates.grounds(facts, measured.standing)
    if ground == "dark" and facts.logo_dark:
        yield LogoAdvice("has_dark", True, (Remedy("drop_dark", {"logo_dark": None}),))
    elif ground in shown:
        drop = Remedy("drop_plate", {"logo_plate": plates.named(shown - {ground})})
        by_itself = not facts.logo_plate
        others = (
            (remedy for remedy in _remedies(facts, measured, ground) if remedy.code != "plate") if by_itself else ()
        )
        code: Code = "plate_light" if ground == "light" else "plate_dark"
        yield LogoAdvice(code, True, (*others, drop))
    elif measured.standing[ground] != "clear":
        codes: dict[tuple[str, Ground], Code] = {
            ("lost", "light"): "lost_light", ("lost", "dark"): "lost_dark",
            ("faint", "light"): "faint_light", ("faint", "dark"): "faint_dark",
        }  # fmt: skip
        found = codes[measured.standing[ground], ground]
        yield LogoAdvice(found, False, tuple(_remedies(facts, measured, ground)))


def advice(facts: Facts, measured: Measured, width: int) -> tuple[LogoAdvice, ...]:
    """All that is to be said of a logo that is shown ``width`` CSS pixels wide. Without a logo, nothing."""
    if facts.logo is None:
        return ()
    advices = [*_margins(facts, measured)]
    for ground in GROUNDS:
        advices += _on(facts, measured, ground)
    if measured.standing["light"] == "clear":
        advices.append(LogoAdvice("clear_on_light", True))
    sharp = measured.sharp_to >= width
    advices.append(LogoAdvice("sharp", True) if sharp else LogoAdvice("unsharp", False, number=measured.sharp_to))
    return tuple(advices)
