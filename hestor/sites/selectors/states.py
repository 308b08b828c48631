"""The renderer's view of a site: an edition, or the draft, as it lies in the database."""

from collections.abc import Callable, Iterable, Sequence
from datetime import date, datetime
from threading import Lock
from typing import Any, NamedTuple, TypeVar, cast

from cachetools import LRUCache, cached
from django.conf import settings
from django.db.models import CharField, Count, Q
from django.db.models.functions import Cast, Substr

from hestor.core import zones
from hestor.core.events.month import Month
from hestor.core.events.month import read as read_month
from hestor.core.events.schedule import Schedule
from hestor.core.facts.document import Facts
from hestor.core.facts.plates import Standings
from hestor.core.pages import posting, tree
from hestor.core.pages.fields import Kind
from hestor.core.pages.tree import Node
from hestor.core.text import markdown
from hestor.pictures import selectors as pictures
from hestor.rendering.state import Event, MenuItem, Named, Page
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors import logo_measures
from hestor.sites.selectors.addresses import base_of, folder_of, key_of_pages
from hestor.sites.selectors.stored_events import stored_events, whole_events

_REMEMBERED_PAGES = 100
T = TypeVar("T")


def _compiled(revision: Revision) -> tuple[str, str]:
    """HTML and excerpt as kept, or compiled anew if an older compiler made them."""
    text = revision.text
    if text.compiler == markdown.COMPILER_VERSION:
        return text.html, text.excerpt
    compiled = markdown.compile_text(text.body)
    return compiled.html, compiled.excerpt


class _MenuRow(NamedTuple):
    page_id: int
    parent_id: int | None
    order: int
    path: str
    menu_title: str
    title: str


def _menu_item(node: Node[_MenuRow]) -> MenuItem:
    row = node.page
    return MenuItem(row.path, row.menu_title or row.title, tuple(_menu_item(child) for child in node.children))


