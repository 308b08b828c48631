"""The site's news as an Atom feed (RFC 4287).

The ids of the feed and of its entries are names (``urn:uuid:``, RFC 9562), not addresses: they stay the same whatever
becomes of address, domain or title, so that no reader sees an old entry as new.
"""

from collections.abc import Sequence
from datetime import UTC, datetime
from functools import lru_cache
from html import escape
from urllib.parse import urljoin

from lxml import etree, html

from hestor.core.pages import posting
from hestor.core.text import lines, markdown
from hestor.rendering import contact
from hestor.rendering.brand_files import PREFIX
from hestor.rendering.files import address
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response
from hestor.rendering.state import Page

MEDIA_TYPE = "application/atom+xml; charset=utf-8"
NAMESPACE = "http://www.w3.org/2005/Atom"
_LANG = "{http://www.w3.org/XML/1998/namespace}lang"
_NO_POST_YET = datetime(2000, 1, 1, tzinfo=UTC)


def _add(parent: etree._Element, name: str, text: str = "", **attributes: str) -> None:
    child = etree.SubElement(parent, name, {key: lines.carried(value) for key, value in attributes.items()})
    if text:
        child.text = lines.carried(text)


def _changed(frame: Frame, post: Page) -> datetime:
    return frame.changed(post) or _NO_POST_YET


def _content(frame: Frame, post: Page, own: str) -> str:
    """The post's text with every address in full, and its pictures in one sensible size."""

    def drawn(key: str, alt: str) -> str:
        shown = frame.public_brand.picture(key)
        size = f'width="{shown.width}" height="{shown.height}"' if shown else ""
        return f'<img src="{frame.state.origin}{shown.medium}" alt="{alt}" {size}>' if shown else ""

    filled = markdown.filled_html(post.html, frame.values, direction=frame.direction)
    said = _in_full(markdown.with_pictures(filled, PREFIX, drawn), own)
    # Readers set what says nothing of it from left to right.
    return f'<div dir="rtl">{said}</div>' if said and frame.direction == "rtl" else said


@lru_cache(maxsize=64)
def _in_full(text: str, own: str) -> str:
    """The text of a page at the address ``own``, with every address in it in full."""
    tree = html.fragment_fromstring(lines.carried(text), create_parent="div")
    tree.rewrite_links(lambda link: _joined(own, link))
    inner = "".join(html.tostring(child, encoding="unicode") for child in tree)
    return escape(tree.text or "") + inner


def _joined(own: str, link: str) -> str:
    """A link in full; one that is no address stays as it was written."""
    try:
        return urljoin(own, link)
    except ValueError:
        return link


def _entry(root: etree._Element, frame: Frame, post: Page) -> None:
    entry = etree.SubElement(root, "entry")
    own = address(frame.state.origin, post.path)
    _add(entry, "title", frame.filled(post.title))
    _add(entry, "id", post.identity.urn)
    _add(entry, "link", href=own)
    if post.published:
        _add(entry, "published", posting.came_out(post.published, frame.facts.time_zone, post.published_at).isoformat())
    _add(entry, "updated", _changed(frame, post).isoformat())
    if summary := frame.filled(post.summary):
        _add(entry, "summary", summary)
    _add(entry, "content", _content(frame, post, own), type="html")


def respond(frame: Frame, posts: Sequence[Page]) -> Response:
    """The feed of the posts, which come newest first."""
    facts, origin, brand = frame.facts, frame.state.origin, frame.public_brand
    root = etree.Element("feed", {_LANG: facts.language}, nsmap={None: NAMESPACE})  # type: ignore[dict-item]
    _add(root, "title", facts.name)
    if facts.tagline:
        _add(root, "subtitle", facts.tagline)
    _add(root, "id", frame.state.identity.urn)
    _add(root, "link", rel="self", type="application/atom+xml", href=origin + "/feed.xml")
    _add(root, "link", href=origin + "/")
    _add(root, "updated", max((_changed(frame, post) for post in posts), default=_NO_POST_YET).isoformat())
    author = etree.SubElement(root, "author")
    _add(author, "name", facts.name)
    if contact.is_told(facts):
        _add(author, "email", facts.contact_email)
    _add(root, "icon", f"{origin}{brand.icon_folder}icon-192.png")
    if brand.logo:
        _add(root, "logo", origin + brand.logo.large)
    if rights := frame.filled(facts.footer_text):
        _add(root, "rights", rights)
    for post in posts:
        _entry(root, frame, post)
    return Response(200, MEDIA_TYPE, etree.tostring(root, xml_declaration=True, encoding="utf-8"))
