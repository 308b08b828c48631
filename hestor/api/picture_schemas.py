"""What the calls about pictures, brand and colours take and give."""

from datetime import datetime
from typing import Any

from ninja import Schema
from pydantic import Field

from hestor.api.schemas import FieldErrorOut, Strict, TypedFacts
from hestor.core.facts.assets import Crop, Trim
from hestor.core.facts.logo_advice import Code as LogoAdviceCode
from hestor.core.facts.logo_advice import RemedyCode
from hestor.core.imaging.emblems import Form
from hestor.core.imaging.legibility import Advice
from hestor.core.imaging.logos import Standing
from hestor.core.imaging.palettes import PairName


class UseOut(Schema):
    """One use of a picture in the draft: a fact by its key, or a page."""

    fact: str
    page: int | None
    path: str
    title: str


class PictureOut(Schema):
    """A picture of a site. ``notes`` say what was done when it was uploaded; ``markdown`` puts it into a text.

    ``edition`` is the newest one that shows it, ``is_live`` whether visitors see that one.
    """

    id: int
    key: str
    name: str
    kind: str
    came_as: str
    width: int
    height: int
    size: int
    description: str
    title: str
    caption: str
    created: datetime
    deleted: datetime | None
    notes: list[str]
    thumbnail: str
    markdown: str
    uses: list[UseOut]
    edition: int | None
    is_live: bool


class PicturesOut(Schema):
    """A site's pictures, and those that can be brought back."""

    pictures: list[PictureOut]
    deleted: list[PictureOut]
    days_kept: int
    most_bytes: int


class UploadOut(Schema):
    """A picture that was uploaded; ``new`` is false if the site had the very same file already."""

    picture: PictureOut
    new: bool


class PictureChange(Strict):
    """Words about a picture; what is left out stays."""

    name: str | None = None
    description: str | None = None
    title: str | None = None
    caption: str | None = None


class BrandIn(Strict):
    """Facts as they are being chosen, not kept yet."""

    facts: TypedFacts = Field(default_factory=dict)


class RemedyOut(Schema):
    """Something to be done about a logo: facts to take; none where a picture has to be chosen first."""

    code: RemedyCode
    facts: dict[str, Any]


class LogoAdviceOut(Schema):
    """One finding about a logo, with its remedies; ``number`` is a share in percent, or a width in pixels."""

    code: LogoAdviceCode
    good: bool
    number: int
    remedies: list[RemedyOut]


class LogoReportOut(Schema):
    """A logo measured: as it is shown, how it stands on the header's grounds, what its files weigh."""

    src: str
    width: int
    height: int
    shape: float
    trim: Trim | None
    sensible_width: int
    one_colour: str | None
    standing: dict[str, Standing]
    sharp_to: int
    is_banner: bool
    phone_part: Trim
    scales: int
    modern_bytes: int
    fallback_bytes: int
    advice: list[LogoAdviceOut]


class AtSizeOut(Schema):
    """How an icon fares at one size: shares that stand out on light and dark, and of detail lost."""

    size: int
    light: float
    dark: float
    lost: float


class IconReportOut(Schema):
    """The icon measured. ``pixels`` are its true pixels at 16 and 32 as data addresses; ``grounds`` those of tabs;
    ``undrawn`` are letters of it that no font has."""

    starter: bool
    names: list[str]
    files: dict[str, str]
    pixels: dict[str, str]
    advice: list[Advice]
    at: list[AtSizeOut]
    used: float
    crop: Crop | None
    mark: Crop | None
    grounds: dict[str, str]
    most_letters: int
    undrawn: str


class ShareReportOut(Schema):
    """The share picture as it was made; ``undrawn`` are letters of its words that no font has."""

    src: str
    composed: bool
    alt: str
    bytes: int
    undrawn: str


class PairOut(Schema):
    """Two colours that meet, the contrast that is needed and reached, and what was asked for."""

    name: PairName
    fore: str
    back: str
    needed: float
    is_text: bool
    asked: str
    ratio: float
    moved: bool
    difference: float


class TypefacesOut(Schema):
    """A pair of typefaces by its key."""

    key: str
    heading: str
    text: str


class BrandOut(Schema):
    """The brand of the draft, measured; and what there is to choose from."""

    logo: LogoReportOut | None
    logo_dark: LogoReportOut | None
    icon: IconReportOut
    share: ShareReportOut
    colours: dict[str, list[PairOut]]
    proposals: dict[str, list[str]]
    shapes: list[str]
    forms: list[Form]
    typefaces: list[TypefacesOut]
    errors: list[FieldErrorOut]


class TokensIn(Strict):
    """A file of design tokens, JSON or CSS, as text."""

    text: str


class TokensOut(Schema):
    """What a file of tokens says: facts to take, and every colour in it by name."""

    facts: dict[str, str]
    colours: dict[str, str]
