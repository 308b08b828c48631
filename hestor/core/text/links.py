"""Links of a text in Markdown to pages of its own site."""

import re


def moved(source: str, old: str, new: str) -> str:
    """A text whose links to the page at ``old`` lead to ``new``, what follows the address (``#part``) kept.

    Links in brackets and reference definitions (CommonMark 0.31, 4.7 and 6.3) follow; words that only look like the
    address stay.
    """
    if old == "/" or old not in source:
        return source
    address = re.escape(old.rstrip("/"))
    link = re.compile(rf"(\]\(\s*<?|^ {{0,3}}\[[^\]\n]+\]:\s*<?){address}/?(?=[)\s#?>]|$)", re.MULTILINE)
    return link.sub(lambda found: found[1] + new, source)
