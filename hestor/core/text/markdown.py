"""Page texts: Markdown to safe HTML, once, with the fill-ins left open to be filled at each rendering.

Markdown is read by markdown-it-py (CommonMark with tables, strikethrough, and addresses made links); raw HTML in it is
text. What comes out goes through nh3 as well, so that a slip of the one is caught by the other.

Where a fill-in stands, the compiled text holds its key between two noncharacters (U+FDD0, U+FDD1),
and where an address begins at the site's root, U+FDD2 stands for whatever the root is. Unicode keeps
noncharacters for such inner use; they are taken out of what owners type.
"""

import html as html_module
import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from itertools import accumulate
from typing import Any

import nh3
from linkify_it import LinkifyIt
from markdown_it import MarkdownIt
from markdown_it.rules_core import StateCore
from markdown_it.token import Token

from hestor.core.errors import MOST_PROBLEMS, Problem
from hestor.core.text import bidi, fillins, lines

COMPILER_VERSION = 6
"""Counts up when the same source would compile to something else, so that kept texts are made anew."""

_OPEN, _CLOSE, _ROOT = "\ufdd0", "\ufdd1", "\ufdd2"
_PLACEHOLDERS = re.compile("[\ufdd0-\ufdef]")
_FILL = re.compile(f"{_OPEN}([^{_OPEN}{_CLOSE}]*+){_CLOSE}")
_QUOTED = re.compile("'[{}']")
_EXCERPT = 155
"""About as many characters as a search result shows."""
_TAGS = set("a b blockquote br code del em h2 h3 h4 h5 h6 hr i img li ol p pre s strong".split()) | set(
    "div table tbody td th thead tr ul".split()
)
_ATTRIBUTES = {"a": {"href", "title"}, "img": {"src", "alt", "title"}, "ol": {"start"}, "code": {"class"}}
_SIDES = {"left", "center", "right"}
_SCROLLS = "scroll"
_CLASSES = {"td": _SIDES, "th": _SIDES, "div": {_SCROLLS}}


@dataclass(frozen=True)
class CompiledText:
    """A compiled page text: its HTML, its first paragraph as plain text, and the fill-ins it uses."""

    html: str
    excerpt: str
    fills: frozenset[str]

    @property
    def excerpt_fills(self) -> frozenset[str]:
        """The fill-ins that the excerpt uses."""
        return fills_in(self.excerpt)


def fills_in(compiled: str) -> frozenset[str]:
    """The traits of the fill-ins in a compiled text, be it HTML or plain."""
    return frozenset(map(fillins.trait, _FILL.findall(compiled)))


def _placeholder(fill: fillins.Fill) -> str:
    return f"{_OPEN}{fill.key}{_CLOSE}"


def _open_fillins(state: StateCore) -> None:
    """Puts a placeholder in place of each fill-in of the running text; code keeps its braces."""
    for block in state.tokens:
        for token in block.children or ():
            if token.type == "text":
                parts = fillins.parse(token.content)
                token.content = "".join(p if isinstance(p, str) else _placeholder(p) for p in parts)


_ADDRESSED = {"link_open": "href", "image": "src"}


def _root_addresses(state: StateCore) -> None:
    """Marks addresses that begin at the site's root, so that a look at an edition stays inside it."""
    for block in state.tokens:
        for token in block.children or ():
            if name := _ADDRESSED.get(token.type):
                value = str(token.attrGet(name) or "")
                if value.startswith("/") and not value.startswith("//"):
                    token.attrSet(name, _ROOT + value)


def _sound_headings(state: StateCore) -> None:
    """The page's title is its only first-level heading: a text's own begin at the second, and none skips a level."""
    above: list[int] = []
    for token in state.tokens:
        if token.type == "heading_open":
            level = int(token.tag[1])
            while above and above[-1] >= level:
                above.pop()
            above.append(level)
        if token.type in ("heading_open", "heading_close"):
            token.tag = f"h{min(6, len(above) + 1)}"


def _aligned_cells(state: StateCore) -> None:
    """A cell's alignment becomes a class: style attributes are barred by the site's own security policy."""
    for token in state.tokens:
        if token.type in ("td_open", "th_open") and (style := token.attrs.pop("style", "")):
            token.attrSet("class", str(style).rpartition(":")[2])


