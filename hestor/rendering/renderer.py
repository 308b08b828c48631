"""One state of a site by the renderer: finds out what a path asks for, and makes the bytes."""

from collections.abc import Callable, Mapping
from datetime import datetime

from propcache.api import cached_property

from hestor import translations
from hestor.core import languages
from hestor.core.messages.kinds import MessageKind
from hestor.core.pages.fields import Kind
from hestor.core.pages.pagination import POSTS_A_PAGE, page_count, page_number, page_path, split_number
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import StyleReading, read_style
from hestor.rendering import (
    card,
    contact_page,
    events,
    feed,
    files,
    ics,
    message,
    news,
    not_found,
    page,
    sitemap,
    static_files,
)  # fmt: skip
from hestor.rendering.brand_files import BrandFiles
from hestor.rendering.contact_page import FormState
from hestor.rendering.frame import JINJA, Frame, Preview
from hestor.rendering.message import Message
from hestor.rendering.response import HTML, Response
from hestor.rendering.state import Page, SiteState

# What a site without an edition looks like.
_PLAIN = ("#3d4f7c", "", "reading")


class Renderer:
    """A state at a moment. Holds what all its pages share, so that it is made once."""

    def __init__(self, state: SiteState, now: datetime, preview: Preview | None = None) -> None:
        self.state = state
        self.frame = Frame(state, now, preview)

    @property
    def brand(self) -> BrandFiles:
        """The state's brand files."""
        return self.frame.brand

    def respond(self, path: str) -> Response:
        """What the site says at ``path``; always a response, if only that there is nothing."""
        if path.startswith(static_files.PREFIX):
            return static_files.respond(path) or self.brand.make(path) or self.not_found()
        if make := _FILES.get(path):
            return make(self)
        if found_page := self.state.page(path):
            return self.page(found_page)
        below = self._numbered_page(path) or self._month_page(path) or self._own_calendar(path) or self._sent(path)
        below = below or sitemap.part(self.frame, path)
        return below or self._elsewhere(path) or self.not_found()

    def page(self, page: Page) -> Response:
        """A page as the state has it, or with other words."""
        return _KINDS[page.kind](self.frame, page)

    def _month_page(self, path: str) -> Response | None:
        """A month of the news, or of the events."""
        for named, make in ((self.state.news, news.month_page), (self.state.event_list, events.respond)):
            listed = named()
            month = events.month_at(path, listed[0]) if listed else None
            found = self.state.page(listed[0]) if listed and month else None
            if found and month:
                return make(self.frame, found, month)
        return None

    def _sent(self, path: str) -> Response | None:
        """What a sender reads when a message has arrived."""
        found = self.form_page(path.removesuffix(contact_page.SENT)) if path.endswith(f"/{contact_page.SENT}") else None
        return contact_page.sent(self.frame, found) if found else None

    def form_page(self, path: str) -> Page | None:
        """The contact page at an address, if it has a form."""
        found = self.state.page(path) if "form" in self.frame.facts.contact_parts.page else None
        return found if found and found.kind == "contact" else None

    def form(self, page: Page, form: FormState) -> Response:
        """The contact page with what was typed into its form."""
        return contact_page.respond(self.frame, page, form)

    def _own_calendar(self, path: str) -> Response | None:
        """The calendar file of one event."""
        found = self.state.page(path.removesuffix(events.OWN_FILE)) if path.endswith(f"/{events.OWN_FILE}") else None
        return ics.single(self.frame, found) if found else None

    def _elsewhere(self, path: str) -> Response | None:
        """Leads on to where a page is: with the slash at its end, or where it has moved to.

        Only to a page that is there, from an address at which none is; so it never leads in a circle.
        """
        full = path if path.endswith("/") else f"{path}/"
        is_there = full != path and (self.state.page(full) or self._numbered(full))
        found = full if is_there else self.state.moved(full) or self._moved_list(full)
        return Response(301, HTML, location=self.frame.root + files.address("", found)) if found else None

    def _moved_list(self, path: str) -> str | None:
        """Where a numbered page of the news list is, now that the list itself has another address."""
        former, number = split_number(path)
        moved = self.state.moved(former) if number else None
        found = page_path(moved, number) if moved and number else None
        return found if found and self._numbered(found) else None

    def _numbered(self, path: str) -> tuple[str, int] | None:
        """The list and the number that a path names, if there are as many pages."""
        listed = self.state.news()
        number = page_number(path, listed[0]) if listed else None
        if not listed or not number or number > page_count(self.state.post_count()):
            return None
        return listed[0], number

    def _numbered_page(self, path: str) -> Response | None:
        named = self._numbered(path)
        found = self.state.page(named[0]) if named else None
        return news.respond(self.frame, found, named[1]) if named and found else None

    def read(self, path: str) -> PageReading | None:
        """The page at ``path`` read back with its stylesheet; None where there is no page."""
        response = self.respond(path)
        if response.status != 200 or response.media_type != HTML:
            return None
        return PageReading(response.body, self.style)

    @cached_property
    def style(self) -> StyleReading:
        """The stylesheet of the site's pages, read back."""
        return read_style(static_files.style(static_files.style_key(self.frame.facts)))

    def message(self, kind: MessageKind, said: Mapping[str, str]) -> Message:
        """A message from the site; ``said`` are the texts that its own fill-ins stand for."""
        return message.render(self.frame, kind, said)

    def not_found(self) -> Response:
        """The page that says that an address leads nowhere: the owner's, where there is one, else Hestor's own."""
        own = self.state.not_found_page()
        if own:
            return not_found.respond(self.frame, own)
        heading = self.frame.word("not_found.title")
        title = self.frame.title("", heading)
        preloads = self.frame.preloads(heading, "")
        return self.frame.html("not_found.html.jinja", 404, title=title, preloads=preloads, path="")

    def closed(self, until: datetime | None) -> Response:
        """What visitors read of a site that is closed for a while; nothing in it leads to what they can't see now."""
        heading = self.frame.word("closed.title")
        said = {
            "title": self.frame.title("", heading),
            "preloads": self.frame.preloads(heading, ""),
            "until": self.frame.moment(until) if until else "",
            "path": "",
        }
        hidden = {"menu": (), "feed_url": "", "calendar_url": "", "card_url": "", "side": "", "notice": ""}
        return self.frame.html("closed.html.jinja", 503, **said, **hidden)

    def _feed(self) -> Response:
        if not self.frame.has_news:
            return self.not_found()
        return feed.respond(self.frame, self.state.posts(0, POSTS_A_PAGE))

    def _calendar(self) -> Response:
        return ics.whole(self.frame) if self.frame.has_dates_ahead else self.not_found()

    def _card(self) -> Response:
        return card.respond(self.frame) or self.not_found()

    def paths(self) -> list[str]:
        """The addresses of all pages, the numbered pages of the news list included."""
        return list(sitemap.entries(self.frame))

    def files(self) -> tuple[str, ...]:
        """The addresses of all files that are no pages; some may lead nowhere."""
        return (*FILES, *sitemap.parts(self.frame))

    def _sitemap(self) -> Response:
        return sitemap.respond(self.frame)

    def _robots(self) -> Response:
        return Response(200, "text/plain; charset=utf-8", files.robots(self.state.origin))

    def _manifest(self) -> Response:
        body = files.manifest(self.frame.facts, self.brand)
        return Response(200, "application/manifest+json; charset=utf-8", body)

    def _favicon(self) -> Response:
        made = self.brand.make(f"{self.frame.public_brand.icon_folder}favicon.ico")
        return Response(200, made.media_type, made.body) if made else self.not_found()


