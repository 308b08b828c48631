"""Drawings (SVG 2) from strangers: kept to what draws, measured, and turned into pixels.

What is taken out: scripts and handlers, what moves, embedded documents, style rules and references that
reach outside the file, entities, metadata of drawing programs. What is left can only draw.
"""

import base64
import io
import re
from collections.abc import Iterator
from dataclasses import dataclass

import resvg_py
from lxml import etree
from PIL import Image
from propcache.api import cached_property

from hestor.core.errors import InternalError
from hestor.core.imaging import svg_css

_NS = "http://www.w3.org/2000/svg"
_XLINK = "{http://www.w3.org/1999/xlink}href"
_DRAWS = frozenset(
    "svg g defs symbol use path rect circle ellipse line polyline polygon text tspan textPath linearGradient "
    "radialGradient stop clipPath mask pattern marker title desc image style filter feBlend feColorMatrix "
    "feComponentTransfer feComposite feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feMerge "
    "feMergeNode feMorphology feOffset feTile".split()
)
_MOVES = frozenset("animate animateMotion animateTransform animateColor set mpath discard".split())
_EMBEDDED = re.compile(r"data:image/(?:png|jpeg|webp|gif);base64,([A-Za-z0-9+/=\s]+)")
_LOCAL = re.compile(r"#[\w.:-]+")
_URL = re.compile(r"url\(\s*['\"]?\s*([^'\")]*)", re.I)
_SCRIPTED = re.compile(r"\s*(?:javascript|vbscript|data):", re.I)
_LENGTH = re.compile(r"\s*+([0-9.]++(?:e[+-]?\d++)?+)\s*+(px|pt|pc|mm|cm|in|q)?\s*+", re.I)
_UNITS = {"px": 1.0, "pt": 96 / 72, "pc": 16.0, "mm": 96 / 25.4, "cm": 96 / 2.54, "in": 96.0, "q": 96 / 101.6}
MOST_ELEMENTS = 30_000
# How many elements a renderer meets once every reference is followed; what is drawn by way of a filter or a mask
# takes as long as many plain ones.
MOST_DRAWN = 200_000
_COST = {"filter": 500, "mask": 50, "pattern": 50, "clipPath": 10}
MOST_EMBEDDED_PIXELS = 16_000_000


class NotADrawing(InternalError):
    """The text is not an SVG document, or one that no renderer should be given; ``code`` says which."""

    def __init__(self, code: str) -> None:
        super().__init__(code)
        self.code = code


@dataclass(frozen=True)
class Drawing:
    """A safe drawing: its text, its own size in CSS pixels, and codes of what was taken out of it or amiss."""

    body: bytes
    width: float
    height: float
    taken_out: tuple[str, ...] = ()

    @cached_property
    def has_text(self) -> bool:
        """Whether letters stand in it as text, so that they depend on the reader's fonts."""
        return b"<text" in self.body


def _local(element: etree._Element) -> str:
    return etree.QName(element).localname if isinstance(element.tag, str) else ""


class _Cleaner:
    """Walks a parsed document once, takes out what does more than draw, and notes what that was."""

    def __init__(self) -> None:
        self.taken_out: set[str] = set()
        self._pixels = 0

    def clean(self, root: etree._Element) -> None:
        for element in list(root.iter()):
            if element is not root and not self._stays(element):
                parent = element.getparent()
                if parent is not None:
                    _drop(element, parent)
            elif isinstance(element.tag, str):
                self._attributes(element)
                if _local(element) == "style":
                    element.text, found = svg_css.stylesheet("".join(str(piece) for piece in element.itertext()))
                    self.taken_out |= found

    def _stays(self, element: etree._Element) -> bool:
        if not isinstance(element.tag, str):
            if element.tag is etree.Entity:
                self.taken_out.add("entities")
            return False
        name = _local(element)
        if etree.QName(element).namespace != _NS:
            return False
        if name == "a":
            element.tag = f"{{{_NS}}}g"
            return True
        if name in _DRAWS:
            return True
        if name in _MOVES:
            self.taken_out.add("movement")
        elif name == "script":
            self.taken_out.add("scripts")
        elif name != "metadata":
            self.taken_out.add("embedded" if name in ("foreignObject", "iframe") else "unknown")
        return False

    def _attributes(self, element: etree._Element) -> None:
        for name, value in list(element.attrib.items()):
            if name == "style":
                element.attrib[name], whole = svg_css.declarations(str(value))
                self.taken_out |= set() if whole else {"outside"}
            elif reason := self._refusal(_local(element), str(name), str(value)):
                del element.attrib[name]
                if reason != "foreign":
                    self.taken_out.add(reason)

    def _embedded(self, value: str) -> str:
        """A picture within the drawing: its pixels are counted before any renderer decodes it."""
        match = _EMBEDDED.fullmatch(value)
        if not match:
            return "outside"
        try:
            with Image.open(io.BytesIO(base64.b64decode(match[1])), formats=("PNG", "JPEG", "WEBP", "GIF")) as image:
                self._pixels += image.width * image.height
        except Image.DecompressionBombError as error:
            raise NotADrawing("svg_bomb") from error
        except (OSError, SyntaxError, ValueError):
            return "unknown"
        if self._pixels > MOST_EMBEDDED_PIXELS:
            raise NotADrawing("svg_bomb")
        return ""

    def _refusal(self, element: str, name: str, value: str) -> str:
        if name.lower().startswith("on"):
            return "scripts"
        if name in ("href", _XLINK):
            if _LOCAL.fullmatch(value.strip()):
                return ""
            return self._embedded(value.strip()) if element == "image" else "outside"
        if name.startswith("{"):
            return (
                ""
                if name.startswith("{http://www.w3.org/XML/1998/namespace}") and not name.endswith("base")
                else "foreign"
            )
        return "" if svg_css.value_is_fine(value) and not _SCRIPTED.match(value) else "outside"


