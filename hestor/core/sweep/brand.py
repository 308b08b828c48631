"""Logos and icons that are not the ones of the house style: told by what their files hold, else by their names."""

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import regex

from hestor.core.reading.source import Element, Source
from hestor.core.sweep.files import Files
from hestor.core.sweep.stray import Kind, Stray, mend_if
from hestor.core.sweep.style import Style
from hestor.core.sweep.unset import is_home
from hestor.core.text import urls

_LOGO = regex.compile(r"logo|wordmark|signet|brand(?:mark)?\b|شعار", regex.IGNORECASE)
_ICONS = ("icon", "apple-touch-icon", "apple-touch-icon-precomposed", "mask-icon")
# What the names of files say of size and ground; a year says another thing.
_VARIANT = regex.compile(
    r"[-_.@ ]?(?:(?<!\d)(?!19\d\d|20\d\d)\d{1,4}(?:x\d{1,4})?(?:px|w|x)?|dark|light|white|black|inverted|negative|small|large|big|mini|retina|hd|square|min)(?=$|[-_.@ ])",
    regex.IGNORECASE,
)


@dataclass(frozen=True)
class Used:
    """A picture as a page uses it: the element and attribute that name it, its address, its file, what it holds."""

    element: Element
    attribute: str
    address: str
    path: str
    content: bytes
    is_there: bool


def _used(source: Source, files: Files, element: Element, attribute: str) -> Used | None:
    address = element.get(attribute)
    if not address or address.startswith("data:"):
        return None
    leads, path, _ = files.led_to(source, address)
    if leads == "found":
        return Used(element, attribute, address, path, files.content(path), True)
    if leads == "broken":
        return Used(element, attribute, address, path, path.encode(errors="replace"), False)
    return Used(element, attribute, address, address, address.encode(errors="replace"), True)


def _is_logo(source: Source, element: Element, name: str) -> bool:
    alt = " ".join(element.get("alt").split()).casefold()
    if name and alt in (name.casefold(), f"{name} logo".casefold(), f"logo {name}".casefold()):
        return True
    said = " ".join((element.get("src").rpartition("/")[2], element.get("class"), element.get("id")))
    return bool(_LOGO.search(said)) or (name.casefold() in alt and bool(_LOGO.search(alt)))


_HEADER = frozenset(("header", "nav"))


def _in_header(source: Source, element: Element) -> bool:
    inside = False
    for above in source.above(element.number):
        if above.tag in ("main", "article", "section", "aside", "footer"):
            return False
        inside = inside or above.tag in _HEADER or above.get("role") == "banner"
    return inside


def _leads_home(source: Source, files: Files, element: Element) -> bool:
    """Whether a picture is in a link to the page that the site begins with."""
    link = next((each_element for each_element in source.above(element.number) if each_element.tag == "a"), None)
    if link is None:
        return False
    leads, path, _ = files.led_to(source, link.get("href"))
    return leads == "found" and is_home(path)


def _at_top(source: Source, files: Files, name: str) -> Iterator[Element]:
    """Pictures of a page that marks no header: before its own words, those that lead home or bear the name."""
    if any(True for _ in source.all("header")) or any(element.get("role") == "banner" for element in source.elements):
        return
    first = min((element.start for element in source.all("h1", "main", "article")), default=0)
    for element in source.all("img"):
        if element.start < first and (_is_logo(source, element, name) or _leads_home(source, files, element)):
            yield element


def header_logo(source: Source, files: Files, name: str) -> Used | None:
    """The logo in a page's header: of the pictures there one that says so, else the one that leads home."""
    inside = [element for element in source.all("img") if _in_header(source, element)]
    found = next((one for one in inside if _is_logo(source, one, name)), None)
    if found is None:
        found = next((one for one in inside if any(up.tag == "a" for up in source.above(one.number))), None)
    if found is None:
        found = next(_at_top(source, files, name), None)
    return _used(source, files, found, "src") if found else None


def icons_of(source: Source, files: Files) -> Iterator[tuple[str, Used]]:
    """The icons that a page names, with what each is for."""
    for element in source.all("link"):
        rels = element.get("rel").lower().split()
        kind = next((icon for icon in _ICONS if icon in rels), "")
        used = _used(source, files, element, "href") if kind else None
        if used:
            yield ("touch" if "apple" in kind else kind), used


