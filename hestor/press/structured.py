"""What a page says to machines in the words of schema.org, as JSON-LD: the site, who publishes it, the page."""

import json
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Any

from hestor.core.facts import words
from hestor.press.brand_files import Shown
from hestor.press.files import address
from hestor.press.frame import Frame
from hestor.press.state import Page

_ENCODER = json.JSONEncoder(ensure_ascii=False)
# "</script" and "<!--" would end or change the element wherever they stand (HTML, 4.12.1.3).
_SAFE = tuple((character, f"\\u{ord(character):04x}") for character in "<>&")
Record = dict[str, Any]


def _site(frame: Frame) -> Record:
    facts, origin = frame.facts, frame.state.origin
    record = {
        "@type": "WebSite",
        "name": facts.name,
        "alternateName": words.shown_short_name(facts),
        "url": f"{origin}/",
        "inLanguage": facts.language,
        "image": origin + frame.public_brand.share.src,
        "publisher": frame.publisher,
    }
    return record | ({"description": facts.description} if facts.description else {})


def _trail(frame: Frame, page: Page, title: str) -> Record:
    steps = [*((path, frame.filled(name)) for path, name in page.trail), (page.path, title)]
    items = [
        {"@type": "ListItem", "position": number, "name": name, "item": address(frame.state.origin, path)}
        for number, (path, name) in enumerate(steps, 1)
    ]
    return {"@type": "BreadcrumbList", "itemListElement": items}


@dataclass(frozen=True)
class Told:
    """What was found out of a page already: its title and description, its picture, its last change (RFC 3339)."""

    title: str
    description: str
    share: Shown
    changed: str


def _post(frame: Frame, page: Page, told: Told) -> Record:
    own = address(frame.state.origin, page.path)
    record = {
        "@type": "BlogPosting",
        "headline": told.title,
        "url": own,
        "mainEntityOfPage": own,
        "inLanguage": frame.facts.language,
        "image": frame.state.origin + told.share.src,
        "author": frame.author,
        "publisher": frame.publisher,
    }
    if told.description:
        record["description"] = told.description
    if page.published:
        record["datePublished"] = page.published.isoformat()
    if told.changed:
        record["dateModified"] = told.changed
    return record


def _records(frame: Frame, page: Page, told: Told) -> Iterator[Record]:
    if page.path == "/":
        yield _site(frame)
    if page.kind == "post":
        yield _post(frame, page, told)
    if page.trail:
        yield _trail(frame, page, told.title)


def structured(frame: Frame, page: Page, told: Told) -> str:
    """The page's records, safe inside a script element; empty where there is nothing to say."""
    records: Sequence[Record] = list(_records(frame, page, told))
    if not records:
        return ""
    context = {"@context": "https://schema.org"}
    record = {**context, **records[0]} if len(records) == 1 else {**context, "@graph": records}
    text = _ENCODER.encode(record)
    for character, escape in _SAFE:
        text = text.replace(character, escape)
    return text
