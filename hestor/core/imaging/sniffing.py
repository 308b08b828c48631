"""What kind of picture a file's bytes are, where that picture ends, and what else is in there.

Kinds are told by their signatures alone; a file's name proves nothing. Sources: PNG (W3C, third edition),
JPEG (ITU-T T.81, annex B), GIF89a, WebP (RFC 9649), AVIF (ISO/IEC 14496-12 boxes), ICO (the directory that
browsers read), ZIP (APPNOTE 4.3.16), PDF (ISO 32000-1, 7.5.2).
"""

import re
import struct
from typing import Literal

Kind = Literal["png", "jpeg", "webp", "avif", "gif", "svg", "ico"]

ENDINGS: dict[Kind, tuple[str, ...]] = {
    "png": ("png", "apng"),
    "jpeg": ("jpg", "jpeg", "jpe", "jfif"),
    "webp": ("webp",),
    "avif": ("avif",),
    "gif": ("gif",),
    "svg": ("svg",),
    "ico": ("ico",),
}
# Nothing is tried a second way (atomic groups): where a comment ends is where it ends first.
_SVG = re.compile(
    rb"\s*+(?>(?:<\?xml[^>]*+>|<!--(?>.*?-->)|<!DOCTYPE[^>\[]*+(?>\[(?>.*?\]\s*+>)|>))\s*+)*+<(?:\w++:)?+svg[\s>/]",
    re.S | re.I,
)
_SVG_WITHIN = 20_000
HEAD = 20_064
"""By so many bytes of a file its kind is told."""
_UTF16 = (b"\xff\xfe", b"\xfe\xff")

# Files that are often taken for pictures, by their signatures: each is named in the refusal.
_OTHERS: tuple[tuple[bytes, int, str], ...] = (
    (b"%PDF-", 0, "PDF"),
    (b"PK\x03\x04", 0, "ZIP"),
    (b"II*\x00", 0, "TIFF"),
    (b"MM\x00*", 0, "TIFF"),
    (b"BM", 0, "BMP"),
    (b"8BPS", 0, "PSD"),
    (b"\x1f\x8b", 0, "gzip"),
    (b"ftypheic", 4, "HEIC"),
    (b"ftypheix", 4, "HEIC"),
    (b"ftypmif1", 4, "HEIC"),
    (b"ftyp", 4, "MP4"),
    (b"\x1aE\xdf\xa3", 0, "WebM"),
    (b"OTTO", 0, "OpenType"),
    (b"wOF2", 0, "WOFF"),
)
# What a second file within a picture begins with.
_SECOND = (
    b"PK\x03\x04",
    b"%PDF-",
    b"MZ",
    b"\x7fELF",
    b"7z\xbc\xaf",
    b"Rar!",
    b"\x89PNG\r\n",
    b"GIF8",
    b"<?php",
    b"\xff\xd8\xff",
)
_MARKUP = re.compile(rb"<\s*(?:script|html|\?php|svg|!doctype)", re.I)
_PDF_WITHIN = 1024
_ZIP_COMMENT = 65_557


def kind_of(body: bytes) -> Kind | None:
    """The kind that the bytes begin as, or None."""
    head = body[:16]
    if head.startswith(b"\x89PNG\r\n\x1a\n"):
        return "png"
    if head.startswith(b"\xff\xd8\xff"):
        return "jpeg"
    if head.startswith((b"GIF87a", b"GIF89a")):
        return "gif"
    if head[:4] == b"RIFF" and head[8:12] == b"WEBP":
        return "webp"
    if head[4:12] in (b"ftypavif", b"ftypavis") or (head[4:8] == b"ftyp" and b"avif" in body[8:64]):
        return "avif"
    if head[:4] == b"\x00\x00\x01\x00":
        return "ico"
    return "svg" if _is_svg(body) else None


def _is_svg(body: bytes) -> bool:
    start = body[:_SVG_WITHIN]
    if start.startswith(_UTF16):
        start = start.decode("utf-16", "ignore").encode()
    return bool(_SVG.match(start.removeprefix(b"\xef\xbb\xbf")))


