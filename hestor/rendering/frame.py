"""What all pages of one state share: the values of fill-ins, the words of its language, brand files, head and foot."""

from collections.abc import Hashable, Mapping
from dataclasses import dataclass, replace
from datetime import datetime
from functools import lru_cache
from typing import Any

from jinja2 import Environment, PackageLoader, StrictUndefined
from markupsafe import Markup
from propcache.api import cached_property

from hestor.core import languages
from hestor.core.added import code
from hestor.core.events import occurrences
from hestor.core.facts import document, organisation, plates
from hestor.core.facts import frame as frame_facts
from hestor.core.facts import titles as title_facts
from hestor.core.imaging import palettes
from hestor.core.pages import posting, titles
from hestor.core.reading.head import ADDED_BEGIN, ADDED_END
from hestor.core.text import markdown
from hestor.rendering import contact, details, faces, opening, publisher, static_files
from hestor.rendering.brand_files import BrandFiles
from hestor.rendering.response import HTML, Response
from hestor.rendering.state import MenuItem, Page, SiteState
from hestor.rendering.voice import Voice

JINJA = Environment(
    loader=PackageLoader("hestor.rendering"),
    autoescape=True,
    undefined=StrictUndefined,
    auto_reload=False,
    trim_blocks=True,
    lstrip_blocks=True,
)


@dataclass(frozen=True)
class Preview:
    """A private preview of a state that is not, or need not be, live: ``root`` is the address it is under.

    ``edition`` is the number of the edition that is previewed, or None for the draft. ``bare`` leaves out the code of
    others, so that a site can be looked at whatever that code does. ``desk`` is the origin of the desk, which may put
    words into the page while they are being typed.
    """

    root: str
    edition: int | None = None
    bare: bool = False
    desk: str = ""


@lru_cache(maxsize=64)
def _side_text(source: str) -> str:
    return markdown.compile_text(source).html


