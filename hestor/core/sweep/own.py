"""The sweep of a site of Hestor's own: what rendered pages say is traced to the field or fact that it comes from."""

import dataclasses
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from hashlib import blake2b

import regex

from hestor.core.facts import shown_texts
from hestor.core.reading import positions
from hestor.core.reading.source import Source
from hestor.core.sweep import asked, detectors, hours, phrases, years
from hestor.core.sweep.stray import Kind, Stray
from hestor.core.sweep.style import Style

FIELDS = ("body", "title", "own_title", "menu_title", "summary")
"""The fields of a page in which a stray may be found, in the order in which they are looked through."""
RULES_VERSION = 4
"""Counts up when the same page would be found to say something else."""
_AROUND = 60
_ID_BYTES = 8
# The fields that feed a place, the likeliest first.
_FEEDING: Mapping[str, tuple[str, ...]] = {
    "title": ("own_title", "title"),
    "description": ("summary", "body"),
    "share": ("summary", "own_title", "title", "body"),
    "menu": ("menu_title", "title"),
}


@dataclass(frozen=True)
class OwnPage:
    """A page: what machines know it by, its address, and its fields as they are written."""

    page_id: int
    identity: str
    path: str
    fields: Mapping[str, str]


@dataclass(frozen=True)
class OwnStray:
    """A stray on a page of the site's own.

    ``field`` is the page's field, or the fact, in which it stands, from ``start`` to ``end`` code points; empty where
    it stands in none. ``replacement`` is what is written there to mend it; ``readings`` are the days that it may mean,
    between which a person has to choose. ``before`` and ``after`` are the words around it. ``values`` are other fields
    of the page that mend it, by their names, where it is no replacement. One that ``asks`` is mended by a person who
    looks at it alone, never with others (``asked``).
    """

    kind: Kind
    page_id: int
    path: str
    place: str
    field: str
    start: int
    end: int
    says: str
    should_say: str
    sure: float
    replacement: str | None = None
    before: str = ""
    after: str = ""
    values: Mapping[str, object] = dataclasses.field(default_factory=dict)
    key: str = ""
    readings: tuple[str, ...] = ()
    asks: bool = False

    @property
    def can_be_mended(self) -> bool:
        """Whether it can be mended without a person's words."""
        return self.replacement is not None or bool(self.values)


@dataclass(frozen=True)
class OwnHouse:
    """What pages are held to: the style, the forms of dates, the hours; and the present year."""

    style: Style
    forms: tuple[str, ...]
    week: hours.Week = dataclasses.field(default_factory=dict)
    year: int = phrases.ANY_YEAR


def own_part(html: str) -> str:
    """A rendered page without what it shares with all others: its head's title and description, and its main part."""
    main = html.partition("<main")[2].rpartition("</main>")[0]
    title = html.partition("<title>")[2].partition("</title>")[0]
    described = _DESCRIPTION.search(html)
    language = _LANGUAGE.search(html)
    return (
        f"<html{language[0] if language else ''}><head><title>{title}</title>{described[0] if described else ''}</head>"
        f"<body><main{main}</main></body></html>"
    )


_DESCRIPTION = regex.compile(r'<meta name="description"[^>]*>')
_LANGUAGE = regex.compile(r' lang="[^"]*"')


def of_page(html: str, page: OwnPage, house: OwnHouse) -> Iterator[OwnStray]:
    """What is amiss in the part of a page that is its own."""
    source = positions.read(page.path, own_part(html))
    told: set[tuple[str, str, int]] = set()
    person = asked.Asked(source, house.style, house.year)
    # A text's first words are its page's description, too: a spot is one stray wherever it is shown.
    for stray in sorted(_text_strays(source, house), key=lambda one: one.place != "text"):
        asks = person.is_for_a_person(stray)
        traced = dataclasses.replace(_traced(stray, source, page), asks=asks)
        spot = (traced.kind, traced.field, traced.start)
        if not traced.field or spot not in told:
            told.add(spot)
            yield traced


def _text_strays(source: Source, house: OwnHouse) -> Iterator[Stray]:
    return detectors.in_texts(detectors.Held(source, house.style, house.forms, house.week, is_whole=True))


def of_facts(facts: Mapping[str, str], language: str, house: OwnHouse) -> Iterator[OwnStray]:
    """What is amiss in the texts of facts, by their fields: those of all pages, of the feed, of messages."""
    for key, text in facts.items():
        # What a fill-in says is another fact.
        plain = _FILL_IN.sub(lambda found: " " * len(found[0]), text)
        escaped = plain.replace("&", "&amp;").replace("<", "&lt;")
        source = positions.read("/", f'<html lang="{language}"><body><p>{escaped}</p></body></html>')
        for stray in _text_strays(source, house):
            spot = _in_text(stray, source, text)
            if spot is not None:
                yield _made(stray, 0, "/", key, text, spot, key)


def past_years(footer: str, year: int) -> Iterator[OwnStray]:
    """Years gone by that are typed into the footer line, where a fill-in would turn by itself."""
    plain = _FILL_IN.sub(lambda found: "•" * len(found[0]), footer)
    escaped = plain.replace("&", "&amp;").replace("<", "&lt;")
    source = positions.read("/", f"<html><body><footer><p>{escaped}</p></footer></body></html>")
    for stray in years.past_years(source, year):
        # The last one that says so: a span of years ends with what is past.
        at = footer.rfind(stray.says)
        if at >= 0:
            made = _made(stray, 0, "/", "footer_text", footer, (at, at + len(stray.says)), "footer_text")
            yield dataclasses.replace(made, replacement="{year}")


