"""What stands for a page in search results and lists, and which picture goes with its address where it is shared."""

from collections.abc import Iterable
from itertools import islice
from typing import Literal

from hestor.core.text import lines

MOST_SHOWN = 155
"""About as many characters as a search result shows."""

DESCRIBED_BY = 3
"""How many of the posts that it lists stand for a list."""

Source = Literal["summary", "excerpt", ""]


def source(summary: str, excerpt: str) -> Source:
    """Where a page's own description comes from: its summary, else its first paragraph; it may have none."""
    return "summary" if summary else "excerpt" if excerpt else ""


def description(home: bool, own: str, site: str) -> str:
    """What a search result says below a page's title. The home page says the site's description first.

    ``own`` is the page's own description, filled; ``site`` the site's.
    """
    return (site or own) if home else (own or site)


def of_list(titles: Iterable[str]) -> str:
    """What stands for a page that only lists others: their first titles, as many as a search result shows."""
    text = ""
    for title in islice(titles, DESCRIBED_BY):
        longer = f"{text} · {title}" if text else title
        if text and len(longer) > MOST_SHOWN:
            break
        text = longer
    return lines.shorten(text, MOST_SHOWN)


def share_picture(own: str) -> Literal["own", "site"]:
    """Which picture stands for a page: its first one (``own`` is that one's key), else the site's."""
    return "own" if own else "site"
