"""The sandbox: work is done elsewhere, within limits; what passes them ends alone, and the next is done as before."""

import os
import signal
import subprocess
import sys
import time
from pathlib import Path

import pytest

from hestor.core.errors import PictureRefused, TooMuchWork
from hestor.sandbox import client
from hestor.sandbox.limits import Limits

SHORT = Limits(1, 2)


def process() -> int:
    return os.getpid()


def spin() -> None:
    while True:
        pass


def wait() -> None:
    time.sleep(60)


def swell() -> int:
    return len(bytearray(2_000_000_000))


def refuse() -> None:
    raise PictureRefused("broken", kind="PNG", name="a.png")


def fall() -> None:
    os.kill(os.getpid(), signal.SIGSEGV)


def end_the_sandbox_once(mark: Path) -> str:
    if not mark.exists():
        mark.touch()
        os.kill(os.getppid(), signal.SIGKILL)
        time.sleep(0.2)
        os._exit(1)
    return "done"


def parent() -> int:
    return os.getppid()


def test_work_is_done_in_another_process(sandbox):
    assert client.run(process) not in (os.getpid(), client.run(process))


@pytest.mark.parametrize("work", [spin, wait, swell, fall])
def test_work_that_passes_its_limits_ends_alone(sandbox, work):
    with pytest.raises(TooMuchWork):
        client.run_within(SHORT, work)
    assert client.run(process)


def test_errors_come_back_whole(sandbox):
    with pytest.raises(PictureRefused) as caught:
        client.run(refuse)
    assert (caught.value.code, caught.value.params) == ("picture_broken", {"kind": "PNG", "name": "a.png"})


def test_a_lost_sandbox_is_opened_anew(sandbox):
    os.kill(client.run(parent), signal.SIGKILL)
    assert client.run(process)


def test_work_of_a_sandbox_that_was_lost_is_done_again(sandbox, tmp_path):
    assert client.run(end_the_sandbox_once, tmp_path / "ended") == "done"


def test_without_one_work_is_done_on_the_spot():
    closed = client.Sandbox()
    before, client._SANDBOX = client._SANDBOX, closed
    try:
        assert client.run(process) == os.getpid()
    finally:
        client._SANDBOX = before


def test_it_ends_with_whoever_opened_it():
    code = (
        "import os\nfrom hestor.sandbox import client\n"
        "client.open_sandbox(); print(client.run(os.getppid), flush=True); os.kill(os.getpid(), 9)"
    )
    top = Path(__file__).parents[2]
    made = subprocess.run([sys.executable, "-c", code], cwd=top, capture_output=True, text=True, check=False)
    room = int(made.stdout)
    deadline = time.monotonic() + 60
    while time.monotonic() < deadline and Path(f"/proc/{room}").exists():
        time.sleep(0.05)
    assert not Path(f"/proc/{room}").exists()
