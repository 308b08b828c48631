"""The site map (sitemaps.org protocol 0.9): every address with when its words last changed.

It is one file; a site with more addresses than one may hold has an index of several, each read by itself.
"""

import re
from collections.abc import Iterable, Mapping
from datetime import datetime

from lxml import etree

from hestor.core.pages.pagination import numbered_paths
from hestor.rendering.files import address
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response

PATH = "/sitemap.xml"
MOST = 50_000
"""As many addresses as one file may hold."""
A_PART = 5_000
"""As many stand in each file of an index, so that one is made in little memory."""
_NAMESPACE = "http://www.sitemaps.org/schemas/sitemap/0.9"
_MEDIA_TYPE = "application/xml; charset=utf-8"
_PART = re.compile(r"/sitemap-([1-9]\d{0,4})\.xml")
Entries = Mapping[str, datetime | None]


def _lists(frame: Frame) -> tuple[str, ...]:
    """The numbered pages of the news list."""
    listed = frame.state.news()
    return tuple(numbered_paths(listed[0], frame.state.post_count())) if listed else ()


def entries(frame: Frame, start: int = 0, count: int | None = None) -> Entries:
    """Addresses, each with when its words last changed: ``count`` of them, or all, from number ``start`` on.

    First those of pages, then the numbered pages of the news list; a list changes with its newest post.
    """
    end = None if count is None else start + count
    pages, lists = frame.state.path_count(), _lists(frame)
    found = dict(frame.state.paths(start, count))
    newest = max((post.worded for post in frame.state.posts(0, 1) if post.worded), default=None)
    first = max(0, start - pages)
    found |= dict.fromkeys(lists[first : None if end is None else max(first, end - pages)], newest)
    listed = frame.state.news()
    if listed and listed[0] in found:
        found[listed[0]] = newest or found[listed[0]]
    return found


def _written(kind: str, entry: str, said: Iterable[tuple[str, datetime | None]]) -> Response:
    root = etree.Element(kind, nsmap={None: _NAMESPACE})  # type: ignore[dict-item]
    for full, worded in said:
        element = etree.SubElement(root, entry)
        etree.SubElement(element, "loc").text = full
        if worded:
            etree.SubElement(element, "lastmod").text = worded.isoformat(timespec="seconds")
    return Response(200, _MEDIA_TYPE, etree.tostring(root, xml_declaration=True, encoding="utf-8"))


def _of_addresses(frame: Frame, found: Entries) -> Response:
    origin = frame.state.origin
    return _written("urlset", "url", ((address(origin, path), worded) for path, worded in found.items()))


def parts(frame: Frame) -> tuple[str, ...]:
    """The addresses of the files that an index names; none where there is no index."""
    count = frame.state.path_count() + len(_lists(frame))
    if count <= MOST:
        return ()
    return tuple(f"/sitemap-{number + 1}.xml" for number in range(-(-count // A_PART)))


def respond(frame: Frame) -> Response:
    """The site map, or the index of its files."""
    files = parts(frame)
    if not files:
        return _of_addresses(frame, entries(frame))
    return _written("sitemapindex", "sitemap", ((address(frame.state.origin, path), None) for path in files))


def part(frame: Frame, path: str) -> Response | None:
    """A file that the index names; None for any other address."""
    match = _PART.fullmatch(path)
    if not match or path not in parts(frame):
        return None
    return _of_addresses(frame, entries(frame, (int(match[1]) - 1) * A_PART, A_PART))