class StoredPages:
    """The pages of one state, read as the renderer asks. ``known`` are all pages that were public up to that state."""

    def __init__(self, revisions: RevisionQuerySet, known: RevisionQuerySet) -> None:
        self.revisions = revisions
        self._known = known

    def page_of(self, revision: Revision) -> Page:
        """A page as a revision says it, that was fetched with its text and identity."""
        return self._page(revision)

    def _page(self, revision: Revision, trail: tuple[tuple[str, str], ...] = (), children: bool = False) -> Page:
        html, excerpt = _compiled(revision)
        return Page(
            path=revision.path,
            title=revision.title,
            kind=cast(Kind, revision.kind),
            html=html,
            excerpt=excerpt,
            summary=revision.summary,
            published=revision.published,
            trail=trail,
            has_children=children,
            identity=revision.page.identity,
            worded=revision.worded,
            schedule=Schedule.model_validate(revision.schedule) if revision.schedule else None,
            own_title=revision.own_title,
            published_at=revision.published_at,
            left_out=tuple(revision.left_out),
            shows_heading=revision.shows_heading,
        )

    def _trail(self, revision: Revision) -> tuple[tuple[str, str], ...]:
        above: list[tuple[str, str]] = []
        parent_id = revision.parent_id
        while parent_id and len(above) < tree.MOST_LEVELS:
            parent = self.revisions.filter(page_id=parent_id).only("path", "title", "parent_id").first()
            if parent is None:
                break
            above.insert(0, (parent.path, parent.title))
            parent_id = parent.parent_id
        return tuple(above)

    def page(self, path: str) -> Page | None:
        """The page at an address, if there is one."""
        revision = self.revisions.filter(path=path).select_related("text", "page").first()
        if revision is None:
            return None
        below = revision.kind == "page" and self._below(revision.page_id).exists()
        trail = self._trail(revision)
        listed = {"news": self.news, "events": self.event_list}.get(tree.LISTED_BY.get(revision.kind, ""))
        if listed and (list_page := listed()) and list_page not in trail:
            trail = (list_page, *trail)
        return self._page(revision, trail, below)

    def _below(self, page_id: int) -> RevisionQuerySet:
        return self.revisions.filter(parent_id=page_id, kind="page").order_by("order", "path")

    def children(self, path: str) -> Sequence[Page]:
        """The pages directly below the page at ``path``."""
        parent = self.revisions.filter(path=path).values_list("page_id", flat=True).first()
        if parent is None:
            return ()
        return [self._page(revision) for revision in self._below(parent).select_related("text", "page")]

    def not_found_page(self) -> Page | None:
        """The page that stands for all addresses that lead nowhere, if there is one."""
        revision = self.revisions.filter(kind="not_found").order_by("path").select_related("text", "page").first()
        return self._page(revision) if revision else None

    def menu(self) -> Sequence[MenuItem]:
        """The menu, in its order; an entry whose parent is not in the menu stands at the top."""
        rows = self.revisions.filter(in_menu=True).values_list(*_MenuRow._fields)
        return [_menu_item(node) for node in tree.nested([_MenuRow(*row) for row in rows])]

    @property
    def _posts(self) -> RevisionQuerySet:
        return self.revisions.filter(kind="post")

    def posts(self, start: int, count: int) -> Sequence[Page]:
        """Posts, newest first."""
        rows = self._posts.order_by("-published", "path").select_related("text", "page")[start : start + count]
        return [self._page(revision) for revision in rows]

    def post_count(self) -> int:
        """How many posts there are."""
        return self._posts.count()

    def news(self) -> Named | None:
        """Path and title of the page that lists the posts."""
        return self.revisions.filter(kind="news").values_list("path", "title").order_by("path").first()

    def post_months(self) -> Sequence[tuple[Month, int]]:
        """The months in which posts came out, the newest first, each with how many."""
        # Text functions, for those of dates are Django's own, and run in Python for each row.
        named = self._posts.annotate(month=Substr(Cast("published", CharField()), 1, 7))
        rows = named.values("month").annotate(count=Count("pk")).order_by("-month").values_list("month", "count")
        return [(month, count) for text, count in rows if (month := read_month(text or ""))]

    def posts_of(self, month: Month) -> Sequence[Page]:
        """The posts of a month, newest first."""
        rows = self._posts.filter(published__range=(month.first, month.last)).order_by("-published", "path")
        return [self._page(revision) for revision in rows.select_related("text", "page")]

    def event_list(self) -> Named | None:
        """Path and title of the page that lists the events."""
        return self.revisions.filter(kind="events").values_list("path", "title").order_by("path").first()

    def events(self, first: date, last: date) -> Sequence[Event]:
        """The events whose schedules may touch any day from ``first`` to ``last``."""
        return stored_events(self.revisions.touching(first, last))

    def all_events(self) -> Sequence[Event]:
        """All events, with what machines know them by."""
        return whole_events(self.revisions.filter(kind="event").order_by("path"))

    def first_event(self) -> str:
        """The address of the first event; empty where there is none."""
        return self.revisions.filter(kind="event").order_by("path").values_list("path", flat=True).first() or ""

    def hours_page(self) -> str:
        """The address of the first page whose text shows the opening hours, else of the contact page; empty without."""
        shown = self.revisions.filter(text__body__contains="{hours}").order_by("path")
        return shown.values_list("path", flat=True).first() or self.contact_page()

    def contact_page(self) -> str:
        """The address of the first contact page, else of the first imprint; empty where there is neither."""
        shown = self.revisions.filter(kind__in=("contact", "imprint")).order_by("kind", "path")
        return shown.values_list("path", flat=True).first() or ""

    def event(self, name: str) -> Event | None:
        """The event whose address ends with a name, if there is one."""
        named = self.revisions.filter(kind="event", path__endswith=f"/{name}/").order_by("path")
        return next(iter(stored_events(named[:1])), None)

    def around(self, post: Page) -> tuple[Named | None, Named | None]:
        """The post just older than one, and the one just newer: path and title of each."""
        same = Q(published=post.published)
        older = self._posts.filter(Q(published__lt=post.published) | same & Q(path__gt=post.path))
        newer = self._posts.filter(Q(published__gt=post.published) | same & Q(path__lt=post.path))
        return (
            older.values_list("path", "title").order_by("-published", "path").first(),
            newer.values_list("path", "title").order_by("published", "-path").first(),
        )

    def moved(self, path: str) -> str | None:
        """Where the page is now that had the address ``path`` before; of several the one that had it last."""
        former = self._known.filter(path=path).order_by("-live_from").values_list("page_id", flat=True)
        for page in dict.fromkeys(former):
            if now := self.revisions.filter(page_id=page).values_list("path", flat=True).first():
                return now
        return None

    @property
    def _addressed(self) -> RevisionQuerySet:
        return self.revisions.exclude(kind="not_found")

    def paths(self, start: int = 0, count: int | None = None) -> Iterable[tuple[str, datetime]]:
        """Addresses of pages and posts, each with when its words last changed: ``count``, or all, from ``start`` on."""
        listed = self._addressed.order_by("path").values_list("path", "worded")
        return listed[start:] if count is None else listed[start : start + count]

    def path_count(self) -> int:
        """How many addresses of pages and posts there are."""
        return self._addressed.count()


