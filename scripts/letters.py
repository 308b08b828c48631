"""Lays down the fonts by which names in any script are drawn, from the Noto families of the front end's packages.

Each file's letters are read from its own character map, so that which file draws which letter is known without opening
it. `make build` calls this.
"""

import io
import json
import re
import shutil
import sys
from collections.abc import Iterator
from pathlib import Path

from fontTools.ttLib import TTFont

TOP = Path(__file__).parents[1]
PACKAGES = TOP / "frontend/node_modules/@fontsource-variable"
FOLDER = TOP / "hestor/rendering/assets/letters"
_NAME = re.compile(r"noto-.*-wght-normal\.woff2")
# Each family has these along; those of one are enough.
_ALONG = re.compile(
    r"noto-(?!sans-(?:latin|cyrillic|greek|vietnamese|symbols)).*-(?:latin|cyrillic|greek|vietnamese|math|symbols)(?:-ext)?-wght.*"
)


def _ranges(points: list[int]) -> Iterator[list[int]]:
    """Sorted numbers as the first and last of each stretch."""
    start = last = points[0]
    for point in points[1:]:
        if point > last + 1:
            yield [start, last]
            start = point
        last = point
    yield [start, last]


def letters_of(content: bytes) -> list[list[int]]:
    """The code points that a font has glyphs for, in stretches."""
    return list(_ranges(sorted(TTFont(io.BytesIO(content), lazy=True).getBestCmap())))


def main() -> int:
    """Copies the files, and writes what letters each has, those of the pairs of typefaces too."""
    shutil.rmtree(FOLDER, ignore_errors=True)
    FOLDER.mkdir()
    files = sorted(
        file
        for file in PACKAGES.glob("noto-*/files/*.woff2")
        if _NAME.fullmatch(file.name) and not _ALONG.match(file.name)
    )
    for file in files:
        shutil.copy(file, FOLDER)
    for folder in {file.parents[1] for file in files}:
        shutil.copy(folder / "LICENSE", FOLDER / f"LICENSE-{folder.name}.txt")
    own = sorted((FOLDER.parent / "fonts").glob("*-normal.woff2"))
    known = {file.stem: letters_of(file.read_bytes()) for file in (*own, *files)}
    (FOLDER / "letters.json").write_text(json.dumps(known, separators=(",", ":")))
    return 0 if files else 1


if __name__ == "__main__":
    sys.exit(main())
