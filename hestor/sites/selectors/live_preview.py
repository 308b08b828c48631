"""The main part of a page of the draft as it would be with words that are being typed; nothing is kept."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from hestor.core.errors import NotFound
from hestor.core.pages.fields import MOST_BODY
from hestor.core.text import lines, markdown
from hestor.rendering import Preview, Renderer
from hestor.sandbox import run_on_text
from hestor.sites.models import Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.selectors.states import draft_of


@dataclass(frozen=True)
class Look:
    """The inside of a page's main part as HTML, and the page's title."""

    main: str
    title: str


def look(site: Site, page_id: int, typed: Mapping[str, Any], root: str, now: datetime) -> Look:
    """The page with words ``typed`` (title, own title, text, whether the heading shows), as in a preview at ``root``.

    What is wrong with a value is said when it is kept; here it is shown as far as it can be. Raises NotFound,
    TooMuchWork.
    """
    state = draft_of(site)
    page = state.page(current(site, page_id).path)
    if page is None:
        raise NotFound
    lined = (name for name in ("title", "own_title") if name in typed)
    said: dict[str, Any] = {name: lines.tidy(typed[name]) for name in lined}
    if "body" in typed:
        body = typed["body"][:MOST_BODY]
        compiled = run_on_text(body, markdown.compile_text, body)
        said |= {"html": compiled.html, "excerpt": compiled.excerpt}
    if "shows_heading" in typed:
        said["shows_heading"] = typed["shows_heading"]
    changed = replace(page, **said)
    html = Renderer(state, now, Preview(root)).page(changed).body.decode()
    main = html.partition("<main")[2].partition(">")[2].rpartition("</main>")[0]
    title = html.partition("<title>")[2].partition("</title>")[0]
    return Look(main, title)
