"""The brand files of one state: logo, icon, share picture and the pictures in its texts; their addresses and bytes.

An address holds a hash of all that its file is made from, so it never says anything else, and no file has to
exist before somebody asks for it: the server keeps what ``make`` gave.
"""

import hashlib
import json
import re
from collections.abc import Callable
from dataclasses import replace
from typing import Any

from propcache.api import cached_property

from hestor.core import languages
from hestor.core.facts import document
from hestor.core.facts.assets import DrawnIcon, Logo, LogoIcon, PictureIcon
from hestor.core.facts.document import SPECS, Facts
from hestor.core.imaging import crops, icons, logos, measuring, palettes, raster, share_card, widths
from hestor.core.imaging.emblems import Emblem
from hestor.core.imaging.icons import Icon
from hestor.core.imaging.ingest import MEDIA_TYPES
from hestor.core.imaging.raster import Master
from hestor.core.text import lines
from hestor.rendering.response import Response
from hestor.rendering.shown import Shown
from hestor.rendering.typesetting import Typesetting

GENERATOR_VERSION = 1
"""Counts up when the same facts would make other files, so that their addresses change too."""

PREFIX = "/_hestor/"
_NAME = re.compile(r"(icon|logo|logodark|logophone|share)-([0-9a-f]{16})/([\w.-]{1,40})")
_PICTURE = re.compile(r"pic-([0-9a-f]{32})(?:/(\d{1,4})\.(avif|webp|jpg|png)|(\.svg))?")
_PAGE_SHARE = re.compile(r"share-[0-9a-f]{16}/([0-9a-f]{32})\.jpg")
_TYPES = {
    "svg": "image/svg+xml",
    "ico": "image/vnd.microsoft.icon",
    "png": "image/png",
    "jpg": "image/jpeg",
    "webp": "image/webp",
    "avif": "image/avif",
}
DRAWN_FROM = tuple(key for key, spec in SPECS.items() if spec.visual or spec.drawn)
"""The facts that a brand file can depend on: those about looks, and those written on the share picture."""
_BOLD = 700
_IN_PLACE_OF_LETTERS = "sprout"
Masters = Callable[[str], Master | None]


def _hash(recipe: Any) -> str:
    return hashlib.sha256(json.dumps([GENERATOR_VERSION, recipe], sort_keys=True).encode()).hexdigest()[:16]


def emblem_of(facts: Facts, icon: DrawnIcon | None) -> Emblem:
    """What an icon made here shows; without one, the starter icon: the name's first letter on the site's colour."""
    icon = icon or DrawnIcon()
    letters = icon.letters or ("" if icon.shape else lines.first_letter(facts.name))
    return Emblem(letters, icon.shape, icon.form, icon.ground or facts.brand_colour, icon.ground_to, icon.shadow)