class CachedPages(StoredPages):
    """Pages that are read once: for a draft whose facts are being typed, when the pages stay as they are."""

    def __init__(self, revisions: RevisionQuerySet, known: RevisionQuerySet) -> None:
        super().__init__(revisions, known)
        self._cache: LRUCache[tuple[object, ...], Any] = LRUCache(_REMEMBERED_PAGES)

    def _once(self, key: tuple[object, ...], read: Callable[[], T]) -> T:
        try:
            return cast(T, self._cache[key])
        except KeyError:
            found = self._cache[key] = read()
            return found

    def page(self, path: str) -> Page | None:
        """The page at an address, if there is one."""
        read = super().page
        return self._once(("page", path), lambda: read(path))

    def children(self, path: str) -> Sequence[Page]:
        """The pages directly below the page at ``path``."""
        read = super().children
        return self._once(("children", path), lambda: read(path))

    def not_found_page(self) -> Page | None:
        """The page that stands for all addresses that lead nowhere, if there is one."""
        return self._once(("not found",), super().not_found_page)

    def menu(self) -> Sequence[MenuItem]:
        """The menu, in its order."""
        return self._once(("menu",), super().menu)

    def posts(self, start: int, count: int) -> Sequence[Page]:
        """Posts, newest first."""
        read = super().posts
        return self._once(("posts", start, count), lambda: read(start, count))

    def post_count(self) -> int:
        """How many posts there are."""
        return self._once(("post count",), super().post_count)

    def around(self, post: Page) -> tuple[Named | None, Named | None]:
        """The post just older than one, and the one just newer."""
        read = super().around
        return self._once(("around", post.path), lambda: read(post))

    def news(self) -> Named | None:
        """Path and title of the page that lists the posts."""
        return self._once(("news",), super().news)

    def post_months(self) -> Sequence[tuple[Month, int]]:
        """The months in which posts came out, the newest first, each with how many."""
        return self._once(("post months",), super().post_months)

    def event_list(self) -> Named | None:
        """Path and title of the page that lists the events."""
        return self._once(("event list",), super().event_list)

    def events(self, first: date, last: date) -> Sequence[Event]:
        """The events whose schedules may touch any day from ``first`` to ``last``."""
        read = super().events
        return self._once(("events", first, last), lambda: read(first, last))

    def first_event(self) -> str:
        """The address of the first event; empty where there is none."""
        return self._once(("first event",), super().first_event)

    def hours_page(self) -> str:
        """The address of the first page whose text shows the opening hours; empty where none does."""
        return self._once(("hours page",), super().hours_page)

    def contact_page(self) -> str:
        """The address of the first contact page, else of the first imprint; empty where there is neither."""
        return self._once(("contact page",), super().contact_page)

    def event(self, name: str) -> Event | None:
        """The event whose address ends with a name, if there is one."""
        read = super().event
        return self._once(("event", name), lambda: read(name))


def _standings(site_id: int, facts: Facts) -> Standings:
    """How the logo stands on each ground, where pages depend on it."""
    needed = facts.logo is not None and not facts.logo_plate
    return logo_measures.standings(site_id, facts.logo) if needed and facts.logo else {}


