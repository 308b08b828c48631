"""Writes the JSON Schema of house style files.

Used as ``python -m hestor.config.export_style FILE``.
"""

import json
import sys
from pathlib import Path

from hestor.core.sweep.style import schema

if __name__ == "__main__":
    Path(sys.argv[1]).write_text(json.dumps(schema(), indent=2) + "\n")
