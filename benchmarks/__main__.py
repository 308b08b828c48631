"""Runs every benchmark, prints a table and writes `benchmarks/latest.json`."""

import json
import sys
from pathlib import Path

from benchmarks import (
    audits,
    backups,
    clock,
    desk,
    front,
    hostile,
    mail,
    memory,
    pages,
    pictures,
    rendering,
    sites,
    sweeping,
    texts,
)
from benchmarks.figures import Figure

_PARTS = (
    rendering,
    sites,
    front,
    backups,
    pages,
    sweeping,
    clock,
    mail,
    pictures,
    desk,
    audits,
    texts,
    hostile,
    memory,
)
LATEST = Path(__file__).with_name("latest.json")


def _line(figure: Figure) -> str:
    limit = "" if figure.limit is None else f"{figure.limit:g}"
    verdict = "" if figure.limit is None else "ok" if figure.value <= figure.limit else "MISSED"
    return f"{figure.name:<64} {figure.value:>10.3f} {figure.unit:<6} {limit:>8}  {verdict}"


def _verdict(figures: list[Figure]) -> int:
    return int(any(f.limit is not None and f.value > f.limit for f in figures))


def main() -> int:
    """Runs all, or the parts that are named; the exit code says whether every limit was reached."""
    figures: list[Figure] = []
    print(f"{'figure':<64} {'value':>10} {'unit':<6} {'limit':>8}")
    for module in _PARTS:
        if sys.argv[1:] and module.__name__.rpartition(".")[2] not in sys.argv[1:]:
            continue
        for figure in module.measure():
            figures.append(figure)
            print(_line(figure), flush=True)
    if sys.argv[1:]:
        return _verdict(figures)
    LATEST.write_text(json.dumps([figure.document() for figure in figures], indent=1) + "\n")
    return _verdict(figures)


if __name__ == "__main__":
    sys.exit(main())
