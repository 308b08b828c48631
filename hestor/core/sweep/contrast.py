"""Text that is hard to read on its ground (WCAG 2.2, 1.4.3), as far as it is told without drawing."""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import regex

from hestor.core.imaging.colours import TEXT_CONTRAST, contrast, legible
from hestor.core.reading.source import Element, Source
from hestor.core.sweep.colour_rules import Colour, Declared, Rule, Sheet, colour_of, ground_of, hinted, inline, resolved
from hestor.core.sweep.stray import Stray

_LARGE_CONTRAST, _LARGE, _LARGE_BOLD = 3.0, 24.0, 18.66
_OWN_LOOK = frozenset(("a", "b", "strong", "th", "h1", "h2", "h3", "h4", "h5", "h6"))
_WHITE, _BLACK = (1.0, 1.0, 1.0, 1.0), (0.0, 0.0, 0.0, 1.0)
_LINK = (0.0, 0.0, 0.93, 1.0)
_INHERITED = frozenset(("inherit", "currentcolor", "unset", "revert"))
_HEADINGS = {"h1": 32.0, "h2": 24.0, "h3": 18.72}
_BOLD = frozenset(("h1", "h2", "h3", "h4", "h5", "h6", "b", "strong", "th"))
_NO_TEXT = frozenset("script style template head title meta link base svg option select textarea noscript".split())


@dataclass(frozen=True)
class _Look:
    """What an element is drawn with: its ink, its ground (None: unknown), its size in pixels, whether it is bold."""

    ink: Colour | None
    ground: Colour | None
    size: float
    bold: bool
    own: bool = False
    style: str = ""


@dataclass(frozen=True)
class _Faint:
    """Ink that stands out too little from its ground, and the contrast that it should have at least."""

    ink: str
    ground: str
    least: float


Chain = tuple[int, str, tuple[str | bool | None, ...] | None]
# The attributes that decide how an element is drawn, beside whether it is a link.
_DECIDING = ("class", "id", "style", "bgcolor", "text", "color")
_DECIDES = frozenset((*_DECIDING, "href"))
_HINTING = frozenset(("style", "bgcolor", "text", "color"))
_SAYING = ("style=", "color=", "text=")


class Looks:
    """How elements are drawn under some stylesheets; those that stand alike in like elements are drawn once for all."""

    def __init__(self, sheets: Sequence[Sheet]) -> None:
        self.is_bare = not any(sheet.rules for sheet in sheets)
        self._rules: dict[str, list[Rule]] = defaultdict(list)
        for sheet in sheets:
            for rule in sheet.rules:
                self._rules[rule.steps[0].key].append(rule)
        self._custom = {key: said for sheet in sheets for key, said in sheet.custom.items()}
        self._known: dict[Chain, int] = {}
        self._looks = [_Look(_BLACK, _WHITE, 16.0, False)]
        self._faint: dict[int, _Faint | None] = {}

    def looks_of(self, source: Source) -> list[int]:
        """The number of each element's look, by the elements' numbers."""
        keys: list[int] = []
        for element in source.elements:
            above = keys[element.parent] if element.parent >= 0 else 0
            a = element.attributes
            said = None if not a or _DECIDES.isdisjoint(a) else ("href" in a, *map(a.get, _DECIDING))
            chain = (above, element.tag, said)
            key = self._known.get(chain)
            if key is None:
                key = len(self._looks)
                self._looks.append(self._drawn(source, element, self._looks[above]))
                self._known[chain] = key
            keys.append(key)
        return keys

    def look(self, key: int) -> _Look:
        """How elements with a look of this number are drawn."""
        return self._looks[key]

    def faint(self, key: int) -> "_Faint | None":
        """What is amiss with a look of this number; None where its text is legible, or its ground unknown."""
        if key not in self._faint:
            self._faint[key] = _faint(self._looks[key])
        return self._faint[key]

    def _declared(self, source: Source, element: Element) -> tuple[Declared, Declared]:
        own = inline(element)
        said_here = dict(hinted(element))
        fitting = [rule for rule in self._likely(element) if rule.fits(source, element)]
        for rule in sorted(fitting, key=lambda one: one.weight):
            if "background" in rule.declared:
                said_here.pop("background-color", None)
            said_here.update(rule.declared)
        return said_here, own

    def _says(self, element: Element) -> bool:
        """Whether anything may be said of an element's colours or size, by itself or by a rule."""
        if element.tag in _OWN_LOOK or element.tag in self._rules or "" in self._rules:
            return True
        if not _HINTING.isdisjoint(element.attributes):
            return True
        return any(True for _ in self._likely(element))

    def _likely(self, element: Element) -> Iterator[Rule]:
        yield from self._rules.get("", ())
        yield from self._rules.get(element.tag, ())
        if identity := element.attributes.get("id"):
            yield from self._rules.get(f"#{identity}", ())
        for name in dict.fromkeys((element.attributes.get("class") or "").split()):
            yield from self._rules.get(f".{name}", ())

    def _drawn(self, source: Source, element: Element, above: _Look) -> _Look:
        if not self._says(element):
            return above if not above.own else replace(above, own=False)
        found, own = self._declared(source, element)
        both = {**found, **own}
        if "background" in own:
            both.pop("background-color", None)
            both.update(own)
        size = _size(both.get("font-size", ""), above.size, _HEADINGS.get(element.tag))
        bold = _is_bold(both.get("font-weight", ""), element.tag in _BOLD or above.bold)
        said = resolved(both.get("color", ""), self._custom).strip().lower()
        is_own = bool(said) and said not in _INHERITED
        ink = colour_of(said) if is_own else None
        if element.tag == "a" and not said and element.get("href"):
            ink, is_own = _LINK, True
        ground = ground_of(both, self._custom)
        under = above.ground
        if isinstance(ground, str):
            under = None
        elif ground is not None and under is not None:
            under = _over(ground, under)
        elif ground is not None and ground[3] >= 1:
            under = ground
        shown = (_over(ink, under or _WHITE) if ink else None) if is_own else above.ink
        seen = _opacity(both.get("opacity", ""))
        if shown is not None and under is not None and ground is None and seen < 1:
            shown, is_own = _over((*shown[:3], seen), under), True
        says = is_own or "color" in both or ground is not None
        return _Look(shown, under, size, bold, says, "style" if own else "sheet")


