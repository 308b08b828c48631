"""Shapes that an icon can be made of: bold outlines on a square of 100 units, drawn to hold at 16 pixels.

Each is the inside of an SVG group that is filled with one colour, holes by the even-odd rule.
"""

import math
from collections.abc import Mapping


def _path(*parts: str) -> str:
    return f'<path fill-rule="evenodd" d="{" ".join(parts)}"/>'


def _circle(x: float, y: float, r: float) -> str:
    return f"M{x - r:g} {y:g}a{r:g} {r:g} 0 1 0 {2 * r:g} 0a{r:g} {r:g} 0 1 0 {-2 * r:g} 0z"


def _turned(element: str, count: int, start: float = 0.0) -> str:
    return "".join(f'<g transform="rotate({start + 360 * i / count:g} 50 50)">{element}</g>' for i in range(count))


def _star(points: int, outer: float, inner: float) -> str:
    corners = []
    for index in range(points * 2):
        radius, angle = (inner if index % 2 else outer), math.pi * (index / points - 0.5)
        corners.append(f"{50 + radius * math.cos(angle):.1f} {52 + radius * math.sin(angle):.1f}")
    return "M" + "L".join(corners) + "z"


def _line(width: float, *parts: str) -> str:
    return (
        f'<path d="{" ".join(parts)}" fill="none" stroke="currentColor" stroke-width="{width:g}" '
        'stroke-linecap="round" stroke-linejoin="round"/>'
    )


