"""What stylesheets say of colours, as far as it decides what is read on what (CSS Cascade 5, Selectors 4, Color 4)."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Any

import regex
import tinycss2
from coloraide import Color

from hestor.core.reading.source import Element, Source

_READ = frozenset(
    ("color", "background", "background-color", "background-image", "font-size", "font-weight", "opacity")
)
_COMPOUND = regex.compile(r"(?P<tag>[A-Za-z][\w-]*|\*)?(?P<rest>(?:[.#][\w-]+)*)")
Colour = tuple[float, float, float, float]
Declared = Mapping[str, str]


@dataclass(frozen=True)
class Compound:
    """One step of a selector: an element's name (empty: any), id, and classes."""

    tag: str
    identity: str
    classes: frozenset[str]

    def fits(self, element: Element) -> bool:
        """Whether an element is meant."""
        if self.tag and self.tag != element.tag:
            return False
        if self.identity and self.identity != element.attributes.get("id"):
            return False
        if not self.classes:
            return True
        said = element.attributes.get("class")
        return self.classes <= set((said or "").split())

    @property
    def key(self) -> str:
        """What an element must have for this to fit: its id, a class, its name; empty if it fits any."""
        return f"#{self.identity}" if self.identity else f".{min(self.classes)}" if self.classes else self.tag


@dataclass(frozen=True)
class Rule:
    """Declarations for what a selector means: its steps from the innermost out, with how each hangs on the next."""

    steps: tuple[Compound, ...]
    joints: tuple[str, ...]
    declared: Declared
    weight: tuple[int, int, int, int]

    def fits(self, source: Source, element: Element) -> bool:
        """Whether the rule holds for an element."""
        if not self.steps[0].fits(element):
            return False
        number = element.parent
        for step, joint in zip(self.steps[1:], self.joints, strict=True):
            while number >= 0 and not step.fits(source.elements[number]):
                if joint == ">":
                    return False
                number = source.elements[number].parent
            if number < 0:
                return False
            number = source.elements[number].parent
        return True


@dataclass(frozen=True)
class Sheet:
    """The rules of a stylesheet and its custom properties of the root."""

    rules: tuple[Rule, ...] = ()
    custom: Mapping[str, str] = field(default_factory=dict)


def _declared(tokens: Any) -> dict[str, str]:
    found: dict[str, str] = {}
    for content in tinycss2.parse_blocks_contents(tokens, skip_comments=True, skip_whitespace=True):
        if content.type == "declaration" and (content.lower_name in _READ or content.name.startswith("--")):
            found[content.name if content.name.startswith("--") else content.lower_name] = tinycss2.serialize(
                content.value
            ).strip()
    return found


def _selector(text: str) -> tuple[tuple[Compound, ...], tuple[str, ...]] | None:
    parts = regex.sub(r"\s*>\s*", " > ", text.strip()).split()
    steps: list[Compound] = []
    joints: list[str] = []
    for part in reversed(parts):
        if part == ">":
            if not joints and not steps:
                return None
            joints[-1:] = [">"] if len(joints) == len(steps) else [*joints[-1:], ">"]
            continue
        match = _COMPOUND.fullmatch(part)
        if not match or not part:
            return None
        if steps and len(joints) < len(steps):
            joints.append(" ")
        names = regex.findall(r"([.#])([\w-]+)", match["rest"])
        identity = next((name for mark, name in names if mark == "#"), "")
        tag = (match["tag"] or "").lower().replace("*", "")
        steps.append(Compound(tag, identity, frozenset(name for mark, name in names if mark == ".")))
    return (tuple(steps), tuple(joints)) if steps else None


@lru_cache(maxsize=64)
def sheet_of(css: str) -> Sheet:
    """The rules of a stylesheet that say colours; those in conditions (``@media``) are left."""
    rules: list[Rule] = []
    custom: dict[str, str] = {}
    for order, one in enumerate(tinycss2.parse_stylesheet(css, skip_comments=True, skip_whitespace=True)):
        if one.type != "qualified-rule":
            continue
        declared = _declared(one.content)
        if not declared:
            continue
        for text in tinycss2.serialize(one.prelude).split(","):
            if text.strip().lower() in (":root", "html"):
                custom.update({key: said for key, said in declared.items() if key.startswith("--")})
            selector = _selector(text.replace(":root", "html"))
            if selector:
                steps, joints = selector
                rules.append(Rule(steps, joints, declared, (*_specific(steps), order)))
    return Sheet(tuple(rules), custom)


def _specific(steps: Sequence[Compound]) -> tuple[int, int, int]:
    return sum(bool(s.identity) for s in steps), sum(len(s.classes) for s in steps), sum(bool(s.tag) for s in steps)


def inline(element: Element) -> Declared:
    """What an element's own style says of colours."""
    style = element.get("style")
    return _declared(style) if style and any(word in style for word in ("color", "background", "opacity")) else {}


# What elements said of colours before there were stylesheets (HTML, 15.3), with what it stands for.
_HINTS = {"bgcolor": "background-color", "text": "color", "color": "color"}
_HINTED = {"text": frozenset(("body",)), "color": frozenset(("font",))}


def hinted(element: Element) -> Declared:
    """What an element's attributes say of colours; any rule of a stylesheet comes before it."""
    found = {}
    for name, meant in _HINTS.items():
        said = element.get(name).lower()
        if said and element.tag in _HINTED.get(name, (element.tag,)):
            found[meant] = f"#{said}" if regex.fullmatch(r"[0-9a-f]{6}", said) else said
    return found


_VAR = regex.compile(r"var\(\s*(--[\w-]+)\s*(?:,([^()]*))?\)")


def resolved(value: str, custom: Mapping[str, str]) -> str:
    """A value with its custom properties filled in."""
    for _ in range(4):
        filled = _VAR.sub(lambda found: custom.get(found[1], found[2] or ""), value)
        if filled == value:
            break
        value = filled
    return value


@lru_cache(maxsize=4096)
def colour_of(value: str) -> Colour | None:
    """A colour value in sRGB, 0 to 1, with its opacity; None where it is none that is known."""
    try:
        colour = Color(value.strip().lower()).convert("srgb").fit("srgb")
    except ValueError:
        return None
    red, green, blue = colour.coords(nans=False)
    return float(red), float(green), float(blue), float(colour.alpha(nans=False))


def ground_of(declared: Declared, custom: Mapping[str, str]) -> Colour | str | None:
    """The ground that declarations say: a colour, ``unknown`` for pictures and gradients, None for none."""
    image = resolved(declared.get("background-image", ""), custom)
    if image and image != "none":
        return "unknown"
    if "background-color" in declared:
        return colour_of(resolved(declared["background-color"], custom))
    whole = resolved(declared.get("background", ""), custom)
    if not whole:
        return None
    if "url(" in whole or "gradient" in whole:
        return "unknown"
    return next((colour for word in _words(whole) if (colour := colour_of(word))), None)


def _words(value: str) -> Iterator[str]:
    yield from regex.findall(r"[\w#-]+\([^)]*\)|[^\s/]+", value)