_OUTSIDE = re.compile("(?:https?:)?//", re.IGNORECASE)
_LONGEST_ADDRESS = 2000
_HOST = re.compile(r"[\w-]+(?:\.[\w-]+)+(?:[/?#][^\s<>\"]*[^\s<>\".,;:!?)])?")


def _host_length(_linkify: object, text: str, at: int) -> int:
    """How long the address is that goes on at ``at``, behind its "www."; 0 where none does."""
    match = _HOST.match(text, at)
    return match.end() - at if match else 0


def _with_scheme(_linkify: object, match: Any) -> None:
    match.url = f"https://{match.url}"


class _Addresses(LinkifyIt):  # type: ignore[misc]  # its package has no types
    """Finds addresses in a text: those that begin with their scheme or with "www.", and of email.

    A bare "done.so" is more often a slip than an address.
    """

    def __init__(self) -> None:
        super().__init__(options={"fuzzy_link": False, "fuzzy_email": True})
        # Top-level domains come and go, so any letters may be one.
        self.tlds(["[a-z]{2,63}"]).add("//", None).add("ftp:", None)
        self.add("www.", {"validate": _host_length, "normalize": _with_scheme})

    def pretest(self, text: str) -> bool:
        """Whether there may be one; a text with a word longer than any address is not worth the time."""
        # Each kind of address has one of these, and hardly any line of words has.
        if not any(mark in text for mark in (":", "@", "www.", "WWW.", "Www.")):
            return False
        return bool(super().pretest(text)) and max(map(len, text.split()), default=0) <= _LONGEST_ADDRESS

    def match_at_start(self, text: str) -> Any:
        """The address that the text begins with, if it does."""
        return super().match_at_start(text[:_LONGEST_ADDRESS])


def _reader(*rules: Callable[[StateCore], None]) -> MarkdownIt:
    reader = MarkdownIt("commonmark", {"html": False, "linkify": True}).enable(["table", "strikethrough", "linkify"])
    reader.linkify = _Addresses()
    for rule in rules:
        reader.core.ruler.push(rule.__name__, rule)
    # A table that is too wide scrolls inside itself.
    reader.add_render_rule("table_open", lambda *_: f'<div class="{_SCROLLS}"><table>\n')
    reader.add_render_rule("table_close", lambda *_: "</table></div>\n")
    return reader


_READER = _reader(_open_fillins, _root_addresses, _sound_headings, _aligned_cells)
_AS_TYPED = _reader()


def _plain(tokens: list[Token]) -> str:
    """The first paragraph's text, without its markup."""
    for index, token in enumerate(tokens):
        if token.type == "inline" and tokens[index - 1].type == "paragraph_open":
            pieces = (" " if c.type.endswith("break") else c.content for c in token.children or ())
            if text := " ".join("".join(pieces).split()):
                return text
    return ""


def _excerpt(text: str) -> str:
    if len(text) <= _EXCERPT:
        return text
    head = lines.cut(text, _EXCERPT - 1)
    if head.rfind(_OPEN) > head.rfind(_CLOSE):
        head = head[: head.rfind(_OPEN)]
    return (head.rpartition(" ")[0] or head).rstrip(" ,.;:–-") + "…"


# Those that XML 1.0 can't carry (production 2); our own placeholders are noncharacters, and stay.
_CONTROLS = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f-\x9f\ud800-\udfff\ufffe\uffff]")


def _without_controls(text: str) -> str:
    return _CONTROLS.sub("", text)


def compile_text(source: str) -> CompiledText:
    """Markdown as an owner typed it, to HTML with its fill-ins open."""
    tokens = _READER.parse(_PLACEHOLDERS.sub("\ufffd", lines.carried(source)))
    raw = _READER.renderer.render(tokens, _READER.options, {})
    clean = nh3.clean(raw, tags=_TAGS, attributes=_ATTRIBUTES, allowed_classes=_CLASSES, link_rel="noopener")
    # A character reference, such as &#11;, brings in what was taken out of the text itself.
    html, plain = _without_controls(clean), _without_controls(_plain(tokens))
    return CompiledText(html, _excerpt(plain), fills_in(html))


