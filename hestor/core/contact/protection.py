"""How an address is written into pages: plainly, woven so that harvesters of text miss it, or not at all.

A woven address has pieces that nobody sees between its own, and its link is percent-encoded (RFC 6068) with every
character a reference. Eyes, screen readers, a copy and the keyboard get the address; a program that reads the source
or the text without the page's style does not. One that follows links in the finished page does: no way of writing
can prevent that.
"""

from html import escape
from typing import Literal

Protection = Literal["plain", "woven", "hidden"]
PROTECTIONS: tuple[Protection, ...] = ("plain", "woven", "hidden")
_BETWEEN = "<span hidden>{}</span>"
# Looks like a part of an address to a program that takes all text for seen.
_DECOYS = ("no", ".spam", "-x", ".invalid")
_PIECE = 4


def named(kind: str) -> Protection:
    """A protection by its name, plain if none is said; for one that there no longer is, the strictest."""
    return next((protection for protection in PROTECTIONS if protection == (kind or "plain")), "hidden")


def _references(text: str) -> str:
    return "".join(f"&#{ord(letter)};" for letter in text)


def _percent(text: str) -> str:
    return "".join(f"%{byte:02X}" for byte in text.encode())


def _woven(address: str) -> str:
    pieces = [address[at : at + _PIECE] for at in range(0, len(address), _PIECE)]
    out = []
    for number, piece in enumerate(pieces):
        out.append(_references(piece))
        if number < len(pieces) - 1:
            out.append(_BETWEEN.format(_DECOYS[number % len(_DECOYS)]))
    return "".join(out)


def link(address: str, protection: Protection, text: str = "") -> str:
    """HTML of a link to write to an address, which says a ``text`` or else the address; empty where it is not shown."""
    if not address or protection == "hidden":
        return ""
    if protection == "plain":
        return f'<a href="mailto:{escape(address, quote=True)}">{escape(text or address)}</a>'
    href = _references("mailto:" + _percent(address))
    return f'<a href="{href}">{escape(text)}</a>' if text else f'<a href="{href}" dir="ltr">{_woven(address)}</a>'


def is_told_to_machines(protection: Protection) -> bool:
    """Whether feed, structured data and card say the address: as plain text, so only where it is plain."""
    return protection == "plain"
