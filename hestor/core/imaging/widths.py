"""In which widths a picture in a text is offered, so that no screen loads more than it shows."""

_STEPS = (480, 720, 1080, 1600)
# Two that lie closer than this are not both worth keeping.
_APART = 1.2
FEED = 1080
"""What a feed reader's column is worth, in pixels."""


def offered(own: int) -> tuple[int, ...]:
    """The widths of a picture that is ``own`` pixels wide, rising; none is larger than the picture itself."""
    widest = min(own, _STEPS[-1])
    return (*(step for step in _STEPS if step * _APART <= widest), widest)


def for_feed(own: int) -> int:
    """The one width for readers that choose none themselves."""
    return min(offered(own), key=lambda width: abs(width - FEED))
