"""The main part of a page of the draft as it would be with words that are being typed; nothing is kept."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from hestor.core.errors import NotFound
from hestor.core.pages.fields import MOST_BODY
from hestor.core.text import lines, markdown
from hestor.core.text.markdown import CompiledText
from hestor.press import Preview, Renderer
from hestor.press.state import Page
from hestor.sites.models import Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.selectors.states import StoredState, draft_of
from hestor.studio import TO_READ, run_within

# What a reader takes a few milliseconds for; longer texts are read where they can be stopped.
_SHORT = 10_000


@dataclass(frozen=True)
class Look:
    """The inside of a page's main part as HTML, and the page's title."""

    main: str
    title: str


class _WithOne(StoredState):
    """A draft in which one page says something else."""

    def __init__(self, site: Site, page: Page) -> None:
        drafted = draft_of(site)
        self.__dict__.update(drafted.__dict__)
        read = drafted.page
        self.page = lambda path: page if path == page.path else read(path)


def _compiled(body: str) -> CompiledText:
    if len(body) > _SHORT:
        return run_within(TO_READ, markdown.compile_text, body)
    return markdown.compile_text(body)


def look(site: Site, page_id: int, typed: Mapping[str, Any], root: str, now: datetime) -> Look:
    """The page with words ``typed`` (title, own title, text, whether the heading shows), as in a preview at ``root``.

    What is wrong with a value is said when it is kept; here it is shown as far as it can be. Raises NotFound,
    TooMuchWork.
    """
    path = current(site.pk, page_id).path
    page = draft_of(site).page(path)
    if page is None:
        raise NotFound
    said: dict[str, Any] = {
        name: lines.tidy(typed[name]) for name in ("title", "own_title", "summary") if name in typed
    }
    if "body" in typed:
        compiled = _compiled(typed["body"][:MOST_BODY])
        said |= {"html": compiled.html, "excerpt": compiled.excerpt}
    if "shows_heading" in typed:
        said["shows_heading"] = typed["shows_heading"]
    changed = replace(page, **said)
    html = Renderer(_WithOne(site, changed), now, Preview(root)).respond(path).body.decode()
    main = html.partition("<main")[2].partition(">")[2].rpartition("</main>")[0]
    title = html.partition("<title>")[2].partition("</title>")[0]
    return Look(main, title)
