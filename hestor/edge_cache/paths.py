"""Where files in front stand, and what they are called."""

import hashlib
from functools import cache
from importlib import metadata
from pathlib import Path
from uuid import UUID

from django.conf import settings

PAGE = "=page"
"""The name of a page's own file in the folder of its address; no address ends so."""
_LONGEST = 200


def is_on() -> bool:
    """Whether files are laid down at all (``HESTOR_FRONT``)."""
    return settings.FRONT is not None


def _top() -> Path:
    return Path(str(settings.FRONT))


def edition_folder(site_id: int, key: str) -> Path:
    """Where the files of one edition at one moment stand."""
    return editions() / str(site_id) / key


def editions() -> Path:
    """Where all editions stand, by site."""
    return _top() / "editions"


def site_folder(site_id: int) -> Path:
    """Where the links of a site stand, by span of time."""
    return sites() / str(site_id)


def sites() -> Path:
    """Where the links of all sites stand."""
    return _top() / "sites"


def host_link(host: str) -> Path:
    """The link from a host name to its site."""
    return hosts() / host


def hosts() -> Path:
    """Where the links of all hosts stand."""
    return _top() / "hosts"


def lock_file(site_id: int) -> Path:
    """The lock file that is held while links of a site are set or removed."""
    return _top() / "locks" / str(site_id)


def _libraries() -> list[str]:
    """The installed packages with their versions: another one's words for months, say, make other pages."""
    return sorted(f"{distribution.name}=={distribution.version}" for distribution in metadata.distributions())


@cache
def _code() -> str:
    """A hash of the code that makes pages, with that of others: another version may make others of the same."""
    here = Path(__file__).parents[1]
    files = sorted(path for part in ("core", "rendering", "web", "translations") for path in (here / part).rglob("*.*"))
    whole = hashlib.sha256(repr(_libraries()).encode())
    for path in files:
        if path.suffix != ".pyc" and path.is_file():
            whole.update(path.read_bytes())
    return whole.hexdigest()


def key_of(edition: UUID, *parts: object) -> str:
    """The name of an edition's folder: what it alone is known by, and a hash of all else that its files depend on.

    Its number would not do: after a restore the next edition has that of one that was lost.
    """
    said = repr((_code(), settings.FRONT_SEED, parts)).encode()
    return f"{edition.hex}-{hashlib.sha256(said).hexdigest()[:20]}"


def name_of(path: str) -> str | None:
    """The file's name, below an edition's folder, for an address; None for one that no file can have."""
    parts = path.split("/")
    if not path.startswith("/") or any(part in (".", "..") or "\0" in part for part in parts):
        return None
    if any(len(part.encode()) > _LONGEST for part in parts) or "//" in path or PAGE in parts:
        return None
    return f"pages{path}{PAGE}" if path.endswith("/") else f"files{path}"
