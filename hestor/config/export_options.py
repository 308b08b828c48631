"""Writes the table of options into the README, and the file of settings that ships.

Used as ``python -m hestor.config.export_options README.md deploy/hestor.env``.
"""

import sys
from pathlib import Path

from hestor.config import options

_BEGIN = "| variable | meaning | default |"


def with_table(readme: str) -> str:
    """The README with the table as it is now, in the place of the one that it has."""
    before, _, after = readme.partition(_BEGIN)
    return before + options.table() + "\n\n" + after.partition("\n\n")[2]


if __name__ == "__main__":
    readme, example = map(Path, sys.argv[1:])
    readme.write_text(with_table(readme.read_text()))
    example.write_text(options.example())
