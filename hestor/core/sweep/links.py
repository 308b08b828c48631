"""Links and files inside the site that lead nowhere."""

from collections.abc import Iterator, Mapping

import regex

from hestor.core.reading.source import Element, Source
from hestor.core.sweep.files import Files
from hestor.core.sweep.stray import Stray

_NAMING = (
    ("a", "href"), ("area", "href"), ("link", "href"), ("img", "src"), ("script", "src"), ("source", "src"),
    ("video", "src"), ("audio", "src"), ("iframe", "src"), ("embed", "src"), ("object", "data"), ("video", "poster"),
    ("track", "src"), ("form", "action"),
)  # fmt: skip
# Relations that name an address without fetching it, or another site.
_NO_FILE = frozenset(("canonical", "preconnect", "dns-prefetch", "alternate", "pingback", "shortlink", "prev", "next"))
_TEMPLATE = regex.compile(r"\{\{|\$\{|<%|\{%")
_TOP = ("", "top")
_SURE, _SURE_OF_PART = 0.95, 0.85

Named = tuple[Element, str, str]


def named_on(source: Source) -> Iterator[Named]:
    """Each address that a page leads to or fetches: the element, its attribute, the address."""
    for tag, attribute in _NAMING:
        for element in source.by_tag.get(tag, ()):
            address = element.get(attribute)
            if not address or address.startswith("#!") or _TEMPLATE.search(address):
                continue
            if tag == "link" and set(element.get("rel").lower().split()) & _NO_FILE:
                continue
            if not source.is_within(element.number, frozenset(("template",))):
                yield element, attribute, address


def broken(source: Source, files: Files, ids: Mapping[str, frozenset[str]]) -> Iterator[Stray]:
    """Addresses that lead to no file of the site, or to no such part of a page."""
    for element, attribute, address in named_on(source):
        leads, path, fragment = files.led_to(source, address)
        sure = _SURE if leads == "broken" else 0.0
        if leads == "broken" and (files.is_folder(path) and element.tag in ("a", "form") and path.endswith("/")):
            sure = _SURE_OF_PART
        if leads == "found" and not _is_there(ids.get(path), fragment):
            sure = _SURE_OF_PART
        if sure:
            start, end = source.attribute_spot(element, attribute)
            should = _other_case(files, path) if leads == "broken" else ""
            yield Stray("link_broken", source.path, "link", start, end, address, should, sure)


def leads_out(source: Source, files: Files) -> bool:
    """Whether a page has links that lead out of the folder, where nobody can say what is there."""
    return any(files.led_to(source, address)[0] == "out" for _, _, address in named_on(source))


def _is_there(ids: frozenset[str] | None, fragment: str) -> bool:
    """Whether a page has the part that is named (HTML, 7.4.6.3); of what is no page nothing is known."""
    if ids is None or fragment.lower() in _TOP or fragment.startswith((":~:", "/")):
        return True
    return fragment in ids


def _other_case(files: Files, path: str) -> str:
    """The file of that name in other letters: most servers tell capitals from small ones."""
    return next((one for one in files.paths if one.casefold() == path.casefold() and one != path), "")
