"""Writes the API's OpenAPI document, from which the front end's types are made.

Used as ``python -m hestor.config.export_schema FILE``.
"""

import json
import os
import sys
from pathlib import Path

import django


def main(target: str) -> None:
    """Writes the document to a file."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "hestor.config.settings")
    django.setup()
    from hestor.api.api import api  # needs the settings, so it can't stand at the top

    Path(target).write_text(json.dumps(api.get_openapi_schema(), indent=1, sort_keys=True) + "\n")


if __name__ == "__main__":
    main(sys.argv[1])
