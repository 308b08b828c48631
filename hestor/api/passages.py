"""Texts of pages by paragraph: what differs from what is live, and two people's changes brought together."""

from typing import Annotated, Literal

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from hestor.api.auth import site_for
from hestor.api.schemas import Identifier, Number, ProblemOut, Strict
from hestor.core.errors import NotFound
from hestor.core.pages.fields import MOST_BODY
from hestor.core.roles import Action
from hestor.core.text import merging, passages
from hestor.core.text.merging import Clash, Part
from hestor.core.text.passages import Passage
from hestor.sites.selectors.page_fields import current
from hestor.sites.selectors.page_passages import ChangedLine, Line, page_changes

router = Router(tags=["pages"])
_Body = Annotated[str, Field(max_length=MOST_BODY)]


class PassagesIn(Strict):
    """The text of a page as it is being typed; none for the one that is saved.

    ``back`` is the number of a passage (0 is the first) that is to say again what is live.
    """

    body: _Body | None = None
    back: Number | None = None


class WordsOut(Schema):
    """Words of a passage, and where they are: in both texts, in what is live, or in the draft."""

    where: Literal["both", "old", "new"]
    text: str


class PassageOut(Schema):
    """Paragraphs that stay (told by their number, without words), or that differ."""

    differs: bool
    paragraphs: int
    words: list[WordsOut]


class ChangedLineOut(Schema):
    """A line of the page that differs: its field, what is live, what the draft says, and both by their words."""

    field: Line
    old: str
    new: str
    words: list[WordsOut]


class PassagesOut(Schema):
    """A page beside what is live of it. ``body`` is the text with a passage put back, where that was asked for."""

    is_live: bool
    lines: list[ChangedLineOut]
    passages: list[PassageOut]
    body: str | None


class MergeIn(Strict):
    """A text that two people changed: what both began with, and what each of them made of it.

    ``choices`` are, for each clash in turn, whose words are taken.
    """

    base: _Body
    mine: _Body
    theirs: _Body
    choices: Annotated[list[merging.Choice], Field(max_length=MOST_BODY, default_factory=list)]


class ClashOut(Schema):
    """A passage that both changed: what it said, and what each made of it."""

    base: str
    mine: str
    theirs: str


class MergedOut(Schema):
    """The clashes in turn, and the whole text; none while there are more clashes than choices."""

    clashes: list[ClashOut]
    body: str | None


def _words(old: str, new: str) -> list[WordsOut]:
    found = passages.words_of(Passage(old, new))
    return [WordsOut(where=one.where, text=one.text) for one in found]


def _line(line: ChangedLine) -> ChangedLineOut:
    return ChangedLineOut(field=line.field, old=line.old, new=line.new, words=_words(line.old, line.new))


def _out(passage: Passage) -> PassageOut:
    return PassageOut(
        differs=passage.differs,
        paragraphs=len(passages.split(passage.new)),
        words=_words(passage.old, passage.new) if passage.differs else [],
    )


@router.post("/sites/{site}/pages/{page}/passages", response={200: PassagesOut, 404: ProblemOut, 422: ProblemOut})
def compare(request: HttpRequest, site: str, page: Identifier, given: PassagesIn) -> PassagesOut:
    """What a page says otherwise than visitors read now; nothing is kept."""
    changes = page_changes(site_for(request, site, Action.VIEW), page, given.body)
    if changes is None:
        return PassagesOut(is_live=False, lines=[], passages=[], body=None)
    if given.back is not None and given.back >= len(changes.passages):
        raise NotFound
    return PassagesOut(
        is_live=True,
        lines=[_line(one) for one in changes.lines],
        passages=[_out(one) for one in changes.passages],
        body=None if given.back is None else passages.put_back(changes.passages, given.back),
    )


def _clashes(parts: list[Part]) -> list[ClashOut]:
    found = (part for part in parts if isinstance(part, Clash))
    return [ClashOut(base=one.base, mine=one.mine, theirs=one.theirs) for one in found]


@router.post("/sites/{site}/pages/{page}/merge", response={200: MergedOut, 404: ProblemOut, 422: ProblemOut})
def merge(request: HttpRequest, site: str, page: Identifier, given: MergeIn) -> MergedOut:
    """Brings two people's changes of a page's text together, paragraph by paragraph; nothing is kept."""
    current(site_for(request, site, Action.EDIT), page)
    parts = merging.merged(given.base, given.mine, given.theirs)
    return MergedOut(clashes=_clashes(parts), body=merging.text_of(parts, given.choices))