def _drop(element: etree._Element, parent: etree._Element) -> None:
    """Takes an element out with all that is in it; the text behind it stays."""
    before = element.getprevious()
    if element.tail:
        if before is not None:
            before.tail = (before.tail or "") + element.tail
        else:
            parent.text = (parent.text or "") + element.tail
    parent.remove(element)


def _references(element: etree._Element) -> Iterator[str]:
    for name, value in element.attrib.items():
        if name in ("href", _XLINK) and str(value).strip().startswith("#"):
            yield str(value).strip()[1:]
        else:
            yield from (m[1].strip().removeprefix("#") for m in _URL.finditer(str(value)))


def _drawn(root: etree._Element) -> int:
    """How many elements are drawn once references are followed. Raises NotADrawing where they never end."""
    named = {str(e.get("id")): e for e in root.iter() if isinstance(e.tag, str) and e.get("id")}
    known: dict[etree._Element, int] = {}
    open_now: set[etree._Element] = set()

    def weigh(element: etree._Element) -> int:
        if element in known:
            return known[element]
        if element in open_now or len(open_now) > 200:
            raise NotADrawing("svg_circle")
        open_now.add(element)
        total = 1
        for child in element:
            if isinstance(child.tag, str):
                total += weigh(child)
        for target in _references(element):
            total += _COST.get(_local(named[target]), 0) if target in named else 0
            if target in named and not _is_above(named[target], element):
                total += weigh(named[target])
            elif target in named:
                raise NotADrawing("svg_circle")
        if total > MOST_DRAWN:
            raise NotADrawing("svg_bomb")
        open_now.discard(element)
        known[element] = total
        return total

    return weigh(root)


def _is_above(above: etree._Element, element: etree._Element) -> bool:
    return above is element or any(one is above for one in element.iterancestors())


# No drawing program measures in more; beyond, what is drawn loses its precision.
_LARGEST = 1e7


def _length(text: str | None) -> float | None:
    match = _LENGTH.fullmatch(text or "")
    try:
        length = float(match[1]) * _UNITS[(match[2] or "px").lower()] if match else 0.0
    except ValueError:
        return None
    return length if 0 < length <= _LARGEST else None


def _box(root: etree._Element) -> tuple[float, float, float, float] | None:
    try:
        x, y, width, height = (float(part) for part in re.split(r"[\s,]+", (root.get("viewBox") or "").strip()))
    except ValueError:
        return None
    fits = 1 / _LARGEST < width <= _LARGEST and 1 / _LARGEST < height <= _LARGEST
    return (x, y, width, height) if fits and abs(x) <= _LARGEST and abs(y) <= _LARGEST else None


# Sides of the windows through which a drawing without a size is looked at, in its own units.
_WINDOWS = tuple(4.0**power for power in range(2, 11))
_LOOK = 256


def _seen(root: etree._Element, side: float, pixels: int) -> tuple[float, float]:
    """How far to the right and down something is drawn in a window of ``side`` units; 0 where nothing is."""
    root.set("viewBox", f"0 0 {side:g} {side:g}")
    root.set("width", str(pixels))
    root.set("height", str(pixels))
    try:
        found = _pixels(etree.tostring(root).decode(), pixels, pixels).getbbox()
    except ValueError as error:
        raise NotADrawing("svg_empty") from error
    return (found[2] * side / pixels, found[3] * side / pixels) if found else (0.0, 0.0)


