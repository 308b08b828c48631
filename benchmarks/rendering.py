"""Rendering a page, as a ratio to a bare loop of the same templates with the values ready."""

from collections.abc import Iterator
from datetime import UTC, date, datetime

from benchmarks.figures import Figure, ratio
from hestor.core.facts.document import Facts
from hestor.rendering import Renderer
from hestor.rendering import page as pages
from hestor.rendering.frame import JINJA
from tests.support.memory import MemoryState, page

_WORDS = "Seed keeps best where it is cool, dry and dark; **label it** before you put it away. "
FACTS = Facts(name="Quillmere Seed Library", tagline="Borrow in spring", footer_text="© {year:2019} {site}")


def _edition() -> MemoryState:
    tops = [page(f"/part-{n}/", f"Part {n}", f"{_WORDS * 6}\n\nAt {{site}}.") for n in range(8)]
    posts = [
        page(
            f"/news/post-{n}/", f"Post {n}", "\n\n".join([_WORDS * 4] * 4), "post", published=date(2026, 1, 1 + n % 28)
        )
        for n in range(91)
    ]
    return MemoryState(FACTS, [page("/", "Welcome to {site}", _WORDS), *tops, *posts])


def measure() -> Iterator[Figure]:
    """Renders every page of a 100-page site, over and over."""
    edition = _edition()
    by_path = {p.path: p for p in edition.pages}
    edition.page = by_path.get  # type: ignore[method-assign]  # the look-up is the database's part, not the renderer's
    beside = {p.path: edition.around(p) for p in edition.pages if p.kind == "post"}
    edition.around = lambda post: beside[post.path]  # type: ignore[method-assign]  # likewise
    renderer = Renderer(edition, datetime.now(UTC))
    template = JINJA.get_template("page.html.jinja")
    ready = [(renderer.frame.shared, pages.values(renderer.frame, p)) for p in edition.pages]

    def ours() -> None:
        for path in by_path:
            renderer.respond(path)

    def bare() -> None:
        for frame, values in ready:
            template.render(frame, **values)

    yield Figure("rendering, ratio to the bare templates", ratio(ours, bare, 41), "times", 1.5)
