"""Links in the draft's texts that follow when a page gets another address."""

from collections.abc import Mapping

from hestor.core.text import links
from hestor.sites.models import Revision, Site
from hestor.sites.services.pages import change_page


def follow(site: Site, moves: Mapping[str, str]) -> int:
    """Makes links lead to where pages are now, by their former addresses; says in how many pages they did.

    Each page is a write of its own, as reading a long text waits for the sandbox: no lock may be held meanwhile.
    """
    count = 0
    for old, new in moves.items():
        linking = Revision.objects.in_draft_of(site).filter(text__body__contains=old.rstrip("/") or "/")
        for page, body in list(linking.values_list("page_id", "text__body")) if old != "/" else ():
            if (followed := links.moved(body, old, new)) != body:
                change_page(site, page, {"body": followed})
                count += 1
    return count
