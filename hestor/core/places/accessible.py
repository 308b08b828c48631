"""What an assistive program reads out of a page's top: roles and names of its elements, in reading order.

Roles are those of HTML-AAM 1.0 (the element's, or its ``role``), names those of the Accessible Name and Description
Computation 1.2 as far as the top of a page needs them: ``aria-labelledby``, ``aria-label``, the content, ``alt``.
What is ``hidden``, has ``aria-hidden``, or is folded away is not read.
"""

from collections.abc import Iterator, Mapping, Set
from typing import NamedTuple

from selectolax.lexbor import LexborNode

from hestor.core.text.lines import folded

_UNREAD = (
    "[hidden], [aria-hidden=true], script, style, template, noscript, link, meta, source, svg,"
    " details:not([open]) > :not(summary)"
)
_LANDMARKS = {"nav": "navigation", "main": "main", "aside": "complementary"}
_HEADINGS = frozenset({"h1", "h2", "h3", "h4", "h5", "h6"})
_LISTS = frozenset({"ul", "ol"})
_SECTIONS = frozenset({"article", "aside", "main", "nav", "section"})
_MOST = 60


class Spoken(NamedTuple):
    """A stop on the way: what it is (``role``), and its name; for a list how many entries it has."""

    role: str
    name: str


def _content(node: LexborNode, unread: Set[int]) -> Iterator[str]:
    for child in node.iter(include_text=True):
        tag = child.tag
        if tag == "-text":
            yield child.text()
        elif tag == "img":
            yield child.attributes.get("alt") or ""
        elif child.mem_id not in unread:
            yield from _content(child, unread)


def _label(a: Mapping[str, str | None], root: LexborNode) -> str:
    """The name that an element is given by a label, which may itself be hidden."""
    if ids := (a.get("aria-labelledby") or "").split():
        named = (root.css_first(f'[id="{one}"]') for one in ids if '"' not in one)
        return folded(" ".join(found.text(deep=True) for found in named if found))
    return folded(a.get("aria-label"))


class _Walk:
    """Through a page's body, in reading order."""

    def __init__(self, body: LexborNode) -> None:
        self._body = body
        self._unread = {node.mem_id for node in body.css(_UNREAD)}

    def _name(self, node: LexborNode, a: Mapping[str, str | None]) -> str:
        return _label(a, self._body) or folded("".join(_content(node, self._unread)))

    def _entries(self, node: LexborNode) -> int:
        return sum(1 for child in node.iter() if child.tag == "li" and child.mem_id not in self._unread)

    def _stop(self, node: LexborNode, tag: str) -> Spoken | None:
        """What an element is read as in one go, with all that is in it; None for one that is gone into."""
        if tag == "a" and "href" in (a := node.attributes):
            current = a.get("aria-current") not in (None, "false")
            return Spoken("current" if current else "link", self._name(node, a))
        if tag in ("button", "summary"):
            return Spoken("button", self._name(node, node.attributes))
        if tag in _HEADINGS:
            return Spoken(f"heading{tag[1]}", self._name(node, node.attributes))
        return None

    def _opened(self, node: LexborNode, tag: str, inside: frozenset[str]) -> Iterator[Spoken]:
        """What is said at the beginning of an element that is gone into."""
        if tag == "header" and not inside & _SECTIONS:
            yield Spoken("banner", _label(node.attributes, self._body))
        elif tag in _LANDMARKS:
            yield Spoken(_LANDMARKS[tag], _label(node.attributes, self._body))
        elif tag in _LISTS:
            yield Spoken("list", str(self._entries(node)))

    def through(self, node: LexborNode, inside: frozenset[str] = frozenset()) -> Iterator[Spoken]:
        """Everything that is read of a node."""
        for child in node.iter(include_text=True):
            tag = child.tag or ""
            if tag == "-text":
                if text := folded(child.text()):
                    yield Spoken("text", text)
            elif child.mem_id in self._unread:
                continue
            elif tag == "img":
                alt = child.attributes.get("alt")
                # An empty description is meant; none at all leaves the reader with "image".
                if alt is None or folded(alt):
                    yield Spoken("image", folded(alt))
            elif (stop := self._stop(child, tag)) is not None:
                yield stop
            else:
                yield from self._opened(child, tag, inside)
                yield from self.through(child, inside | {tag})


def top_of(body: LexborNode | None) -> tuple[Spoken, ...]:
    """What is read out from the beginning of a page's body to its first heading."""
    found: list[Spoken] = []
    for one in _Walk(body).through(body) if body else ():
        found.append(one)
        if one.role.startswith("heading") or len(found) == _MOST:
            break
    return tuple(found)
