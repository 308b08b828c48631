"""Code of others in the head of every page, such as a visitor count: whether it is well-formed, and what it may do.

What a browser would make of it is asked of an HTML5 parser; where it goes wrong is told from its tags.
"""

import base64
import hashlib
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from html.parser import HTMLParser
from typing import Any

from pydantic import BaseModel, ConfigDict
from selectolax.lexbor import LexborHTMLParser

from hestor.core.errors import Problem
from hestor.core.rules import Checked, read_as
from hestor.core.site_address import read_host
from hestor.core.text import lines

MOST = 20_000
MOST_HOSTS = 20
TAGS = frozenset(("script", "noscript", "style", "link", "meta", "template"))
"""What may stand in a head (HTML, 4.2) but for what a page says itself: its title and its base."""
_INSIDE = frozenset(("img", "iframe", "link", "style", "meta"))
_TEXTS = frozenset(("script", "style"))
_CLOSED = frozenset(("script", "style", "noscript", "template"))
_MARK = "hestor-end"
_NOSCRIPT = re.compile("<noscript[^>]*>.*?</noscript[^>]*>", re.IGNORECASE | re.DOTALL)
_ADDRESS = re.compile(r"https://([a-z0-9.-]+)(?::\d+)?(?:[/?#].*)?", re.IGNORECASE)


