"""The elements of a page as a tree, over its ``source.Source``: what selectors take, and what each element says.

Selectors are those of CSS (Selectors Level 4, as far as cssselect2 knows them), but for what asks for an element's
language, for whether it is empty, or for the state of a form (``:lang()``, ``:empty``, ``:enabled``).
"""

from bisect import bisect_right
from collections.abc import Iterable, Iterator, Mapping, Sequence
from functools import lru_cache
from html import unescape

import regex
from cssselect2 import SelectorError, compiler, parser
from propcache.api import cached_property

from hestor.core.reading.source import BETWEEN, Element, Source

_OF_HEAD = frozenset("head base link meta noscript script style template title".split())
_TAG = regex.compile(r"<[^<>]*+>")


_NONE: list["Node"] = []


class Node:
    """An element of a page: what stands above it and below it, its attributes, its words.

    Each element of a page is one object. Beside its own names it has those that cssselect2 asks for.
    """

    __slots__ = ("_all", "attrib", "children", "element", "index", "local_name", "parent")
    in_html_document = True
    namespace_url = "http://www.w3.org/1999/xhtml"

    def __init__(self, all_nodes: "Nodes", element: Element, parent: "Node | None") -> None:
        self._all, self.element, self.parent = all_nodes, element, parent
        self.local_name, self.attrib = element.tag, element.attributes
        # Most elements hold no others: a list for each would be work for the garbage collector.
        self.children: list[Node] = _NONE
        self.index = 0
        if parent is None:
            return
        if parent.children:
            self.index = len(parent.children)
            parent.children.append(self)
        else:
            parent.children = [self]

    @property
    def tag(self) -> str:
        """The element's name, in small letters."""
        return self.local_name

    @property
    def attributes(self) -> Mapping[str, str]:
        """The attributes by their names in small letters; one without a value is empty."""
        return self.attrib

    def get(self, name: str, otherwise: str = "") -> str:
        """An attribute's value as it is written."""
        return self.attrib.get(name, otherwise)

    @property
    def etree_element(self) -> "Node":
        """The element, as cssselect2 asks it for its attributes."""
        return self

    @property
    def etree_siblings(self) -> Sequence["Node"]:
        """All children of the element above."""
        return self.parent.children if self.parent is not None else [self]

    etree_children = property(lambda self: self.children)

    @property
    def id(self) -> str | None:
        """The element's id; None without one."""
        return self.attrib.get("id")

    @property
    def classes(self) -> Sequence[str]:
        """The element's classes."""
        return self.attrib.get("class", "").split()

    @property
    def ancestors(self) -> Iterator["Node"]:
        """The elements around it, from within."""
        above = self.parent
        while above is not None:
            yield above
            above = above.parent

    @property
    def previous_siblings(self) -> Sequence["Node"]:
        """The elements before it within the same one."""
        return self.etree_siblings[: self.index]

    @property
    def previous(self) -> "Node | None":
        """The element right before it."""
        return self.etree_siblings[self.index - 1] if self.index else None

    def iter_siblings(self) -> Iterator["Node"]:
        """All elements within the same one."""
        return iter(self.etree_siblings)

    def iter_next_siblings(self) -> Iterator["Node"]:
        """The elements after it within the same one."""
        return iter(self.etree_siblings[self.index + 1 :])

    def iter_children(self) -> Iterator["Node"]:
        """The elements right within it."""
        return iter(self.children)

    def iter_subtree(self) -> Iterator["Node"]:
        """The element and all that are in it, in reading order."""
        yield self
        for child in self.children:
            yield from child.iter_subtree()

    def css(self, selectors: str) -> list["Node"]:
        """The elements within this one that one of some selectors takes, in reading order."""
        return self._all.taken(selectors, self.element)

    def css_first(self, selectors: str) -> "Node | None":
        """The first of them."""
        return next(iter(self.css(selectors)), None)

    def text(self) -> str:
        """All that the element says, a space between lines, also where nobody sees it."""
        if self.element.hidden:
            return self._all.written(self.element)
        return self._all.words(self.element.end, self.element.closes)

    def contents(self) -> Iterator["Node | str"]:
        """What is right within it, in reading order: elements, and what is said between them."""
        at = self.element.end
        for child in self.children:
            if said := self._all.words(at, child.element.start):
                yield said
            yield child
            at = child.element.closes
        if said := self._all.words(at, self.element.closes):
            yield said

    def without(self, off: Iterable["Node"]) -> str:
        """What the element says without some of the elements in it, which come in reading order."""
        parts, at = [], self.element.end
        for one in off:
            if at <= one.element.start < self.element.closes:
                parts.append(self._all.words(at, one.element.start))
                at = one.element.closes
        parts.append(self._all.words(at, self.element.closes))
        return " ".join(parts)


def _outermost(tree: parser.CombinedSelector | parser.CompoundSelector) -> str | None:
    """The name of an element that whatever a selector takes is inside of, if the selector begins with one."""
    combinator = ""
    while isinstance(tree, parser.CombinedSelector):
        tree, combinator = tree.left, tree.combinator
    names = (one.lower_local_name for one in tree.simple_selectors if isinstance(one, parser.LocalNameSelector))
    return next(names, None) if combinator in (" ", ">") else None


