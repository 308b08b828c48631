"""A mail server of its own process: takes everything, and notes for each message its receiver and its identity.

Used as ``python -m benchmarks.sink PORT FILE``; it ends with its input.
"""

import sys
from pathlib import Path

from aiosmtpd.controller import Controller

_ID = b"Message-ID: "


class _Sink:
    def __init__(self, notes: Path) -> None:
        self._notes = notes.open("ab", buffering=0)

    async def handle_DATA(self, server, session, envelope):
        """Notes the message, then says that it was taken."""
        begin = envelope.content.index(_ID) + len(_ID)
        identity = envelope.content[begin : envelope.content.index(b"\r\n", begin)]
        self._notes.write(envelope.rcpt_tos[0].encode() + b" " + identity + b"\n")
        return "250 OK"


if __name__ == "__main__":
    running = Controller(_Sink(Path(sys.argv[2])), hostname="127.0.0.1", port=int(sys.argv[1]))
    running.start()
    print("up", flush=True)
    sys.stdin.read()
    running.stop()