SHAPES: Mapping[str, str] = {
    "leaf": _path(
        "M88 12C40 10 12 30 14 66c0 6 1 10 3 14C28 54 44 42 62 36 46 48 32 62 22 88l9 3c2-6 4-10 7-14 36 6 54-20 50-65z"
    ),
    "sprout": _path("M45 92V58C24 60 10 46 10 24c22 0 34 8 39 24C52 28 66 14 91 14c0 26-13 38-36 38v40z"),
    "tree": _path("M50 6 84 46H70L90 74H56v20H44V74H10l20-28H16z"),
    "flower": _turned('<ellipse cx="50" cy="24" rx="15" ry="19"/>', 6) + '<circle cx="50" cy="50" r="8" opacity="0"/>',
    "sun": _path(_circle(50, 50, 22)) + _turned('<rect x="45" y="6" width="10" height="16" rx="5"/>', 8),
    "moon": _path("M62 8a42 42 0 1 0 30 56A36 36 0 0 1 62 8z"),
    "star": _path(_star(5, 46, 20)),
    "cloud": _path("M28 80a20 20 0 0 1-3-40 27 27 0 0 1 51-4 22 22 0 0 1-2 44z"),
    "drop": _path("M50 6c18 24 30 38 30 54a30 30 0 0 1-60 0C20 44 32 30 50 6z"),
    "flame": _path(
        "M54 6c4 20 28 28 28 54a32 32 0 0 1-64 0c0-14 8-22 14-30 2 8 5 12 10 14C40 28 44 16 54 6zM50 84a12 12 0 0 0 12-12c0-8-7-12-12-20-5 8-12 12-12 20a12 12 0 0 0 12 12z"
    ),
    "hills": _path("M4 84 36 24l16 28 10-16 34 48z"),
    "waves": _line(11, "M8 34q10.5-14 21 0t21 0 21 0 21 0") + _line(11, "M8 66q10.5-14 21 0t21 0 21 0 21 0"),
    "house": _path("M50 8 94 48l-7 8-5-4v38H60V64H40v26H18V52l-5 4-7-8z"),
    "book": _path("M46 26C36 18 22 16 8 18v60c14-2 28 0 38 8zM54 26c10-8 24-10 38-8v60c-14-2-28 0-38 8z"),
    "cup": _path(
        "M12 28h62v6h6a15 15 0 0 1 0 34h-9a28 28 0 0 1-24 16h-8a27 27 0 0 1-27-27zM74 44v14h5a7 7 0 0 0 0-14zM28 8h8v14h-8zM48 8h8v14h-8z"
    ),
    "loaf": _path("M22 84V54C8 50 6 22 34 20h32c28 2 26 30 12 34v30z"),
    "key": _path(
        "M34 22a28 28 0 1 1-1 56 28 28 0 0 1 1-56zM30 42a8 8 0 1 0 .1 16 8 8 0 0 0-.1-16zM58 44h38v12h-6v14H78V56h-8v10H58z"
    ),
    "bell": _path(
        "M50 6a7 7 0 0 1 7 8c14 4 21 15 21 30 0 16 3 22 10 30H12c7-8 10-14 10-30 0-15 7-26 21-30a7 7 0 0 1 7-8zM38 80h24a12 12 0 0 1-24 0z"
    ),
    "clock": _path(_circle(50, 50, 43), "M45 20v34l22 16 7-9-18-13V20z"),
    "heart": _path("M50 90C22 68 6 52 6 34 6 10 38 6 50 28 62 6 94 10 94 34c0 18-16 34-44 56z"),
    "pen": _path("M70 8 92 30 36 86 8 92l6-28zM24 66l10 10"),
    "note": _path("M36 12 84 4v62a16 14 0 1 1-11-13V28L47 32v42a16 14 0 1 1-11-13z"),
    "bird": _path(
        "M6 40c14-2 22-8 26-18a20 20 0 0 1 38-2l22 6-18 10c0 34-16 50-40 50H14c8-4 14-8 18-14C18 68 8 56 6 40z"
    ),
    "fish": _path(
        "M4 50C18 26 48 20 68 42l26-22c-6 20-6 40 0 60L68 58C48 80 18 74 4 50zM26 42a5 5 0 1 0 .1 10 5 5 0 0 0-.1-10z"
    ),
    "paw": _path(
        "M50 50c18 0 28 18 28 28 0 12-16 8-28 8s-28 4-28-8c0-10 10-28 28-28z",
        _circle(16, 46, 10),
        _circle(36, 24, 11),
        _circle(64, 24, 11),
        _circle(84, 46, 10),
    ),
    "boat": _path(
        "M46 6v54H12C16 38 28 18 46 6zM54 16c14 10 24 26 28 44H54zM6 68h88c-4 14-14 22-28 22H34C20 90 10 82 6 68z"
    ),
    "anchor": _path(
        "M50 4a13 13 0 0 1 6 25v7h16v11H56v34c14-2 22-10 25-22l-8 3 13-20 12 20-7-2c-3 22-19 36-41 36S12 82 9 60l-7 2 12-20 13 20-8-3c3 12 11 20 25 22V47H28V36h16v-7a13 13 0 0 1 6-25zM50 12a5 5 0 1 0 .1 10A5 5 0 0 0 50 12z"
    ),
    "tent": _path("M44 8h12L98 88H66L50 56 34 88H2z"),
    "apple": _path(
        "M48 30c0-12 6-22 16-26 2 10-2 20-10 25 16-7 36 1 36 27 0 22-14 38-26 38-6 0-9-3-14-3s-8 3-14 3C24 94 10 78 10 56c0-26 21-34 38-26z"
    ),
    "arch": _path("M8 92V50a42 42 0 0 1 84 0v42H68V50a18 18 0 0 0-36 0v42z"),
    "wheel": _path(_circle(50, 50, 44), _circle(50, 50, 32))
    + _turned('<rect x="45.5" y="14" width="9" height="72" rx="2"/>', 3)
    + _path(_circle(50, 50, 12)),
    "grain": '<rect x="46" y="40" width="8" height="56" rx="4"/>'
    + "".join(
        f'<path d="M50 {y}C36 {y - 2} 28 {y - 10} 28 {y - 24}c14 2 22 10 22 24zM50 {y}c0-14 8-22 22-24 0 14-8 22-22 24z"/>'
        for y in (44, 64, 84)
    )
    + '<path d="M50 2c8 7 8 17 0 24-8-7-8-17 0-24z"/>',
}
