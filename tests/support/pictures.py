"""Pictures that tests make: small, and each different by its seed."""

import io
from typing import Any, Literal

import numpy as np
from PIL import Image, ImageDraw

from hestor.core.imaging.raster import Master


def noise(width: int, height: int, mode: str = "RGB", seed: int = 0) -> Image.Image:
    channels = {"L": 1, "RGB": 3, "RGBA": 4}[mode]
    values = np.random.default_rng(seed).integers(0, 255, (height, width, channels), dtype=np.uint8)
    return Image.fromarray(values.squeeze())


def encoded(image: Image.Image, kind: str, **options: Any) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **options)
    return out.getvalue()


def png(width: int, height: int, seed: int = 0) -> bytes:
    return encoded(noise(width, height, seed=seed), "PNG")


def opened(body: bytes) -> Image.Image:
    image = Image.open(io.BytesIO(body))
    image.load()
    return image


def master_of(image: Image.Image, kind: Literal["PNG", "JPEG"] = "PNG") -> Master:
    body = encoded(image, kind)
    return Master("png" if kind == "PNG" else "jpeg", image.width, image.height, lambda: body)


def drawing(inside: str, width: int = 100, height: int = 100) -> bytes:
    head = f'<svg xmlns="http://www.w3.org/2000/svg" width="{width}" height="{height}" viewBox="0 0 {width} {height}">'
    return f"{head}{inside}</svg>".encode()


def svg_master(inside: str, width: int = 100, height: int = 100) -> Master:
    body = drawing(inside, width, height)
    return Master("svg", width, height, lambda: body)


def photograph(width: int, height: int, seed: int = 1) -> Image.Image:
    """Something of a photograph's kind: soft shapes, fine grain."""
    coarse = np.random.default_rng(seed).integers(0, 255, (14, 20, 3), dtype=np.uint8)
    soft = np.asarray(Image.fromarray(coarse).resize((width, height), Image.Resampling.BICUBIC), dtype=float)
    grain = np.random.default_rng(2).normal(0, 3, soft.shape)
    return Image.fromarray(np.clip(soft + grain, 0, 255).astype(np.uint8))


def wordmark(colour: str = "#7a2e4d", margin: int = 0) -> Image.Image:
    """A round emblem and three bars beside it, on a clear ground, with a margin around."""
    image = Image.new("RGBA", (400 + 2 * margin, 100 + 2 * margin))
    pen = ImageDraw.Draw(image)
    pen.ellipse((margin, margin, margin + 99, margin + 99), fill=colour)
    for bar in range(3):
        left = margin + 140 + bar * 90
        pen.rectangle((left, margin + 20, left + 79, margin + 79), fill=colour)
    return image
