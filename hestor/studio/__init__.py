"""The studio: pictures from strangers are decoded and drawn in processes apart from those that answer.

``run`` gives a piece of work to a fresh process with limits on time, processor and memory, and waits for what it
makes. Where no studio was opened (commands, unit tests) the work is done on the spot.
"""

from hestor.studio.budget import Budget
from hestor.studio.front import open_studio, run, run_on_text, run_within
from hestor.studio.limits import SWEEP_SECONDS, TO_DRAW, TO_READ, TO_SWEEP, TO_UNPACK

__all__ = [
    "SWEEP_SECONDS",
    "TO_DRAW",
    "TO_READ",
    "TO_SWEEP",
    "TO_UNPACK",
    "Budget",
    "open_studio",
    "run",
    "run_on_text",
    "run_within",
]
