"""Reading icon files (ICO) that people bring: the largest frame that is what the directory says it is."""

import io
import struct

from PIL import Image

_ENTRY = struct.Struct("<BBBBHHII")
_MOST_FRAMES = 64
_PNG = b"\x89PNG\r\n\x1a\n"


def _frames(body: bytes) -> list[tuple[int, int, bytes]]:
    """Each good frame: its width, its height, its bytes."""
    count = min(struct.unpack_from("<H", body, 4)[0], _MOST_FRAMES)
    frames = []
    for index in range(count):
        at = 6 + index * _ENTRY.size
        if at + _ENTRY.size > len(body):
            break
        width, height, _, _, _, _, size, start = _ENTRY.unpack_from(body, at)
        frame = body[start : start + size]
        # In a directory of single bytes, 0 stands for 256.
        if len(frame) == size and _is_as_said(frame, width or 256, height or 256):
            frames.append((width or 256, height or 256, frame))
    return frames


def _is_as_said(frame: bytes, width: int, height: int) -> bool:
    if frame[:8] == _PNG:
        return len(frame) > 24 and struct.unpack(">II", frame[16:24]) == (width, height)
    # A bitmap's header counts the rows of the picture and of its mask.
    return len(frame) > 40 and struct.unpack_from("<Iii", frame) == (40, width, 2 * height)


def _as_png(frame: bytes, width: int, height: int) -> bytes:
    entry = _ENTRY.pack(width % 256, height % 256, 0, 0, 1, 32, len(frame), 22)
    image = Image.open(io.BytesIO(struct.pack("<HHH", 0, 1, 1) + entry + frame), formats=("ICO",))
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


def largest_frame(body: bytes) -> tuple[bytes, tuple[str, ...]] | None:
    """The largest good frame as the bytes of a PNG, and the name of its format; None if no frame is good."""
    frames = _frames(body) if len(body) >= 6 else []
    if not frames:
        return None
    width, height, frame = max(frames, key=lambda found: found[0] * found[1])
    return (frame if frame[:8] == _PNG else _as_png(frame, width, height)), ("PNG",)
