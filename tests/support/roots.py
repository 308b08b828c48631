"""A machine within the machine: a shell with mounts, a network and processes of its own, for what only root may try."""

import os
import subprocess
import sys

import pytest

NOBODY = 65534
root_only = pytest.mark.skipif(os.geteuid() != 0, reason="only root may make a machine within the machine")
# Whoever else is to run it must find the interpreter, which may be in root's own home.
_OPEN_HOME = """
set -e
ip link set lo up
case {python} in /root/*)
  aside=$(mktemp -d) && mount --rbind /root $aside && mount -t tmpfs -o mode=755 none /root
  for one in $(ls -A $aside); do
    [ -d $aside/$one ] && mkdir /root/$one && mount --rbind $aside/$one /root/$one
  done
esac
"""


def run(script: str, seconds: int = 120) -> subprocess.CompletedProcess:
    """Runs a script of bash there; nothing of what it mounts or starts is left."""
    command = ["unshare", "--mount", "--net", "--pid", "--fork", "--kill-child", "bash", "-c"]
    whole = _OPEN_HOME.format(python=os.path.realpath(sys.executable)) + script
    return subprocess.run([*command, whole], capture_output=True, text=True, timeout=seconds)
