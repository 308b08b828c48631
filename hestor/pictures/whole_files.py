"""Files in a folder that are whole or not there: Django's storage, for masters and what is generated from them."""

import os
import secrets
from contextlib import suppress
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.files import File
from django.core.files.storage import FileSystemStorage
from django.utils.deconstruct import deconstructible

_DRAFTS = ".drafts"


@deconstructible
class WholeFiles(FileSystemStorage):
    """A folder of FILES. Each file is written under another name and then renamed: a crash leaves no half one."""

    def __init__(self, folder: str) -> None:
        super().__init__(allow_overwrite=True)
        self._folder = folder

    @property
    def base_location(self) -> str:
        """The folder."""
        return str(Path(settings.FILES or settings.DATA) / self._folder)

    @property
    def location(self) -> str:
        """The same, as an absolute path."""
        return os.path.abspath(self.base_location)

    def _save(self, name: str, content: File[Any]) -> str:
        path = Path(self.path(name))
        path.parent.mkdir(parents=True, exist_ok=True)
        draft = Path(self.path(_DRAFTS)) / secrets.token_hex(8)
        draft.parent.mkdir(exist_ok=True)
        with draft.open("wb") as opened:
            for chunk in content.chunks():
                opened.write(chunk)
            opened.flush()
            os.fsync(opened.fileno())
        draft.replace(path)
        return name

    def drop_left_over(self, before: float) -> None:
        """Deletes what a crash left half written before a moment (seconds since 1970)."""
        for draft in Path(self.path(_DRAFTS)).glob("*"):
            # Another may be whole, and so have its name, just now.
            with suppress(FileNotFoundError):
                if draft.stat().st_mtime < before:
                    draft.unlink()
