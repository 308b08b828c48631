"""Links of a text in Markdown to pages of its own site."""

import re


def link_to(path: str) -> re.Pattern[str]:
    """A link to a page as texts write it: in brackets, or as a definition (CommonMark 0.31, 4.7 and 6.3)."""
    address = re.escape(path.rstrip("/"))
    return re.compile(rf"(\]\(\s*+<?|^ {{0,3}}\[[^\]\n]++\]:\s*+<?){address}/?(?=[)\s#?>]|$)", re.MULTILINE)


def moved(source: str, old: str, new: str) -> str:
    """A text whose links to the page at ``old`` lead to ``new``, what follows the address (``#part``) kept.

    Links in brackets and reference definitions follow; words that only look like the address stay.
    """
    if old == "/" or old not in source:
        return source
    return link_to(old).sub(lambda found: found[1] + new, source)
