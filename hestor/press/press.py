"""One edition at the press: finds out what a path asks for, and makes the bytes."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from functools import cached_property, lru_cache
from typing import Any

from babel.dates import format_date
from jinja2 import Environment, PackageLoader, StrictUndefined
from markupsafe import Markup

from hestor import wording
from hestor.core import fillins, languages, palettes, prose, titles, typefaces, zones
from hestor.press import assets, feed, files
from hestor.press.answer import HTML, Answer
from hestor.press.edition import Edition, MenuItem, Page
from hestor.press.leaves import POSTS_ON_A_LEAF, further_paths, leaf_count, leaf_number, leaf_path
from hestor.press.marks import PREFIX as MARKS
from hestor.press.marks import Marks, Shown

_JINJA = Environment(
    loader=PackageLoader("hestor.press"),
    autoescape=True,
    undefined=StrictUndefined,
    trim_blocks=True,
    lstrip_blocks=True,
)
_LATEST_ON_HOME = 3
# What a site without an edition looks like.
_PLAIN = ("#3d4f7c", "", "reading")


@dataclass(frozen=True)
class Look:
    """A private look at a state that is not, or need not be, live: ``root`` is the address it is under.

    ``edition`` is the number of the edition looked at, or None for the draft.
    """

    root: str
    edition: int | None = None


@dataclass(frozen=True)
class _Teaser:
    """A page as it is named in a list."""

    url: str
    title: str
    text: str
    day: str
    iso: str


@lru_cache(maxsize=4096)
def _day(day: date, language: str) -> str:
    return format_date(day, format="long", locale=languages.locale_of(language))


class Press:
    """An edition at one year. Holds what all its pages share, so that it is made once."""

    def __init__(self, edition: Edition, year: int, look: Look | None = None) -> None:
        self.edition = edition
        self.facts = edition.facts
        self.look = look
        self.root = look.root if look else ""
        self.values = fillins.Values(self.facts.name, self.facts.tagline, year)
        self.words = wording.catalogue("public", self.facts.language)
        self.marks = Marks(self.facts, edition.master, self.root)

    def answer(self, path: str) -> Answer:
        """What the site says at ``path``; always an answer, if only that there is nothing."""
        if path.startswith(assets.PREFIX):
            return assets.answer(path) or self.marks.make(path) or self._not_found()
        if make := _FILES.get(path):
            return make(self)
        if page := self.edition.page(path):
            return self._news(page, 1) if page.kind == "news" else self._page(page)
        return self._further_leaf(path) or self._slash_missing(path) or self._not_found()

    def _slash_missing(self, path: str) -> Answer | None:
        if path.endswith("/") or not self.edition.page(path + "/"):
            return None
        return Answer(301, HTML, location=self.root + files.address("", path + "/"))

    def _further_leaf(self, path: str) -> Answer | None:
        news = self.edition.news()
        number = leaf_number(path, news[0]) if news else None
        if not news or not number or number > leaf_count(self.edition.post_count()):
            return None
        page = self.edition.page(news[0])
        return self._news(page, number) if page else None

    @cached_property
    def _frame(self) -> Mapping[str, Any]:
        """What every page of this edition shares."""
        facts = self.facts
        return {
            "facts": facts,
            "words": self.words,
            "root": self.root,
            "look": self.look,
            "language": facts.language,
            "direction": languages.direction(facts.language),
            "menu": [self._entry(item) for item in self.edition.menu()],
            "footer": fillins.fill(facts.footer_text, self.values),
            "style_url": self.root + assets.style_url(assets.look_of(facts)),
            "icon_folder": self.marks.icon_folder,
            "has_svg": "icon.svg" in self.marks.icon_names,
            "logo": self.marks.logo,
            "logo_dark": self.marks.logo_dark,
            "origin": self.edition.origin,
            "feed_url": f"{self.root}/feed.xml",
            "manifest_url": f"{self.root}/site.webmanifest",
        }

    def _entry(self, item: MenuItem) -> MenuItem:
        children = tuple(self._entry(child) for child in item.children)
        return MenuItem(item.path, fillins.fill(item.title, self.values), children)

    def _title_of(self, page: Page) -> str:
        return fillins.fill(page.title, self.values)

    def _summary_of(self, page: Page) -> str:
        if page.summary:
            return fillins.fill(page.summary, self.values)
        return prose.filled_plain(page.excerpt, self.values)

    def _teaser(self, page: Page) -> _Teaser:
        day = page.published
        return _Teaser(
            self.root + page.path,
            self._title_of(page),
            self._summary_of(page),
            _day(day, self.facts.language) if day else "",
            day.isoformat() if day else "",
        )

    def _html(self, template: str, status: int = 200, **values: Any) -> Answer:
        text = _JINJA.get_template(template).render(self._frame, **values)
        return Answer(status, HTML, text.encode())

    def _page(self, page: Page) -> Answer:
        return self._html("page.html.jinja", **self.page_values(page))

    def page_values(self, page: Page) -> dict[str, Any]:
        """What the page's template is given, besides the frame."""
        home = page.path == "/"
        title, day = self._title_of(page), page.published
        latest = self.edition.posts(0, _LATEST_ON_HOME) if home else ()
        return {
            "path": page.path,
            "title": titles.title_of(page.path, title, self.facts.name, self.facts.tagline),
            "heading": title,
            "description": (home and self.facts.description) or self._summary_of(page) or self.facts.description,
            "canonical": files.address(self.edition.origin, page.path),
            # Sanitised when it was compiled, and its fill-ins are escaped.
            "text": Markup(self._with_pictures(prose.filled_html(page.html, self.values, self.root))),  # noqa: S704
            "day": _day(day, self.facts.language) if day else "",
            "iso_day": day.isoformat() if day else "",
            "trail": [(self.root + path, fillins.fill(title, self.values)) for path, title in page.trail],
            "below": [self._teaser(child) for child in self.edition.children(page.path)] if page.has_children else (),
            "latest": [self._teaser(post) for post in latest],
            "news": self.edition.news() if home else None,
            "structured": Markup(files.structured(self.facts, self.edition.origin, self._plain_marks)) if home else "",  # noqa: S704
            "share": self._share_of(page),
        }

    @cached_property
    def _plain_marks(self) -> Marks:
        """The marks by their public addresses, also within a private look."""
        return Marks(self.facts, self.edition.master) if self.root else self.marks

    def _share_of(self, page: Page) -> Shown:
        """The picture that stands for a page where its address is shared: its own first one, else the site's."""
        own = prose.first_picture(page.html)
        return (own and self._plain_marks.page_share(own)) or self._plain_marks.share

    def _with_pictures(self, html: str) -> str:
        """A page's text with each picture of the site in the widths that it comes in."""
        return prose.with_pictures(html, f"{self.root}{MARKS}", self._picture)

    def _picture(self, key: str, alt: str) -> str:
        shown = self.marks.picture(key)
        return _JINJA.get_template("picture.html.jinja").render(shown=shown, alt=Markup(alt)) if shown else ""  # noqa: S704

    def _news(self, page: Page, number: int) -> Answer:
        count = leaf_count(self.edition.post_count())
        posts = self.edition.posts((number - 1) * POSTS_ON_A_LEAF, POSTS_ON_A_LEAF)
        own = leaf_path(page.path, number)
        leaf = self.words["leaf"].format(number=number, count=count)
        values = self.page_values(page)
        if number > 1:
            title = f"{values['heading']}, {leaf}"
            values |= {"title": titles.page_title(title, self.facts.name), "path": own}
            values["canonical"] = files.address(self.edition.origin, own)
        values |= {
            "posts": [self._teaser(post) for post in posts],
            "leaf": leaf if count > 1 else "",
            "newer": self.root + leaf_path(page.path, number - 1) if number > 1 else "",
            "older": self.root + leaf_path(page.path, number + 1) if number < count else "",
        }
        return self._html("news.html.jinja", **values)

    def message(self, subject: str, paragraphs: Sequence[str]) -> bytes:
        """A message from the site as HTML, for mail: the same logo, name, colours and footer line as its pages.

        Its pictures are named by full addresses, and in the format that every mail program shows.
        """
        marks, theme = self._plain_marks, palettes.theme(self.facts.brand_colour, self.facts.accent_colour, "light")
        text = typefaces.PAIRS[self.facts.typefaces].text
        said = {
            "subject": subject,
            "paragraphs": paragraphs,
            "theme": theme,
            "fonts": f"'{text.family}',{text.fallback}",
            "logo": marks.logo,
            "icon": f"{marks.icon_folder}icon-180.png",
        }
        return _JINJA.get_template("message.html.jinja").render({**self._frame, **said}).encode()

    def _not_found(self) -> Answer:
        heading = self.words["not_found.title"]
        title = titles.page_title(heading, self.facts.name)
        return self._html("not_found.html.jinja", 404, title=title, heading=heading, path="")

    def _feed(self) -> Answer:
        posts = self.edition.posts(0, POSTS_ON_A_LEAF)
        return Answer(200, feed.MEDIA_TYPE, feed.feed(self.facts, self.values, self.edition.origin, posts))

    def paths(self) -> list[str]:
        """The addresses of all pages, the further leaves of the news list included."""
        news = self.edition.news()
        return [*self.edition.paths(), *further_paths(news[0] if news else None, self.edition.post_count())]

    def _sitemap(self) -> Answer:
        return Answer(200, "application/xml; charset=utf-8", files.sitemap(self.edition.origin, self.paths()))

    def _robots(self) -> Answer:
        return Answer(200, "text/plain; charset=utf-8", files.robots(self.edition.origin))

    def _manifest(self) -> Answer:
        return Answer(200, "application/manifest+json; charset=utf-8", files.manifest(self.facts, self.marks))

    def _favicon(self) -> Answer:
        made = self.marks.make(f"{self._plain_marks.icon_folder}favicon.ico")
        return Answer(200, made.media_type, made.body) if made else self._not_found()


_FILES: Mapping[str, Callable[[Press], Answer]] = {
    "/feed.xml": Press._feed,
    "/sitemap.xml": Press._sitemap,
    "/robots.txt": Press._robots,
    "/site.webmanifest": Press._manifest,
    "/favicon.ico": Press._favicon,
}


def render(edition: Edition, path: str, now: datetime, look: Look | None = None) -> Answer:
    """What the edition says at ``path`` at the moment ``now``."""
    return Press(edition, zones.year_in(edition.facts.time_zone, now), look).answer(path)


def unpublished(language: str) -> Answer:
    """What a site says that has no edition yet."""
    text = _JINJA.get_template("unpublished.html.jinja").render(
        words=wording.catalogue("public", language),
        language=language,
        direction=languages.direction(language),
        style_url=assets.style_url(_PLAIN),
    )
    return Answer(404, HTML, text.encode())