def problems(field: str, source: str) -> list[Problem]:
    """Fill-ins of a page text that are unknown or unclosed, by their place in the source."""
    # Where all braces of the whole source are good and nothing is quoted, none in its parts can be amiss; which is told
    # much faster than by reading it as Markdown.
    if "{" not in source or not (_QUOTED.search(source) or next(fillins.problems(field, source), None)):
        return []
    found_problems: list[Problem] = []
    starts = [0, *accumulate(len(line) for line in source.splitlines(keepends=True))]
    for block in _AS_TYPED.parse(source):
        if block.type == "inline" and block.map:
            texts = [token.content for token in block.children or () if token.type == "text"]
            found_problems += _placed(field, texts, source, starts[min(block.map[0], len(starts) - 1)])
            if len(found_problems) >= MOST_PROBLEMS:
                break
    return found_problems[:MOST_PROBLEMS]


def outside_pictures(field: str, source: str) -> list[Problem]:
    """Pictures from other servers, by their place in the source: a site's pages show none, for their visitors' sake."""
    found_problems: list[Problem] = []
    at = 0
    for block in _AS_TYPED.parse(source):
        for token in block.children or ():
            address = str(token.attrGet("src") or "") if token.type == "image" else ""
            if not _OUTSIDE.match(address):
                continue
            at = max(source.find(address, at), at)
            end = at + len(address) if source.startswith(address, at) else at
            found_problems.append(Problem(field, "picture_outside", {"address": lines.shorten(address, 60)}, at, end))
            at = end
            if len(found_problems) >= MOST_PROBLEMS:
                return found_problems
    return found_problems


def _placed(field: str, contents: Iterable[str], source: str, at: int) -> Iterator[Problem]:
    """The problems of a block's runs of text, moved to where they stand in the source, from ``at`` on."""
    for content in contents:
        for problem in fillins.problems(field, content):
            piece = content[problem.start : problem.end]
            at = max(source.find(piece, at), at)
            params = {**problem.params, "position": at + 1}
            yield Problem(field, problem.code, params, at, at + len(piece), problem.fix)
            at += len(piece)


def filled_html(compiled: str, values: fillins.Values, root: str = "", direction: str = "ltr") -> str:
    """Compiled HTML with its fill-ins filled as text, and root addresses put under ``root``.

    What runs against the text's ``direction`` keeps its own order.
    """

    def filled(found: re.Match[str]) -> str:
        return html_module.escape(bidi.isolated(_value(found[1], values), direction))

    if _OPEN in compiled:
        compiled = _FILL.sub(filled, compiled)
    return compiled.replace(_ROOT, root)


_HOURS = f"<p>{_OPEN}hours{_CLOSE}</p>"


def with_hours(compiled: str, block: Callable[[], str]) -> str:
    """Compiled HTML with the table of hours, as ``block`` makes it, for each paragraph that is only that fill-in."""
    return compiled.replace(_HOURS, block()) if _HOURS in compiled else compiled


_CONTACT = re.compile(f"{_OPEN}(?:contact|email){_CLOSE}")


def with_contact(compiled: str, link: str) -> str:
    """Compiled HTML with a link in place of each fill-in for the public address."""
    return _CONTACT.sub(lambda _: link, compiled) if _OPEN in compiled else compiled


OWN_PICTURE = f'src="{_ROOT}/_hestor/pic-'
"""What a compiled text with a picture of the site's own holds."""
_PICTURE = re.compile(r'<img src="([^"]*?)pic-([0-9a-f]{32})"(?: alt="([^"]*)")?[^>]*>')


def first_picture(compiled: str) -> tuple[str, str]:
    """The key and the description of the first of the site's own pictures in a compiled text; else empty texts."""
    # Most texts have none, which is told much faster than by looking for one.
    found = _PICTURE.search(compiled) if OWN_PICTURE in compiled else None
    is_own = found and found[1].startswith(_ROOT)
    return (found[2], html_module.unescape(found[3] or "")) if found and is_own else ("", "")


def with_pictures(html: str, folder: str, drawn: Callable[[str, str], str]) -> str:
    """Filled HTML with each of the site's own pictures, whose addresses begin with ``folder``, as ``drawn`` makes it.

    ``drawn`` gets the picture's key and its description, already escaped; what it can't draw it leaves out.
    """
    if "<img" not in html:
        return html
    return _PICTURE.sub(lambda found: drawn(found[2], found[3] or "") if found[1] == folder else found[0], html)


def filled_plain(compiled: str, values: fillins.Values) -> str:
    """Compiled plain text, such as an excerpt, with its fill-ins filled."""
    return _FILL.sub(lambda found: _value(found[1], values), compiled)


def _value(key: str, values: fillins.Values) -> str:
    name, _, argument = key.partition(":")
    return fillins.value_of(name, argument, values)