class AddedCode(BaseModel):
    """The code, and further hosts that it may fetch from and send to, besides those that it names itself."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    code: str
    hosts: tuple[str, ...] = ()


class _Tags(HTMLParser):
    """Finds the first tag that keeps a text from being the inside of a head."""

    def __init__(self, key: str, code: str) -> None:
        super().__init__(convert_charrefs=False)
        self._key, self._code = key, code
        self._starts = [0, *(match.end() for match in re.finditer("\n", code))]
        self._open: list[tuple[str, int]] = []
        self._refused: set[str] = set()
        self.found: list[Problem] = []

    def _at(self) -> int:
        line, column = self.getpos()
        return self._starts[min(line - 1, len(self._starts) - 1)] + column

    def _wrong(self, code: str, tag: str) -> None:
        start = self._at()
        end = self._code.find(">", start) + 1 or len(self._code)
        line = self.getpos()[0]
        self.found.append(Problem(self._key, code, {"tag": tag, "line": line}, start, end))

    def handle_starttag(self, tag: str, attrs: Any) -> None:
        """A tag that begins."""
        allowed = TAGS | _INSIDE if any(name in ("noscript", "template") for name, _ in self._open) else TAGS
        if tag not in allowed:
            self._wrong("code_tag", tag)
            self._refused.add(tag)
        if tag in _CLOSED:
            self._open.append((tag, self._at()))
        if tag == "meta" and any(name == "http-equiv" for name, _ in attrs):
            # It would lead every page elsewhere, or stand in for a header of ours (HTML, 4.2.5.3).
            self._wrong("code_meta", tag)
        for name, value in attrs:
            if name in ("src", "href") and value and not _ADDRESS.fullmatch(value) and tag != "meta":
                self._wrong("code_address", tag)
                return

    def handle_endtag(self, tag: str) -> None:
        """A tag that ends."""
        if self._open and self._open[-1][0] == tag:
            self._open.pop()
        elif tag in ("head", "html", "body"):
            self._wrong("code_closes_head", tag)
        elif tag not in self._refused:
            self._wrong("code_closes_other", tag)

    def unclosed(self) -> Iterator[Problem]:
        """What was opened and never closed."""
        for tag, start in self._open:
            line = self._code.count("\n", 0, start) + 1
            yield Problem(self._key, "code_unclosed", {"tag": tag, "line": line}, start, len(self._code))


def _comments(key: str, code: str) -> Iterator[Problem]:
    start = code.rfind("<!--")
    within_script = code.rfind("<script", 0, start) > code.rfind("</script", 0, start)
    if start != -1 and code.find("-->", start) == -1 and not within_script:
        yield Problem(key, "code_comment", {"line": code.count("\n", 0, start) + 1}, start, len(code))


def _stays_in_head(code: str) -> bool:
    """Whether what follows the code is still in the head, for a parser that works as browsers do.

    A noscript's inside is left out, which is plain text to a browser with scripts on.
    """
    inside = _NOSCRIPT.sub("", code)
    page = f'<!DOCTYPE html><html><head>{inside}<meta name="{_MARK}"></head><body><p>text</p></body></html>'
    tree = LexborHTMLParser(page)
    marks = tree.css(f'head > meta[name="{_MARK}"]')
    body = tree.css_first("body")
    return len(marks) == 1 and body is not None and (body.text() or "").strip() == "text"


def problems(key: str, code: str) -> tuple[Problem, ...]:
    """What keeps a code from standing in the head of every page; of many slips the first few."""
    found_problems = list(_comments(key, code))
    if not found_problems:
        tags = _Tags(key, code)
        tags.feed(code)
        tags.close()
        found_problems = [*tags.found, *tags.unclosed()]
    if not found_problems and not _stays_in_head(code):
        found_problems = [Problem(key, "code_text", {}, 0, len(code))]
    return tuple(found_problems[:5])


def _host(typed: str) -> str | None:
    """A host as it was typed, or of an address; with ``*.`` in front for all below it. None for what is none."""
    text = typed.strip().lower()
    star, bare = ("*.", text[2:]) if text.startswith("*.") else ("", text)
    try:
        host = read_host(bare)
    except ValueError:
        return None
    return star + host if host else None


def rule(key: str, given: object) -> Checked[AddedCode | None]:
    """A well-formed code; an empty one is none."""
    if given is None:
        return None, ()
    read = read_as(AddedCode, given)
    if read is None:
        return None, (Problem(key, "code_unreadable"),)
    if len(read.code) > MOST:
        return read, (lines.too_long(key, read.code, MOST),)
    if len(read.hosts) > MOST_HOSTS:
        return read, (Problem(f"{key}.hosts", "code_hosts_many", {"most": MOST_HOSTS}),)
    code = lines.carried(read.code).strip()
    hosts = [(each_host, _host(each_host)) for each_host in read.hosts if each_host.strip()]
    wrong = [Problem(f"{key}.hosts", "code_host", {"host": lines.shorten(one, 60)}) for one, host in hosts if not host]
    found = (*problems(key, code), *wrong)
    kept = AddedCode(code=code, hosts=tuple(dict.fromkeys(host for _, host in hosts if host)))
    return (kept if code or found else None), found


@dataclass(frozen=True)
class Names:
    """What a code names: hosts of scripts, styles, pictures and frames; and hashes of what is written into it."""

    scripts: tuple[str, ...]
    styles: tuple[str, ...]
    pictures: tuple[str, ...]
    frames: tuple[str, ...]


def _hash(text: str) -> str:
    """A source expression for one inline script or style (CSP 3, 2.3.1)."""
    return f"'sha256-{base64.b64encode(hashlib.sha256(text.encode()).digest()).decode()}'"


def _hosts(tree: LexborHTMLParser, selector: str, attribute: str) -> list[str]:
    matches = (_ADDRESS.fullmatch(node.attributes.get(attribute) or "") for node in tree.css(selector))
    return [f"https://{host[1].lower()}" for host in matches if host]


def _inline(tree: LexborHTMLParser, selector: str) -> list[str]:
    return [_hash(node.text(deep=True)) for node in tree.css(selector)]


def names(code: str) -> Names:
    """What a code names by itself."""
    # A noscript's inside is text to a parser with scripts on; what is in it counts as well.
    tree = LexborHTMLParser(f"<head>{re.sub('</?noscript[^>]*>', '', code, flags=re.IGNORECASE)}</head>")
    return Names(
        tuple(dict.fromkeys([*_hosts(tree, "script[src]", "src"), *_inline(tree, "script:not([src])")])),
        tuple(dict.fromkeys([*_hosts(tree, "link[href]", "href"), *_inline(tree, "style")])),
        tuple(dict.fromkeys(_hosts(tree, "img[src]", "src"))),
        tuple(dict.fromkeys(_hosts(tree, "iframe[src]", "src"))),
    )


def policy(added: AddedCode | None) -> Mapping[str, Sequence[str]]:
    """What a page's Content-Security-Policy (CSP 3) has to allow besides the page's own, by directive.

    A script may send to the host that it comes from, which is what visitor counts do, and to those that were named.
    """
    if added is None:
        return {}
    named = names(added.code)
    further = [f"https://{host}" for host in added.hosts]
    others = [script for script in named.scripts if script.startswith("https:")]
    styles = [style for style in named.styles if style.startswith("https:")]
    found_policy = {
        "script-src": [*named.scripts, *further],
        "style-src": named.styles,
        "font-src": styles,
        "img-src": [*named.pictures, *others, *further],
        "connect-src": [*others, *further],
        "frame-src": [*named.frames, *further],
    }
    return {directive: tuple(dict.fromkeys(sources)) for directive, sources in found_policy.items() if sources}


def notices(key: str, added: AddedCode | None) -> Iterator[Problem]:
    """What of a code will not work as it was meant: handlers in attributes, which no policy without risks allows."""
    if added and (match := re.search(r"<[^<>]*\son[a-z]++\s*+=", added.code, re.IGNORECASE)):
        line = added.code.count("\n", 0, match.start()) + 1
        yield Problem(key, "code_handler", {"line": line}, match.start(), match.end())
