"""A page's signature: the traits that decide which facts it shows, and where.

Pages of one signature show the same facts in the same places, so one of them stands for all when reach is found
(docs/decisions/0017-reach-by-rendering.md). It is kept as a text with each revision and counted by it.
"""

from collections.abc import Iterable
from dataclasses import dataclass

from hestor.core.pages import descriptions, titles
from hestor.core.pages.descriptions import Source
from hestor.core.pages.fields import PageFields
from hestor.core.text import fillins, markdown
from hestor.core.text.markdown import CompiledText

_NONE = "-"


@dataclass(frozen=True)
class Signature:
    """The traits of one page; ``timed`` is an event that is at a time of the day.

    ``own_title`` says that it has a title of its own, ``in_section`` that it stands below another page, ``long`` that
    its name is long for a title; ``left_out`` are the shared parts that it does not show, joined by ``+``. Each of the
    ``…_fills`` names the fill-ins in that text, in order, joined by ``+``.
    """

    kind: str
    home: bool
    dated: bool
    own_picture: bool
    timed: bool
    description: Source
    title_fills: str
    description_fills: str
    body_fills: str
    own_title: bool = False
    in_section: bool = False
    long: bool = False
    own_title_fills: str = ""
    left_out: str = ""

    @property
    def text(self) -> str:
        """The signature as it is kept."""
        traits = self.home, self.dated, self.own_picture, self.timed, self.own_title, self.in_section, self.long
        found_zip = zip("hdptosl", traits, strict=True)
        flags = "".join(letter for letter, on in found_zip if on)
        parts = (
            self.kind, flags, self.description, self.title_fills, self.description_fills, self.body_fills,
            self.own_title_fills, self.left_out,
        )  # fmt: skip
        return " ".join(part or _NONE for part in parts)

    @property
    def teaser(self) -> tuple[bool, Source, str, str]:
        """The traits that show where the page is named in a list of pages."""
        return self.dated, self.description, self.title_fills, self.description_fills


def parse(text: str) -> Signature:
    """A signature from its text. Raises ValueError for one that an older compiler left."""
    parts = ["" if part == _NONE else part for part in text.split(" ")]
    if len(parts) != 8:
        raise ValueError(f"not a signature: {text!r}")
    kind, flags, source, title, description, body, own, left_out = parts
    origin: Source = "summary" if source == "summary" else "excerpt" if source == "excerpt" else ""
    home, dated, pictured, timed, has_own, in_section, long = (letter in flags for letter in "hdptosl")
    return Signature(
        kind, home, dated, pictured, timed, origin, title, description, body, has_own, in_section, long, own, left_out
    )


def _joined(names: Iterable[str]) -> str:
    return "+".join(sorted(names))


def signature_of(fields: PageFields, compiled: CompiledText) -> Signature:
    """The signature of a page with its compiled text."""
    origin = descriptions.source(fields.summary, compiled.excerpt)
    described = fillins.used(fields.summary) if origin == "summary" else compiled.excerpt_fills
    return Signature(
        kind=fields.kind,
        home=fields.path == "/",
        dated=fields.published is not None,
        own_picture=bool(markdown.first_picture(compiled.html)[0]),
        timed=bool(fields.schedule and not fields.schedule.whole_day),
        description=origin,
        title_fills=_joined(fillins.used(fields.title)),
        description_fills=_joined(described if origin else ()),
        body_fills=_joined(compiled.fills),
        own_title=bool(fields.own_title),
        in_section=fields.parent is not None,
        long=titles.is_long(fields.title),
        own_title_fills=_joined(fillins.used(fields.own_title)),
        left_out="+".join(fields.left_out),
    )