class _Selector:
    """A compiled selector, and by what its subject can be looked up."""

    def __init__(self, parsed: parser.Selector) -> None:
        compiled = compiler.CompiledSelector(parsed)
        self.takes = compiled.test
        self.tag = compiled.lower_local_name
        self.name = compiled.class_name
        subject = parsed.parsed_tree
        subject = subject.right if isinstance(subject, parser.CombinedSelector) else subject
        asked = (one for one in subject.simple_selectors if isinstance(one, parser.AttributeSelector))
        self.attribute = next((one.lower_name for one in asked), None)
        self.around = _outermost(parsed.parsed_tree)


@lru_cache(maxsize=1024)
def _compiled(selectors: str) -> tuple[_Selector, ...]:
    """Selectors, ready to use; of a list that can't be read none. What stands for no element (``::before``) is left."""
    try:
        return tuple(_Selector(one) for one in parser.parse(selectors) if one.pseudo_element is None)
    except (SelectorError, NotImplementedError):
        return ()


class Nodes:
    """All elements of a page."""

    def __init__(self, source: Source) -> None:
        self._source = source
        self.listed: list[Node] = []
        for element in source.elements:
            self.listed.append(Node(self, element, self.listed[element.parent] if element.parent >= 0 else None))
        self.body = self._written_body() or self._implied_body()

    def _written_body(self) -> Node | None:
        return next((self.listed[element.number] for element in self._source.all("body")), None)

    def _implied_body(self) -> Node:
        """Where the body's tags are left out, all that comes after what belongs to the head (HTML, 13.1.2.4)."""
        root = next(iter(self.of_tag("html")), None)
        around = root.children if root is not None else [node for node in self.listed if node.parent is None]
        begun = next((at for at, node in enumerate(around) if node.tag not in _OF_HEAD), len(around))
        starts = around[begun - 1].element.closes if begun else 0
        body = Node(self, Element("body", {}, starts, starts, -1, -1, len(self._source.text)), None)
        body.parent, body.children, body.index = root, around[begun:], begun
        if root is not None:
            root.children = [*around[:begun], body]
        for index, node in enumerate(body.children):
            node.parent, node.index = body, index
        return body

    @cached_property
    def _by_attribute(self) -> Mapping[str, list[Node]]:
        found: dict[str, list[Node]] = {}
        for node in self.listed:
            for name in node.element.attributes:
                found.setdefault(name, []).append(node)
        return found

    @cached_property
    def _by_class(self) -> Mapping[str, list[Node]]:
        found: dict[str, list[Node]] = {}
        for node in self._by_attribute.get("class", ()):
            for name in node.classes:
                found.setdefault(name, []).append(node)
        return found

    def of_tag(self, tag: str) -> Sequence[Node]:
        """The elements of a name."""
        if tag == "body":
            return (self.body,)
        return [self.listed[element.number] for element in self._source.by_tag.get(tag, ())]

    def with_attribute(self, name: str) -> Sequence[Node]:
        """The elements that have an attribute."""
        return self._by_attribute.get(name, ())

    def _candidates(self, selector: _Selector) -> Sequence[Node]:
        if selector.tag:
            found = self.of_tag(selector.tag)
        elif selector.name:
            found = self._by_class.get(selector.name, ())
        else:
            found = self.with_attribute(selector.attribute) if selector.attribute else self.listed
        if not found or not selector.around:
            return found
        # Most of a page is outside of most parts: that is told by where they stand, before each is asked.
        begins, ends = self._stretches(selector.around)
        places = ((node, bisect_right(begins, node.element.start) - 1) for node in found)
        return [node for node, at in places if at >= 0 and node.element.start < ends[at]]

    def _stretches(self, tag: str) -> tuple[list[int], list[int]]:
        """Where in the file the outermost elements of a name begin and end."""
        begins, ends = [], [-1]
        for node in self.of_tag(tag):
            if node.element.end > ends[-1]:
                begins.append(node.element.end)
                ends.append(node.element.closes)
        return begins, ends[1:]

    def taken(self, selectors: str, within: Element | None = None) -> list[Node]:
        """The elements that one of some selectors takes, in reading order; all, or those within an element."""
        compiled = _compiled(selectors)
        found: dict[int, Node] = {}
        for selector in compiled:
            for node in self._candidates(selector):
                inside = within is None or within.end <= node.element.start < within.closes
                if inside and selector.takes(node):
                    found[node.element.number] = node
        return list(found.values()) if len(compiled) == 1 else [found[number] for number in sorted(found)]

    def words(self, at: int, end: int) -> str:
        """What is said between two positions of the file, a space between lines."""
        return self._source.said_between(at, end).replace(BETWEEN, " ")

    def written(self, element: Element) -> str:
        """What stands within an element whose words nobody sees."""
        return unescape(_TAG.sub("", self._source.text[element.end : element.closes]))
