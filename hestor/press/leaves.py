"""The news list in leaves of a fixed number of posts: the list page itself, then ``2/``, ``3/`` … below it."""

import re

POSTS_ON_A_LEAF = 20
_FURTHER = re.compile(r"([2-9]|[1-9][0-9]{1,5})/")


def leaf_count(posts: int) -> int:
    """How many leaves that many posts fill; at least one."""
    return max(1, -(-posts // POSTS_ON_A_LEAF))


def leaf_number(path: str, news: str) -> int | None:
    """The number of the further leaf (2 or more) that ``path`` names below the list at ``news``."""
    found = _FURTHER.fullmatch(path.removeprefix(news)) if path.startswith(news) else None
    return int(found[1]) if found else None


def leaf_path(news: str, number: int) -> str:
    """The address of a leaf; the first is the list page itself."""
    return news if number == 1 else f"{news}{number}/"


def further_paths(news: str | None, posts: int) -> list[str]:
    """The addresses of all further leaves."""
    return [leaf_path(news, n) for n in range(2, leaf_count(posts) + 1)] if news else []
