"""Pages of a draft or an edition by themselves, for code that looks at one after the other."""

from collections.abc import Sequence

from hestor.rendering.state import Named, Page
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.states import StoredPages, StoredState


class UnlinkedPages(StoredPages):
    """Pages by themselves: without what leads from one to others, for code that looks at one after the other."""

    def around(self, post: Page) -> tuple[Named | None, Named | None]:
        """No posts: each is looked at itself."""
        return None, None

    def children(self, path: str) -> Sequence[Page]:
        """No pages, likewise."""
        return ()


def unlinked_draft(site: Site) -> tuple[StoredState, UnlinkedPages]:
    """The draft as it is swept, page by page."""
    drafts = Revision.objects.in_draft_of(site)
    pages = UnlinkedPages(drafts, drafts)
    return StoredState(site, site.facts, pages), pages


def unlinked_edition(site: Site, edition: Edition) -> tuple[StoredState, UnlinkedPages]:
    """An edition as it is swept, page by page."""
    revisions = Revision.objects.in_edition_of(site, edition.number)
    pages = UnlinkedPages(revisions, revisions)
    return StoredState(site, edition.facts_in(site.language), pages), pages
