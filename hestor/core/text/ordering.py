"""Names in the order that people count in: *Site 2* before *Site 10*."""

import re

_NUMBER = re.compile(r"([0-9]{1,18})")


def counted(name: str) -> tuple[tuple[int, str], ...]:
    """What a name is sorted by: its words without regard to capitals, its numbers by their size."""
    return tuple((int(part), "") if at % 2 else (-1, part.casefold()) for at, part in enumerate(_NUMBER.split(name)))
