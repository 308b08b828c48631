"""Runs every benchmark, prints a table and writes `benchmarks/latest.json`."""

import json
import sys
from pathlib import Path

from benchmarks import desk, hostile, memory, pictures, rendering, sites, texts
from benchmarks.figures import Figure

LATEST = Path(__file__).with_name("latest.json")


def _line(figure: Figure) -> str:
    limit = "" if figure.limit is None else f"{figure.limit:g}"
    verdict = "" if figure.limit is None else "ok" if figure.value <= figure.limit else "MISSED"
    return f"{figure.name:<64} {figure.value:>10.3f} {figure.unit:<6} {limit:>8}  {verdict}"


def main() -> int:
    """Runs all; the exit code says whether every limit was reached."""
    figures: list[Figure] = []
    print(f"{'figure':<64} {'value':>10} {'unit':<6} {'limit':>8}")
    for module in (rendering, sites, pictures, desk, texts, hostile, memory):
        for figure in module.measure():
            figures.append(figure)
            print(_line(figure), flush=True)
    LATEST.write_text(json.dumps([figure.document() for figure in figures], indent=1) + "\n")
    return int(any(f.limit is not None and f.value > f.limit for f in figures))


if __name__ == "__main__":
    sys.exit(main())
