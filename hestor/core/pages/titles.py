"""How pages are named in tabs, in search results and in feeds."""

from hestor.core.text import lines

SEPARATOR = " – "


def page_title(page: str, site: str) -> str:
    """ "Page – Name"; a page whose own title already holds the name, as whole words, doesn't say it twice."""
    if any(lines.occurrences(site, page, match_case=False)):
        return page
    return f"{page}{SEPARATOR}{site}" if page else site


def title_of(path: str, page: str, site: str, tagline: str) -> str:
    """The title of the page at ``path``, whose own title is ``page`` with its fill-ins filled."""
    return home_title(site, tagline) if path == "/" else page_title(page, site)


def home_title(site: str, tagline: str) -> str:
    """ "Name – tagline"; never "Home", which says nothing to someone who is not there yet."""
    return f"{site}{SEPARATOR}{tagline}" if tagline else site
