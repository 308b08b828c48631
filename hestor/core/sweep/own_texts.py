"""What texts of a site's own pages lead to and show: links that lead nowhere, former logos and icons."""

from collections.abc import Callable, Collection, Iterator, Mapping
from dataclasses import dataclass
from difflib import get_close_matches
from hashlib import blake2b

import regex

from hestor.core.sweep.own import OwnStray
from hestor.core.sweep.stray import Kind
from hestor.core.text import fillins, urls

# Where a link's address stands in Markdown: within a link or a picture, or in a definition (CommonMark 0.31, 4.7, 6.3).
_ADDRESS = regex.compile(r"(?:\]\(\s*<?|^ {0,3}\[[^\]\n]+\]:\s*<?)(?P<address>[^)\s>\"]+)", regex.MULTILINE)
_AROUND = 60
_LIKE = 0.84
_SURE, _SURE_OF_PICTURE = 0.95, 0.9


@dataclass(frozen=True)
class OwnText:
    """A page's text, with what is told of the page."""

    page_id: int
    identity: str
    path: str
    body: str


@dataclass(frozen=True)
class Elsewhere:
    """What a site has besides a page: whether an address is answered, all pages, and how its own addresses begin."""

    answers: Callable[[str], bool]
    paths: tuple[str, ...]
    bases: tuple[str, ...]


def _made(text: OwnText, kind: Kind, place: str, start: int, end: int, should: str, sure: float) -> OwnStray:
    says = text.body[start:end]
    said = "\x1f".join((kind, text.identity, says))
    return OwnStray(
        kind, text.page_id, text.path, place, "body", start, end, says, should, sure, should or None,
        text.body[max(0, start - _AROUND) : start], text.body[end : end + _AROUND],
        key=blake2b(said.encode(errors="surrogatepass"), digest_size=8).hexdigest(),
    )  # fmt: skip


def _inner(address: str, site: Elsewhere) -> tuple[str, str] | None:
    """How an address of the site itself begins, and the path that follows; None for one that leads elsewhere."""
    base = next(
        (each_base for each_base in site.bases if address == each_base or address.startswith(f"{each_base}/")), ""
    )
    path = address[len(base) :] or "/"
    return (base, path) if path.startswith("/") and not path.startswith("//") else None


def broken_links(text: OwnText, site: Elsewhere) -> Iterator[OwnStray]:
    """Links within the site that lead to nothing, each with the page that was likely meant."""
    for match in _ADDRESS.finditer(text.body):
        inner = _inner(match["address"], site)
        read = urls.read(inner[1]) if inner else None
        if inner is None or read is None or site.answers(read.path):
            continue
        wanted = read.path if read.path.endswith("/") else f"{read.path}/"
        close = get_close_matches(wanted, site.paths, 1, _LIKE)
        start, end = match.span("address")
        should = inner[0] + close[0] if close else ""
        yield _made(text, "link_broken", "link", start, end, should, _SURE)


def former_pictures(text: OwnText, former: Mapping[str, tuple[Kind, str]]) -> Iterator[OwnStray]:
    """Pictures of the text that are former logos or icons: ``former`` says by key what each was, and what it is now."""
    for key, (kind, now) in former.items():
        at = text.body.find(key)
        while at >= 0:
            yield _made(text, kind, "text", at, at + len(key), now, _SURE_OF_PICTURE)
            at = text.body.find(key, at + len(key))


def left_from_start(text: OwnText, starts: Collection[str]) -> Iterator[OwnStray]:
    """Paragraphs with which a new site began, and which nobody has written over since."""
    for start in starts:
        at = text.body.find(start)
        if at >= 0:
            yield _made(text, "starter_text", "text", at, at + len(start), "", _SURE)


def unknown_dates(text: OwnText, events: Collection[str]) -> Iterator[OwnStray]:
    """Fill-ins for the next date of an event that there is not: they say for ever that there is no date yet."""
    for part in fillins.parse(text.body):
        if isinstance(part, fillins.Fill) and part.name == "next" and part.argument not in events:
            close = get_close_matches(part.argument, list(events), 1, _LIKE)
            should = f"{{next:{close[0]}}}" if close else ""
            yield _made(text, "link_broken", "text", part.start, part.end, should, _SURE)