_KINDS: Mapping[Kind, Callable[[Frame, Page], Response]] = {
    "page": page.respond,
    "post": page.respond,
    "news": lambda frame, found: news.respond(frame, found, 1),
    "event": events.event,
    "events": events.respond,
    "contact": contact_page.respond,
    "imprint": contact_page.imprint,
    "not_found": not_found.respond,
}
_FILES: Mapping[str, Callable[[Renderer], Response]] = {
    "/feed.xml": Renderer._feed,
    ics.PATH: Renderer._calendar,
    card.PATH: Renderer._card,
    sitemap.PATH: Renderer._sitemap,
    "/robots.txt": Renderer._robots,
    "/site.webmanifest": Renderer._manifest,
    "/favicon.ico": Renderer._favicon,
}


FILES = tuple(_FILES)
"""The addresses of all files that are no pages."""


def render(state: SiteState, path: str, now: datetime, preview: Preview | None = None) -> Response:
    """What the state says at ``path`` at the moment ``now``."""
    return Renderer(state, now, preview).respond(path)


def unpublished(language: str) -> Response:
    """What a site says that has no edition yet."""
    spoken = translations.spoken("public", language)
    text = JINJA.get_template("unpublished.html.jinja").render(
        words=translations.catalogue("public", spoken),
        language=spoken,
        direction=languages.direction(spoken),
        style_url=static_files.style_url(_PLAIN),
    )
    return Response(404, HTML, text.encode())
