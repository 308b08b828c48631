"""Writing the draft's pages. A page that was published is never altered; its draft gets a new revision."""

from collections.abc import Iterator, Mapping
from datetime import datetime
from typing import Any

from django.db import transaction

from hestor import clock
from hestor.core.errors import InvalidInput, Problem, TooMuchWork
from hestor.core.events import expansion
from hestor.core.pages import actions, intake, paths, signature
from hestor.core.pages import fields as page_fields
from hestor.core.pages.actions import PageAction
from hestor.core.pages.fields import PageFields
from hestor.core.pages.pagination import page_number
from hestor.core.pages.tree import MOST_LEVELS
from hestor.core.text import markdown
from hestor.core.text.markdown import CompiledText
from hestor.sandbox import run_on_text
from hestor.sites.models import Page, Revision, RevisionQuerySet, Site, Text
from hestor.sites.selectors.page_fields import COLUMNS, current, fields_of
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.services import own_changes
from hestor.sites.services.locking import bump, locked


def _address_problems(site: Site, given: PageFields, page: Page | None) -> Iterator[Problem]:
    others = Revision.objects.in_draft_of(site).exclude(page=page)
    if others.filter(path=given.path).exists():
        yield Problem("path", "path_taken", {"path": given.path})
    elif like_it := _alike(others, given.path):
        yield Problem("path", "path_alike", {"path": given.path, "other": like_it})
    news = given.path if given.kind == "news" else others.filter(kind="news").values_list("path", flat=True).first()
    if news is None:
        return
    # Further leaves of the news list have addresses of their own, whether there are as many yet or not.
    paths = others.filter(path__startswith=news).values_list("path", flat=True) if news == given.path else [given.path]
    if taken := next((path for path in paths if page_number(path, news)), None):
        yield Problem("path", "path_numbered", {"path": taken, "news": news})


def _alike(others: RevisionQuerySet, path: str) -> str | None:
    """An address that is only written otherwise: in capitals, or with other code points for the same letters."""
    near = others.filter(path__iexact=path) if path.isascii() else others
    same = paths.comparable(path)
    return next((one for one in near.values_list("path", flat=True) if paths.comparable(one) == same), None)


def _month_problems(site: Site, given: PageFields, page: Page | None) -> Iterator[Problem]:
    """Months of news and of events have addresses below their lists, as ``/news/2026-05/``."""
    others = Revision.objects.in_draft_of(site).exclude(page=page)
    problem = intake.list_problem(given.path, dict(others.filter(kind__in=intake.LISTS).values_list("path", "kind")))
    # That of numbered pages is said with the address itself.
    if problem and problem.code == "path_month":
        yield problem


def _height(site: Site, page: Page | None) -> int:
    """How many levels of pages there are below a page in the draft, no more counted than may be."""
    level = [page.pk] if page else []
    for height in range(MOST_LEVELS):
        below = Revision.objects.in_draft_of(site).filter(parent_id__in=level)
        level = list(below.values_list("page_id", flat=True)) if level else []
        if not level:
            return height
    return MOST_LEVELS


def _parent_problems(site: Site, given: PageFields, page: Page | None) -> Iterator[Problem]:
    above, height = given.parent, _height(site, page)
    seen: set[int] = set()
    while above is not None and above not in seen:
        if len(seen) + 1 + height >= MOST_LEVELS:
            yield Problem("parent", "parent_deep", {"most": MOST_LEVELS})
            return
        if page is not None and above == page.pk:
            yield Problem("parent", "parent_loop")
            return
        seen.add(above)
        row = Revision.objects.in_draft_of(site).filter(page_id=above).values_list("parent_id").first()
        if row is None:
            if above == given.parent:
                yield Problem("parent", "parent_unknown")
            return
        above = row[0]


def compiled_within(values: Mapping[str, Any]) -> tuple[PageFields, CompiledText]:
    """The page as it would be kept, checked by itself and compiled. Raises InvalidInput with every problem."""
    given = PageFields(**page_fields.tidied(values))
    try:
        problems, compiled = run_on_text(given.body, _read, given)
    except TooMuchWork as error:
        raise InvalidInput([Problem("body", "text_intricate")]) from error
    if problems or compiled is None:
        raise InvalidInput(problems)
    return given, compiled


def _read(given: PageFields) -> tuple[list[Problem], CompiledText | None]:
    problems = list(page_fields.problems(given))
    return problems, None if problems else markdown.compile_text(given.body)


