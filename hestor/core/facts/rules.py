"""The rules of facts: small callables that say what a fact may say. A new rule touches nothing else."""

from dataclasses import dataclass

from hestor.core import languages, zones
from hestor.core.dates import patterns
from hestor.core.dates.patterns import Kind
from hestor.core.errors import Problem
from hestor.core.imaging import colours
from hestor.core.rules import Checked, not_text
from hestor.core.text import lines

_LONGEST_ZONE = 60


@dataclass(frozen=True)
class Colour:
    """A colour as ``#rrggbb``; an ``optional`` one may be empty."""

    optional: bool = False

    def __call__(self, key: str, given: object) -> Checked[str]:
        """Reads ``#rgb`` and ``#rrggbb``."""
        if not isinstance(given, str):
            return not_text(key)
        if self.optional and not given.strip():
            return "", ()
        try:
            return colours.read(given), ()
        except ValueError:
            return given, (Problem(key, "colour_unreadable", {"value": lines.shorten(given, 20)}),)


@dataclass(frozen=True)
class OneOf:
    """One of a few names."""

    names: tuple[str, ...]

    def __call__(self, key: str, given: object) -> Checked[str]:
        """Takes a name as it is."""
        if isinstance(given, str) and given in self.names:
            return given, ()
        return "", (Problem(key, "not_one_of", {"names": ", ".join(filter(None, self.names))}),)


@dataclass(frozen=True)
class OneOfNumbers:
    """One of a few whole numbers."""

    numbers: tuple[int, ...]

    def __call__(self, key: str, given: object) -> Checked[int]:
        """Takes a number as it is."""
        if isinstance(given, int) and not isinstance(given, bool) and given in self.numbers:
            return given, ()
        return self.numbers[0], (Problem(key, "not_one_of", {"names": ", ".join(map(str, self.numbers))}),)


@dataclass(frozen=True)
class Pixels:
    """A width in CSS pixels, ``least`` to ``most``; 0 leaves it to the picture's shape."""

    least: int
    most: int

    def __call__(self, key: str, given: object) -> Checked[int]:
        """Takes a whole number."""
        if isinstance(given, int) and not isinstance(given, bool) and (given == 0 or self.least <= given <= self.most):
            return given, ()
        return 0, (Problem(key, "width_range", {"least": self.least, "most": self.most}),)


def yes_or_no(key: str, given: object) -> Checked[bool]:
    """True or false."""
    return (given, ()) if isinstance(given, bool) else (False, (Problem(key, "not_yes_or_no"),))


def language(key: str, given: object) -> Checked[str]:
    """A language tag (BCP 47) that CLDR has data for."""
    if not isinstance(given, str):
        return not_text(key)
    if languages.is_known(given):
        return str(languages.locale_of(given)).replace("_", "-"), ()
    return given, (Problem(key, "language_unknown", {"value": lines.shorten(given, 20)}),)


@dataclass(frozen=True)
class Form:
    """A form of dates or times: a pattern (UTS 35); empty, the language's own."""

    kind: Kind

    def __call__(self, key: str, given: object) -> Checked[str]:
        """Tidies and checks."""
        if not isinstance(given, str):
            return not_text(key)
        if len(given) > 4 * patterns.MOST:
            return "", (lines.too_long(key, given, patterns.MOST),)
        pattern = lines.tidy(given)
        return pattern, patterns.problems(key, pattern, self.kind)


def time_zone(key: str, given: object) -> Checked[str]:
    """A zone of the IANA database by its present name, or a fixed offset from UTC such as ``+01:00``."""
    if not isinstance(given, str):
        return not_text(key)
    kept = zones.read(given.strip()) if len(given) < _LONGEST_ZONE else None
    return (kept, ()) if kept else (given, (Problem(key, "zone_unknown", {"value": lines.shorten(given, 40)}),))
