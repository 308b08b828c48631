"""How much of the processor a piece of work in the sandbox may take before it leaves the rest, and says so."""

import time
from dataclasses import dataclass, field


@dataclass
class Budget:
    """Seconds of the processor, counted from when it is first asked, in whichever process that is."""

    seconds: float
    _until: float = field(default=0.0, repr=False)

    def is_spent(self) -> bool:
        """Whether no more is to be begun."""
        now = time.process_time()
        self._until = self._until or now + self.seconds
        return now >= self._until
