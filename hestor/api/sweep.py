"""Consistency: what the pages of a draft say otherwise than its house style, mended, or said to be meant."""

from collections.abc import Iterable, Mapping
from datetime import date
from typing import Any, cast

from django.http import HttpRequest
from ninja import Router, Status

from hestor import clock, translations
from hestor.api.auth import given_revision, needed_revision, signed_in, site_for
from hestor.api.schemas import Identifier, ProblemOut
from hestor.api.sweep_schemas import (
    MeantIn,
    MeantOut,
    MendedOut,
    MendStraysIn,
    PageWords,
    ReadingOut,
    StrayChangesOut,
    StrayKind,
    StrayOut,
    SweepOut,
    SweepProgress,
    WordsIn,
)
from hestor.api.words import stray_kinds
from hestor.core.dates import patterns
from hestor.core.errors import NotFound
from hestor.core.facts.clock import long_form
from hestor.core.roles import Action
from hestor.core.sweep.own import OwnStray
from hestor.sites.models import Meant, Revision, Site
from hestor.sites.selectors.consistency import Sweeping, consistency
from hestor.sites.selectors.edition_strays import of_edition
from hestor.sites.selectors.stray_changes import changes_of
from hestor.sites.services import mending
from hestor.sites.services.mending import Mending, PageChange

router = Router(tags=["consistency"])
# For so long a call goes on with a sweep before it says how far it is.
_STEP = 0.2


def _readings(site: Site, stray: OwnStray) -> list[ReadingOut]:
    form, language = long_form(site.facts), site.facts.language
    return [
        ReadingOut(day=day, shown=patterns.format_day(date.fromisoformat(day), form, language))
        for day in stray.readings
    ]


def _stray(site: Site, stray: OwnStray, titles: Mapping[int, str]) -> StrayOut:
    return StrayOut.model_construct(
        id=stray.key,
        kind=stray.kind,
        page=stray.path,
        page_id=stray.page_id or None,
        title=titles.get(stray.page_id, ""),
        place=stray.place,
        field=stray.field,
        start=stray.start,
        end=stray.end,
        says=stray.says,
        should_say=stray.should_say,
        why=translations.say(f"sweep.why.{stray.kind}"),
        sure=stray.sure,
        mend="replace" if stray.can_be_mended else None,
        replacement=stray.replacement,
        before=stray.before,
        after=stray.after,
        readings=_readings(site, stray),
        asks=stray.asks,
    )


def _meant(meant: Meant, stray: OwnStray | None) -> MeantOut:
    return MeantOut.model_construct(
        id=meant.stray,
        kind=cast(StrayKind, meant.kind),
        page=meant.path,
        says=meant.says,
        reason=meant.reason,
        by=meant.by.shown_name if meant.by else "",
        at=meant.at,
        is_there=stray is not None,
    )


@router.get("/sites/{site}/sweep", response={200: SweepOut, 404: ProblemOut, 422: ProblemOut})
def show(request: HttpRequest, site: str, edition: Identifier | None = None) -> SweepOut:
    """All strays of the draft; pages that have not changed since the last sweep are not looked at again.

    With ``edition`` those of a published one, by the house style that it was published with; none of them is mended.
    """
    found_site = site_for(request, site, Action.VIEW)
    now = clock.now()
    swept = consistency(found_site, now) if edition is None else of_edition(found_site, edition, now)
    return SweepOut.model_construct(
        pages=len(swept.titles),
        checked_at=now,
        revision=found_site.revision,
        style=swept.style.plain(),
        kinds=stray_kinds((*(each_stray.kind for each_stray in swept.strays), *(one.kind for one, _ in swept.meant))),
        strays=[_stray(found_site, each_stray, swept.titles) for each_stray in swept.strays],
        unread=[],
        meant=[_meant(one, stray) for one, stray in swept.meant],
    )


