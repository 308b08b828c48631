"""What a copy says of itself: a JSON file beside its database."""

import hashlib
import json
from dataclasses import asdict, dataclass, field
from datetime import datetime
from pathlib import Path

MANIFEST = "copy.json"
_CHUNK = 1 << 20


@dataclass(frozen=True)
class FileState:
    """How long a file is, and its SHA-256."""

    bytes: int
    sha256: str


@dataclass(frozen=True)
class Manifest:
    """A copy: when it was made and why, by which version, and the state of each of its files.

    ``pictures`` are masters by key; they stand in the folder that all copies share. ``files`` are the copy's own.
    """

    made_at: datetime
    reason: str
    version: str
    sites: int
    files: dict[str, FileState] = field(default_factory=dict)
    pictures: dict[str, FileState] = field(default_factory=dict)

    def write(self, folder: Path) -> None:
        """Keeps it in the copy's folder."""
        said = {**asdict(self), "made_at": self.made_at.isoformat()}
        (folder / MANIFEST).write_text(json.dumps(said, indent=1), encoding="utf-8")

    @classmethod
    def read(cls, folder: Path) -> "Manifest":
        """A copy's own words. Raises OSError and ValueError if they are not there or can't be read."""
        try:
            said = json.loads((folder / MANIFEST).read_text(encoding="utf-8"))
            states = {
                part: {name: FileState(**state) for name, state in said[part].items()} for part in ("files", "pictures")
            }
            return cls(**{**said, **states, "made_at": datetime.fromisoformat(said["made_at"])})
        except (KeyError, TypeError, AttributeError) as error:
            raise ValueError(f"{folder / MANIFEST} does not describe a copy") from error

    @property
    def size(self) -> int:
        """How many bytes it would take by itself."""
        return sum(state.bytes for states in (self.files, self.pictures) for state in states.values())


def state_of(path: Path) -> FileState:
    """A file's state as it is now. Raises OSError."""
    digest, size = hashlib.sha256(), 0
    with path.open("rb") as opened:
        while chunk := opened.read(_CHUNK):
            digest.update(chunk)
            size += len(chunk)
    return FileState(size, digest.hexdigest())
