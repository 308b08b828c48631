"""Which user runs a command: root becomes the owner of the data, so that nothing it writes is closed to the server."""

import os
from collections.abc import Mapping
from pathlib import Path
from pwd import getpwuid

_ROOT = 0


def data_owner(environment: Mapping[str, str]) -> tuple[int, int] | None:
    """User and group of the data folder; None where it is not there yet, or root's own."""
    data = Path(environment.get("DATA") or "data")
    if not data.exists():
        return None
    state = data.stat()
    return (state.st_uid, state.st_gid) if state.st_uid != _ROOT else None


def become(environment: Mapping[str, str]) -> None:
    """Makes a process of root one of the data's owner; does nothing for anybody else."""
    owner = data_owner(environment) if os.geteuid() == _ROOT else None
    if owner is None:
        return
    user, group = owner
    try:
        os.initgroups(getpwuid(user).pw_name, group)
    except KeyError:
        os.setgroups([group])
    os.setgid(group)
    os.setuid(user)


def give(path: Path, like: Path) -> None:
    """Gives a folder, with all that is in it, to the owner of another one, as far as this process may."""
    if os.geteuid() != _ROOT or not like.exists():
        return
    state = like.stat()
    for one in (path, *path.rglob("*")):
        os.chown(one, state.st_uid, state.st_gid, follow_symlinks=False)
