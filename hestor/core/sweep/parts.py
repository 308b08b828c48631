"""Pages that leave out what nearly all pages of their site have: header, menu, footer."""

from collections.abc import Iterator, Mapping, Sequence

from hestor.core.reading import landmarks
from hestor.core.reading.source import Source
from hestor.core.sweep.stray import Stray

PARTS = ("header", "menu", "footer")
_MOST, _FEWEST_PAGES = 0.8, 4
# Among so many last blocks a line of whose the page is makes a footer, whatever it is marked up as.
_LAST = 12


def parts_of(source: Source) -> frozenset[str]:
    """Which of the site-wide parts a page has (HTML-AAM: landmarks outside of sections)."""
    found = {block.place for block in source.blocks if block.place in PARTS}
    for element in source.elements:
        if element.tag not in landmarks.TAGS and "role" not in element.attributes:
            continue
        part = (
            landmarks.ROLES.get(element.get("role"))
            if "role" in element.attributes
            else landmarks.TAGS.get(element.tag)
        )
        if part in PARTS and (part == "menu" or not source.is_within(element.parent, landmarks.SECTIONS)):
            found.add(part)
    if "footer" not in found and any("©" in source.words_of(block) for block in source.blocks[-_LAST:]):
        found.add("footer")
    return frozenset(found)


def usual(pages: Sequence[frozenset[str]]) -> frozenset[str]:
    """The parts that nearly all pages have."""
    if len(pages) < _FEWEST_PAGES:
        return frozenset()
    return frozenset(part for part in PARTS if sum(part in page for page in pages) >= _MOST * len(pages))


def left_out(source: Source, has: frozenset[str], wanted: frozenset[str]) -> Iterator[Stray]:
    """The parts that a page lacks; one that only leads on has none to show."""
    if source.leads_on:
        return
    body: Mapping[str, Sequence[object]] = source.by_tag
    if "body" not in body and "html" not in body:
        return
    element = next(source.all("body"), None) or source.root
    for part in PARTS:
        if part in wanted and part not in has and element is not None:
            at = element.closes if part == "footer" else element.end
            yield Stray("opted_out", source.path, part, at, at, "", part, 0.8)
