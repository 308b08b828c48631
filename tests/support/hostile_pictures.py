"""Pictures that nobody means well with: more than three hundred, each with bytes of its own, by their file names.

Made by a script, so that nothing hostile lies about as a file. ``number`` is woven into each, so that two sets have
nothing in common.
"""

import io
import random
import struct
import zlib
from collections.abc import Iterator

from PIL import Image

from tests.support.pictures import encoded, noise

Hostile = Iterator[tuple[str, bytes]]
_SVG = (
    '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" {root}>{inner}<!--{n}--></svg>'
)


def _svg(inner: str, n: int, root: str = 'viewBox="0 0 100 100"') -> bytes:
    return _SVG.format(root=root, inner=inner, n=n).encode()


def _chunk(kind: bytes, body: bytes) -> bytes:
    return struct.pack(">I", len(body)) + kind + body + struct.pack(">I", zlib.crc32(kind + body))


def _png(width: int, height: int, data: bytes, depth: int = 8, colour: int = 0, extra: bytes = b"") -> bytes:
    head = _chunk(b"IHDR", struct.pack(">IIBBBBB", width, height, depth, colour, 0, 0, 0))
    return b"\x89PNG\r\n\x1a\n" + head + extra + _chunk(b"IDAT", data) + _chunk(b"IEND", b"")


def _sizes(n: int) -> Hostile:
    """Drawings far larger than anything, or endless, or nothing."""
    for side in ("60000", "1000000", "1e9", "1e30", "inf", "nan", "-5", "0"):
        yield f"side-{side}.svg", _svg(f'<rect width="{side}" height="{side}"/>', n, "")
        yield f"root-{side}.svg", _svg('<rect width="9" height="9"/>', n, f'width="{side}" height="{side}"')
        yield f"box-{side}.svg", _svg('<rect width="9" height="9"/>', n, f'viewBox="0 0 {side} {side}"')
        yield f"strip-{side}.svg", _svg('<rect width="9" height="9"/>', n, f'viewBox="0 0 {side} 1"')
    for shape in ((4000, 8), (8, 4000), (900, 9), (9, 900), (47, 10), (48, 10), (10, 48)):
        yield f"strip-{shape[0]}x{shape[1]}.png", encoded(Image.new("RGB", shape, (n % 256, 60, 90)), "PNG")


def _filters(n: int) -> Hostile:
    """Drawings that take minutes to draw."""
    for radius in (3, 10, 100, 1000):
        morph = f'<filter id="f"><feMorphology operator="dilate" radius="{radius}"/></filter>'
        yield f"morphology-{radius}.svg", _svg(morph + '<g filter="url(#f)"><rect width="90" height="90"/></g>', n)
    for count in (50, 500, 5_000):
        blurs = "<feGaussianBlur stdDeviation='9'/>" * count
        yield f"blurs-{count}.svg", _svg(f'<filter id="f">{blurs}</filter><g filter="url(#f)"><circle r="50"/></g>', n)
    for count in (100, 1_000, 8_000):
        each = '<g filter="url(#f)"><circle r="50"/></g>' * count
        yield f"filtered-{count}.svg", _svg(f'<filter id="f"><feGaussianBlur stdDeviation="5"/></filter>{each}', n)
    for deep in (10, 30, 60):
        defs = "".join(f'<g id="a{i + 1}">{f"""<use href="#a{i}"/>""" * 10}</g>' for i in range(deep))
        yield f"uses-{deep}.svg", _svg(f'<defs><g id="a0"><path d="M0 0h9"/></g>{defs}</defs><use href="#a{deep}"/>', n)
    for count in (1_000, 29_000):
        yield f"paths-{count}.svg", _svg('<path d="M0 0C9 99 99 9 50 50z" opacity=".5"/>' * count, n)
        nested = "<g opacity='.9'>" * min(count, 190) + "<circle r='9'/>" + "</g>" * min(count, 190)
        yield f"layers-{count}.svg", _svg(nested, n)
    for deep in (300, 5_000, 200_000):
        yield f"deep-{deep}.svg", _svg("<g>" * deep + "</g>" * deep, n)
    pattern = '<pattern id="p" width=".001" height=".001"><circle r="9"/></pattern>'
    yield "pattern.svg", _svg(f'{pattern}<rect width="90" height="90" fill="url(#p)"/>', n)
    yield "mask-of-itself.svg", _svg('<mask id="m"><rect width="9" height="9" mask="url(#m)"/></mask>', n)
    yield "long-path.svg", _svg(f'<path d="M0 0{"L9 9 0 0" * 300_000}"/>', n)
    yield "dashes.svg", _svg('<path d="M0 0H1e6" stroke="red" stroke-dasharray=".0001"/>', n)
    yield "text.svg", _svg(f"<text>{'Ẑ' * 100_000}</text>", n)


