"""A folder of Markdown files and pictures, as it comes in a ZIP or from a computer: what of it may be taken."""

import posixpath
import re
import struct
import unicodedata
import zipfile
import zlib
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from io import BytesIO
from typing import IO

from slugify import slugify

from hestor.core.errors import Problem
from hestor.core.text import lines

MOST_FILES = 5_000
MOST_BYTES = 120_000_000
"""Of all files together, unpacked."""
MOST_TEXT_BYTES = 2_000_000
MOST_PICTURE_BYTES = 40_000_000
TEXTS = (".md", ".markdown")
PICTURES = (".png", ".jpg", ".jpeg", ".gif", ".webp", ".svg", ".avif", ".bmp", ".tif", ".tiff", ".ico", ".heic")
_ESCAPED = re.compile("(?:%[0-9a-f]{2})+", re.IGNORECASE)
# Of some the standard library makes no error of its own.
BROKEN = (
    zipfile.BadZipFile, zlib.error, struct.error, NotImplementedError, EOFError, OSError, ValueError, RuntimeError,
    LookupError, ArithmeticError,
)  # fmt: skip
"""Whatever a damaged archive may raise."""
_LINK = re.compile(r"(!?\[(?:[^\[\]\\]|\\.)*\]\(\s*<?)([^)>\s]+)")


@dataclass(frozen=True)
class Package:
    """The texts and the pictures of a folder by their names in it; and what was left out, each with its reason."""

    texts: Mapping[str, str] = field(default_factory=dict)
    pictures: Mapping[str, bytes] = field(default_factory=dict)
    problems: tuple[Problem, ...] = ()


def clean_name(name: str) -> str | None:
    """A file's name within its folder; None for one that climbs out of it, or that names no file."""
    plain = unicodedata.normalize("NFC", name.replace("\\", "/"))
    parts = plain.split("/")
    if plain.startswith("/") or re.match("[A-Za-z]:", plain) or ".." in parts or any(map(lines.refusal, plain)):
        return None
    kept = [part for part in parts if part not in ("", ".")]
    return "/".join(kept) if kept and len(plain) <= 400 else None


def _is_beside(name: str) -> bool:
    """Whether a file is one that computers put beside others."""
    return any(part.startswith(".") or part == "__MACOSX" for part in name.split("/"))


# What every program writes; others (bzip2, LZMA) hold so much in a few bytes that unpacking is an attack.
_PACKED = (zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED)
_ENCRYPTED = 1


def unreadable(entry: zipfile.ZipInfo) -> str:
    """Why a file in a ZIP is not even unpacked: the code of a problem, or nothing."""
    if entry.flag_bits & _ENCRYPTED:
        return "file_locked"
    return "" if entry.compress_type in _PACKED else "file_packed"


def read_entry(archive: zipfile.ZipFile, entry: zipfile.ZipInfo, most: int) -> bytes | None:
    """The first ``most`` bytes of a file in a ZIP; None where it is damaged."""
    try:
        with archive.open(entry) as opened:
            return opened.read(most)
    except BROKEN:
        return None


def wrong(name: str, code: str) -> Problem:
    """That a file was left out, and why."""
    return Problem("file", code, {"name": lines.shorten(name.replace("\x00", ""), 80)})


def too_many() -> Problem:
    """That there are more files than may be."""
    return Problem("file", "zip_many", {"most": MOST_FILES})