class Frame(Voice):
    """What all pages of a state share, so that it is made once."""

    def __init__(self, state: SiteState, now: datetime, preview: Preview | None = None) -> None:
        super().__init__(state.facts, now)
        self.state = state
        self.preview = preview
        self.root = preview.root if preview else state.folder
        self.values = replace(
            self.values,
            contact=contact.text(self.facts),
            next_day=self._next_day,
            hours=lambda: opening.today(self),
            open=lambda: opening.status_line(self),
        )
        self.brand = BrandFiles(self.facts, state.master, self.root)
        self._parts: dict[tuple[Hashable, ...], Markup] = {}

    @cached_property
    def public_brand(self) -> BrandFiles:
        """The brand files by their public addresses, also within a private preview."""
        return BrandFiles(self.facts, self.state.master) if self.root else self.brand

    def _next_day(self, name: str) -> str:
        """The next day of an event, in the long form; that there is none, where there is none."""
        event = self.state.event(name)
        found = occurrences.upcoming(event.schedule, self.facts.time_zone, self.now, 1) if event else []
        return self.day(found[0].day) if found else self.word("next.none")

    def changed(self, page: Page) -> datetime | None:
        """When a page's words last changed for its readers."""
        return posting.changed(page.published, page.worded, self.facts.time_zone, page.published_at)

    def part(self, name: str, **what: Hashable) -> Markup:
        """A part of the frame that is the same on all pages for which ``what`` is the same, rendered once."""
        key = name, *what.values()
        part = self._parts.get(key)
        if part is None:
            rendered = JINJA.get_template(f"parts/{name}.html.jinja").render(self.shared, **what).strip()
            part = self._parts[key] = Markup(f"{rendered}\n" if rendered else "")  # noqa: S704
        return part

    def html(self, template: str, status: int = 200, **values: Any) -> Response:
        """A page from its template."""
        text = JINJA.get_template(template).render(self.shared, **values)
        try:
            return Response(status, HTML, text.encode(), policy=self._policy)
        except UnicodeEncodeError:
            return Response(status, HTML, text.encode(errors="replace"), policy=self._policy)

    @cached_property
    def added_code(self) -> code.AddedCode | None:
        """The code of others, where this look at the site has it."""
        return None if self.preview and self.preview.bare else self.facts.added_code

    @cached_property
    def _policy(self) -> tuple[tuple[str, tuple[str, ...]], ...]:
        return tuple((name, tuple(sources)) for name, sources in code.policy(self.added_code).items())

    @cached_property
    def _titling(self) -> titles.Titling:
        return title_facts.titling(self.facts, self.values)

    def title(self, path: str, page: str, section: str = "", own: str = "") -> str:
        """A title by the site's pattern; all texts come filled."""
        return titles.title_of(self._titling, path, page, section, own)

    @cached_property
    def _side(self) -> Markup:
        """The text beside every page's own."""
        compiled = _side_text(self.facts.side_text) if self.facts.side_text else ""
        compiled = markdown.with_contact(compiled, self.contact_link)
        return Markup(markdown.filled_html(compiled, self.values, self.root, self.direction))  # noqa: S704

    @cached_property
    def _notice(self) -> str:
        notice = frame_facts.notice_shown(self.facts, self.now.date())
        return self.shown(notice.text) if notice else ""

    def _cookies(self) -> dict[str, str] | None:
        cookie_notice = self.facts.cookie_notice
        return (
            {"title": self.shown(cookie_notice.title), "text": self.shown(cookie_notice.text)}
            if cookie_notice
            else None
        )

    def _html_classes(self) -> str:
        """The classes of a page's root, for what its stylesheet sets otherwise than it would."""
        found = [f"width-{self.facts.content_width}"] if self.facts.content_width != "medium" else []
        return " ".join([*(["arabic"] if self._script == "Arab" else []), *found])

    def _header_classes(self) -> str:
        facts = self.facts
        found = [f"is-{facts.header_arrangement}"] if facts.header_arrangement != "below" else []
        if "logo" in facts.header_parts and self.brand.has_banner:
            found.append("has-banner")
        return " ".join(["site-header", *found, *([f"folds-{facts.menu_fold}"] if facts.menu_fold else [])])

    @cached_property
    def has_news(self) -> bool:
        """Whether there is news, or a page for it: only then there is a feed."""
        return bool(self.state.news() or self.state.post_count())

    @cached_property
    def plate(self) -> str:
        """On which grounds a plate lies behind the logo: ``light``, ``dark``, ``both``; else empty."""
        shown = plates.grounds(self.facts, self.state.standings)
        return plates.named(shown) if shown else ""

    @cached_property
    def author(self) -> Mapping[str, Any]:
        """Who wrote the site's posts, for machines."""
        return publisher.organisation(self.facts.name, self.state.origin)

    @cached_property
    def has_dates_ahead(self) -> bool:
        """Whether there are events, or a page for them: only then there is a calendar to subscribe to."""
        return bool(self.state.event_list() or self.state.all_events())

    @cached_property
    def publisher(self) -> Mapping[str, Any]:
        """Who publishes the site, with a logo, for machines."""
        return {**self.author, "logo": publisher.logo(self.public_brand, self.state.origin)}

    @cached_property
    def _script(self) -> str:
        return languages.script(self.facts.language)

    def preloads(self, title: str, html: str) -> list[str]:
        """The fonts that a page needs at once, so that they are fetched with its stylesheet, not after it."""
        # Most pages are plain ASCII, which is told much faster than by looking for letters.
        if self._header_text.isascii() and title.isascii() and html.isascii():
            return self._plain_preloads
        return self._preloads(f"{self._header_text}{title}{html}")

    def _preloads(self, text: str) -> list[str]:
        names = faces.needed(self.facts.typefaces, self._script, text)
        return [self.root + static_files.font_url(name) for name in names]

    @cached_property
    def _plain_preloads(self) -> list[str]:
        return self._preloads("")

    @cached_property
    def _header_text(self) -> str:
        return "".join(str(getattr(self.facts, key)) for key in document.HEADER_TEXTS)

    def _entry(self, item: MenuItem) -> MenuItem:
        return MenuItem(item.path, self.shown(item.title), tuple(self._entry(child) for child in item.children))

    @cached_property
    def shared(self) -> Mapping[str, Any]:
        """What every template is given."""
        facts = self.facts
        themes = palettes.themes(facts.brand_colour, facts.accent_colour)
        return {
            "facts": facts,
            "root": self.root,
            "preview": self.preview,
            "language": facts.language,
            "direction": self.direction,
            "own": self.own,
            "between": languages.clause_separator(facts.language),
            "menu": [self._entry(item) for item in self.state.menu()],
            "footer": self.shown(facts.footer_text),
            "style_url": self.root + static_files.style_url(static_files.style_key(facts)),
            "icon_folder": self.brand.icon_folder,
            "has_svg": "icon.svg" in self.brand.icon_names,
            "logo": self.brand.logo,
            "logo_dark": self.brand.logo_dark,
            "logo_phone": self.brand.logo_phone,
            "origin": self.state.origin,
            "feed_url": f"{self.root}/feed.xml" if self.has_news else "",
            "script_url": self.root + static_files.script_url(),
            "part": self.part,
            "said": self.said,
            "said_of": self.said_of,
            "contact_lines": details.footer_lines(self),
            "card_url": f"{self.root}/contact.vcf" if details.ways_told(self.facts) else "",
            "share_locale": languages.with_country(
                facts.language, organisation.likely_country(facts.time_zone, facts.language)
            ),
            "plate": self.plate,
            "calendar_url": f"{self.root}/events.ics" if self.state.event_list() else "",
            "html_classes": self._html_classes(),
            "header_classes": self._header_classes(),
            "shows": frozenset(facts.header_parts),
            "notice": self._notice,
            "side": self._side,
            "cookies": self._cookies(),
            "added_code": Markup(self.added_code.code) if self.added_code else "",  # noqa: S704
            "code_marks": (Markup(ADDED_BEGIN), Markup(ADDED_END)),  # noqa: S704
            "left_out": (),
            "keywords": facts.keywords,
            "theme_colours": {name: theme.band for name, theme in themes.items()},
            "manifest_url": f"{self.root}/site.webmanifest",
        }
