"""Addresses of the web taken apart and put together (RFC 3986). The only part of the core that knows ``urllib``."""

import posixpath
from dataclasses import dataclass
from urllib.parse import SplitResult, unquote, urlsplit


@dataclass(frozen=True)
class Address:
    """An address as a page writes it: scheme, host (both in small letters), path, fragment, decoded where it may be."""

    scheme: str
    host: str
    path: str
    fragment: str

    @property
    def is_outside(self) -> bool:
        """Whether it names a host or a scheme of its own."""
        return bool(self.scheme or self.host)


def read(written: str) -> Address | None:
    """An address as written; None where it can't be one."""
    try:
        parts: SplitResult = urlsplit(written.strip())
        host = (parts.hostname or "").lower()
    except ValueError:
        return None
    return Address(parts.scheme.lower(), host, decoded(parts.path), decoded(parts.fragment))


def decoded(text: str) -> str:
    """A text with its percent-encoded characters decoded as UTF-8."""
    return unquote(text)


def joined(folder: str, path: str) -> str | None:
    """A path as seen from a folder, both without a leading slash; None where it leads out."""
    whole = posixpath.normpath(posixpath.join(folder, path)) if path else folder
    if whole == ".." or whole.startswith("../"):
        return None
    return "" if whole == "." else whole + ("/" if path.endswith(("/", "/.", "/..")) and whole else "")


def folder_of(path: str) -> str:
    """The folder that a file is in, without a slash at its end."""
    return posixpath.dirname(path)