def _check_in_site(site: Site, given: PageFields, page: Page | None) -> None:
    checks = (_address_problems, _month_problems, _parent_problems)
    problems = [problem for check in checks for problem in check(site, given, page)]
    at_home = Revision.objects.in_draft_of(site).filter(page=page, path="/")
    if page is not None and given.path != "/" and at_home.exists():
        problems.append(Problem("path", "home_stays"))
    if problems:
        raise InvalidInput(problems)


def check_place(site: Site, revision: Revision, parent: int | None) -> None:
    """Raises InvalidInput if a page can't stand below ``parent``."""
    given = fields_of(revision).model_copy(update={"parent": parent})
    if problems := list(_parent_problems(site, given, revision.page)):
        raise InvalidInput(problems)


def new_revision(
    site: Site, page: Page, given: PageFields, compiled: CompiledText, worded: datetime, keep: bool = True
) -> Revision:
    """A state of a page with its text, which is written already where it is to ``keep``; the state itself is not."""
    text = Text(body=given.body, html=compiled.html, excerpt=compiled.excerpt, compiler=markdown.COMPILER_VERSION)
    if keep:
        text.save()
    columns = {name: getattr(given, name) for name in COLUMNS} | _when(given)
    traits = signature.signature_of(given, compiled).text
    said = {"is_bare": not given.body, "shows_pictures": ADDRESS in given.body, "signature": traits}
    return Revision(
        site=site,
        page=page,
        language=site.language,
        text=text,
        parent_id=given.parent,
        worded=worded,
        **said,
        **columns,
    )


def _when(given: PageFields) -> dict[str, Any]:
    """When an event is, as it is kept and found."""
    if given.schedule is None:
        return {"schedule": None}
    schedule = given.schedule
    days = {"first_day": schedule.starts, "last_day": expansion.last_day(schedule)}
    return {"schedule": schedule.model_dump(mode="json"), **days}


def _words(given: PageFields) -> tuple[object, ...]:
    return given.title, given.summary, given.body, given.schedule


def take_out(revision: Revision) -> None:
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
    live = Revision.objects.leaving(site.pk).in_language_of(site).filter(page=page).select_related("text").first()
    if live is None or fields_of(live) != given:
        return None
    live.in_draft, live.place = True, ""
    return live


def add_page(site: Site, values: Mapping[str, Any], revision: int | None = None, page: Page | None = None) -> Revision:
    """A new page in the draft, or a former ``page`` in it again. Raises InvalidInput, StaleRevision."""
    given, compiled = compiled_within(values)
    with transaction.atomic():
        site = locked(site, revision)
        _check_in_site(site, given, page)
        # What is live and comes back as it was is no change.
        again = _live_again(site, page, given) if page else None
        made = again or new_revision(site, page or Page.objects.create(site=site), given, compiled, clock.now())
        made.save()
        bump(site, [made.page_id])
        return made


def change_page(site: Site, page_id: int, values: Mapping[str, Any], revision: int | None = None) -> Revision:
    """Other words for a page in the draft. Raises InvalidInput, StaleRevision, NotFound.

    The text is compiled before any other writer has to wait; if the page was changed meanwhile, it is done again.
    """
    while True:
        before = fields_of(current(site, page_id))
        given, compiled = compiled_within({**before.model_dump(), **values})
        with transaction.atomic():
            site = locked(site, revision)
            now = current(site, page_id)
            if fields_of(now) != before:
                continue
            if given == before:
                return now
            _check_in_site(site, given, now.page)
            take_out(now)
            worded = now.worded if _words(given) == _words(before) else clock.now()
            made = _live_again(site, now.page, given)
            if made is None:
                made = new_revision(site, now.page, given, compiled, worded)
                # What stands below is looked at only if this turns out to be another one.
                made.place = now.place
            made.save()
            own_changes.note(site, page_id, before.model_dump(mode="json"), given.model_dump(mode="json"))
            bump(site, [page_id])
            return made


def remove_page(site: Site, page_id: int, revision: int | None = None) -> None:
    """Takes a page out of the draft. Raises InvalidInput for the home page, StaleRevision, NotFound."""
    with transaction.atomic():
        site = locked(site, revision)
        found = current(site, page_id)
        actions.require(PageAction.DELETE, found.kind, found.path)
        take_out(found)
        bump(site, [page_id])