def _scripts(n: int) -> Hostile:
    """Drawings that reach out, or would do more than draw."""
    inners = [
        "<script>alert(1)</script><rect width='9' height='9'/>",
        "<rect width='9' height='9' onload='alert(1)'/>",
        "<image href='http://outside.example/a.png' width='9' height='9'/>",
        "<image href='file:///etc/passwd' width='9' height='9'/>",
        "<use href='http://outside.example/a.svg#a'/><rect width='9' height='9'/>",
        "<foreignObject><iframe src='//outside.example'/></foreignObject><rect width='9' height='9'/>",
        "<style>@im@import x;port 'http://outside.example';</style><rect width='9' height='9'/>",
        "<style>rect{fill:image-set('http://outside.example' 1x)}</style><rect width='9' height='9'/>",
        "<rect width='9' height='9' fill='u\\72l(http://outside.example)'/>",
        "<a href='javascript:alert(1)'><rect width='9' height='9'/></a>",
        "<set attributeName='href' to='javascript:alert(1)'/><rect width='9' height='9'/>",
    ]
    for index, inner in enumerate(inners):
        yield f"reaches-{index}.svg", _svg(inner, n)
    lol = "".join(f'<!ENTITY l{i + 1} "{f"&l{i};" * 10}">' for i in range(9))
    yield "laughs.svg", f'<!DOCTYPE svg [<!ENTITY l0 "ha">{lol}]>'.encode() + _svg("<text>&l9;</text>", n)
    yield "outside.svg", b'<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>' + _svg("<text>&x;</text>", n)


def _bombs(n: int) -> Hostile:
    """Few bytes, many pixels."""
    for width, height in ((7_000, 7_000), (12_000, 4_000), (20_000, 2_400), (60_000, 60_000), (2**31 - 1, 1), (0, 0)):
        line = b"\0" * (width // 8 + 1)
        rows = zlib.compress(line * min(height, 20_000), 9) if width < 10**6 else b""
        yield f"bomb-{width}x{height}.png", _png(width, height, rows, 1, extra=_chunk(b"tEXt", b"n\0%d" % n))
    yield (
        "text-bomb.png",
        _png(9, 9, zlib.compress(b"\0" * 99), extra=_chunk(b"zTXt", b"a\0\0" + zlib.compress(b"%d" % n * 9_000_000))),
    )
    for scans in (50, 1_500):
        yield f"scans-{scans}.jpg", _scans(scans, n)
    frames = [Image.new("P", (900, 900), n % 200 + index) for index in range(40)]
    out = io.BytesIO()
    frames[0].save(out, "GIF", save_all=True, append_images=frames[1:])
    yield "frames.gif", out.getvalue()


def _scans(count: int, n: int) -> bytes:
    """A progressive JPEG whose last scan comes again and again."""
    body = encoded(noise(1_200, 900, seed=n), "JPEG", progressive=True, quality=30)
    last = body.rindex(b"\xff\xda")
    return body[:last] + body[last:-2] * min(count, 1 + 2_000_000 // max(1, len(body) - last)) + b"\xff\xd9"


def _broken(n: int, each: int) -> Hostile:
    """Whole pictures with bytes turned, cut off or doubled."""
    chance = random.Random(n)
    kinds = ("PNG", "JPEG", "WEBP", "GIF", "AVIF", "ICO")
    for kind in kinds:
        whole = encoded(noise(96, 64, seed=n), kind)
        for index in range(each):
            body = bytearray(whole)
            for _ in range(chance.randrange(1, 20)):
                body[chance.randrange(len(body))] = chance.randrange(256)
            cut = chance.choice((len(body), len(body), chance.randrange(len(body))))
            yield f"turned-{index}.{kind.lower()}", bytes(body[:cut]) + b"\0" * chance.choice((0, 3))


def _disguised(n: int) -> Hostile:
    """Files that are something else, or two things."""
    picture = encoded(noise(40, 30, seed=n), "PNG")
    for name, head in (
        ("page.png", b"<html>"),
        ("zip.png", b"PK\x03\x04"),
        ("pdf.jpg", b"%PDF-1.7"),
        ("elf.gif", b"\x7fELF"),
    ):
        yield name, head + b"%d" % n * 50
    yield "both.png", picture + b"PK\x03\x04" + b"\0" * 60
    yield "page-after.png", picture + b"<script>alert(1)</script>"
    yield "empty.png", b""
    yield "one-byte.gif", b"G"


def hostile_pictures(number: int = 0, each: int = 36) -> Hostile:
    """The set; ``each`` is how many broken ones of each format are in it."""
    yield from _sizes(number)
    yield from _filters(number)
    yield from _scripts(number)
    yield from _bombs(number)
    yield from _broken(number, each)
    yield from _disguised(number)
