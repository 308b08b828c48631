"""Folders of pages on disk, as the sweep sees them."""

import os
from collections.abc import Iterator
from pathlib import Path

from hestor.core.sweep.files import Files


def _walked(top: Path) -> Iterator[str]:
    for folder, folders, names in os.walk(top, followlinks=False):
        folders.sort()
        for name in sorted(names):
            path = Path(folder) / name
            # A link may lead out of the folder, or in a circle.
            if path.is_file() and not path.is_symlink():
                yield path.relative_to(top).as_posix()


def files_of(top: Path) -> Files:
    """All files of a folder and those below it; symbolic links are not followed."""
    return Files(tuple(_walked(top)), lambda path: (top / path).read_bytes())
