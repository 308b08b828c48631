"""The band of header, footer and side: what stands around the text of every page."""

import re
from datetime import date
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict

from hestor.core.errors import Problem
from hestor.core.facts import rules
from hestor.core.facts.spec import ITSELF, Band, FactGroup, FactSpec, Slot, Words
from hestor.core.places.place import Place, Variant
from hestor.core.rules import Checked, Line, read_as
from hestor.core.text import lines, markdown

HEADER_PARTS = ("logo", "name", "tagline", "menu")
"""What a header may show, in its order."""
Arrangement = Literal["below", "line", "centred"]
ARRANGEMENTS: tuple[Arrangement, ...] = ("below", "line", "centred")
"""The menu below logo and name; beside them in one line; all in the middle, one below the other."""
Width = Literal["narrow", "medium", "wide"]
WIDTHS: tuple[Width, ...] = ("narrow", "medium", "wide")
FOLDS = (0, 480, 640, 800, 1000)
"""Below how many CSS pixels of the window the menu folds; 0: never."""
_MOST_SIDE = 4_000
_PICTURE = re.compile(r"!\[(?:(?!!\[)[^\]\n])*+\]")


class SiteNotice(BaseModel):
    """A line for all pages, with the last day on which it shows (None: until it is taken away)."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    text: str
    until: date | None = None


_NOTICE = Line(0, 300, takes_fill_ins=True)


def _header_parts(key: str, given: object) -> Checked[tuple[str, ...]]:
    """The parts that the header shows, in their own order."""
    if not isinstance(given, (list, tuple)) or not all(one in HEADER_PARTS for one in given):
        return HEADER_PARTS, (Problem(key, "not_one_of", {"names": ", ".join(HEADER_PARTS)}),)
    return tuple(part for part in HEADER_PARTS if part in given), ()


def _site_notice(key: str, given: object) -> Checked[SiteNotice | None]:
    """A notice with words; one without any is none."""
    if given is None:
        return None, ()
    read = read_as(SiteNotice, given)
    if read is None:
        return None, (Problem(key, "notice_unreadable"),)
    text, problems = _NOTICE(key, read.text)
    return (SiteNotice(text=text, until=read.until) if text or problems else None), problems


def _side_text(key: str, given: object) -> Checked[str]:
    """A short text in Markdown, whose fill-ins are known."""
    if not isinstance(given, str):
        return "", (Problem(key, "not_text"),)
    if len(given) > _MOST_SIDE:
        return given, (lines.too_long(key, given, _MOST_SIDE),)
    text = lines.carried(given).strip()
    pictures = [Problem(key, "side_picture", {}, *match.span()) for match in _PICTURE.finditer(text)]
    return text, (*markdown.problems(key, text), *pictures[:1])


def notice_shown(facts: Any, day: date) -> SiteNotice | None:
    """The notice that pages show on a day."""
    site_notice: SiteNotice | None = facts.site_notice
    return site_notice if site_notice and (site_notice.until is None or day <= site_notice.until) else None


def _parts_words(parts: tuple[str, ...]) -> Words:
    return Words("value.count", (("count", len(parts)),))


def _notice_words(notice: SiteNotice | None) -> Words:
    return Words(text=notice.text) if notice else Words()


_HEADER = (Slot(Place.HEADER), Slot(Place.HEADER, variant=Variant.PHONE))


class FrameFacts(FactGroup):
    """Header, width, menu, trail, notice and side text."""

    header_parts: Annotated[
        tuple[str, ...],
        FactSpec(
            Band.FRAME,
            _header_parts,
            lambda facts: ("name",) if facts.header_parts != ("name",) else HEADER_PARTS,
            editor="header_parts",
            slots=_HEADER,
            derived=lambda facts: "",
            in_words=_parts_words,
            quiet=True,
        ),
    ] = HEADER_PARTS
    header_arrangement: Annotated[
        Arrangement,
        FactSpec(
            Band.FRAME,
            rules.OneOf(ARRANGEMENTS),
            lambda facts: "centred" if facts.header_arrangement != "centred" else "line",
            editor="arrangement",
            slots=_HEADER,
            in_words=lambda kind: Words(f"value.arrangement.{kind}"),
            quiet=True,
        ),
    ] = "below"
    menu_fold: Annotated[
        int,
        FactSpec(
            Band.FRAME,
            rules.OneOfNumbers(FOLDS),
            lambda facts: 640 if facts.menu_fold != 640 else 800,
            editor="menu_fold",
            slots=(Slot(Place.HEADER, variant=Variant.PHONE),),
            derived=lambda facts: "",
            in_words=lambda width: Words("value.fold", (("width", width),)) if width else Words("value.fold_never"),
            quiet=True,
        ),
    ] = 0
    content_width: Annotated[
        Width,
        FactSpec(
            Band.FRAME,
            rules.OneOf(WIDTHS),
            lambda facts: "wide" if facts.content_width != "wide" else "narrow",
            editor="content_width",
            in_words=lambda kind: Words(f"value.content_width.{kind}"),
            quiet=True,
        ),
    ] = "medium"
    shows_trail: Annotated[
        bool,
        FactSpec(
            Band.FRAME,
            rules.yes_or_no,
            lambda facts: not facts.shows_trail,
            editor="yes_no",
            derived=lambda facts: "",
            in_words=lambda on: Words("value.yes" if on else "value.no"),
            quiet=True,
        ),
    ] = True
    site_notice: Annotated[
        SiteNotice | None,
        FactSpec(
            Band.FRAME,
            _site_notice,
            lambda facts: SiteNotice(text="Otherwise" if _text_of(facts) != "Otherwise" else "Differently"),
            editor="site_notice",
            slots=(Slot(Place.NOTICE),),
            in_words=_notice_words,
            texts=("text",),
            per_language=True,
        ),
    ] = None
    side_text: Annotated[
        str,
        FactSpec(
            Band.FRAME,
            _side_text,
            lambda facts: "Otherwise" if facts.side_text != "Otherwise" else "Differently",
            editor="side_text",
            slots=(Slot(Place.SIDE),),
            per_language=True,
            texts=ITSELF,
        ),
    ] = ""


def _text_of(facts: Any) -> str:
    return facts.site_notice.text if facts.site_notice else ""
