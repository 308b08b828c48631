"""The news list in pages of a fixed number of posts: the list page itself, then ``2/``, ``3/`` … below it."""

import re

POSTS_A_PAGE = 20
_FURTHER = re.compile(r"([2-9]|[1-9][0-9]{1,5})/")


def page_count(posts: int) -> int:
    """How many pages that many posts fill; at least one."""
    return max(1, -(-posts // POSTS_A_PAGE))


def page_number(path: str, news: str) -> int | None:
    """The number of the page (2 or more) that ``path`` names below the list at ``news``."""
    found = _FURTHER.fullmatch(path.removeprefix(news)) if path.startswith(news) else None
    return int(found[1]) if found else None


def split_number(path: str) -> tuple[str, int | None]:
    """The address of a list and the number of its page, if ``path`` names one of its further pages."""
    list_path = path.removesuffix("/").rpartition("/")[0] + "/"
    return list_path, page_number(path, list_path)


def page_path(news: str, number: int) -> str:
    """The address of a numbered page; the first is the list page itself."""
    return news if number == 1 else f"{news}{number}/"


def numbered_paths(news: str | None, posts: int) -> list[str]:
    """The addresses of all numbered pages but the first."""
    return [page_path(news, n) for n in range(2, page_count(posts) + 1)] if news else []
