"""Debian's headless Chromium, as tests, benchmarks and the script for pictures start it."""

from pathlib import Path

_SHELL, _WHOLE = Path("/usr/bin/chromium-headless-shell"), Path("/usr/bin/chromium")
# Where the part without windows is not installed, the whole does as well.
CHROMIUM = str(_SHELL if _SHELL.exists() else _WHOLE)
# Without a screen nothing is gained by drawing as a graphics card would.
ARGUMENTS = ["--no-sandbox", "--disable-background-networking", "--disable-gpu", "--disable-dev-shm-usage"]