_FILL_IN = regex.compile(r"\{[^{}]*\}")


def in_lines(words: str) -> regex.Pattern[str]:
    """The words, however a line may break between them."""
    return regex.compile(r"[\s\u00a0]++".join(map(regex.escape, words.split())))


def _occurrences(words: str, text: str) -> list[tuple[int, int]]:
    return [match.span() for match in in_lines(words).finditer(text)] if words.strip() else []


def _nth(stray: Stray, source: Source) -> int:
    """The how manyth time the page says those words there."""
    said = [spot for spot in _occurrences(stray.says, source.text) if spot[0] < stray.start]
    return len(said)


def _in_text(stray: Stray, source: Source, text: str) -> tuple[int, int] | None:
    """Where in the text of a field the words stand that a page says; None where they are not found."""
    spots = _occurrences(stray.says, text)
    if not spots:
        return None
    return spots[0] if len(spots) == 1 else spots[min(_nth(stray, source), len(spots) - 1)]


def _traced(stray: Stray, source: Source, page: OwnPage) -> OwnStray:
    if stray.kind == "alt_missing":
        return _picture(stray, source, page)
    order = (*_FEEDING.get(stray.place, ()), *FIELDS)
    for name in dict.fromkeys(order):
        text = page.fields.get(name, "")
        spot = _in_text(stray, source, text) if stray.says else None
        if spot is not None:
            return _made(stray, page.page_id, page.path, name, text, spot, page.identity)
    return _made(stray, page.page_id, page.path, "", "", (0, 0), page.identity)


def _picture(stray: Stray, source: Source, page: OwnPage) -> OwnStray:
    """A picture in a text, by its address there."""
    tag = source.text[stray.start : stray.end]
    src = _SRC.search(tag)
    address = src[1] if src else ""
    body = page.fields.get("body", "")
    key = address.rpartition("/")[2].partition(".")[0].partition("-")[0]
    at = body.find(key) if key else -1
    spot = (body.rfind("![", 0, at), body.find(")", at) + 1) if at >= 0 else (0, 0)
    name = "body" if at >= 0 else ""
    return _made(stray, page.page_id, page.path, name, body, spot, page.identity, address)


_SRC = regex.compile(r'src="([^"]*)"')


def _made(
    stray: Stray, page_id: int, path: str, name: str, text: str, spot: tuple[int, int], identity: str, extra: str = ""
) -> OwnStray:
    start, end = spot
    replacement = _replacement(stray, name, text, spot) if name else None
    said = "\x1f".join((stray.kind, identity, stray.place, name, stray.says, stray.should_say, extra))
    return OwnStray(
        stray.kind,
        page_id,
        path,
        stray.place,
        name,
        start,
        end,
        stray.says or extra,
        stray.should_say,
        stray.sure,
        replacement,
        _before(text, start),
        _after(text, end),
        readings=stray.readings if name == "body" and stray.kind == "date_ambiguous" else (),
        key=blake2b(said.encode(errors="surrogatepass"), digest_size=_ID_BYTES).hexdigest(),
    )


def _before(text: str, at: int) -> str:
    """The words of its paragraph before a spot, none of them cut."""
    said = text[max(0, at - _AROUND) : at]
    whole = said if at <= _AROUND else said.partition(" ")[2]
    return whole.rpartition(_APART)[2]


def _after(text: str, at: int) -> str:
    said = text[at : at + _AROUND]
    whole = said if at + _AROUND >= len(text) else said.rpartition(" ")[0]
    return whole.partition(_APART)[0]


# What stands between two paragraphs.
_APART = "\n\n"


# What takes fill-ins, as texts of pages and facts do.
_FILLS: Mapping[str, str] = {"former_name": "{site}", "misspelt_name": "{site}", "contact": "{contact}"}
_NO_FILLS = frozenset(("name", "short_name"))


def _replacement(stray: Stray, name: str, text: str, spot: tuple[int, int]) -> str | None:
    """What to write: a fill-in where there is one for it, so that the spot follows the fact from then on."""
    if name in _NO_FILLS:
        return None
    fill = _FILLS.get(stray.kind, "") if shown_texts.takes_fill_ins(name) else ""
    if stray.kind == "contact" and (name != "body" or _is_in_link(text, spot)):
        fill = ""
    if fill:
        return fill
    if stray.kind == "date_form" and name == "body" and not _is_in_link(text, spot):
        return date_fill(stray.readings[0])
    return stray.should_say if stray.mend and stray.should_say else None


def date_fill(day: str) -> str:
    """The fill-in of a day (ISO 8601)."""
    return f"{{date:{day}}}"


def _is_in_link(text: str, spot: tuple[int, int]) -> bool:
    """Whether words stand in a link's address, or between the angle brackets of one (CommonMark 0.31, 6.3, 6.5)."""
    before, after = text[max(0, spot[0] - 80) : spot[0]], text[spot[1] : spot[1] + 1]
    return bool(regex.search(r"\]\([^)\s]*$|<(?:mailto:)?$", before)) or after == ">"


def grouped(strays: Sequence[OwnStray]) -> tuple[OwnStray, ...]:
    """Strays each with a key of its own: those that say the same in the same field are counted."""
    seen: dict[str, int] = {}
    found_strays = []
    for stray in strays:
        number = seen[stray.key] = seen.get(stray.key, -1) + 1
        key = f"{stray.key}-{number}" if number else stray.key
        found_strays.append(stray if not number else dataclasses.replace(stray, key=key))
    return tuple(found_strays)