def stem(path: str) -> str:
    """A file's name less its folder, its ending, and what it says of size and ground."""
    name = path.rpartition("/")[2].partition("?")[0].rpartition(".")[0].lower()
    before = ""
    while before != name:
        before, name = name, _VARIANT.sub("", name)
    return name


@dataclass(frozen=True)
class House:
    """The contents that are right, and the stem of the files that hold them; ``example`` is one of their paths."""

    contents: frozenset[bytes]
    stems: frozenset[str]
    example: str
    is_there: bool


def usual(pages: Sequence[Sequence[Used]], said: str, files: Files) -> House | None:
    """What the house style says, else what more than half of those pages use that use any."""
    if said:
        path = said.lstrip("/").partition("?")[0]
        known = files.at(path) or next(
            (each_path for each_path in files.paths if each_path.rpartition("/")[2] == path.rpartition("/")[2]), ""
        )
        if known:
            return House(frozenset((files.content(known),)), frozenset((stem(known),)), known, True)
    using = [page for page in pages if page]
    counted = Counter(content for page in using for content in {one.content for one in page})
    right = frozenset(content for content, count in counted.items() if count * 2 > len(using) and count > 1)
    if not right:
        return None
    named = [one for page in using for one in page if one.content in right]
    stems = frozenset(stem(one.path) for one in named)
    return House(right, stems, named[0].path, named[0].is_there)


def _is_right(used: Used, house: House) -> bool:
    return used.content in house.contents or stem(used.path) in house.stems


def _former_paths(style: Style, key: str) -> frozenset[str]:
    return frozenset(one.rpartition("/")[2].casefold() for one in style.before(key))


def _is_former(used: Used, former: frozenset[str]) -> bool:
    return used.address.partition("?")[0].rpartition("/")[2].casefold() in former


def logos(source: Source, files: Files, style: Style, house: House | None) -> Iterator[Stray]:
    """Logos in the header, and anywhere those that bear the site's name, that are not the house style's."""
    name, former = style.text("name"), _former_paths(style, "logo")
    own = header_logo(source, files, name)
    for element in source.all("img"):
        used = own if own and own.element is element else _used(source, files, element, "src")
        if used is None or not used.is_there:
            continue
        if former and _is_former(used, former):
            yield _stray(source, "old_logo", used, house, 0.95)
        elif house and not _is_right(used, house):
            if own is not None and element is own.element:
                yield _stray(source, "old_logo", used, house, 0.88)
            elif name and _bears(source, element, name) and not _in_header(source, element):
                yield _stray(source, "old_logo", used, house, 0.75)


def _bears(source: Source, element: Element, name: str) -> bool:
    alt = " ".join(element.get("alt").split()).casefold()
    return name.casefold() in alt and bool(_LOGO.search(alt))


def icons(source: Source, files: Files, style: Style, house: dict[str, House]) -> Iterator[Stray]:
    """Icons of a page that are not those that other pages have for the same use."""
    former = _former_paths(style, "icon")
    for kind, used in icons_of(source, files):
        right = house.get(kind)
        if former and _is_former(used, former):
            yield _stray(source, "old_icon", used, right, 0.95)
        elif right and not _is_right(used, right) and (used.is_there or not right.is_there):
            yield _stray(source, "old_icon", used, right, 0.9)


def _stray(source: Source, kind: Kind, used: Used, house: House | None, sure: float) -> Stray:
    start, end = source.attribute_spot(used.element, used.attribute)
    should = _relative(source, house.example) if house and house.is_there else ""
    place = "logo" if kind == "old_logo" else "icon"
    mend = mend_if(should and not used.element.get("srcset"))
    return Stray(kind, source.path, place, start, end, used.address, should, sure, mend)


def _relative(source: Source, path: str) -> str:
    """A file's address as seen from a page."""
    if "://" in path:
        return path
    base = urls.folder_of(source.path)
    up = ""
    while base and not path.startswith(f"{base}/"):
        base = urls.folder_of(base)
        up += "../"
    return up + (path[len(base) + 1 :] if base else path)