class BrandFiles:
    """The brand files that facts ask for. ``masters`` gives a picture by its key, or None if it is lost."""

    def __init__(self, facts: Facts, masters: Masters, root: str = "") -> None:
        self.facts = facts
        self._masters = masters
        self._root = root + PREFIX

    def _logo_master(self, fact: Logo | None) -> Master | None:
        return self._masters(fact.picture) if fact else None

    @cached_property
    def _icon_recipe(self) -> Any:
        fact = self.facts.icon
        if isinstance(fact, PictureIcon):
            return ["picture", fact.picture, fact.crop]
        if isinstance(fact, LogoIcon) and self.facts.logo:
            return ["logo", self.facts.logo.model_dump(mode="json", exclude={"description"}), fact.crop]
        drawn = emblem_of(self.facts, fact if isinstance(fact, DrawnIcon) else None)
        return ["drawn", drawn.__dict__, self.facts.typefaces, *self._typesetting.further_fonts(drawn.letters)]

    @cached_property
    def icon_folder(self) -> str:
        """The address below which the icon's files are."""
        return f"{self._root}icon-{_hash(self._icon_recipe)}/"

    @cached_property
    def icon_names(self) -> tuple[str, ...]:
        """The names of the icon's files."""
        kind, *recipe = self._icon_recipe
        if kind == "drawn":
            return icons.NAMES
        master = self._masters(recipe[0] if kind == "picture" else recipe[0]["picture"])
        return icons.NAMES if master is None or master.kind == "svg" else icons.NAMES[1:]

    def icon(self) -> Icon:
        """The icon, to be drawn."""
        fact = self.facts.icon
        if isinstance(fact, PictureIcon) and (master := self._masters(fact.picture)):
            return icons.CroppedIcon(master, crops.squared(fact.crop, master))
        if isinstance(fact, LogoIcon) and self.facts.logo and (master := self._masters(self.facts.logo.picture)):
            return icons.CroppedIcon(master, crops.squared(fact.crop or crops.proposed(master), master))
        return self._drawn_icon(emblem_of(self.facts, fact if isinstance(fact, DrawnIcon) else None))

    def _drawn_icon(self, emblem: Emblem) -> Icon:
        """Letters that no font has are never an empty square: a shape stands there, until there are others."""
        letters = self._typesetting.drawn(emblem.letters)
        if emblem.letters and not letters:
            return icons.DrawnIcon(replace(emblem, letters="", shape=_IN_PLACE_OF_LETTERS), None)
        return icons.DrawnIcon(emblem, self._typesetting.written(letters, _BOLD).outline if letters else None)

    @property
    def _typesetting(self) -> Typesetting:
        return Typesetting(self.facts.typefaces, self.facts.language)

    def _shown_logo(self, fact: Logo | None, kind: str) -> Shown | None:
        width = self._width_of(kind)
        master = self._logo_master(fact)
        if fact is None or master is None:
            return None
        sizes = logos.plan(master, logos.part(fact.trim), width)
        folder = f"{self._root}{kind}-{_hash([fact.model_dump(mode='json', exclude={'description'}), width])}/"
        ending = _fallback(master)

        def srcset(ending: str) -> str:
            return ", ".join(f"{folder}{size.scale}x.{ending} {size.scale}x" for size in sizes)

        return Shown(
            src=f"{folder}1x.{ending}",
            width=sizes[0].width,
            height=sizes[0].height,
            alt=fact.description or self.facts.name,
            srcset=srcset(ending),
            sources=((_TYPES["webp"], srcset("webp")),),
        )

    @cached_property
    def logo_width(self) -> int:
        """The logo's width in CSS pixels: as set, else sensible for its shape."""
        if self.facts.logo_width or self.facts.logo is None:
            return self.facts.logo_width
        master = self._logo_master(self.facts.logo)
        return logos.sensible_width(raster.ratio(master, logos.part(self.facts.logo.trim))) if master else 0

    def _width_of(self, kind: str) -> int:
        """How wide a logo is, by what it is for."""
        return logos.PHONE_WIDTH if kind == "logophone" else self.logo_width

    @property
    def has_banner(self) -> bool:
        """Whether the logo takes a line of the header for itself."""
        return self.logo is not None and self.logo.width > logos.BANNER

    @cached_property
    def logo(self) -> Shown | None:
        """The logo as the header shows it."""
        return self._shown_logo(self.facts.logo, "logo")

    @cached_property
    def logo_dark(self) -> Shown | None:
        """The logo for dark grounds, if there is one of its own."""
        return self._shown_logo(self.facts.logo_dark, "logodark") if self.facts.logo else None

    @cached_property
    def logo_phone(self) -> Shown | None:
        """What narrow windows show of a logo that is a banner, if it is something of its own."""
        return self._shown_logo(self.facts.logo_phone, "logophone") if self.has_banner else None

    @property
    def _logos(self) -> tuple[tuple[str, Shown | None, Logo | None], ...]:
        """All logos: what each is for, how it is shown, and the fact that says it."""
        facts = self.facts
        return (
            ("logo", self.logo, facts.logo),
            ("logodark", self.logo_dark, facts.logo_dark),
            ("logophone", self.logo_phone, facts.logo_phone),
        )

    def _share_recipe(self) -> Any:
        facts = self.facts
        if facts.share_picture and self._masters(facts.share_picture.picture):
            return ["picture", facts.share_picture.picture, facts.brand_colour]
        logo = facts.logo.model_dump(mode="json", exclude={"description"}) if facts.logo else self._icon_recipe
        words = [facts.name, facts.tagline, facts.logo_says_name, facts.language]
        runs = self._typesetting.further_fonts(facts.name, facts.tagline)
        return ["composed", logo, words, facts.brand_colour, facts.accent_colour, facts.typefaces, *runs]

    @cached_property
    def share(self) -> Shown:
        """The picture of the site where its address is shared."""
        facts = self.facts
        # What can't be drawn is not said to be there; a name that the logo says is seen all the same.
        name = facts.name if self._logo_names_it else self._typesetting.drawn(facts.name)
        composed = ": ".join(filter(None, (name, self._typesetting.drawn(facts.tagline))))
        own = facts.share_picture.description if facts.share_picture else ""
        return Shown(
            f"{self._root}share-{_hash(self._share_recipe())}/share.jpg",
            share_card.WIDTH,
            share_card.HEIGHT,
            own or composed,
        )

    @property
    def undrawn_of_icon(self) -> str:
        """Letters of an icon made here that no font has."""
        kind, *recipe = self._icon_recipe
        return self._typesetting.undrawn(recipe[0]["letters"]) if kind == "drawn" else ""

    @property
    def undrawn_of_share(self) -> str:
        """Letters of a composed share picture that no font has."""
        if self._share_recipe()[0] != "composed":
            return ""
        return self._typesetting.undrawn("" if self._logo_names_it else self.facts.name, self.facts.tagline)

    @property
    def _logo_names_it(self) -> bool:
        """Whether a composed share picture leaves the name to the logo."""
        return self.facts.logo_says_name and self._logo_master(self.facts.logo) is not None

    def picture(self, key: str, alt: str = "") -> Shown | None:
        """A picture in a text, in a few widths; None if there is none of that key."""
        master = self._masters(key)
        if master is None:
            return None
        folder, ending = f"{self._root}pic-{key}", _fallback(master)
        if master.kind == "svg":
            # Web servers in front tell the type of a file by its ending.
            return Shown(f"{folder}.svg", master.width, master.height, alt, medium=f"{folder}.svg")
        offered = widths.offered(master.width)

        def srcset(ending: str) -> str:
            return ", ".join(f"{folder}/{width}.{ending} {width}w" for width in offered)

        largest = offered[-1]
        high = max(1, round(largest * master.height / master.width))
        # AVIF saves on photographs; what is drawn is smaller in a WebP without loss.
        modern = ("avif", "webp") if master.kind == "jpeg" else ("webp",)
        sources = tuple((_TYPES[one], srcset(one)) for one in modern)
        medium = f"{folder}/{widths.for_feed(master.width)}.{ending}"
        return Shown(f"{folder}/{largest}.{ending}", largest, high, alt, srcset(ending), sources, medium)

    def page_share(self, key: str, alt: str = "") -> Shown | None:
        """A page's own picture where its address is shared."""
        if self._masters(key) is None:
            return None
        return Shown(f"{self._root}share-{_hash(['page', key])}/{key}.jpg", share_card.WIDTH, share_card.HEIGHT, alt)

    def settled(self, path: str = "") -> "BrandFiles":
        """The same with the pictures of its facts and of ``path`` looked up: fit to be sent to another process."""
        keys = {*document.pictures_in(self.facts).values(), *filter(None, [picture_key(path)])}
        found = {key: master for key in sorted(keys) if (master := self._masters(key))}
        return BrandFiles(self.facts, found.get, self._root.removesuffix(PREFIX))

    def names(self, path: str) -> bool:
        """Whether one of these files is at an address below PREFIX, or a picture that depends on no fact."""
        name, local = path.removeprefix(PREFIX), path.removeprefix(self._root.removesuffix(PREFIX))
        if match := _PICTURE.fullmatch(name):
            return self._has_picture(match[1], match[2], match[3], bool(match[4]))
        if match := _PAGE_SHARE.fullmatch(name):
            share = self.page_share(match[1])
            return share is not None and self._is(share.src, path)
        if self._is(self.share.src, path):
            return True
        folder, _, file = local.rpartition("/")
        if self._is(self.icon_folder, folder + "/"):
            return file in self.icon_names
        logos_named = (address for _, shown, _ in self._logos if shown for address in shown.addresses)
        return any(self._is(one, path) for one in logos_named)

    def _has_picture(self, key: str, width: str | None, ending: str | None, as_drawing: bool) -> bool:
        master = self._masters(key)
        if master is None or width is None:
            return master is not None and (not as_drawing or master.kind == "svg")
        shown = self.picture(key)
        return shown is not None and f"{self._root}pic-{key}/{width}.{ending}" in shown.addresses

    def make(self, path: str) -> Response | None:
        """The file at an address below PREFIX, if it is one of these."""
        return self.generate_all(path).get(path)

    def generate_all(self, path: str) -> dict[str, Response]:
        """The file at an address below PREFIX and those that are made with it in one go, by their addresses."""
        name = path.removeprefix(PREFIX)
        if not self.names(path):
            return {}
        if match := _PICTURE.fullmatch(name):
            made = self._picture_file(match[1], match[2], match[3])
            return {path: made} if made else {}
        folder = path.rpartition("/")[0] + "/"
        if self._is(self.icon_folder, folder):
            icon = self.icon()
            return {
                folder + each_name: _file(each_name, icons.make(icon, each_name)) for each_name in icons.names_of(icon)
            }
        for kind, shown, fact in self._logos:
            if shown and fact and self._is(shown.src.rpartition("/")[0] + "/", folder):
                return {
                    f"{folder}{scale}x.{end}": _file(f"x.{end}", body)
                    for (scale, end), body in self._logo_files(fact, self._width_of(kind)).items()
                }
        return self._share_file(path, name.rpartition("/")[2])

    def _is(self, folder: str, path: str) -> bool:
        return folder.removeprefix(self._root.removesuffix(PREFIX)) == path

    def _logo_files(self, fact: Logo, width: int) -> dict[tuple[int, str], bytes]:
        master = self._logo_master(fact)
        if master is None:
            return {}
        part = logos.part(fact.trim)
        return logos.files(master, part, fact.recolour, logos.plan(master, part, width))

    def _share_file(self, path: str, name: str) -> dict[str, Response]:
        if self._is(self.share.src, path):
            return {path: _file(name, share_card.file(self._share_image()))}
        key = name.removesuffix(".jpg")
        page, master = self.page_share(key), self._masters(key)
        if page and master and self._is(page.src, path):
            return {path: _file(name, share_card.file(share_card.from_picture(master, palettes.GROUND["light"])))}
        return {}

    def _share_image(self) -> Any:
        facts = self.facts
        themes = palettes.themes(facts.brand_colour, facts.accent_colour)
        if facts.share_picture and (master := self._masters(facts.share_picture.picture)):
            return share_card.from_picture(master, themes["light"].tint)
        logo = None
        if facts.logo and (master := self._masters(facts.logo.picture)):
            logo = raster.drawn_within(master, 720, logos.part(facts.logo.trim))
            logo = measuring.recoloured(logo, facts.logo.recolour) if facts.logo.recolour else logo
        name = "" if self._logo_names_it else facts.name
        words = share_card.Words(name, facts.tagline, languages.direction(facts.language))
        return share_card.composed(
            logo, self.icon().at(256), words, (themes["light"], themes["dark"]), self._typesetting
        )

    def _picture_file(self, key: str, width: str | None, ending: str | None) -> Response | None:
        master = self._masters(key)
        if master is None:
            return None
        if width is None or ending is None:
            return Response(200, MEDIA_TYPES[master.kind], master.body, immutable=True)
        image = raster.draw(master, int(width), max(1, round(int(width) * master.height / master.width)))
        lossless = master.kind != "jpeg"
        writers: dict[str, Callable[[], bytes]] = {
            "avif": lambda: raster.avif(image),
            "webp": lambda: raster.webp(image, lossless),
            "jpg": lambda: raster.jpeg(image),
            "png": lambda: raster.png(image),
        }
        return _file(f"x.{ending}", writers[ending]())


def _fallback(master: Master) -> str:
    return "jpg" if master.kind == "jpeg" else "png"


def picture_key(path: str) -> str:
    """The picture that a file is made of by its address alone, whatever the facts say; empty where there is none."""
    name = path.removeprefix(PREFIX)
    found = _PICTURE.fullmatch(name) or _PAGE_SHARE.fullmatch(name)
    return found[1] if found else ""


def is_address(path: str) -> bool:
    """Whether an address has the form of a brand file's."""
    return bool(picture_key(path)) or media_type(path.removeprefix(PREFIX)) is not None


def media_type(name: str) -> str | None:
    """The media type of a brand file, by its name below PREFIX; None for a name that none has."""
    ending = name.rpartition(".")[2]
    is_ours = _NAME.fullmatch(name) or ((match := _PICTURE.fullmatch(name)) and match[2])
    return _TYPES.get(ending) if is_ours else None


def _file(name: str, body: bytes) -> Response:
    return Response(200, _TYPES[name.rpartition(".")[2]], body, immutable=True)
