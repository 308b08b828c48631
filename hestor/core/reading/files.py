"""What feeds and manifests say of their site: feeds are read with lxml, manifests as JSON."""

import json
from dataclasses import dataclass
from typing import Any

from lxml import etree

from hestor.core.text.lines import folded

_ATOM = "{http://www.w3.org/2005/Atom}"


@dataclass(frozen=True)
class EntryReading:
    """One entry of a feed."""

    title: str
    published: str
    content: str
    summary: str = ""
    link: str = ""


@dataclass(frozen=True)
class FeedReading:
    """What an Atom feed (RFC 4287) says of where it comes from, and its entries, newest first."""

    title: str
    subtitle: str
    language: str
    updated: str
    entries: tuple[EntryReading, ...]
    rights: str = ""
    icon: str = ""
    logo: str = ""
    email: str = ""

    @property
    def newest(self) -> str:
        """The title of the newest entry."""
        return self.entries[0].title if self.entries else ""


def read_feed(body: bytes) -> FeedReading:
    """Reads an Atom feed. Raises ValueError if it isn't one."""
    try:
        root = etree.fromstring(body, etree.XMLParser(resolve_entities=False, no_network=True))
    except etree.XMLSyntaxError as error:
        raise ValueError(f"not an XML document: {error}") from error
    if root.tag != f"{_ATOM}feed":
        raise ValueError(f"not an Atom feed: {root.tag}")

    def said(element: etree._Element, name: str) -> str:
        return folded(element.findtext(_ATOM + name))

    return FeedReading(
        title=said(root, "title"),
        subtitle=said(root, "subtitle"),
        language=root.get("{http://www.w3.org/XML/1998/namespace}lang") or "",
        updated=said(root, "updated"),
        entries=tuple(_entry(entry) for entry in root.findall(f"{_ATOM}entry")),
        rights=said(root, "rights"),
        icon=said(root, "icon"),
        logo=said(root, "logo"),
        email=folded(root.findtext(f"{_ATOM}author/{_ATOM}email")),
    )


def _entry(entry: etree._Element) -> EntryReading:
    texts = {name: folded(entry.findtext(_ATOM + name)) for name in ("title", "published", "content", "summary")}
    link = next((link.get("href") or "" for link in entry.findall(f"{_ATOM}link")), "")
    return EntryReading(**texts, link=link)


@dataclass(frozen=True)
class ManifestReading:
    """What a web app manifest (W3C) says of its site."""

    name: str
    short_name: str
    description: str
    language: str
    direction: str
    theme_colour: str
    icon: str = ""
    maskable: str = ""


def _icon_of(found: dict[str, Any], purpose: str) -> str:
    icons = found.get("icons")
    fit = [icon for icon in icons if isinstance(icon, dict)] if isinstance(icons, list) else []
    return next((str(one.get("src", "")) for one in reversed(fit) if one.get("purpose", "any") == purpose), "")


def read_manifest(body: bytes) -> ManifestReading:
    """Reads a web app manifest. Raises ValueError if it isn't one."""
    found = json.loads(body)
    if not isinstance(found, dict):
        raise ValueError("not a web app manifest")
    keys = ("name", "short_name", "description", "lang", "dir", "theme_color")
    name, short_name, description, language, direction, colour = (folded(str(found.get(key, ""))) for key in keys)
    icon, maskable = _icon_of(found, "any"), _icon_of(found, "maskable")
    return ManifestReading(name, short_name, description, language, direction, colour, icon, maskable)
