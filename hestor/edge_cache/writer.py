"""Laying files down, and linking the folder that visitors are to get."""

import os
import secrets
from collections.abc import Callable, Mapping
from pathlib import Path

from hestor.edge_cache import paths
from hestor.edge_cache.invalidation import held

_ENDS = {"br": ".br", "gzip": ".gz", "": ""}
# The plain file comes last: it is the one that is looked for.
_ORDER = ("br", "gzip", "")


def _write(target: Path, body: bytes, stamp: int) -> None:
    draft = target.with_name(f".{secrets.token_hex(8)}")
    try:
        draft.write_bytes(body)
        # The time that the web server makes the entity tag of.
        os.utime(draft, (stamp, stamp))
        draft.chmod(0o644)
        draft.replace(target)
    finally:
        draft.unlink(missing_ok=True)


def _make_folder(folder: Path) -> None:
    """Makes a folder that a web server can look into, which is another user."""
    if folder.is_dir():
        return
    _make_folder(folder.parent)
    folder.mkdir(exist_ok=True)
    folder.chmod(0o755)


def lay(site_id: int, key: str, path: str, bodies: Callable[[], Mapping[str, tuple[bytes, int]]]) -> bool:
    """Lays down what stands at an address of an edition; says whether it is there now.

    ``bodies`` gives, by coding, the bytes and the number that their entity tag begins with; it is asked only if they
    are not there. A disk that is full, or a folder that can't be written, is no reason not to answer.
    """
    name = paths.name_of(path)
    if name is None:
        return False
    target = paths.edition_folder(site_id, key) / name
    if target.exists():
        return True
    try:
        _make_folder(target.parent)
        found_bodies = bodies()
        for coding in _ORDER:
            if coding in found_bodies:
                body, stamp = found_bodies[coding]
                _write(target.with_name(target.name + _ENDS[coding]), body, stamp)
    except OSError:
        return False
    return True


def _points(link: Path, target: str) -> bool:
    try:
        return os.readlink(link) == target
    except OSError:
        return False


def _point(link: Path, target: str) -> None:
    draft = link.with_name(f".{secrets.token_hex(8)}")
    draft.symlink_to(target)
    draft.replace(link)


def link(site_id: int, host: str, span: str, key: str, is_current: Callable[[], bool]) -> bool:
    """Leads a host to an edition's folder for a span of time; says whether it does.

    ``is_current`` is asked while nobody can publish: whether that is still what visitors are to get.
    """
    to_edition, to_site = f"../../editions/{site_id}/{key}", f"../sites/{site_id}"
    spans, hosts = paths.site_folder(site_id) / span, paths.host_link(host)
    if _points(spans, to_edition) and _points(hosts, to_site):
        return True
    try:
        _make_folder(spans.parent)
        _make_folder(hosts.parent)
        # No visitor waits for a publication: the next one after it sets the link.
        with held(site_id, wait=False):
            if not is_current():
                return False
            _point(spans, to_edition)
            _point(hosts, to_site)
    except OSError:
        return False
    return True