def _extent(root: etree._Element) -> tuple[float, float]:
    """The size of a drawing that says none: that of the smallest window which it doesn't fill, looked at closely."""
    for side in _WINDOWS:
        right, down = _seen(root, side, _LOOK)
        if 0 < max(right, down) < side:
            closer = max(right, down) * (1 + 2 / _LOOK)
            right, down = _seen(root, closer, 4 * _LOOK)
            return max(1.0, float(round(right))), max(1.0, float(round(down)))
    raise NotADrawing("svg_empty")


def _sized(root: etree._Element, noted: set[str]) -> tuple[float, float]:
    """The drawing's own size; a root that lacks one is given it, so that every renderer draws the same."""
    box, width, height = _box(root), _length(root.get("width")), _length(root.get("height"))
    if box is None and not (width and height):
        noted.add("no_size")
        box = (0, 0, *_extent(root))
    if box is None:
        box = (0, 0, width or 0, height or 0)
    ratio = box[2] / box[3]
    if width and not height:
        height = width / ratio
    elif height and not width:
        width = height * ratio
    elif not (width and height):
        width, height = box[2], box[3]
    root.set("viewBox", " ".join(f"{part:g}" for part in box))
    root.set("width", f"{width:g}")
    root.set("height", f"{height:g}")
    return float(width or 0), float(height or 0)


def _parsed(body: bytes) -> tuple[etree._Element, set[str]]:
    parser = etree.XMLParser(
        resolve_entities=False, no_network=True, load_dtd=False, remove_comments=True, remove_pis=True
    )
    try:
        root = etree.fromstring(body, parser)
    except (etree.XMLSyntaxError, ValueError) as error:
        raise NotADrawing("svg_broken") from error
    noted = {"entities"} if b"<!ENTITY" in body.upper() else set()
    if root.tag == "svg":
        # Written by hand, without its namespace: meant as a drawing all the same.
        for element in root.iter():
            if isinstance(element.tag, str) and not element.tag.startswith("{"):
                element.tag = f"{{{_NS}}}{element.tag}"
    if root.tag != f"{{{_NS}}}svg":
        raise NotADrawing("svg_broken")
    return root, noted


def _tidied(root: etree._Element) -> etree._Element:
    names: dict[str | None, str] = {None: _NS, "xlink": _XLINK[1:-5]}
    attributes = {str(name): str(value) for name, value in root.attrib.items()}
    fresh = etree.Element(f"{{{_NS}}}svg", attributes, nsmap=names)  # type: ignore[arg-type]
    fresh.text = root.text
    fresh.extend(list(root))
    etree.cleanup_namespaces(fresh)
    return fresh


def read(body: bytes) -> Drawing:
    """The safe drawing in ``body``. Raises NotADrawing; its code begins with ``svg_``."""
    root, noted = _parsed(body)
    if sum(1 for _ in root.iter()) > MOST_ELEMENTS:
        raise NotADrawing("svg_bomb")
    cleaner = _Cleaner()
    cleaner.clean(root)
    noted |= cleaner.taken_out
    root = _tidied(root)
    _drawn(root)
    width, height = _sized(root, noted)
    drawing = Drawing(etree.tostring(root), width, height, tuple(sorted(noted)))
    return Drawing(drawing.body, width, height, (*drawing.taken_out, "live_text")) if drawing.has_text else drawing


def _pixels(text: str, width: int | None, height: int | None, fonts: bool = False) -> Image.Image:
    made = resvg_py.svg_to_bytes(svg_string=text, width=width, height=height, skip_system_fonts=not fonts)
    return Image.open(io.BytesIO(bytes(made))).convert("RGBA")


def pixels(body: bytes, width: int, height: int) -> Image.Image:
    """A safe drawing as RGBA pixels, fitted into ``width`` by ``height`` and centred there. Raises NotADrawing."""
    root = etree.fromstring(body)
    root.set("width", str(width))
    root.set("height", str(height))
    try:
        return _pixels(etree.tostring(root).decode(), width, height, b"<text" in body)
    except ValueError as error:
        raise NotADrawing("svg_empty") from error


def cropped(body: bytes, x: float, y: float, width: float, height: float) -> bytes:
    """The part of a safe drawing at ``x``, ``y`` (shares of its size, 0 to 1), as a drawing of its own."""
    root = etree.fromstring(body)
    box = _box(root)
    if box is None:
        raise NotADrawing("svg_broken")
    part = (box[0] + x * box[2], box[1] + y * box[3], width * box[2], height * box[3])
    root.set("viewBox", " ".join(f"{one:g}" for one in part))
    root.set("width", f"{part[2]:g}")
    root.set("height", f"{part[3]:g}")
    return etree.tostring(root)
