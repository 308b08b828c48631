"""Strong validators (RFC 9110, 8.8.3) that a web server in front makes the same of a file.

Such a server makes one of a file's time of writing, in seconds, and its length, both in hexadecimal. So the time that a
file is given is a number made of what is in it.
"""

import hashlib


def number(body: bytes, coding: str) -> int:
    """The number that a validator begins with: of the body and its coding, small enough for the time of any file."""
    digest = hashlib.sha256(coding.encode() + b"\0" + body).digest()
    return int.from_bytes(digest[:4], "big") >> 1 | 1


def validator(body: bytes, encoded: bytes, coding: str) -> str:
    """The validator of a body in a coding."""
    return f'"{number(body, coding):x}-{len(encoded):x}"'
