"""Runs every benchmark, each part in a process of its own, prints a table and writes `benchmarks/latest.json`.

What a part leaves behind in a process (settings, servers, caches) is nobody else's then. The file says of each figure
when it was measured, and on which commit; a part that is run alone leaves the figures of the others.
"""

import json
import subprocess
import sys
from collections.abc import Iterable
from datetime import UTC, datetime
from importlib import import_module
from pathlib import Path

from benchmarks.figures import Figure

_PARTS = (
    "rendering",
    "sites",
    "front",
    "backups",
    "pages",
    "many",
    "sweeping",
    "clock",
    "mail",
    "pictures",
    "desk",
    "walks",
    "audits",
    "texts",
    "hostile",
    "memory",
)
_ONE = "--part"
LATEST = Path(__file__).with_name("latest.json")


def _line(figure: Figure) -> str:
    limit = "" if figure.limit is None else f"{figure.limit:g}"
    verdict = "" if figure.limit is None else "MISSED" if figure.is_missed else "ok"
    return f"{figure.name:<64} {figure.value:>10.3f} {figure.unit:<6} {limit:>8}  {verdict}"


def _measure(part: str) -> int:
    """Measures one part in this process; each figure is a line of JSON on standard output."""
    for figure in import_module(f"benchmarks.{part}").measure():
        print(json.dumps(figure.document()), flush=True)
    return 0


def _commit() -> str:
    said = subprocess.run(["git", "describe", "--always", "--dirty"], capture_output=True, text=True)
    return said.stdout.strip() or "unknown"


def _run(part: str, commit: str) -> tuple[list[dict[str, object]], bool]:
    """The figures of one part as they come, and whether it came to its end."""
    found = []
    command = [sys.executable, "-m", "benchmarks", _ONE, part]
    with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as running:
        assert running.stdout
        for line in running.stdout:
            try:
                said = json.loads(line)
            except ValueError:
                print(line, end="", flush=True)
                continue
            now = datetime.now(UTC).isoformat(timespec="seconds")
            found.append({**said, "part": part, "measured_at": now, "commit": commit})
            print(_line(Figure(**said)), flush=True)
    return found, running.returncode == 0


def _known() -> list[dict[str, object]]:
    try:
        return list(json.loads(LATEST.read_text()))
    except (OSError, ValueError):
        return []


def _write(parts: Iterable[str], found: list[dict[str, object]]) -> None:
    """Writes what was measured; the figures of other parts stay, with their own moments and commits."""
    measured = set(parts)
    whole = [*(one for one in _known() if one.get("part") not in {*measured, None}), *found]
    order = {part: at for at, part in enumerate(_PARTS)}
    whole.sort(key=lambda one: order.get(str(one["part"]), len(order)))
    LATEST.write_text(json.dumps(whole, indent=1) + "\n")


def _is_missed(one: dict[str, object]) -> bool:
    return Figure(**{name: one[name] for name in ("name", "value", "unit", "limit")}).is_missed  # type: ignore[arg-type]


def main(asked: list[str]) -> int:
    """Runs all, or the parts that are named; the exit code says whether all came to their ends within their limits."""
    if asked[:1] == [_ONE]:
        return _measure(asked[1])
    parts = [part for part in _PARTS if not asked or part in asked]
    commit, found, broken = _commit(), [], []
    print(f"{'figure':<64} {'value':>10} {'unit':<6} {'limit':>8}")
    for part in parts:
        figures, is_whole = _run(part, commit)
        found += figures
        if not is_whole:
            broken.append(part)
            print(f"{part} did not come to its end", flush=True)
        _write(parts[: parts.index(part) + 1], found)
    return int(bool(broken) or any(map(_is_missed, found)))


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
