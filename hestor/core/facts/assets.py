"""The facts that are pictures or are drawn: logo, icon, share picture. Their shapes, and what is wrong with one.

Pictures are named by the key of their master (``core.pictures``), which stands for its content: a fact, and
so an edition, never changes what it shows.
"""

import re
from collections.abc import Iterator
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, TypeAdapter, ValidationError, WithJsonSchema

from hestor.core.errors import Problem
from hestor.core.imaging import colours, emblems
from hestor.core.imaging.emblems import Form
from hestor.core.imaging.shapes import SHAPES
from hestor.core.rules import Line
from hestor.core.text import lines

KEY_LENGTH = 32
_KEY = re.compile(rf"[0-9a-f]{{{KEY_LENGTH}}}")
_DESCRIPTION = Line(0, 200)
_LETTERS = Line(0, 10)

PROBE_KEY = "0" * KEY_LENGTH
"""A key that stands for a picture that no site has; reach is found by putting it in place."""


def _four(least: float, most: float) -> dict[str, Any]:
    number = {"type": "number", "minimum": least, "maximum": most}
    return {"type": "array", "items": number, "minItems": 4, "maxItems": 4}


# A square around a strip reaches far beyond it, and a strip may be some five hundred times as long as it is wide.
_FAR = 300
_Share = Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]
_FarShare = Annotated[float, Field(ge=-_FAR, le=_FAR + 1, allow_inf_nan=False)]
Trim = Annotated[tuple[_Share, _Share, _Share, _Share], WithJsonSchema(_four(0, 1))]
"""Left, top, right and bottom of a part of a picture, as shares of its width and height, within the picture."""
Crop = Annotated[tuple[_FarShare, _FarShare, _FarShare, _FarShare], WithJsonSchema(_four(-_FAR, _FAR + 1))]
"""The same for a square, which may reach beyond the picture, where nothing is."""


class _Asset(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class Logo(_Asset):
    """A logo: a picture, the part of it that is shown (None: all), and a colour that it is redrawn in.

    ``description`` is read out by screen readers; empty, the site's name stands in.
    """

    picture: str
    trim: Trim | None = None
    recolour: str = ""
    description: str = ""


class PictureIcon(_Asset):
    """An icon that is a square part of a picture."""

    source: Literal["picture"] = "picture"
    picture: str
    crop: Crop


class LogoIcon(_Asset):
    """An icon that is a square part of the logo, whatever the logo is; without a crop, one is found in it."""

    source: Literal["logo"] = "logo"
    crop: Crop | None = None


class DrawnIcon(_Asset):
    """An icon made here. An empty ``ground`` is the site's colour; without letters and shape, the name begins it."""

    source: Literal["drawn"] = "drawn"
    letters: str = ""
    shape: str = ""
    form: Form = "rounded"
    ground: str = ""
    ground_to: str = ""
    shadow: bool = False


IconFact = Annotated[PictureIcon | LogoIcon | DrawnIcon, Field(discriminator="source")]
_ICON: TypeAdapter[Any] = TypeAdapter(IconFact)


class SharePicture(_Asset):
    """A picture that stands for the site where its address is shared, with its description."""

    picture: str
    description: str = ""


def _picture(key: str, picture: str) -> Iterator[Problem]:
    if not _KEY.fullmatch(picture):
        yield Problem(key, "picture_unknown", {})


def _colour(key: str, given: str) -> Iterator[Problem]:
    try:
        if given:
            colours.read(given)
    except ValueError:
        yield Problem(key, "colour_unreadable", {"value": lines.shorten(given, 20)})


def _part(key: str, part: Crop | None) -> Iterator[Problem]:
    if part is not None and (part[2] - part[0] < 0.005 or part[3] - part[1] < 0.005):
        yield Problem(key, "part_empty", {})


def _description(key: str, given: str) -> Iterator[Problem]:
    yield from _DESCRIPTION(key, given)[1]


def _read(key: str, given: object, read: Any) -> tuple[Any, list[Problem]]:
    try:
        return read(given), []
    except ValidationError as error:
        where = ".".join(str(part) for part in error.errors()[0]["loc"])
        return None, [Problem(key, "asset_form", {"spot": lines.shorten(where or key, 40)})]


def logo(key: str, given: object) -> tuple[Logo | None, tuple[Problem, ...]]:
    """A logo from what was given: an object, a picture's key alone, or nothing."""
    if given in (None, ""):
        return None, ()
    value, found = _read(key, {"picture": given} if isinstance(given, str) else given, Logo.model_validate)
    if value is not None:
        found += [*_picture(key, value.picture), *_part(key, value.trim), *_colour(key, value.recolour)]
        found += _description(key, value.description)
        if not found:
            colour = colours.read(value.recolour) if value.recolour else ""
            value = value.model_copy(update={"recolour": colour, "description": lines.tidy(value.description)})
    return value, tuple(found)


def _drawn_problems(key: str, icon: DrawnIcon) -> Iterator[Problem]:
    if icon.letters and lines.cluster_count(icon.letters) > emblems.MOST_LETTERS:
        yield Problem(key, "icon_letters", {"most": emblems.MOST_LETTERS})
    if icon.shape and icon.shape not in SHAPES:
        yield Problem(key, "icon_shape", {"shape": lines.shorten(icon.shape, 30)})
    yield from _colour(key, icon.ground)
    yield from _colour(key, icon.ground_to)


def _tidied(icon: DrawnIcon) -> DrawnIcon:
    grounds = {
        name: colours.read(value) if value else ""
        for name, value in (("ground", icon.ground), ("ground_to", icon.ground_to))
    }
    return icon.model_copy(update={"letters": "" if icon.shape else icon.letters, **grounds})


def icon(key: str, given: object) -> tuple[IconFact | None, tuple[Problem, ...]]:
    """An icon from what was given; nothing stands for the starter icon, the name's first letter."""
    if given in (None, ""):
        return None, ()
    value, found = _read(key, given, _ICON.validate_python)
    if isinstance(value, PictureIcon):
        found += [*_picture(key, value.picture), *_part(key, value.crop)]
    elif isinstance(value, LogoIcon):
        found += _part(key, value.crop)
    elif isinstance(value, DrawnIcon):
        letters, wrong = _LETTERS(key, value.letters)
        value = value.model_copy(update={"letters": letters})
        found += wrong or _drawn_problems(key, value)
        if not found:
            value = _tidied(value)
    return value, tuple(found)


def share_picture(key: str, given: object) -> tuple[SharePicture | None, tuple[Problem, ...]]:
    """A share picture from what was given; nothing stands for the one that Hestor composes."""
    if given in (None, ""):
        return None, ()
    value, found = _read(key, {"picture": given} if isinstance(given, str) else given, SharePicture.model_validate)
    if value is not None:
        found += [*_picture(key, value.picture), *_description(key, value.description)]
        if not found:
            value = value.model_copy(update={"description": lines.tidy(value.description)})
    return value, tuple(found)
