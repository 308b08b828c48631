"""What feeds, calendars, cards and manifests say otherwise than the house style: names and addresses in their text."""

import json
from collections.abc import Iterator

import regex

from hestor.core.reading.source import Source
from hestor.core.sweep import contacts, names
from hestor.core.sweep.pages_read import OtherText
from hestor.core.sweep.stray import Stray
from hestor.core.sweep.style import Style

_SHORT = regex.compile(r'"short_name"\s*:\s*"(?P<said>(?:[^"\\]|\\.)*)"')


def of_text(one: OtherText, style: Style) -> Iterator[Stray]:
    """Strays of such a file; each is mended by replacing the words."""
    source = Source.of_words(one.path, one.decoded.text, one.place)
    yield from names.former_names(source, style)
    yield from names.misspelt_names(source, style)
    former = {said.lower() for said in style.before("contact_email")}
    for stray in contacts.other_addresses(source, style) if former else ():
        if stray.says.lower() in former:
            yield stray
    if one.place == "manifest":
        yield from _short_name(one, style)


def _short_name(one: OtherText, style: Style) -> Iterator[Stray]:
    found = _SHORT.search(one.decoded.text)
    if not found:
        return
    try:
        said = str(json.loads(f'"{found["said"]}"'))
    except ValueError:
        return
    # A former name is told as one, wherever in the file it stands.
    if said in style.before("name") or not names.is_other_short(said, style):
        return
    start, end = found.span("said")
    should = json.dumps(style.text("short_name") or style.text("name"), ensure_ascii=False)[1:-1]
    yield Stray("short_name", one.path, "manifest", start, end, said, should, 0.9, "replace")