def too_large() -> Problem:
    """That all files together are larger than they may be."""
    return Problem("file", "zip_large", {"most": MOST_BYTES // 1_000_000})


def _sorted_out(name: str, body: bytes, texts: dict[str, str], pictures: dict[str, bytes]) -> Problem | None:
    low = name.lower()
    if low.endswith(TEXTS):
        if len(body) > MOST_TEXT_BYTES:
            return wrong(name, "file_too_long")
        try:
            texts[name] = body.decode("utf-8-sig")
        except UnicodeDecodeError:
            return wrong(name, "file_no_utf8")
    elif low.endswith(PICTURES):
        if len(body) > MOST_PICTURE_BYTES:
            return wrong(name, "file_too_long")
        pictures[name] = body
    else:
        return wrong(name, "file_other")
    return None


def of_files(files: Iterable[tuple[str, bytes]]) -> Package:
    """A package of files with their names; what is past the limits of all together is left out, and said."""
    texts: dict[str, str] = {}
    pictures: dict[str, bytes] = {}
    problems: list[Problem] = []
    left = MOST_BYTES
    for number, (given, body) in enumerate(files):
        left -= len(body)
        if number >= MOST_FILES or left < 0:
            problems.append(too_many() if number >= MOST_FILES else too_large())
            break
        name = clean_name(given)
        if name is None:
            problems.append(wrong(given, "file_climbs"))
        elif not _is_beside(name) and (problem := _sorted_out(name, body, texts, pictures)):
            problems.append(problem)
    return Package(texts, pictures, tuple(problems))


def of_zip(body: bytes) -> Package:
    """The package in a ZIP (PKWARE APPNOTE). What it says of sizes is not believed: unpacking has a limit."""
    try:
        with zipfile.ZipFile(BytesIO(body)) as archive:
            return _unpacked(archive)
    except (zipfile.LargeZipFile, *BROKEN):
        return Package(problems=(Problem("file", "zip_unreadable"),))


def _unpacked(archive: zipfile.ZipFile) -> Package:
    files: list[tuple[str, bytes]] = []
    problems: list[Problem] = []
    left = MOST_BYTES
    entries = [each_entry for each_entry in archive.infolist() if not each_entry.is_dir()]
    # One more than may be, which then is said.
    for entry in entries[: MOST_FILES + 1]:
        if not entry.filename.lower().endswith((*TEXTS, *PICTURES)):
            files.append((entry.filename, b""))
            continue
        if code := unreadable(entry):
            problems.append(wrong(entry.filename, code))
            continue
        found_entry = read_entry(archive, entry, min(left, MOST_PICTURE_BYTES) + 1)
        # What was unpacked counts, whatever is then thought of it.
        left -= len(found_entry or b"")
        if left < 0:
            problems.append(too_large())
            break
        if found_entry is None or len(found_entry) > MOST_PICTURE_BYTES:
            problems.append(wrong(entry.filename, "file_broken" if found_entry is None else "file_too_long"))
            continue
        files.append((entry.filename, found_entry))
    made = of_files(files)
    return Package(made.texts, made.pictures, (*problems, *made.problems))


def path_of(name: str) -> str:
    """A page's address from its file's name: ``growing/beans.md`` is at ``/growing/beans/``, ``index.md`` at ``/``."""
    stem = re.sub(r"\.(md|markdown)$", "", name, flags=re.IGNORECASE)
    parts = stem.split("/")
    if parts[-1].lower() in ("index", "readme", "_index"):
        parts.pop()
    plain = [slugify(part) or slugify(f"page {part}") for part in parts]
    return "/" + "".join(f"{part}/" for part in plain)


def without_common_folder(package: Package) -> Package:
    """The package without a folder that holds everything, as ZIPs of a folder have."""
    names = [*package.texts, *package.pictures]
    tops = {name.partition("/")[0] for name in names}
    if len(tops) != 1 or not all("/" in name for name in names) or tops & {"pictures", "pages"}:
        return package
    cut = len(next(iter(tops))) + 1
    texts = {name[cut:]: text for name, text in package.texts.items()}
    pictures = {name[cut:]: body for name, body in package.pictures.items()}
    return Package(texts, pictures, package.problems)


def _unescaped(address: str) -> str:
    """An address with its percent-encoded letters as they are (RFC 3986, 2.1)."""
    return _ESCAPED.sub(lambda found: bytes.fromhex(found[0].replace("%", "")).decode(errors="replace"), address)


def linked(source: str, name: str, targets: Mapping[str, str]) -> str:
    """A text whose relative links to files of the package lead to what became of those (``targets``, by name)."""
    folder = posixpath.dirname(name)

    def follow(match: re.Match[str]) -> str:
        address, mark, rest = match[2].partition("#")
        if not address or address.startswith("//") or re.match("[a-z][a-z0-9+.-]*:", address, re.IGNORECASE):
            return match[0]
        near = address[1:] if address.startswith("/") else posixpath.join(folder, address)
        target = targets.get(posixpath.normpath(_unescaped(near)))
        return f"{match[1]}{target}{mark}{rest}" if target else match[0]

    return _LINK.sub(follow, source)


def file_of(path: str) -> str:
    """The name of the file that a page is written to."""
    return f"{path.strip('/')}.md" if path != "/" else "index.md"


def zipped(files: Iterable[tuple[str, bytes]]) -> bytes:
    """The files as a ZIP."""
    out = BytesIO()
    write_zip(files, out)
    return out.getvalue()


# A moment that is always the same, so that the same pages make the same file.
_ALWAYS = (1980, 1, 1, 0, 0, 0)


def write_zip(files: Iterable[tuple[str, bytes]], out: IO[bytes]) -> None:
    """Writes the files as a ZIP, one after the other, so that not all of them are held at once."""
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, body in _distinct(files):
            entry = zipfile.ZipInfo(name, _ALWAYS)
            entry.compress_type = zipfile.ZIP_DEFLATED
            archive.writestr(entry, body)


def write_packages(packages: Iterable[tuple[str, Iterable[tuple[str, bytes]]]], out: IO[bytes]) -> None:
    """Writes several packages, each a ZIP by its name, into one; none of them is held as a whole."""
    with zipfile.ZipFile(out, "w", zipfile.ZIP_STORED) as archive:
        for name, files in packages:
            with archive.open(zipfile.ZipInfo(name, _ALWAYS), "w", force_zip64=True) as inner:
                write_zip(files, inner)


def _distinct(files: Iterable[tuple[str, bytes]]) -> Iterator[tuple[str, bytes]]:
    """No two files of one name, also on disks that don't tell capitals from small letters."""
    seen: set[str] = set()
    for name, body in files:
        stem, dot, end = name.rpartition(".")
        number, kept = 1, name
        while kept.casefold() in seen:
            number += 1
            kept = f"{stem}-{number}{dot}{end}"
        seen.add(kept.casefold())
        yield kept, body