def _size(value: str, above: float, default: float | None) -> float:
    match = regex.fullmatch(r"([\d.]+)(px|pt|em|rem|%)", value.strip())
    if not match:
        return default or above
    number = float(match[1])
    return number * {"px": 1, "pt": 4 / 3, "em": above, "rem": 16, "%": above / 100}[match[2]]


def _opacity(value: str) -> float:
    """How much is seen of an element (CSS Color 4, 3.2); what isn't seen at all something else brings to light."""
    match = regex.fullmatch(r"(\d++(?:\.\d++)?+|\.\d++)(%?)", value.strip())
    part = float(match[1]) / (100 if match[2] else 1) if match else 1.0
    return part if 0 < part < 1 else 1.0


def _is_bold(value: str, default: bool) -> bool:
    if not value:
        return default
    return value in ("bold", "bolder") or (value.isdigit() and int(value) >= 700)


def _over(colour: Colour, under: Colour) -> Colour:
    alpha = colour[3]
    mixed = [colour[i] * alpha + under[i] * (1 - alpha) for i in range(3)]
    return mixed[0], mixed[1], mixed[2], 1.0


def _hex(colour: Colour) -> str:
    return "#" + "".join(f"{round(max(0.0, min(1.0, part)) * 255):02x}" for part in colour[:3])


def _faint(look: _Look) -> _Faint | None:
    if look.ground is None or look.ink is None:
        return None
    ink, ground = _hex(look.ink), _hex(look.ground)
    is_large = look.size >= _LARGE or (look.bold and look.size >= _LARGE_BOLD)
    least = _LARGE_CONTRAST if is_large else TEXT_CONTRAST
    return _Faint(ink, ground, least) if contrast(ink, ground) < least else None


def unreadable(source: Source, drawn: Looks) -> Iterator[Stray]:
    """The outermost element of each stretch of text whose ink stands out too little from its ground."""
    if drawn.is_bare and not any(one in source.text.lower() for one in _SAYING):
        return
    keys = drawn.looks_of(source)
    reported: set[int] = set()
    told: set[tuple[str, str, str]] = set()
    for number in source.speaking:
        faint = drawn.faint(keys[number])
        if faint is None or source.elements[number].tag in _NO_TEXT:
            continue
        element = _outermost(source, drawn, keys, number)
        if element.number in reported or _is_out_of_sight(source, element):
            continue
        reported.add(element.number)
        ink, ground = faint.ink, faint.ground
        key = (ink, ground, element.get("class") or str(element.number))
        if drawn.look(keys[element.number]).style == "sheet" and key in told:
            continue
        told.add(key)
        should = f"color: {legible(ink, ground, faint.least)}; background: {ground}"
        says = f"color: {ink}; background: {ground}"
        sure = 0.9 if element.get("style") else 0.8
        yield Stray("contrast", source.path, "colours", element.start, element.end, says, should, sure)


def _outermost(source: Source, drawn: Looks, keys: Sequence[int], number: int) -> Element:
    """The element that a pair of colours begins with: the innermost that says one of them."""
    above = source.above(number)
    return next((one for one in above if drawn.look(keys[one.number]).own), source.elements[number])


_UNSEEN = regex.compile(r"display\s*:\s*none|visibility\s*:\s*hidden", regex.IGNORECASE)
_FOR_EARS = frozenset(("sr-only", "visually-hidden", "unseen", "hidden"))


def _is_out_of_sight(source: Source, element: Element) -> bool:
    """Whether nobody is to see it, or it can't be used at the moment (WCAG 2.2, 1.4.3, incidental)."""
    for each_element in source.above(element.number):
        if (
            each_element.get("aria-hidden") == "true"
            or "disabled" in each_element.attributes
            or _UNSEEN.search(each_element.get("style"))
        ):
            return True
        if set(each_element.get("class").split()) & _FOR_EARS:
            return True
    return False
