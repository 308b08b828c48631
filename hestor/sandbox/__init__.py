"""The sandbox: pictures from strangers are decoded and drawn in processes apart from those that answer.

``run`` gives a piece of work to a fresh process with limits on time, processor and memory, and waits for what it
makes. Where no sandbox was opened (commands, unit tests) the work is done on the spot.
"""

from hestor.sandbox.budget import Budget
from hestor.sandbox.client import open_sandbox, run, run_on_text, run_within
from hestor.sandbox.limits import SWEEP_SECONDS, TO_DRAW, TO_READ, TO_SWEEP, TO_UNPACK

__all__ = [
    "SWEEP_SECONDS",
    "TO_DRAW",
    "TO_READ",
    "TO_SWEEP",
    "TO_UNPACK",
    "Budget",
    "open_sandbox",
    "run",
    "run_on_text",
    "run_within",
]
