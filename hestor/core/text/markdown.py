"""Page texts: Markdown to safe HTML, once, with the fill-ins left open to be filled at each rendering.

Markdown is read by markdown-it-py (CommonMark with tables and strikethrough); raw HTML in it is text.
What comes out goes through nh3 as well, so that a slip of the one is caught by the other.

Where a fill-in stands, the compiled text holds its key between two noncharacters (U+FDD0, U+FDD1),
and where an address begins at the site's root, U+FDD2 stands for whatever the root is. Unicode keeps
noncharacters for such inner use; they are taken out of what owners type.
"""

import html as html_module
import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from itertools import accumulate

import nh3
from markdown_it import MarkdownIt
from markdown_it.rules_core import StateCore
from markdown_it.token import Token

from hestor.core.errors import MOST_PROBLEMS, Problem
from hestor.core.text import fillins, lines

COMPILER_VERSION = 3
"""Counts up when the same source would compile to something else, so that kept texts are made anew."""

_OPEN, _CLOSE, _ROOT = "\ufdd0", "\ufdd1", "\ufdd2"
_PLACEHOLDERS = re.compile("[\ufdd0-\ufdef]")
_FILL = re.compile(f"{_OPEN}([^{_CLOSE}]*){_CLOSE}")
_EXCERPT = 200
_TAGS = set("a b blockquote br code del em h2 h3 h4 h5 h6 hr i img li ol p pre s strong".split()) | set(
    "table tbody td th thead tr ul".split()
)
_ATTRIBUTES = {"a": {"href", "title"}, "img": {"src", "alt", "title"}, "ol": {"start"}, "code": {"class"}}


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
    """The names of the fill-ins in a compiled text, be it HTML or plain."""
    return frozenset(key.partition(":")[0] for key in _FILL.findall(compiled))


def _placeholder(fill: fillins.Fill) -> str:
    return f"{_OPEN}{fill.key}{_CLOSE}"


def _open_fillins(state: StateCore) -> None:
    """Puts a placeholder in place of each fill-in of the running text; code keeps its braces."""
    for block in state.tokens:
        for token in block.children or ():
            if token.type == "text":
                parts = fillins.parse(token.content)
                token.content = "".join(p if isinstance(p, str) else _placeholder(p) for p in parts)


def _root_addresses(state: StateCore) -> None:
    """BrandFiles addresses that begin at the site's root, so that a look at an edition stays inside it."""
    for block in state.tokens:
        for token in block.children or ():
            for name in ("href", "src"):
                value = str(token.attrGet(name) or "")
                if value.startswith("/") and not value.startswith("//"):
                    token.attrSet(name, _ROOT + value)


def _lower_headings(state: StateCore) -> None:
    """The page's title is its only first-level heading, so a text that has its own is moved down one."""
    headings = [t for t in state.tokens if t.type in ("heading_open", "heading_close")]
    if any(token.tag == "h1" for token in headings):
        for token in headings:
            token.tag = f"h{min(6, int(token.tag[1]) + 1)}"


def _plain_cells(state: StateCore) -> None:
    """A cell's alignment is dropped: style attributes are barred by the site's own security policy."""
    for token in state.tokens:
        if token.type in ("td_open", "th_open"):
            token.attrs.pop("style", None)


def _reader(*rules: Callable[[StateCore], None]) -> MarkdownIt:
    reader = MarkdownIt("commonmark", {"html": False}).enable(["table", "strikethrough"])
    for rule in rules:
        reader.core.ruler.push(rule.__name__, rule)
    return reader


_READER = _reader(_open_fillins, _root_addresses, _lower_headings, _plain_cells)
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
    clean = nh3.clean(raw, tags=_TAGS, attributes=_ATTRIBUTES, link_rel="noopener")
    # A character reference, such as &#11;, brings in what was taken out of the text itself.
    html, plain = _without_controls(clean), _without_controls(_plain(tokens))
    return CompiledText(html, _excerpt(plain), fills_in(html))


def problems(field: str, source: str) -> list[Problem]:
    """Fill-ins of a page text that are unknown or unclosed, by their place in the source."""
    found: list[Problem] = []
    starts = [0, *accumulate(len(line) for line in source.splitlines(keepends=True))]
    for block in _AS_TYPED.parse(source):
        if block.type == "inline" and block.map:
            texts = [token.content for token in block.children or () if token.type == "text"]
            found += _placed(field, texts, source, starts[min(block.map[0], len(starts) - 1)])
            if len(found) >= MOST_PROBLEMS:
                break
    return found[:MOST_PROBLEMS]


def _placed(field: str, contents: Iterable[str], source: str, at: int) -> Iterator[Problem]:
    """The problems of a block's runs of text, moved to where they stand in the source, from ``at`` on."""
    for content in contents:
        for problem in fillins.problems(field, content):
            piece = content[problem.start : problem.end]
            at = max(source.find(piece, at), at)
            params = {**problem.params, "position": at + 1}
            yield Problem(field, problem.code, params, at, at + len(piece), problem.fix)
            at += len(piece)


def filled_html(compiled: str, values: fillins.Values, root: str = "") -> str:
    """Compiled HTML with its fill-ins filled as text, and root addresses put under ``root``."""
    if _OPEN in compiled:
        compiled = _FILL.sub(lambda found: html_module.escape(_value(found[1], values)), compiled)
    return compiled.replace(_ROOT, root)


OWN_PICTURE = f'src="{_ROOT}/_hestor/pic-'
"""What a compiled text with a picture of the site's own holds."""
_PICTURE = re.compile(r'<img src="([^"]*?)pic-([0-9a-f]{32})"(?: alt="([^"]*)")?[^>]*>')


def first_picture(compiled: str) -> str:
    """The key of the first of the site's own pictures in a compiled text, or an empty text."""
    found = _PICTURE.search(compiled)
    return found[2] if found and found[1].startswith(_ROOT) else ""


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
