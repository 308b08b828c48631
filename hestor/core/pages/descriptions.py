"""What stands for a page in search results and lists, and which picture goes with its address where it is shared."""

from typing import Literal

Source = Literal["summary", "excerpt", ""]


def source(summary: str, excerpt: str) -> Source:
    """Where a page's own description comes from: its summary, else its first paragraph; it may have none."""
    return "summary" if summary else "excerpt" if excerpt else ""


def description(home: bool, own: str, site: str) -> str:
    """What a search result says below a page's title. The home page says the site's description first.

    ``own`` is the page's own description, filled; ``site`` the site's.
    """
    return (site or own) if home else (own or site)


def share_picture(own: str) -> Literal["own", "site"]:
    """Which picture stands for a page: its first one (``own`` is that one's key), else the site's."""
    return "own" if own else "site"
