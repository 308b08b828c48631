"""Writing the draft: pages. A page that was published is never altered; its draft gets a new revision."""

from collections.abc import Mapping
from dataclasses import asdict, dataclass
from datetime import date
from typing import Any

from django.db import transaction

from hestor.core import fillins, paths, prose, texts
from hestor.core.errors import InvalidInput, NotFound, Problem
from hestor.sites.drafts import bump, locked
from hestor.sites.models import Page, Revision, Site, Text

_MOST_BODY = 200_000


@dataclass(frozen=True)
class PageFields:
    """Everything that an owner says of a page. ``parent`` is another page's id."""

    path: str
    title: str
    body: str = ""
    kind: str = "page"
    menu_title: str = ""
    summary: str = ""
    parent: int | None = None
    in_menu: bool = False
    order: int = 0
    published: date | None = None


def _fields_of(revision: Revision) -> dict[str, Any]:
    return {
        "path": revision.path,
        "title": revision.title,
        "body": revision.text.body,
        "kind": revision.kind,
        "menu_title": revision.menu_title,
        "summary": revision.summary,
        "parent": revision.parent_id,
        "in_menu": revision.in_menu,
        "order": revision.order,
        "published": revision.published,
    }


def _text_problems(given: PageFields) -> list[Problem]:
    found = list(texts.line_problems("title", given.title, least=1, most=200))
    for field, text, most in (("menu_title", given.menu_title, 60), ("summary", given.summary, 320)):
        found += texts.line_problems(field, text, least=0, most=most)
    for field, text in (("title", given.title), ("menu_title", given.menu_title), ("summary", given.summary)):
        found += fillins.problems(field, text)
    if len(given.body) > _MOST_BODY:
        over = len(given.body) - _MOST_BODY
        found.append(Problem("body", "too_long", {"most": _MOST_BODY, "count": len(given.body), "over": over}))
    return found + prose.problems("body", given.body)


def _address_problems(site: Site, given: PageFields, page: Page | None) -> list[Problem]:
    found = list(paths.path_problems("path", given.path))
    others = Revision.objects.in_draft_of(site.pk).exclude(page=page)
    if not found and others.filter(path=given.path).exists():
        found.append(Problem("path", "path_taken", {"path": given.path}))
    return found


def _parent_problems(site: Site, given: PageFields, page: Page | None) -> list[Problem]:
    above, seen = given.parent, set()
    while above is not None and above not in seen:
        if page is not None and above == page.pk:
            return [Problem("parent", "parent_loop")]
        seen.add(above)
        row = Revision.objects.in_draft_of(site.pk).filter(page_id=above).values_list("parent_id").first()
        if row is None:
            return [Problem("parent", "parent_unknown")] if above == given.parent else []
        above = row[0]
    return []


def _checked(site: Site, values: Mapping[str, Any], page: Page | None) -> PageFields:
    tidy: dict[str, Any] = {
        key: texts.tidy(value) if key != "body" and isinstance(value, str) else value for key, value in values.items()
    }
    given = PageFields(**tidy)
    problems = _text_problems(given) + _address_problems(site, given, page) + _parent_problems(site, given, page)
    if problems:
        raise InvalidInput(problems)
    return given


def _revision(site: Site, page: Page, given: PageFields) -> Revision:
    made = prose.compile_text(given.body)
    used = made.fills | fillins.used(given.title)
    in_title = "tagline" in fillins.used(given.title)
    text = Text.objects.create(body=given.body, html=made.html, excerpt=made.excerpt, compiler=prose.COMPILER)
    fields = {
        key: getattr(given, key)
        for key in ("path", "title", "kind", "menu_title", "summary", "in_menu", "order", "published")
    }
    return Revision(
        site=site,
        page=page,
        text=text,
        parent_id=given.parent,
        uses_site="site" in used,
        uses_tagline="tagline" in used,
        uses_year="year" in used,
        tagline_in_title=in_title,
        tagline_in_search=in_title
        or "tagline" in fillins.used(given.summary)
        or (not given.summary and "tagline" in made.excerpt_fills),
        described=bool(given.summary or made.excerpt),
        **fields,
    )


def _take_out(revision: Revision) -> None:
    """Takes a state out of the draft. One that was never public is gone; what was public stays."""
    if revision.live_from is None:
        revision.delete()
        if not Revision.objects.filter(text_id=revision.text_id).exists():
            revision.text.delete()
    else:
        revision.in_draft = False
        revision.save(update_fields=["in_draft"])


def _live_again(site: Site, page: Page, given: PageFields) -> Revision | None:
    """The live state of the page, back in the draft, if that is what it would say again."""
    live = Revision.objects.leaving(site.pk).filter(page=page).select_related("text").first()
    if live is None or _fields_of(live) != asdict(given):
        return None
    live.in_draft = True
    return live


def _current(site: Site, page_id: int) -> Revision:
    found = Revision.objects.in_draft_of(site.pk).filter(page_id=page_id).select_related("text", "page").first()
    if found is None:
        raise NotFound
    return found


def add_page(site_id: int, values: Mapping[str, Any], revision: int | None = None) -> Revision:
    """A new page in the draft. Raises InvalidInput, StaleRevision."""
    with transaction.atomic():
        site = locked(site_id, revision)
        given = _checked(site, values, None)
        made = _revision(site, Page.objects.create(site=site), given)
        made.save()
        bump(site, pages=True)
        return made


def change_page(site_id: int, page_id: int, values: Mapping[str, Any], revision: int | None = None) -> Revision:
    """Other words for a page in the draft. Raises InvalidInput, StaleRevision, NotFound."""
    with transaction.atomic():
        site = locked(site_id, revision)
        current = _current(site, page_id)
        given = _checked(site, {**_fields_of(current), **values}, current.page)
        if current.path == "/" and given.path != "/":
            raise InvalidInput([Problem("path", "home_stays")])
        if asdict(given) == _fields_of(current):
            return current
        _take_out(current)
        made = _live_again(site, current.page, given) or _revision(site, current.page, given)
        made.save()
        bump(site, pages=True)
        return made


def remove_page(site_id: int, page_id: int, revision: int | None = None) -> None:
    """Takes a page out of the draft. Raises InvalidInput for the home page, StaleRevision, NotFound."""
    with transaction.atomic():
        site = locked(site_id, revision)
        current = _current(site, page_id)
        if current.path == "/":
            raise InvalidInput([Problem("path", "home_stays")])
        _take_out(current)
        bump(site, pages=True)
