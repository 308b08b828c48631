"""The band of logo and icon: the facts that are pictures, or are drawn."""

from collections.abc import Callable
from typing import Annotated, Any, Literal

from hestor.core.facts import assets, rules
from hestor.core.facts.assets import PROBE_KEY, DrawnIcon, IconFact, Logo, SharePicture
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words
from hestor.core.imaging import logos
from hestor.core.places.place import Place, Variant

# Empty, a plate lies where the logo can't be made out without one (``core.facts.plates``).
Plate = Literal["", "none", "light", "dark", "both"]
_PLATES: tuple[Plate, ...] = ("", "none", "light", "dark", "both")


def _logo_words(logo: Logo | None) -> Words:
    if logo is None:
        return Words()
    return Words("value.recoloured", (("colour", logo.recolour),)) if logo.recolour else Words("value.picture")


def _plate_words(plate: str) -> Words:
    return Words(f"value.plate.{plate or 'needed'}")


def _width_words(width: int) -> Words:
    return Words("value.width", (("width", width),)) if width else Words("value.by_shape")


def _yes_words(value: bool) -> Words:
    return Words("value.yes" if value else "value.no")


def _icon_words(icon: IconFact | None) -> Words:
    if icon is None:
        return Words("value.starter")
    if not isinstance(icon, DrawnIcon):
        return Words("value.logo" if icon.source == "logo" else "value.picture")
    if icon.letters:
        return Words("value.drawn_letters", (("letters", icon.letters),))
    return Words("value.drawn_shape", (("shape", icon.shape),)) if icon.shape else Words("value.drawn")


def _share_words(picture: SharePicture | None) -> Words:
    return Words("value.picture" if picture else "value.composed")


def _other_logo(key: str) -> Callable[[Any], Logo]:
    return lambda facts: (getattr(facts, key) or Logo(picture=PROBE_KEY)).model_copy(update={"picture": PROBE_KEY})


def _other_icon(facts: Any) -> DrawnIcon:
    leaf = DrawnIcon(shape="leaf", ground="#7a5300")
    return leaf if facts.icon != leaf else DrawnIcon(shape="sun", ground="#00537a")


def _other_width(facts: Any) -> int:
    """A width that is neither the one that is set nor, in all likelihood, the one that the shape suggests."""
    return logos.MOST_WIDTH if facts.logo_width != logos.MOST_WIDTH else logos.LEAST_WIDTH


def _further_logo(key: str) -> FactSpec:
    """A logo that stands in for the logo somewhere, edited in its row."""
    return FactSpec(
        Band.BRAND,
        assets.logo,
        _other_logo(key),
        editor="logo",
        within="logo",
        in_words=_logo_words,
        visual=True,
        texts=("description",),
        per_language=True,
    )


class BrandFacts(FactGroup):
    """Logo, icon and share picture."""

    logo: Annotated[
        Logo | None,
        FactSpec(
            Band.BRAND,
            assets.logo,
            _other_logo("logo"),
            editor="logo",
            slots=(
                Slot(Place.HEADER),
                Slot(Place.HEADER, variant=Variant.DARK),
                Slot(Place.HEADER, variant=Variant.PHONE),
                Slot(Place.MESSAGE),
            ),
            in_words=_logo_words,
            visual=True,
            texts=("description",),
            missed=True,
            per_language=True,
            needed=True,
        ),
    ] = None
    logo_dark: Annotated[Logo | None, _further_logo("logo_dark")] = None
    logo_phone: Annotated[Logo | None, _further_logo("logo_phone")] = None
    logo_plate: Annotated[
        Plate,
        FactSpec(
            Band.BRAND,
            rules.OneOf(_PLATES),
            lambda facts: "both" if facts.logo_plate != "both" else "light",
            editor="logo",
            within="logo",
            derived=lambda facts: "",
            in_words=_plate_words,
            visual=True,
        ),
    ] = ""
    logo_width: Annotated[
        int,
        FactSpec(
            Band.BRAND,
            rules.Pixels(logos.LEAST_WIDTH, logos.MOST_WIDTH),
            _other_width,
            editor="logo",
            within="logo",
            derived=lambda facts: str(facts.logo_width or ""),
            in_words=_width_words,
            visual=True,
        ),
    ] = 0
    logo_says_name: Annotated[
        bool,
        FactSpec(
            Band.BRAND,
            rules.yes_or_no,
            lambda facts: not facts.logo_says_name,
            editor="logo",
            within="logo",
            in_words=_yes_words,
            visual=True,
        ),
    ] = False
    icon: Annotated[
        IconFact | None,
        FactSpec(
            Band.BRAND,
            assets.icon,
            _other_icon,
            editor="icon",
            slots=(
                Slot(Place.TAB),
                Slot(Place.TAB, variant=Variant.DARK),
                Slot(Place.MANIFEST, variant=Variant.ROUND),
                Slot(Place.MANIFEST, variant=Variant.ROUNDED),
                Slot(Place.TAB, variant=Variant.BOOKMARK),
            ),
            derived=lambda facts: "",
            in_words=_icon_words,
            visual=True,
            missed=True,
            needed=True,
        ),
    ] = None
    share_picture: Annotated[
        SharePicture | None,
        FactSpec(
            Band.COLOURS,
            assets.share_picture,
            lambda facts: SharePicture(picture=PROBE_KEY),
            editor="share",
            slots=(Slot(Place.SHARE),),
            derived=lambda facts: "",
            in_words=_share_words,
            visual=True,
            texts=("description",),
            per_language=True,
        ),
    ] = None
