"""What one piece of work in the sandbox may take. The system itself ends what takes more."""

import os
import resource
import signal
from typing import NamedTuple


class Limits(NamedTuple):
    """Seconds of the processor (whole ones), and seconds by the clock, which is more where others are at work."""

    processor: int
    clock: int


TO_READ = Limits(6, 15)
"""For a picture just uploaded, whose sender waits. The largest that is let in takes two to four seconds."""
TO_DRAW = Limits(1, 6)
"""The same for a drawing, which is drawn once, as large as it ever will be."""
TO_MAKE = Limits(10, 20)
"""For the files that are made of a picture that was let in: up to nine sizes of it."""
TO_UNPACK = Limits(6, 20)
"""For a ZIP, or another file of many, that a stranger has just sent."""
TO_SWEEP = Limits(25, 60)
"""For a folder of pages of strangers; what is not done after SWEEP_SECONDS is told instead (``budget``)."""
SWEEP_SECONDS = 12.0
# Above what the process had when it began; the largest picture that is let in takes some 350 MB of it.
MEMORY = 700_000_000
_LESS_URGENT = 19


def _memory_now() -> int:
    """Bytes of private memory that this process could write to."""
    with open("/proc/self/status") as status:
        return next((int(line.split()[1]) * 1024 for line in status if line.startswith("VmData:")), 0)


def set_limits(limits: Limits) -> None:
    """Limits this process: its time (SIGALRM), its processor time (SIGXCPU) and its memory; pages come first."""
    signal.signal(signal.SIGALRM, signal.SIG_DFL)
    signal.setitimer(signal.ITIMER_REAL, limits.clock)
    resource.setrlimit(resource.RLIMIT_CPU, (limits.processor, limits.processor))
    most = _memory_now() + MEMORY
    resource.setrlimit(resource.RLIMIT_DATA, (most, most))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    os.nice(_LESS_URGENT)