@router.get("/sites/{site}/sweep/change", response={200: StrayChangesOut, 404: ProblemOut})
def change(request: HttpRequest, site: str) -> StrayChangesOut:
    """The strays that publishing the draft would bring before visitors, and how many it would end."""
    found_site = site_for(request, site, Action.VIEW)
    changes = changes_of(found_site, clock.now())
    named = Revision.objects.in_draft_of(found_site).filter(page_id__in={one.page_id for one in changes.made})
    titles = dict(named.values_list("page_id", "title"))
    made = [_stray(found_site, one, titles) for one in changes.made]
    return StrayChangesOut.model_construct(made=made, ended=changes.ended, is_whole=changes.is_whole)


@router.post("/sites/{site}/sweep/step", response={200: SweepProgress, 404: ProblemOut})
def step(request: HttpRequest, site: str) -> SweepProgress:
    """Goes on with a sweep for a moment, and says how far it is; it stops when nobody asks any more."""
    found_site = site_for(request, site, Action.VIEW)
    progress = Sweeping(found_site, clock.now()).run(_STEP)
    return SweepProgress(done=progress.done, total=progress.total)


def _strays_of(site: Site, keys: Iterable[str]) -> dict[str, OwnStray]:
    """The strays of some keys. Raises NotFound for one that is not there any more."""
    known = {stray.key: stray for stray in consistency(site, clock.now()).strays}
    wanted = {key: known.get(key) for key in keys}
    if any(stray is None for stray in wanted.values()):
        raise NotFound
    return cast(dict[str, OwnStray], wanted)


def _words(changes: Iterable[PageChange], which: str) -> list[PageWords]:
    return [PageWords.model_construct(page=each_change.page, **getattr(each_change, which)) for each_change in changes]


@router.post("/sites/{site}/sweep/mend", response={200: MendedOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut})
def mend(request: HttpRequest, site: str, given: MendStraysIn) -> MendedOut:
    """Mends strays in the draft, all at once, but for those that ask for a person, which are mended one by one.

    What it changed is given, so that it can be undone.
    """
    found_site = site_for(request, site, Action.EDIT)
    revision = needed_revision(request)
    strays = _strays_of(found_site, [stray.id for stray in given.strays])
    mendings = mending.in_one_go([Mending(strays[stray.id], stray.reading) for stray in given.strays])
    done = mending.mend(found_site, mendings, revision)
    return MendedOut.model_construct(
        revision=done.site.revision,
        mended=len(mendings),
        pages_before=_words(done.pages, "before"),
        pages_after=_words(done.pages, "after"),
        facts_before=dict(done.facts_before),
        facts_after=dict(done.facts_after),
    )


@router.post(
    "/sites/{site}/sweep/words", response={200: SweepProgress, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut}
)
def put_words(request: HttpRequest, site: str, given: WordsIn) -> SweepProgress:
    """Puts fields of pages and facts in place: how a mend is undone, and done again."""
    found_site = site_for(request, site, Action.EDIT)
    changes: dict[int, dict[str, Any]] = {
        page.page: page.model_dump(exclude={"page"}, exclude_none=True) for page in given.pages
    }
    found_site = mending.put(found_site, changes, given.facts, given_revision(request))
    progress = Sweeping(found_site, clock.now()).progress()
    return SweepProgress(done=progress.done, total=progress.total)


@router.put("/sites/{site}/sweep/meant/{stray}", response={200: MeantOut, 404: ProblemOut, 422: ProblemOut})
def mean(request: HttpRequest, site: str, stray: str, given: MeantIn) -> MeantOut:
    """Keeps that a stray is meant: it is quiet for as long as its spot says the same."""
    found_site = site_for(request, site, Action.EDIT)
    wanted = _strays_of(found_site, [stray])[stray]
    made = mending.mean(found_site, wanted, given.reason, signed_in(request))
    return _meant(made, wanted)


@router.delete("/sites/{site}/sweep/meant/{stray}", response={204: None, 404: ProblemOut})
def mean_no_more(request: HttpRequest, site: str, stray: str) -> Status[None]:
    """Lets a stray speak again."""
    mending.mean_no_more(site_for(request, site, Action.EDIT), stray)
    return Status(204, None)
