"""``hestor``: checks pages that anybody made, from the command line and in continuous integration.

Exit codes: 0 nothing found, 1 strays found, 2 could not run (one line on standard error).
"""

import argparse
import json
import os
import shutil
import sys
from collections.abc import Sequence
from datetime import UTC, datetime
from itertools import groupby
from pathlib import Path
from typing import NoReturn

from hestor import translations
from hestor.commandline.folders import files_of
from hestor.core.errors import InternalError
from hestor.core.sweep import report, style
from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import Swept, sweep
from hestor.core.sweep.mended_folder import mend_all
from hestor.core.sweep.pages_read import is_page
from hestor.core.sweep.stray import KINDS
from hestor.core.sweep.style import Style, UnreadableStyle

AGREE, FOUND, FAILED = 0, 1, 2


class CouldNotRun(InternalError):
    """What is wrong, in one line."""


def _say(key: str, **params: str | int) -> str:
    return translations.say(f"sweep.cli.{key}", **params)


def _speak() -> None:
    """Takes the language of the terminal (POSIX locale variables)."""
    said = next((os.environ[name] for name in ("LC_ALL", "LC_MESSAGES", "LANG") if os.environ.get(name)), "")
    translations.speak(said.partition("_")[0].partition(".")[0])


def _now() -> datetime:
    """The moment that it is, or the one that ``HESTOR_NOW`` names (as for the application), in UTC."""
    fixed = os.environ.get("HESTOR_NOW")
    try:
        return datetime.fromisoformat(fixed).astimezone(UTC) if fixed else datetime.now(UTC)
    except ValueError as error:
        raise CouldNotRun(f"HESTOR_NOW: {error}") from error


def _folder(given: str) -> tuple[Path, Files]:
    top = Path(given)
    if not top.is_dir():
        raise CouldNotRun(_say("no_folder", path=given))
    files = files_of(top)
    if not any(is_page(path) for path in files.paths):
        raise CouldNotRun(_say("no_pages", path=given))
    return top, files


def _style(given: str | None) -> Style | None:
    if given is None:
        return None
    try:
        read = style.read(json.loads(Path(given).read_text("utf-8-sig")))
    except (UnreadableStyle, OSError, ValueError, RecursionError) as error:
        why = str(error) if isinstance(error, UnreadableStyle) else _reason(error)
        raise CouldNotRun(_say("no_style", path=given, why=why)) from error
    if read.unknown:
        print(_say("unknown", keys=", ".join(read.unknown)), file=sys.stderr)
    return read.style


def _reason(error: Exception) -> str:
    return " ".join(str(getattr(error, "strerror", None) or error).split())


def _written_text(swept: Swept) -> str:
    """A sweep for people: the strays grouped by their kind."""
    lines: list[str] = []
    for kind, found in groupby(sorted(swept.strays, key=lambda one: KINDS.index(one.kind)), lambda one: one.kind):
        lines += [translations.say(f"sweep.kind.{kind}"), f"  {translations.say(f'sweep.why.{kind}')}"]
        for one in found:
            should = f" → {one.should_say}" if one.should_say else ""
            lines.append(f"  {one.page}:{one.start}–{one.end} ({one.place}) {one.says}{should}")
        lines.append("")
    lines += [f"{one.page}: {translations.say(f'sweep.unread.{one.why}')}" for one in swept.unread]
    counted = {
        "pages": swept.pages,
        "strays": len(swept.strays),
        "with_strays": len({stray.page for stray in swept.strays}),
    }
    lines.append(_say("found" if swept.strays else "agree", **counted))
    return "\n".join(lines)


def _sweep(given: argparse.Namespace) -> int:
    _, files = _folder(given.folder)
    now = _now()
    swept = sweep(files, _style(given.style), now.date())
    if given.format == "json":
        made = report.report(swept.pages, now, swept.style, swept.strays, swept.unread, translations.say)
        print(json.dumps(made, ensure_ascii=False, indent=2))
    else:
        print(_written_text(swept))
    return FOUND if swept.strays else AGREE


def _propose(given: argparse.Namespace) -> int:
    _, files = _folder(given.folder)
    swept = sweep(files, None, _now().date())
    print(json.dumps(swept.style.plain(), ensure_ascii=False, indent=2))
    return AGREE


def _mend(given: argparse.Namespace) -> int:
    top, files = _folder(given.folder)
    said = _style(given.style)
    out = Path(given.out)
    if out.resolve().is_relative_to(top.resolve()):
        raise CouldNotRun(_say("inside"))
    if out.exists() and (not out.is_dir() or any(out.iterdir())):
        raise CouldNotRun(_say("not_empty", path=given.out))
    today = _now().date()
    changed = {one.path: one for one in mend_all(files, said, today)}
    try:
        _write(top, files, {path: one.raw for path, one in changed.items()}, out)
    except OSError as error:
        raise CouldNotRun(_say("unwritable", path=given.out, why=_reason(error))) from error
    left = len(sweep(files_of(out), said, today).strays)
    print(_say("mended", files=len(changed), mended=sum(one.strays for one in changed.values()), left=left))
    return AGREE


def _write(top: Path, files: Files, changed: dict[str, bytes], out: Path) -> None:
    out.mkdir(parents=True, exist_ok=True)
    for path in files.paths:
        target = out / path
        target.parent.mkdir(parents=True, exist_ok=True)
        if path in changed:
            target.write_bytes(changed[path])
        else:
            shutil.copyfile(top / path, target)


class _Parser(argparse.ArgumentParser):
    """Says in one line what is wrong."""

    def error(self, message: str) -> NoReturn:
        raise CouldNotRun(f"{self.prog}: {message}")


def _parser() -> argparse.ArgumentParser:
    parser = _Parser(prog="hestor", description="Checks that all pages of a folder say the same of their site.")
    commands = parser.add_subparsers(dest="command", required=True, metavar="COMMAND", parser_class=_Parser)
    command = commands.add_parser("propose", help="prints the house style that most pages agree on")
    command.add_argument("folder")
    command.set_defaults(run=_propose)
    command = commands.add_parser("sweep", help="prints the strays; exit code 1 if there are any")
    command.add_argument("folder")
    command.add_argument(
        "--style", metavar="FILE", help="the house style to hold the pages to (default: the proposed one)"
    )
    command.add_argument("--format", choices=("text", "json"), default="text")
    command.set_defaults(run=_sweep)
    command = commands.add_parser("mend", help="writes mended copies; the original is never touched")
    command.add_argument("folder")
    command.add_argument("--style", metavar="FILE", required=True)
    command.add_argument("--out", metavar="FOLDER", required=True)
    command.set_defaults(run=_mend)
    return parser


def main(arguments: Sequence[str] | None = None) -> int:
    """Runs a command and gives its exit code."""
    _speak()
    try:
        given = _parser().parse_args(arguments)
        code: int = given.run(given)
    except CouldNotRun as error:
        print(error, file=sys.stderr)
        return FAILED
    except BrokenPipeError:
        # The reader of the lines closed the pipe.
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return FOUND
    return code
