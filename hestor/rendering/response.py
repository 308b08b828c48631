"""What the renderer gives back for a path: plain values, which any server can send."""

import hashlib
from dataclasses import dataclass

from propcache.api import cached_property

HTML = "text/html; charset=utf-8"


@dataclass(frozen=True)
class Response:
    """Status, media type and bytes. ``location`` is set for a redirect.

    ``immutable`` says that the address holds its content's hash, so it never says anything else; ``stamped`` that the
    body holds a place for a form's stamp, which is filled as it is sent. ``policy`` is what its security policy has
    to allow besides the page's own, by directive (CSP 3).
    """

    status: int
    media_type: str
    body: bytes = b""
    location: str = ""
    immutable: bool = False
    stamped: bool = False
    policy: tuple[tuple[str, tuple[str, ...]], ...] = ()

    @cached_property
    def digest(self) -> str:
        """SHA-256 of the body in hexadecimal, shortened to 128 bits; the strong validator (RFC 9110, 8.8.3)."""
        return hashlib.sha256(self.body).hexdigest()[:32]