def other_kind(body: bytes) -> str:
    """The name of what else the bytes are, where they are something well known; else an empty text."""
    return next((name for magic, at, name in _OTHERS if body[at : at + len(magic)] == magic), "")


def _png_end(body: bytes) -> int | None:
    at = 8
    while at + 12 <= len(body):
        length = int.from_bytes(body[at : at + 4])
        at += 12 + length
        if body[at - length - 8 : at - length - 4] == b"IEND":
            return at if at <= len(body) else None
    return None


# Bytes of 0xff may stand before it to fill; the last of them begins it.
_MARKER = re.compile(rb"\xff([^\x00\xff\xd0-\xd7])")


def _jpeg_end(body: bytes) -> int | None:
    at = 2
    while match := _MARKER.search(body, at):
        marker, at = match[1][0], match.end()
        if marker == 0xD9:
            return at
        if marker != 0x01:
            at += int.from_bytes(body[at : at + 2])
    return None


def _gif_blocks(body: bytes, at: int) -> int:
    while at < len(body) and body[at]:
        at += body[at] + 1
    return at + 1


def _gif_end(body: bytes) -> int | None:
    flags = body[10] if len(body) > 10 else 0
    at = 13 + (3 << ((flags & 7) + 1) if flags & 0x80 else 0)
    while at < len(body):
        if body[at] == 0x3B:
            return at + 1
        if body[at] == 0x21:
            at = _gif_blocks(body, at + 2)
        elif body[at] == 0x2C and at + 10 < len(body):
            flags = body[at + 9]
            at = _gif_blocks(body, at + 11 + (3 << ((flags & 7) + 1) if flags & 0x80 else 0))
        else:
            return None
    return None


def _webp_end(body: bytes) -> int | None:
    size = 8 + struct.unpack("<I", body[4:8])[0]
    return size + size % 2 if size <= len(body) else None


_BOXES = frozenset(b"ftyp meta mdat moov moof mfra free skip wide idat uuid".split())


def _avif_end(body: bytes) -> int | None:
    at = 0
    while at + 8 <= len(body):
        size = int.from_bytes(body[at : at + 4])
        if size == 1:
            size = int.from_bytes(body[at + 8 : at + 16])
        # A box that says no size reaches to the end; bytes that are no box begin something else.
        if size == 0 or body[at + 4 : at + 8] not in _BOXES:
            return len(body) if size == 0 else at
        at += size
        if at > len(body):
            return None
    return at


_ENDS = {"png": _png_end, "jpeg": _jpeg_end, "gif": _gif_end, "webp": _webp_end, "avif": _avif_end}


def end_of(kind: Kind, body: bytes) -> int | None:
    """Where the picture ends within ``body``, or None if it is cut short; some kinds say no end."""
    return _ENDS[kind](body) if kind in _ENDS else len(body)


def _ends_as_zip(body: bytes) -> bool:
    at = body.rfind(b"PK\x05\x06", max(0, len(body) - _ZIP_COMMENT))
    return at >= 0 and len(body) >= at + 22 and at + 22 + struct.unpack("<H", body[at + 20 : at + 22])[0] == len(body)


def second_format(kind: Kind, body: bytes) -> bool:
    """Whether the bytes are another kind of file as well: one that begins behind the picture, or a hidden archive.

    Cameras append further JPEG pictures to a JPEG, which is no second kind.
    """
    if kind == "svg":
        return b"PK\x05\x06" in body or b"%PDF-" in body[:_PDF_WITHIN]
    if b"%PDF-" in body[:_PDF_WITHIN] or _ends_as_zip(body):
        return True
    rest = body[end_of(kind, body) or len(body) :].lstrip(b"\0 \r\n\t")
    if kind == "jpeg" and rest.startswith(b"\xff\xd8\xff"):
        return False
    return rest.startswith(_SECOND) or bool(_MARKUP.search(rest))
