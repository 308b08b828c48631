"""Taking Markdown files with their pictures into a draft: each page by its address, new or in place of what it said.

All is read and compiled first; then it is written in one transaction. What can't be taken is named by its file, and
the rest is taken all the same.
"""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from time import monotonic
from typing import Any

from django.db import transaction
from pydantic import ValidationError

from hestor import clock
from hestor.core.errors import HestorError, InvalidInput, PictureRefused, Problem, TooMuchWork
from hestor.core.pages import intake, package
from hestor.core.pages.fields import PageFields
from hestor.core.pages.package import Package
from hestor.core.text.markdown import CompiledText
from hestor.pictures.models import Content
from hestor.pictures.services import key_of, same_file, upload
from hestor.sandbox import run_on_text
from hestor.sites.models import Page, Revision, Site, Text
from hestor.sites.selectors.page_fields import fields_of
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.services import deeds
from hestor.sites.services.locking import bump, locked
from hestor.sites.services.pages import compiled_within, new_revision

Wrong = tuple[str, Problem]


@dataclass
class Report:
    """What an import did: addresses of pages added and changed, how many said the same, and what was not taken.

    ``later`` is how many pictures there was no time for: then no page was taken yet, as pages show them. ``deed`` takes
    the pages back (``deeds``).
    """

    added: list[str] = field(default_factory=list)
    changed: list[str] = field(default_factory=list)
    same: int = 0
    pictures: int = 0
    later: int = 0
    deed: int | None = None
    problems: list[Wrong] = field(default_factory=list)


@dataclass(frozen=True)
class _Ready:
    """A page that was read; ``parent`` is the address of the page above it."""

    name: str
    fields: PageFields
    compiled: CompiledText
    parent: str | None


Enough = Callable[[], bool]


@dataclass
class CallBudget:
    """How many new pictures one call may take, and for how many seconds; what is more is for later."""

    pictures: int = 200
    seconds: float = 20.0
    _until: float = 0.0

    def is_spent(self) -> bool:
        """Asked before each further picture: whether it is one too many."""
        self._until = self._until or monotonic() + self.seconds
        self.pictures -= 1
        return self.pictures < 0 or monotonic() >= self._until


def never() -> bool:
    """For callers with no limit of time."""
    return False


def take_pictures(site_id: int, found_package: Package, report: Report, enough: Enough = never) -> dict[str, str]:
    """The address of each picture of the package, by its name. One that the site has already is not taken again."""
    targets = {}
    for name, body in found_package.pictures.items():
        key = key_of(body)
        if not Content.objects.filter(site_id=site_id, key=key).exists():
            known = same_file(site_id, body)
            if report.later or (known is None and enough()):
                report.later += known is None
                continue
            try:
                picture, is_new = upload(site_id, name, body)
            except PictureRefused as error:
                report.problems.append((name, Problem("file", error.code, error.params)))
                continue
            key = picture.key
            report.pictures += is_new
        targets[name] = ADDRESS + key
    return targets


def _value_problem(error: ValidationError) -> Problem:
    first = error.errors()[0]
    return Problem("front_matter", "front_matter_value", {"name": ".".join(map(str, first["loc"]))[:80]})


def _page_of(name: str, text: str) -> tuple[dict[str, Any], list[Problem]]:
    try:
        return run_on_text(text, intake.page_of, name, text)
    except TooMuchWork:
        return {}, [Problem("body", "text_intricate")]


def _read(found_package: Package, targets: Mapping[str, str], report: Report) -> Iterator[_Ready]:
    read = {name: _page_of(name, text) for name, text in found_package.texts.items()}
    pages = {name: str(given["path"]) for name, (given, _) in read.items() if given}
    for name, (given, problems) in read.items():
        report.problems += [(name, problem) for problem in problems]
        if not given:
            continue
        given["body"] = package.linked(given["body"], name, {**targets, **pages})
        parent = given.pop("parent", None)
        try:
            fields, compiled = compiled_within({**given, "parent": None})
        except ValidationError as error:
            report.problems.append((name, _value_problem(error)))
        except InvalidInput as error:
            report.problems += [(name, problem) for problem in error.problems]
        except HestorError as error:
            report.problems.append((name, Problem("body", error.code)))
        else:
            yield _Ready(name, fields, compiled, parent if isinstance(parent, str) else None)


def _accepted(ready: list[_Ready], here: Mapping[str, Revision], report: Report) -> dict[str, _Ready]:
    """The pages that may be taken in, by their addresses."""
    kinds = {path: revision.kind for path, revision in here.items()} | {
        one.fields.path: one.fields.kind for one in ready if one.fields.kind in intake.LISTS
    }
    wrong = dict(intake.address_problems([one.fields.path for one in ready], kinds))
    report.problems += [(ready[number].name, problem) for number, problem in wrong.items()]
    return {one.fields.path: one for number, one in enumerate(ready) if number not in wrong}


def _parents(kept: Mapping[str, _Ready], here: Mapping[str, Revision], report: Report) -> dict[str, str | None]:
    """The address of the page above each; none for one that is not there, or that would stand below itself."""
    by_id = {revision.page_id: path for path, revision in here.items()}
    there = {path: by_id.get(revision.parent_id) if revision.parent_id else None for path, revision in here.items()}
    above, wrong = intake.parents({path: one.parent for path, one in kept.items()}, there)
    report.problems += [(kept[path].name, problem) for path, problem in wrong]
    return above


def _write(site: Site, ready: list[_Ready], report: Report) -> None:
    drafts = Revision.objects.in_draft_of(site).select_related("text", "page")
    here = {draft.path: draft for draft in drafts}
    kept = _accepted(ready, here, report)
    above = _parents(kept, here, report)
    new = [path for path in kept if path not in here]
    pages = dict(zip(new, Page.objects.bulk_create([Page(site=site) for _ in new], batch_size=500), strict=True))
    pages |= {path: one.page for path, one in here.items()}
    made: list[Revision] = []
    gone: list[int] = []
    for path, one in kept.items():
        parent = above[path]
        fields = one.fields.model_copy(update={"parent": pages[parent].pk if parent else None})
        if path in here:
            if fields_of(here[path]) == fields:
                report.same += 1
                continue
            gone.append(here[path].pk)
            report.changed.append(path)
        else:
            report.added.append(path)
        made.append(new_revision(site, pages[path], fields, one.compiled, clock.now(), keep=False))
    for revision, text in zip(
        made, Text.objects.bulk_create([each_revision.text for each_revision in made], batch_size=200), strict=True
    ):
        revision.text = text
    # What goes stays in the database, as it comes back if all of this is taken back.
    Revision.objects.filter(pk__in=gone).leave()
    came = Revision.objects.bulk_create(made, batch_size=200)
    if came:
        bump(site, [one.page_id for one in came])
        report.deed = deeds.note(site, gone, (one.pk for one in came), site.draft_facts).pk


def take_in(site: Site, found_package: Package, enough: Enough = never) -> Report:
    """Takes a package into a draft. Nothing of it stops the rest; what there is no time for is told."""
    report = Report(problems=[("", problem) for problem in found_package.problems])
    whole = package.without_common_folder(found_package)
    targets = take_pictures(site.pk, whole, report, enough)
    if report.later:
        return report
    ready = list(_read(whole, targets, report))
    with transaction.atomic():
        _write(locked(site), ready, report)
    return report
