"""A folder of somebody's pages as it comes in a ZIP and goes back in one; what climbs out, clashes, bursts is left."""

import posixpath
import unicodedata
import zipfile
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from io import BytesIO

from hestor.core.errors import Problem
from hestor.core.pages.package import (
    BROKEN,
    MOST_BYTES,
    MOST_FILES,
    clean_name,
    read_entry,
    too_large,
    too_many,
    unreadable,
    wrong,
)
from hestor.core.sweep.files import Files
from hestor.core.sweep.pages_read import is_page

_MOST_OF_ONE = 40_000_000
MOST_OF_PAGES = 20_000_000
"""More takes longer than one call may; the command line takes any number."""


@dataclass(frozen=True)
class Unpacked:
    """The files of a ZIP by their clean names, and what was left out, each with its reason."""

    files: Mapping[str, bytes] = field(default_factory=dict)
    problems: tuple[Problem, ...] = ()

    def as_files(self) -> Files:
        """The files as the sweep sees them; a folder in which all of them are is taken for the site's top."""
        top = self._top
        inside = {name.removeprefix(top): raw for name, raw in self.files.items()}
        return Files(tuple(inside), inside.__getitem__)

    @property
    def _top(self) -> str:
        shared = posixpath.commonpath(list(self.files)) if self.files else ""
        whole = f"{shared}/"
        return whole if shared and all(name.startswith(whole) for name in self.files) else ""

    def packed(self, changed: Mapping[str, bytes]) -> bytes:
        """The same files as a ZIP, those changed that have other bytes by their names below the site's top."""
        made = BytesIO()
        with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as archive:
            for name, raw in self.files.items():
                archive.writestr(name, changed.get(name.removeprefix(self._top), raw))
        return made.getvalue()


def unpack(body: bytes) -> Unpacked:
    """The files in a ZIP (PKWARE APPNOTE). What it says of sizes is not believed: unpacking has a limit."""
    try:
        with zipfile.ZipFile(BytesIO(body)) as archive:
            return _read(archive)
    except (zipfile.LargeZipFile, *BROKEN):
        return Unpacked(problems=(Problem("file", "zip_unreadable"),))


def _read(archive: zipfile.ZipFile) -> Unpacked:
    found: dict[str, bytes] = {}
    problems: list[Problem] = []
    seen: set[str] = set()
    left = MOST_BYTES
    entries = [each_entry for each_entry in archive.infolist() if not each_entry.is_dir()]
    for entry, name, code in _named(entries[:MOST_FILES], seen):
        raw = None if code else read_entry(archive, entry, min(left, _MOST_OF_ONE) + 1)
        # What was unpacked counts, whatever is then thought of it.
        left -= len(raw or b"")
        if left < 0:
            problems.append(too_large())
            break
        if raw is None:
            problems.append(wrong(entry.filename, code or "file_broken"))
        elif len(raw) > _MOST_OF_ONE:
            problems.append(wrong(entry.filename, "file_too_long"))
        else:
            found[name] = raw
    if len(entries) > MOST_FILES:
        problems.append(too_many())
    return Unpacked(found, tuple(problems))


def _named(entries: list[zipfile.ZipInfo], seen: set[str]) -> Iterator[tuple[zipfile.ZipInfo, str, str]]:
    """The entries with their clean names, or why they are left: they climb out, or another one has their name."""
    for entry in entries:
        name = clean_name(entry.filename)
        if name is None:
            yield entry, "", "file_climbs"
            continue
        key = unicodedata.normalize("NFC", name).casefold()
        code = "file_clashes" if key in seen else unreadable(entry)
        seen.add(key)
        yield entry, name, code


def refusal(unpacked: Unpacked) -> Problem | None:
    """Why what was unpacked can't be swept, if it can't: there are no pages, or more than one call may look at."""
    pages = [raw for name, raw in unpacked.files.items() if is_page(name)]
    if not pages:
        return next(iter(unpacked.problems), Problem("file", "zip_without_pages"))
    is_large = sum(map(len, pages)) > MOST_OF_PAGES
    return Problem("file", "zip_pages_large", {"most": MOST_OF_PAGES // 1_000_000}) if is_large else None
