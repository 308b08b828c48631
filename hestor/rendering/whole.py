"""A whole site as files that any web server can hand out: pages, what they are shown with, feeds, a page for the rest.

What is written is found by following the links of what was rendered, so that nothing a page needs is left out, and
nothing else is in it.
"""

import json
from collections import deque
from collections.abc import Callable, Iterable, Iterator

import tinycss2

from hestor.core.facts.document import Facts
from hestor.core.reading import positions
from hestor.core.text import urls
from hestor.rendering.renderer import Renderer
from hestor.rendering.response import HTML, Response

_MOST_LISTS = 120
"""How many pages that nobody wrote are taken: a calendar that goes on for ever has months without end. What is linked
beyond them leads to the page above."""
_LEADS = """<!DOCTYPE html>
<meta charset="utf-8">
<title>{0}</title>
<meta http-equiv="refresh" content="0; url={0}">
<link rel="canonical" href="{0}">
<a href="{0}">{0}</a>
"""
Asset = Callable[[str], Response | None]


def without_forms(facts: Facts) -> Facts:
    """The facts without the contact page's form, for which files alone have no answer."""
    parts = facts.contact_parts
    kept = parts.model_copy(update={"page": tuple(part for part in parts.page if part != "form")})
    return facts.model_copy(update={"contact_parts": kept})


def file_name(path: str) -> str:
    """Where the file of an address stands: ``/about/`` in ``about/index.html``, ``/feed.xml`` in ``feed.xml``."""
    plain = urls.decoded(path).lstrip("/")
    return f"{plain}index.html" if not plain or plain.endswith("/") else plain


def _srcset(value: str) -> Iterator[str]:
    for candidate in value.split(", "):
        yield candidate.strip().split(" ")[0]


def _of_html(body: bytes) -> Iterator[str]:
    for element in positions.read("", body.decode()).elements:
        for name in ("href", "src", "content"):
            if value := element.attributes.get(name):
                yield value
        yield from _srcset(element.attributes.get("srcset", ""))


def _of_style(body: bytes) -> Iterator[str]:
    waiting = deque(tinycss2.parse_stylesheet(body.decode(), skip_comments=True, skip_whitespace=True))
    while waiting:
        token = waiting.popleft()
        if token.type == "url":
            yield token.value
        for part in ("prelude", "content", "arguments"):
            waiting.extend(getattr(token, part, None) or ())
        if token.type == "function" and token.lower_name == "url":
            yield from (argument.value for argument in token.arguments if argument.type == "string")


def _of_manifest(body: bytes) -> Iterator[str]:
    said = json.loads(body)
    yield from (icon["src"] for icon in said.get("icons", ()))


def _links(response: Response) -> Iterator[str]:
    if response.media_type == HTML:
        yield from _of_html(response.body)
    elif response.media_type.startswith("text/css"):
        yield from _of_style(response.body)
    elif response.media_type.startswith("application/manifest"):
        yield from _of_manifest(response.body)


def _local(link: str, base: str, root: str) -> str | None:
    """The path of a link within the site, as the renderer knows it; None for one that leads elsewhere."""
    plain = link.removeprefix(base) if link.startswith(f"{base}/") else link
    if not plain.startswith("/") or plain.startswith("//"):
        return None
    address = urls.read(plain)
    return address.path.removeprefix(root) if address and address.path.startswith(f"{root}/") else None


def files(renderer: Renderer, asset: Asset, former: Iterable[str] = ()) -> Iterator[tuple[str, bytes]]:
    """All files by name; ``asset`` gives those that are generated, by their address.

    At ``former`` addresses of pages stands a page that leads on to where they are now.
    """
    frame = renderer.frame
    pages = renderer.paths()
    base, root = frame.state.origin.removesuffix("/").removesuffix(frame.root), frame.root
    waiting = deque([*pages, *renderer.files(), *former])
    seen = set(waiting)
    written, lists = set(pages), 0
    while waiting:
        path = waiting.popleft()
        response = asset(path) or renderer.respond(path)
        if response.location:
            yield file_name(path if path.endswith("/") else f"{path}/"), _LEADS.format(response.location).encode()
            continue
        if response.status != 200:
            continue
        if response.media_type == HTML and path not in written:
            lists += 1
            if lists > _MOST_LISTS:
                above = f"{path.rstrip('/').rpartition('/')[0]}/"
                yield file_name(path), _LEADS.format(root + above).encode()
                continue
        yield file_name(path), response.body
        for link in _links(response):
            local = _local(link, base, root)
            if local and local not in seen:
                seen.add(local)
                waiting.append(local)
    yield "404.html", renderer.not_found().body
