"""Pictures: icon sets and logos against the bare library calls, and uploads to the real server."""

import io
import statistics
import tempfile
import threading
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ThreadPoolExecutor
from contextlib import suppress
from functools import partial
from pathlib import Path

import numpy as np
import psutil
from PIL import Image

from benchmarks.figures import Figure, p95, ratio
from hestor.core.imaging import icons, logos
from hestor.core.imaging.raster import WHOLE, Master
from tests.support.server import Caller, Server, make_data

_LANCZOS = Image.Resampling.LANCZOS


def _drawn(width: int, height: int) -> Image.Image:
    """A picture with shapes, blends and a clear ground, as logos have."""
    y, x = np.mgrid[0:height, 0:width]
    inside = (x - width / 2) ** 2 / (width / 2.1) ** 2 + (y - height / 2) ** 2 / (height / 2.1) ** 2 < 1
    red, green = (x * 255 // width), (y * 255 // height)
    channels = [red, green, 120 + 100 * ((x // 97 + y // 83) % 2), inside * 255]
    return Image.fromarray(np.stack(channels, axis=2).astype(np.uint8))


def _encoded(image: Image.Image, kind: str, **options: object) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **options)
    return out.getvalue()


def _icon_set() -> Figure:
    body = _encoded(_drawn(2048, 2048), "PNG")

    def ours() -> None:
        icon = icons.CroppedIcon(Master("png", 2048, 2048, lambda: body), WHOLE)
        for name in icons.names_of(icon):
            icons.make(icon, name)

    def bare() -> None:
        image = Image.open(io.BytesIO(body)).convert("RGBA")
        sizes = {side: image.resize((side, side), _LANCZOS) for side in (16, 32, 48, 180, 192, 512)}
        _encoded(sizes[48], "ICO", sizes=[(16, 16), (32, 32), (48, 48)], append_images=[sizes[16], sizes[32]])
        for side in (32, 180, 192, 512, 512):
            _encoded(sizes[side], "PNG", compress_level=7)

    return Figure("whole icon set from 2048 px, ratio to bare calls", ratio(ours, bare, 9), "times", 2.5)


def _logo_files() -> Figure:
    body = _encoded(_drawn(4000, 1500), "PNG")

    def ours() -> None:
        master = Master("png", 4000, 1500, lambda: body)
        logos.files(master, WHOLE, "", logos.plan(master, WHOLE, 240))

    def bare() -> None:
        image = Image.open(io.BytesIO(body)).convert("RGBA")
        for scale in (1, 2, 3):
            made = image.resize((240 * scale, 90 * scale), _LANCZOS)
            _encoded(made, "PNG", compress_level=7)
            _encoded(made, "WEBP", lossless=True, quality=40, method=3)

    return Figure("logo files from 4000 by 1500, ratio to bare calls", ratio(ours, bare, 9), "times", 2.5)


def _photograph(seed: int) -> bytes:
    """Twelve megapixels in about three megabytes, as a phone makes them."""
    coarse = np.random.default_rng(seed).integers(0, 255, (375, 500, 3), dtype=np.uint8)
    return _encoded(Image.fromarray(coarse).resize((4000, 3000), Image.Resampling.BICUBIC), "JPEG", quality=87)


def _send(caller: Caller, name: str, body: bytes) -> float:
    """Uploads a file; the seconds until it can be used."""
    start = time.perf_counter()
    status, answer = caller.upload("quillmere", name, body)
    assert status == 201, answer
    return time.perf_counter() - start


def _twenty(caller: Caller) -> Iterator[Figure]:
    files = [_photograph(seed) for seed in range(20)]
    waits: list[float] = []
    with ThreadPoolExecutor(2) as pool:
        # As the desk sends them: two at a time.
        sent = [pool.submit(_send, caller, f"{n}.jpg", body) for n, body in enumerate(files)]
        while not all(one.done() for one in sent):
            start = time.perf_counter()
            caller.call("GET", "/api/sites/quillmere/style")
            waits.append((time.perf_counter() - start) * 1000)
            time.sleep(0.05)
    taken = [one.result() for one in sent]
    yield Figure("each of twenty files, until it can be used, median", statistics.median(taken), "s", 1)
    yield Figure("each of twenty files, until it can be used, p95", p95(taken), "s")
    yield Figure("megabytes of one of the twenty", sum(map(len, files)) / 20 / 1_000_000, "MB")
    yield Figure("the desk's own calls meanwhile, p95", p95(waits), "ms")


def _peak(server: Server, work: Callable[[], object]) -> float:
    """The most memory that a process of the server has while work is done, in MB; the sandbox's live briefly."""
    most, done = 0, threading.Event()

    def look() -> None:
        nonlocal most
        while not done.is_set():
            with suppress(OSError, IndexError, psutil.Error):
                for process in psutil.Process(server.group).children(recursive=True):
                    status = Path(f"/proc/{process.pid}/status").read_text()
                    most = max(most, int(status.partition("VmHWM:")[2].split()[0]))
            time.sleep(0.02)

    watcher = threading.Thread(target=look)
    watcher.start()
    try:
        work()
    finally:
        done.set()
        watcher.join()
    return most / 1000


def _memory(data: Path) -> Iterator[Figure]:
    deep = _encoded(_drawn(7071, 7071), "PNG", compress_level=1)
    wide = _encoded(_drawn(8660, 5773).convert("RGB"), "JPEG", quality=80)
    for name, body in (("PNG that can be seen through", deep), ("JPEG", wide)):
        assert len(body) < 20_000_000
        with Server(data) as server:
            caller = Caller(server)
            peak = _peak(server, partial(_send, caller, "large", body))
            yield Figure(f"peak memory, 50 megapixels, {name}", peak, "MB", 600)


def measure() -> Iterator[Figure]:
    """Measures the makers by themselves, then uploads."""
    yield _icon_set()
    yield _logo_files()
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder) / "data")
        yield from _memory(data)
        with Server(data) as server:
            yield from _twenty(Caller(server))
