"""The site's news as an Atom feed (RFC 4287)."""

from collections.abc import Sequence
from datetime import UTC, date, datetime, time
from zoneinfo import ZoneInfo

from lxml import etree

from hestor.core.facts.document import Facts
from hestor.core.text import fillins, lines, markdown
from hestor.press.state import Page

MEDIA_TYPE = "application/atom+xml; charset=utf-8"
NAMESPACE = "http://www.w3.org/2005/Atom"
_LANG = "{http://www.w3.org/XML/1998/namespace}lang"
_NO_POST_YET = datetime(2000, 1, 1, tzinfo=UTC)


def _instant(day: date | None, zone: str) -> str:
    """A posting day as an instant (RFC 3339): the day's beginning on the site's own clock."""
    moment = datetime.combine(day, time(), ZoneInfo(zone)) if day else _NO_POST_YET
    return moment.isoformat()


def _add(parent: etree._Element, name: str, text: str = "", **attributes: str) -> None:
    child = etree.SubElement(parent, name, {key: lines.carried(value) for key, value in attributes.items()})
    if text:
        child.text = lines.carried(text)


def _entry(root: etree._Element, post: Page, facts: Facts, values: fillins.Values, origin: str) -> None:
    entry = etree.SubElement(root, "entry")
    when = _instant(post.published, facts.time_zone)
    _add(entry, "title", fillins.fill(post.title, values))
    _add(entry, "id", origin + post.path)
    _add(entry, "link", href=origin + post.path)
    _add(entry, "published", when)
    _add(entry, "updated", when)
    _add(entry, "content", markdown.filled_html(post.html, values, origin), type="html")


def feed(facts: Facts, values: fillins.Values, origin: str, posts: Sequence[Page]) -> bytes:
    """The feed's bytes. ``posts`` come newest first."""
    root = etree.Element("feed", {_LANG: facts.language}, nsmap={None: NAMESPACE})  # type: ignore[dict-item]
    newest = posts[0].published if posts else None
    _add(root, "title", facts.name)
    if facts.tagline:
        _add(root, "subtitle", facts.tagline)
    _add(root, "id", origin + "/")
    _add(root, "link", rel="self", type="application/atom+xml", href=origin + "/feed.xml")
    _add(root, "link", href=origin + "/")
    _add(root, "updated", _instant(newest, facts.time_zone))
    _add(etree.SubElement(root, "author"), "name", facts.name)
    for post in posts:
        _entry(root, post, facts, values, origin)
    return etree.tostring(root, xml_declaration=True, encoding="utf-8")
