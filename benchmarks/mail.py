"""Mail: a visitor's message from the form to the tray; a long queue, also when its process is killed."""

import os
import random
import re
import signal
import statistics
import subprocess
import sys
import tempfile
import time
from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from itertools import pairwise
from pathlib import Path

from benchmarks.figures import Figure, p95
from tests.support.server import TOP, Server, environment, free_port, make_data

_POSTS, _QUEUE, _KILLS, _KILLED_QUEUE, _RECEIVERS = 200, 10_000, 20, 4_000, 37
_ROUNDS = 3
_STAMP = re.compile(r'name="stamp" value="([^"]+)"')


def _post(server: Server, number: int) -> float:
    """One message through the form; how long the server took to take it, in seconds."""
    page = server.get("quillmere.localhost", "/contact/")[1].decode()
    stamp = _STAMP.search(page)
    assert stamp
    said = {"name": f"Visitor {number}", "email": f"v{number}@visitor.example", "message": f"Message {number}. " * 20}
    begun = time.perf_counter()
    status = server.send_form("quillmere.localhost", "/contact/", {**said, "stamp": stamp[1]})
    taken = time.perf_counter() - begun
    assert status == 303, status
    return taken


def _form() -> Iterator[Figure]:
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder))
        more = {"HESTOR_MESSAGES_OF_ONE": "100000", "HESTOR_MESSAGES_OF_ALL": "100000"}
        with Server(data, more=more) as server:
            taken = [_post(server, number) for number in range(_POSTS + 5)][5:]
        yield Figure("form post to tray, p95", p95(taken) * 1000, "ms", 60)


@contextmanager
def _sink(notes: Path) -> Iterator[int]:
    """A mail server of its own; gives its port."""
    port = free_port()
    command = [sys.executable, "-m", "benchmarks.sink", str(port), str(notes)]
    with subprocess.Popen(command, cwd=TOP, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True) as process:
        assert process.stdout
        assert process.stdin
        process.stdout.readline()
        try:
            yield port
        finally:
            process.stdin.close()


_FILL = """
import django, sys
django.setup()
from hestor import clock
from hestor.mail.models import Body, Message, State
from hestor.mail.selectors import letters
from hestor.sites.models import Site
site, now = Site.objects.get(slug="quillmere"), clock.now()
said = {"address": "a@b.example", "moment": "now"}
one = letters.Voice(site, now).write("replaced", said, "receiver@x.example")
head, _, rest = one.raw.partition(b"Message-ID: ")
tail = rest.partition(b"\\r\\n")[2]
Message.objects.all().delete()
Message.objects.bulk_create((
    Message(site=site, kind="replaced", sender=one.sender, receiver=f"r{n % int(sys.argv[2])}@x.example", subject="S",
            state=State.QUEUED, made=now, due=now)
    for n in range(int(sys.argv[1]))
), batch_size=500)
made = Message.objects.order_by("pk").values_list("pk", flat=True)
Body.objects.bulk_create((
    Body(message_id=pk, words="", raw=head + b"Message-ID: <%07d@bench>\\r\\n" % n + tail) for n, pk in enumerate(made)
), batch_size=500)
"""


def _own(data: Path, port: int) -> dict[str, str]:
    own = environment(data)
    own.pop("HESTOR_NOW")
    return {**own, "HESTOR_SMTP": f"smtp://127.0.0.1:{port}?tls=no"}


def _fill(data: Path, port: int, count: int) -> None:
    arguments = [sys.executable, "-c", _FILL, str(count), str(_RECEIVERS)]
    subprocess.run(arguments, cwd=TOP, env=_own(data, port), check=True)


_DRAIN = """
import django, time
django.setup()
from hestor.mail.services.sending import drain
begun = time.perf_counter()
sent = drain()
print(sent, time.perf_counter() - begun)
"""
_BARE = """
import django, smtplib, sys, time
django.setup()
from hestor.mail.models import Message
found = list(Message.objects.values_list("sender", "receiver", "body__raw"))
begun = time.perf_counter()
line = smtplib.SMTP("127.0.0.1", int(sys.argv[1]), timeout=20)
for sender, receiver, raw in found:
    line.sendmail(sender, [receiver], bytes(raw))
line.quit()
print(len(found), time.perf_counter() - begun)
"""


def _timed(code: str, data: Path, port: int) -> float:
    arguments = [sys.executable, "-c", code, str(port)]
    made = subprocess.run(arguments, cwd=TOP, env=_own(data, port), check=True, capture_output=True, text=True)
    count, taken = made.stdout.split()
    assert int(count) == _QUEUE, made.stdout
    return float(taken)


def _queue(data: Path) -> Iterator[Figure]:
    """Both ways in turn, several times: how fast a machine is changes while it is measured."""
    bare, own = [], []
    with _sink(data / "notes") as port:
        for _ in range(_ROUNDS):
            _fill(data, port, _QUEUE)
            bare.append(_timed(_BARE, data, port))
            own.append(_timed(_DRAIN, data, port))
    yield Figure("10,000 messages by the bare SMTP library", statistics.median(bare), "s", None)
    ratio = statistics.median(one / other for one, other in zip(own, bare, strict=True))
    yield Figure("queue of 10,000 messages, time, ratio to the bare library", ratio, "times", 1 / 0.7)


def _killed(data: Path) -> Iterator[Figure]:
    notes, picked = data / "killed", random.Random(7)
    with _sink(notes) as port:
        _fill(data, port, _KILLED_QUEUE)
        for _ in range(_KILLS):
            command = [sys.executable, "manage.py", "send_mail"]
            process = subprocess.Popen(command, cwd=TOP, env=_own(data, port), start_new_session=True)
            target = _count(notes) + picked.randrange(1, 250)
            deadline = time.monotonic() + 20
            # Killed within its work, not while it starts.
            while _count(notes) < target and time.monotonic() < deadline:
                time.sleep(0.001)
            os.killpg(process.pid, signal.SIGKILL)
            process.wait()
        subprocess.run([sys.executable, "manage.py", "send_mail"], cwd=TOP, env=_own(data, port), check=True)
    arrived = [line.split() for line in notes.read_text().splitlines()]
    twice = sum(count - 1 for count in Counter(identity for _, identity in arrived).values())
    order = sum(_disorder([i for r, i in arrived if r == f"r{n}@x.example"]) for n in range(_RECEIVERS))
    yield Figure("messages sent twice after 20 kills", twice, "", 0)
    yield Figure("messages out of order for their receiver after 20 kills", order, "", 0)
    # A killed process leaves at most one in doubt, which is shown to its owner and not sent again by itself.
    yield Figure("messages that did not arrive by themselves after 20 kills", _KILLED_QUEUE - len(arrived), "", _KILLS)


def _count(notes: Path) -> int:
    return notes.read_bytes().count(b"\n") if notes.exists() else 0


def _disorder(identities: list[str]) -> int:
    return sum(one > other for one, other in pairwise(identities))


def measure() -> Iterator[Figure]:
    """The form, the queue, the kills."""
    yield from _form()
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder))
        yield from _queue(data)
        yield from _killed(data)
