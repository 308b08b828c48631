"""The bytes of an HTML file to text and back (WHATWG Encoding; HTML, 13.2.3.2, prescan)."""

import codecs
import re
from dataclasses import dataclass

from hestor.core.errors import InternalError

_MARKS = ((codecs.BOM_UTF8, "utf-8"), (codecs.BOM_UTF16_LE, "utf-16-le"), (codecs.BOM_UTF16_BE, "utf-16-be"))
_PRESCAN = 1024
_DECLARED = re.compile(rb"""<meta[^<>]+charset\s*+=\s*+(?:["']\s*+)?+([A-Za-z0-9._:-]++)""", re.IGNORECASE)
_XML = re.compile(rb"""^\s*+<\?xml[^>]+encoding\s*+=\s*+["']([A-Za-z0-9._:-]++)""")
# Labels that browsers read as another encoding than their name says (WHATWG Encoding, 4.2).
_READ_AS = {"iso8859-1": "cp1252", "ascii": "cp1252", "iso8859-9": "cp1254", "utf-16": "utf-8", "utf-16-le": "utf-8"}


@dataclass(frozen=True)
class Decoded:
    """A file's text, without its byte order mark, with what gives its bytes back."""

    text: str
    encoding: str = "utf-8"
    mark: bytes = b""

    def bytes_of(self, text: str) -> bytes:
        """Another text as bytes of the same file; what its encoding does not have becomes a character reference."""
        return self.mark + text.encode(self.encoding, errors="xmlcharrefreplace")


class Undecodable(InternalError):
    """The bytes are no text in the encoding that they say, nor in any that is likely."""


def _declared(raw: bytes) -> str:
    found = _DECLARED.search(raw[:_PRESCAN]) or _XML.match(raw[:_PRESCAN])
    if not found:
        return ""
    try:
        name = codecs.lookup(found[1].decode("ascii")).name
    except LookupError:
        return ""
    return _READ_AS.get(name, name)


def _tried(raw: bytes, encoding: str) -> str | None:
    try:
        text = raw.decode(encoding)
    except (UnicodeDecodeError, LookupError):
        return None
    return text if text.encode(encoding) == raw else None


def decode(raw: bytes) -> Decoded:
    """The text of a file: by its byte order mark, by what it declares, as UTF-8, as Windows-1252.

    An encoding is taken only if it gives the very bytes back. Raises Undecodable.
    """
    mark, by_mark = next(((mark, name) for mark, name in _MARKS if raw.startswith(mark)), (b"", ""))
    if not mark and b"\0" in raw[:_PRESCAN]:
        raise Undecodable("binary")
    tried = [by_mark] if mark else [one for one in (_declared(raw), "utf-8", "cp1252") if one]
    for encoding in dict.fromkeys(tried):
        text = _tried(raw[len(mark) :], encoding)
        if text is not None:
            return Decoded(text, encoding, mark)
    raise Undecodable(tried[0])
