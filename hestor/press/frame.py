"""What all pages of one state share: the values of fill-ins, the words of its language, brand files, head and foot."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from functools import cached_property, lru_cache
from typing import Any

from babel.dates import format_date
from jinja2 import Environment, PackageLoader, StrictUndefined

from hestor import wording
from hestor.core import languages
from hestor.core.facts import document
from hestor.core.text import fillins
from hestor.press import static_files
from hestor.press.brand_files import BrandFiles
from hestor.press.response import HTML, Response
from hestor.press.state import MenuItem, SiteState

JINJA = Environment(
    loader=PackageLoader("hestor.press"),
    autoescape=True,
    undefined=StrictUndefined,
    auto_reload=False,
    trim_blocks=True,
    lstrip_blocks=True,
)


@dataclass(frozen=True)
class Preview:
    """A private preview of a state that is not, or need not be, live: ``root`` is the address it is under.

    ``edition`` is the number of the edition that is previewed, or None for the draft.
    """

    root: str
    edition: int | None = None


@lru_cache(maxsize=4096)
def _day(day: date, language: str) -> str:
    return format_date(day, format="long", locale=languages.locale_of(language))


class Frame:
    """What all pages of a state share, so that it is made once."""

    def __init__(self, state: SiteState, year: int, preview: Preview | None = None) -> None:
        self.state = state
        self.facts = state.facts
        self.preview = preview
        self.root = preview.root if preview else ""
        self.values = document.values_of(self.facts, year)
        self.words = wording.catalogue("public", self.facts.language)
        self.brand = BrandFiles(self.facts, state.master, self.root)

    @cached_property
    def public_brand(self) -> BrandFiles:
        """The brand files by their public addresses, also within a private preview."""
        return BrandFiles(self.facts, self.state.master) if self.root else self.brand

    def filled(self, text: str) -> str:
        """A plain text with its fill-ins filled."""
        return fillins.fill(text, self.values)

    def day(self, day: date | None) -> str:
        """A day as the site's readers write it."""
        return _day(day, self.facts.language) if day else ""

    def html(self, template: str, status: int = 200, **values: Any) -> Response:
        """A page from its template."""
        return Response(
            status, HTML, JINJA.get_template(template).render(self.shared, **values).encode(errors="replace")
        )

    def _entry(self, item: MenuItem) -> MenuItem:
        return MenuItem(item.path, self.filled(item.title), tuple(self._entry(child) for child in item.children))

    @cached_property
    def shared(self) -> Mapping[str, Any]:
        """What every template is given."""
        facts = self.facts
        return {
            "facts": facts,
            "words": self.words,
            "root": self.root,
            "preview": self.preview,
            "language": facts.language,
            "direction": languages.direction(facts.language),
            "menu": [self._entry(item) for item in self.state.menu()],
            "footer": self.filled(facts.footer_text),
            "style_url": self.root + static_files.style_url(static_files.style_key(facts)),
            "icon_folder": self.brand.icon_folder,
            "has_svg": "icon.svg" in self.brand.icon_names,
            "logo": self.brand.logo,
            "logo_dark": self.brand.logo_dark,
            "origin": self.state.origin,
            "feed_url": f"{self.root}/feed.xml",
            "manifest_url": f"{self.root}/site.webmanifest",
        }
