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


def of_text(text: OtherText, style: Style) -> Iterator[Stray]:
    """Strays of such a file; each is mended by replacing the words."""
    source = Source.of_words(text.path, text.decoded.text, text.place)
    yield from names.former_names(source, style)
    yield from names.misspelt_names(source, style)
    former = {said.lower() for said in style.before("contact_email")}
    for stray in contacts.other_addresses(source, style) if former else ():
        if stray.says.lower() in former:
            yield stray
    if text.place == "manifest":
        yield from _short_name(text, style)


def _short_name(text: OtherText, style: Style) -> Iterator[Stray]:
    match = _SHORT.search(text.decoded.text)
    if not match:
        return
    try:
        said = str(json.loads(f'"{match["said"]}"'))
    except ValueError:
        return
    # A former name is told as one, wherever in the file it stands.
    if said in style.before("name") or not names.is_other_short(said, style):
        return
    start, end = match.span("said")
    should = json.dumps(style.text("short_name") or style.text("name"), ensure_ascii=False)[1:-1]
    yield Stray("short_name", text.path, "manifest", start, end, said, should, 0.9, "replace")
