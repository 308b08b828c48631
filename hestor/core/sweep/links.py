"""Links and files inside the site that lead nowhere."""

from collections.abc import Iterator
from dataclasses import dataclass, field

import regex

from hestor.core.reading.source import Element, Source
from hestor.core.sweep.files import Files
from hestor.core.sweep.stray import Stray

_NAMING = (
    ("a", "href"), ("area", "href"), ("link", "href"), ("img", "src"), ("script", "src"), ("source", "src"),
    ("video", "src"), ("audio", "src"), ("iframe", "src"), ("embed", "src"), ("object", "data"), ("video", "poster"),
    ("track", "src"), ("form", "action"), ("img", "srcset"), ("source", "srcset"),
)  # fmt: skip
# Relations that name an address without fetching it, or another site.
_NO_FILE = frozenset(("canonical", "preconnect", "dns-prefetch", "alternate", "pingback", "shortlink", "prev", "next"))
# An address of several for one picture (HTML, 4.8.4.2.1); one that holds the picture itself is none.
_CANDIDATE = regex.compile(r"(?:^|(?<=[,\s]))(?!data:)([^\s,]\S*[^\s,])(?:\s+[\d.]+[wx])?\s*(?:,|$)")
_TEMPLATE = regex.compile(r"\{\{|\$\{|<%|\{%")
_TEMPLATES = frozenset(("template",))
_TOP = ("", "top")
_SURE, _SURE_OF_PART = 0.95, 0.85

_Named = tuple[Element, str, str]


@dataclass
class Led:
    """Where the links of a page lead: those to no file; those to a part of a page, which is looked for once all pages
    are known; and whether any leads out of the folder, where nobody can say what is there.
    """

    broken: list[Stray] = field(default_factory=list)
    parts: list[tuple[str, str, Stray]] = field(default_factory=list)
    is_out: bool = False


def _named_on(source: Source) -> Iterator[_Named]:
    """Each address that a page leads to or fetches: the element, its attribute, the address."""
    has_templates = "template" in source.by_tag
    for tag, attribute in _NAMING:
        for element in source.by_tag.get(tag, ()):
            address = element.get(attribute)
            if not address or address.startswith("#!") or _is_template(address):
                continue
            if attribute == "srcset":
                yield from ((element, attribute, word) for word in _CANDIDATE.findall(address))
                continue
            if tag == "link" and not _NO_FILE.isdisjoint(element.get("rel").lower().split()):
                continue
            if not (has_templates and source.is_within(element.number, _TEMPLATES)):
                yield element, attribute, address


def _is_template(address: str) -> bool:
    return ("{" in address or "<" in address) and bool(_TEMPLATE.search(address))


def led(source: Source, files: Files) -> Led:
    """Where a page's addresses lead that don't simply lead to a file."""
    found = Led()
    for element, attribute, address in _named_on(source):
        leads, path, fragment = files.led_to(source, address)
        found.is_out = found.is_out or leads == "out"
        if leads == "broken":
            is_folder = files.is_folder(path) and element.tag in ("a", "form") and path.endswith("/")
            sure = _SURE_OF_PART if is_folder else _SURE
            found.broken.append(_stray(source, (element, attribute, address), _other_case(files, path), sure))
        elif leads == "found" and fragment:
            stray = _stray(source, (element, attribute, address), "", _SURE_OF_PART)
            found.parts.append((path, fragment, stray))
    return found


def _stray(source: Source, named: _Named, should: str, sure: float) -> Stray:
    element, attribute, address = named
    start, end = source.attribute_spot(element, attribute)
    if attribute == "srcset" and (at := source.text.find(address, start, end)) >= 0:
        start, end = at, at + len(address)
    return Stray("link_broken", source.path, "link", start, end, address, should, sure)


def is_there(ids: frozenset[str] | None, fragment: str) -> bool:
    """Whether a page has the part that is named (HTML, 7.4.6.3); of what is no page nothing is known."""
    if ids is None or fragment.lower() in _TOP or fragment.startswith((":~:", "/")):
        return True
    return fragment in ids


def _other_case(files: Files, path: str) -> str:
    """The file of that name in other letters: most servers tell capitals from small ones."""
    return next(
        (each_path for each_path in files.paths if each_path.casefold() == path.casefold() and each_path != path), ""
    )
