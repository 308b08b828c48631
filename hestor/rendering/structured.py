"""What a page says to machines in the words of schema.org, as JSON-LD: the site, its publisher, the page."""

import json
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from hestor.core.contact.details import Registration
from hestor.core.contact.postal import PostalAddress
from hestor.core.events import occurrences, rules
from hestor.core.events.schedule import Schedule
from hestor.core.facts import words
from hestor.core.facts.document import Facts
from hestor.rendering import contact, details, opening
from hestor.rendering.files import address
from hestor.rendering.frame import Frame
from hestor.rendering.shown import Shown
from hestor.rendering.state import Page

_ENCODER = json.JSONEncoder(ensure_ascii=False)
# "</script" and "<!--" would end or change the element wherever they stand (HTML, 4.12.1.3).
_SAFE = tuple((character, f"\\u{ord(character):04x}") for character in "<>&")
Record = dict[str, Any]


@dataclass(frozen=True)
class Told:
    """What was found out of a page already: its title and description, its picture, its last change (RFC 3339)."""

    title: str
    description: str
    share: Shown
    changed: str


def _site(frame: Frame) -> Record:
    facts, origin = frame.facts, frame.state.origin
    record = {
        "@type": "WebSite",
        "name": facts.name,
        "alternateName": words.shown_short_name(facts),
        "url": f"{origin}/",
        "inLanguage": facts.language,
        "image": origin + frame.public_brand.share.src,
        "publisher": _publisher(frame),
    }
    return record | ({"description": facts.description} if facts.description else {})


def _publisher(frame: Frame) -> Mapping[str, Any]:
    """Who publishes the site; one with opening hours is a place that people go to."""
    facts = frame.facts
    record = {**frame.publisher, **_organisation(facts)}
    hours = facts.opening_hours
    if hours is None:
        return record
    said = opening.records(hours, frame.now.date())
    return {**record, "@type": "LocalBusiness", "openingHoursSpecification": said}


def _organisation(facts: Facts) -> Record:
    """What is said of an organisation (schema.org Organization), of the parts that people are shown somewhere."""
    phone, address = details.phone_of(facts), facts.postal_address
    organisation = {
        "email": facts.contact_email if contact.is_told(facts) else "",
        "legalName": facts.legal_name if details.is_told(facts, "legal_name") else "",
        "telephone": phone.e164 if phone and details.is_told(facts, "phone") else "",
        "address": _postal(address) if address and details.is_told(facts, "address") else "",
        "sameAs": [one.address for one in facts.social] if details.is_told(facts, "social") else "",
        "identifier": [_identifier(registration) for registration in facts.registrations]
        if details.is_told(facts, "registrations")
        else "",
    }
    return {name: value for name, value in organisation.items() if value}


def _identifier(registration: Registration) -> Record:
    return {"@type": "PropertyValue", "name": registration.label, "value": registration.value}


def _postal(address: PostalAddress) -> Record:
    found = {
        "streetAddress": ", ".join(address.street),
        "addressLocality": address.locality,
        "addressRegion": address.region,
        "postalCode": address.postcode,
        "addressCountry": address.country,
    }
    return {"@type": "PostalAddress", **{name: value for name, value in found.items() if value}}


def _contact(frame: Frame, page: Page, told: Told) -> Record:
    """The page on which one finds out how to reach its publisher."""
    kind = "ContactPage" if page.kind == "contact" else "AboutPage"
    own = address(frame.state.origin, page.path)
    about = {"@type": kind, "name": told.title, "url": own, "inLanguage": frame.facts.language}
    return {**about, "mainEntity": _publisher(frame)}


def _event(frame: Frame, page: Page, schedule: Schedule, told: Told) -> Record:
    """The event by its next time, and the rule by which it comes again (schema.org Event, Schedule)."""
    zone = frame.facts.time_zone
    coming = occurrences.upcoming(schedule, zone, frame.now, 1)
    one = coming[0] if coming else occurrences.last(schedule, zone, frame.now)
    whole = schedule.whole_day
    record = {
        "@type": "Event",
        "name": told.title,
        "url": address(frame.state.origin, page.path),
        "startDate": one.day.isoformat() if whole else one.start.isoformat(),
        "endDate": one.last_day.isoformat() if whole else one.end.isoformat(),
        "eventStatus": "https://schema.org/EventScheduled",
        "inLanguage": frame.facts.language,
        "image": frame.state.origin + told.share.src,
        "organizer": frame.author,
    }
    if told.description:
        record["description"] = told.description
    if schedule.place:
        record["location"] = {"@type": "Place", "name": schedule.place, "address": schedule.place}
    if schedule.repeat:
        record["eventSchedule"] = rules.schedule_record(schedule, schedule.repeat, zone)
    return record


def _trail(frame: Frame, page: Page, title: str) -> Record:
    steps = [*((path, frame.filled(name)) for path, name in page.trail), (page.path, title)]
    items = [
        {"@type": "ListItem", "position": number, "name": name, "item": address(frame.state.origin, path)}
        for number, (path, name) in enumerate(steps, 1)
    ]
    return {"@type": "BreadcrumbList", "itemListElement": items}


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
    if page.kind in ("contact", "imprint"):
        yield _contact(frame, page, told)
    if page.kind == "post":
        yield _post(frame, page, told)
    if page.schedule:
        yield _event(frame, page, page.schedule, told)
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
