"""Pixels: from a master to an image of a wanted size, and from an image to the bytes of a file."""

import io
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from PIL import Image

from hestor.core.imaging import svg
from hestor.core.imaging.ingest import MasterKind

Box = tuple[float, float, float, float]
"""Left, top, right, bottom, as shares (0 to 1) of a picture's width and height."""

WHOLE: Box = (0.0, 0.0, 1.0, 1.0)


@dataclass(frozen=True)
class Master:
    """A picture as it is kept (``core.pictures``): its size, and how its safe bytes are come by when needed."""

    kind: MasterKind
    width: int
    height: int
    read: Callable[[], bytes]

    @property
    def body(self) -> bytes:
        """The bytes."""
        return self.read()


def ratio(master: Master, box: Box = WHOLE) -> float:
    """Width by height of a part of a master."""
    return (box[2] - box[0]) * master.width / max(1e-9, (box[3] - box[1]) * master.height)


def draw(master: Master, width: int, height: int, box: Box = WHOLE) -> Image.Image:
    """A part of a master, made ``width`` by ``height`` pixels, as RGBA."""
    if master.kind == "svg":
        part = master.body
        if box != WHOLE:
            part = svg.cropped(part, box[0], box[1], box[2] - box[0], box[3] - box[1])
        return svg.pixels(part, width, height)
    image = Image.open(io.BytesIO(master.body), formats=(master.kind.upper(),))
    if master.kind == "jpeg" and box == WHOLE:
        image.draft("RGB", (width, height))
    return scaled(image, width, height, box)


def scaled(image: Image.Image, width: int, height: int, box: Box = WHOLE) -> Image.Image:
    """A part of an image, made ``width`` by ``height`` pixels, as RGBA."""
    if image.mode not in ("RGB", "RGBA"):
        image = image.convert("RGBA" if "transparency" in image.info or "A" in image.mode else "RGB")
    area = (box[0] * image.width, box[1] * image.height, box[2] * image.width, box[3] * image.height)
    made = image.resize((width, height), Image.Resampling.LANCZOS, area, reducing_gap=3.0)
    return made if made.mode == "RGBA" else made.convert("RGBA")


def drawn_within(master: Master, side: int, box: Box = WHOLE) -> Image.Image:
    """A part of a master, its longer side ``side`` pixels, to be measured."""
    shape = ratio(master, box)
    width, height = (side, side / shape) if shape >= 1 else (side * shape, side)
    return draw(master, max(1, round(width)), max(1, round(height)), box)


def on_ground(image: Image.Image, colour: str) -> Image.Image:
    """The image on an opaque ground, as RGB."""
    ground = Image.new("RGBA", image.size, colour)
    return Image.alpha_composite(ground, image).convert("RGB")


def is_opaque(image: Image.Image) -> bool:
    """Whether nothing shows through."""
    return image.mode != "RGBA" or image.getchannel("A").getextrema()[0] == 255


def png(image: Image.Image) -> bytes:
    """A PNG."""
    return _saved(image if not is_opaque(image) else image.convert("RGB"), "PNG", compress_level=7)


def jpeg(image: Image.Image, quality: int = 86) -> bytes:
    """A JPEG, progressive; the image must be opaque to look as it did."""
    return _saved(image.convert("RGB"), "JPEG", quality=quality, optimize=True, progressive=True)


def webp(image: Image.Image, lossless: bool) -> bytes:
    """A WebP: without loss for what is drawn, with a little for photographs."""
    return (
        _saved(image, "WEBP", lossless=True, quality=40, method=3)
        if lossless
        else _saved(image, "WEBP", quality=82, method=3)
    )


def avif(image: Image.Image) -> bytes:
    """An AVIF, with a little loss: for photographs."""
    return _saved(image.convert("RGB"), "AVIF", quality=62, speed=8)


def ico(images: Sequence[Image.Image]) -> bytes:
    """An icon file (ICO) with a PNG of each size."""
    first, *rest = sorted(images, key=lambda image: -image.width)
    sizes = [image.size for image in images]
    return _saved(first, "ICO", sizes=sizes, append_images=rest)


def _saved(image: Image.Image, kind: str, **options: object) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **options)
    return out.getvalue()
