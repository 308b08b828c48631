"""What a page says to machines in the words of schema.org, as JSON-LD: the site, who publishes it, the page."""

import json
from collections.abc import Iterator, Sequence
from typing import Any

from hestor.core.facts import words
from hestor.press.brand_files import Shown
from hestor.press.files import address
from hestor.press.frame import Frame
from hestor.press.state import Page

# Search engines want a publisher's logo to have at least so many pixels a side.
_LEAST_LOGO = 112
_ICON_SIDE = 512
Record = dict[str, Any]


def _logo(frame: Frame) -> Record:
    """The sharpest file of the logo where it is large enough, else the icon."""
    origin, brand, logo = frame.state.origin, frame.public_brand, frame.public_brand.logo
    if logo and min(logo.largest_size) >= _LEAST_LOGO:
        width, height = logo.largest_size
        return {"@type": "ImageObject", "url": origin + logo.large, "width": width, "height": height}
    icon = f"{origin}{brand.icon_folder}icon-{_ICON_SIDE}.png"
    return {"@type": "ImageObject", "url": icon, "width": _ICON_SIDE, "height": _ICON_SIDE}


def _organisation(frame: Frame) -> Record:
    return {"@type": "Organization", "name": frame.facts.name, "url": f"{frame.state.origin}/", "logo": _logo(frame)}


def _site(frame: Frame) -> Record:
    facts, origin = frame.facts, frame.state.origin
    record = {
        "@type": "WebSite",
        "name": facts.name,
        "alternateName": words.shown_short_name(facts),
        "url": f"{origin}/",
        "inLanguage": facts.language,
        "image": origin + frame.public_brand.share.src,
        "publisher": _organisation(frame),
    }
    return record | ({"description": facts.description} if facts.description else {})


def _trail(frame: Frame, page: Page, title: str) -> Record:
    steps = [*((path, frame.filled(name)) for path, name in page.trail), (page.path, title)]
    items = [
        {"@type": "ListItem", "position": number, "name": name, "item": address(frame.state.origin, path)}
        for number, (path, name) in enumerate(steps, 1)
    ]
    return {"@type": "BreadcrumbList", "itemListElement": items}


def _post(frame: Frame, page: Page, title: str, description: str, share: Shown) -> Record:
    own = address(frame.state.origin, page.path)
    dates = {"datePublished": page.published.isoformat()} if page.published else {}
    if changed := frame.changed(page):
        dates["dateModified"] = changed.isoformat()
    return {
        "@type": "BlogPosting",
        "headline": title,
        **({"description": description} if description else {}),
        **dates,
        "url": own,
        "mainEntityOfPage": own,
        "inLanguage": frame.facts.language,
        "image": frame.state.origin + share.src,
        "author": _organisation(frame),
        "publisher": _organisation(frame),
    }


def _records(frame: Frame, page: Page, title: str, description: str, share: Shown) -> Iterator[Record]:
    if page.path == "/":
        yield _site(frame)
    if page.kind == "post":
        yield _post(frame, page, title, description, share)
    if page.trail:
        yield _trail(frame, page, title)


def structured(frame: Frame, page: Page, title: str, description: str, share: Shown) -> str:
    """The page's records, safe inside a script element; empty where there is nothing to say."""
    records: Sequence[Record] = list(_records(frame, page, title, description, share))
    if not records:
        return ""
    context = {"@context": "https://schema.org"}
    text = json.dumps(
        {**context, **records[0]} if len(records) == 1 else {**context, "@graph": records}, ensure_ascii=False
    )
    # "</script" and "<!--" would end or change the element wherever they stand (HTML, 4.12.1.3).
    for character in "<>&":
        text = text.replace(character, f"\\u{ord(character):04x}")
    return text
