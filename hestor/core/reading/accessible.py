"""What an assistive program reads out of a page's top: roles and names of its elements, in reading order.

Roles are those of HTML-AAM 1.0 (the element's, or its ``role``), names those of the Accessible Name and Description
Computation 1.2 as far as the top of a page needs them: ``aria-labelledby``, ``aria-label``, the content, ``alt``.
What is ``hidden``, has ``aria-hidden``, or is folded away is not read.
"""

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from hestor.core.reading import positions
from hestor.core.reading.landmarks import SECTIONS
from hestor.core.reading.node import Node
from hestor.core.text.lines import folded

_UNREAD = frozenset("script style template noscript link meta source svg".split())
_LANDMARKS = {"nav": "navigation", "main": "main", "aside": "complementary"}
_HEADINGS = frozenset({"h1", "h2", "h3", "h4", "h5", "h6"})
_HEADING_ROLES = frozenset(f"heading{level}" for level in range(1, 7))
_STOPS = _HEADINGS | {"a", "button", "summary"}
_LISTS = frozenset({"ul", "ol"})
_MOST = 60


class Spoken(NamedTuple):
    """A stop on the way: what it is (``role``), and its name; for a list how many entries it has."""

    role: str
    name: str


def _is_unread(node: Node) -> bool:
    attributes, above = node.attributes, node.parent
    folded_away = above is not None and above.tag == "details" and "open" not in above.attributes
    return (
        node.tag in _UNREAD
        or "hidden" in attributes
        or attributes.get("aria-hidden") == "true"
        or (folded_away and node.tag != "summary")
    )


def _content(node: Node) -> Iterator[str]:
    for child in node.contents():
        if isinstance(child, str):
            yield child
        elif child.tag == "img":
            yield child.get("alt")
        elif not _is_unread(child):
            gap = "" if child.tag in positions.INLINE else " "
            yield gap
            yield from _content(child)
            yield gap


def _label(a: Mapping[str, str], root: Node) -> str:
    """The name that an element is given by a label, which may itself be hidden."""
    if ids := (a.get("aria-labelledby") or "").split():
        named = (root.css_first(f'[id="{one}"]') for one in ids if '"' not in one)
        return folded(" ".join(found.text() for found in named if found))
    label = a.get("aria-label")
    return folded(label) if label else ""


class _Walk:
    """Through a page's body, in reading order."""

    def __init__(self, body: Node) -> None:
        self._body = body
        self.found: list[Spoken] = []

    def _name(self, node: Node, a: Mapping[str, str]) -> str:
        if label := _label(a, self._body):
            return label
        return folded("".join(_content(node)))

    def _entries(self, node: Node) -> int:
        return sum(1 for child in node.children if child.tag == "li" and not _is_unread(child))

    def _stop(self, node: Node, tag: str) -> Spoken | None:
        """What an element is read as in one go, with all that is in it; None for one that is gone into."""
        if tag not in _STOPS:
            return None
        if tag == "a" and "href" in (a := node.attributes):
            current = a.get("aria-current") not in (None, "false")
            return Spoken("current" if current else "link", self._name(node, a))
        if tag in _HEADINGS:
            return Spoken(f"heading{tag[1]}", self._name(node, node.attributes))
        return Spoken("button", self._name(node, node.attributes)) if tag != "a" else None

    def _opened(self, node: Node, tag: str, inside: frozenset[str]) -> Spoken | None:
        """What is said at the beginning of an element that is gone into."""
        if tag in _LISTS:
            return Spoken("list", str(self._entries(node)))
        if tag == "header" and not inside & SECTIONS:
            return Spoken("banner", _label(node.attributes, self._body))
        return Spoken(_LANDMARKS[tag], _label(node.attributes, self._body)) if tag in _LANDMARKS else None

    def _is_over(self) -> bool:
        return len(self.found) >= _MOST or self.found[-1].role in _HEADING_ROLES

    def through(self, node: Node, inside: frozenset[str] = frozenset()) -> bool:
        """Finds everything that is read of a node; says whether that is enough."""
        for child in node.contents():
            if isinstance(child, str):
                said = folded(child)
                stop = Spoken("text", said) if said else None
            elif _is_unread(child):
                continue
            elif (tag := child.tag) == "img":
                alt = child.attributes.get("alt")
                # An empty description is meant; none at all leaves the reader with "image".
                stop = Spoken("image", folded(alt)) if alt is None or folded(alt) else None
            elif (stop := self._stop(child, tag)) is None:
                if opened := self._opened(child, tag, inside):
                    self.found.append(opened)
                if self.through(child, inside | {tag} if tag in SECTIONS else inside):
                    return True
            if stop:
                self.found.append(stop)
                if self._is_over():
                    return True
        return False


def top_of(body: Node) -> tuple[Spoken, ...]:
    """What is read out from the beginning of a page's body to its first heading."""
    walk = _Walk(body)
    walk.through(body)
    return tuple(walk.found[:_MOST])