class StoredState:
    """One state of a site: its facts, and its pages as they are asked for."""

    def __init__(self, site: Site, facts: Facts, pages: StoredPages) -> None:
        self.facts = facts if settings.ADDED_CODE else facts.model_copy(update={"added_code": None})
        self.master = pictures.masters(site.pk)
        # Addresses begin with the folder that the site is in, where it is in one.
        self.origin, self.folder = base_of(site), folder_of(site)
        self.revisions = pages.revisions
        self.page = pages.page
        self.children = pages.children
        self.menu = pages.menu
        self.not_found_page = pages.not_found_page
        self.posts = pages.posts
        self.post_count = pages.post_count
        self.news = pages.news
        self.paths, self.path_count, self.all_events = pages.paths, pages.path_count, pages.all_events
        self.around = pages.around
        self.moved = pages.moved
        self.post_months, self.posts_of = pages.post_months, pages.posts_of
        self.event_list, self.events, self.event = pages.event_list, pages.events, pages.event
        self.first_event, self.hours_page = pages.first_event, pages.hours_page
        self.contact_page = pages.contact_page
        self.identity = site.identity
        # Found before anything is rendered: measuring waits for the sandbox, and no lock may be held while waiting.
        self.standings = _standings(site.pk, facts)


def _public(site: Site, number: int | None = None) -> RevisionQuerySet:
    """All that was public, up to the edition ``number``."""
    found = Revision.objects.filter(site=site, language=site.language, live_from__isnull=False)
    return found if number is None else found.filter(live_from__lte=number)


_DRAFTS: LRUCache[Any, CachedPages] = LRUCache(20)


# The number of writes to a site's pages stands for the pages, so what is cached never goes stale.
@cached(_DRAFTS, key=key_of_pages, lock=Lock())
def draft_pages(site: Site) -> CachedPages:
    """The pages of a draft, read once for each state of them."""
    return CachedPages(Revision.objects.in_draft_of(site), _public(site))


def draft_of(site: Site, facts: Facts | None = None) -> StoredState:
    """The draft; ``facts`` stand in for its own while they are being typed."""
    return StoredState(site, facts or site.facts, draft_pages(site))


def visible(site: Site, edition: Edition, now: datetime) -> RevisionQuerySet:
    """The pages of an edition that visitors can get at a moment: later posts are held back."""
    clock = now.astimezone(zones.clock_of(edition.facts.time_zone))
    day, at = clock.date(), clock.time()
    today = Q(published=day) & (Q(published_at__isnull=True) | Q(published_at__lte=at))
    pages = Revision.objects.in_edition_of(site, edition.number)
    return pages.filter(Q(published__isnull=True) | Q(published__lt=day) | today)


def edition_of(site: Site, edition: Edition, now: datetime | None = None) -> StoredState:
    """A published edition: as it is at the moment ``now``, before which later posts are held back; else all of it."""
    revisions = visible(site, edition, now) if now else Revision.objects.in_edition_of(site, edition.number)
    return StoredState(site, edition.facts_in(site.language), StoredPages(revisions, _public(site, edition.number)))


def held_moments(site: Site, edition: Edition) -> tuple[datetime, ...]:
    """The moments at which posts of an edition come out that were held back when it was published, in their order."""
    zone = edition.facts.time_zone
    posts = Revision.objects.in_edition_of(site, edition.number).filter(kind="post")
    later = posts.filter(published__gte=zones.day_in(zone, edition.published))
    times = later.values_list("published", "published_at").distinct()
    moments = {posting.came_out(day, zone, at) for day, at in times if day is not None}
    return tuple(sorted(moment for moment in moments if moment > edition.published))


def clear_caches() -> None:
    """Empties the caches, as after another database was put in place."""
    _DRAFTS.clear()
    pictures.clear_caches()


def live_edition(site: Site) -> Edition | None:
    """The edition that the public reads, if there is one yet."""
    return Edition.objects.filter(site=site, number=site.live_number).first() if site.live_number else None
