"""Opening hours on a page that are not the house style's."""

from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from functools import lru_cache
from typing import Any

import regex

from hestor.core.hours.opening import OpeningHours
from hestor.core.languages import WEEKDAYS
from hestor.core.reading.source import BETWEEN, Block, Source
from hestor.core.sweep import phrases
from hestor.core.sweep.names import is_quoted
from hestor.core.sweep.stray import Stray, mend_if
from hestor.core.sweep.written_hours import Span, WrittenHours, hours_in, may_say_hours

Week = Mapping[str, tuple[Span, ...]]
"""The hours of those days of the week of which something is said."""
_SITE_WIDE = frozenset(("footer", "header"))
_NOT_READ = frozenset(("structured", "hint", "head", "title"))
_CELLS = frozenset(("td", "th", "dt", "dd"))
_LONGEST_DAYS = 40
# A passage that is longer tells no hours in its far end.
_LONGEST_BLOCK = 4_000
_NEAR = 240
# Whose being open a sentence is about: what stands before the verb.
_SUBJECT = regex.compile(
    r"(?<![\p{L}])(?:(?:the|der|die|das|la|le|les|el|los|las|il|lo|gli|de|het|os|as|their|his|her)\s+|l['’])"
    r"(?P<who>(?:[\p{L}\p{M}’'-]+\s+){1,4}?)"
    r"(?:is|are|opens?|has|have|keeps?|ist|sind|hat|haben|öffnet|öffnen|est|sont|ouvre|ouvrent|está|están|abre|abren|tiene|"
    r"è|sono|apre|aprono|zijn|abrem)(?![\p{L}])",
    regex.IGNORECASE,
)
_WORD = regex.compile(r"\p{L}[\p{L}\p{M}]+")


def week_of(said: Any) -> Week:
    """The hours of a fact; nothing where it says none."""
    if not isinstance(said, dict):
        return {}
    try:
        hours = OpeningHours.model_validate(said)
    except ValueError:
        return {}
    found = {day: tuple(sorted(span.minutes for span in hours.week.on(day))) for day in WEEKDAYS}
    return found if any(found.values()) else {}


def as_fact(week: Week) -> dict[str, Any]:
    """The hours as a fact says them."""
    return {
        "week": {
            day: [{"opens": _clock(a), "closes": _clock(b)} for a, b in spans] for day, spans in week.items() if spans
        }
    }


def _clock(minutes: int) -> str:
    return f"{minutes // 60 % 24:02}:{minutes % 60:02}"


def said_on(source: Source, tag: str, own: frozenset[str] = frozenset()) -> tuple[WrittenHours, ...]:
    """What a page says of when the site is open; ``own`` are the words of its name, in small letters."""
    by_block: dict[int, tuple[WrittenHours, ...]] = {}
    for at in may_say_hours(source):
        block = source.block_at(at)
        if block.start not in by_block and block.place not in _NOT_READ:
            begin = _begin(source, block)
            text = source.flat[begin : min(block.end, begin + _LONGEST_BLOCK)].replace(BETWEEN, " ")
            by_block[block.start] = tuple(hour.moved(begin) for hour in hours_in(text, tag))
    return tuple(one for said in by_block.values() for one in said if _is_opening(source, one, own))


def _begin(source: Source, block: Block) -> int:
    """Where the text of a block's hours begins: in a table or a list of terms the day stands in the cell before."""
    if source.elements[block.element].tag not in _CELLS:
        return block.start
    before = source.block_at(block.start - 1) if block.start > 1 else block
    is_beside = before.end == block.start - 1 and source.elements[before.element].tag in _CELLS
    return before.start if is_beside and before.end - before.start <= _LONGEST_DAYS else block.start


def _is_opening(source: Source, said: WrittenHours, own: frozenset[str]) -> bool:
    """Whether times are those of the site being open: said so in the sentence or the heading before, or site-wide."""
    if is_quoted(source, said.start):
        return False
    block = source.block_at(said.start)
    lines = source.flat[block.start : source.block_at(said.end - 1).end]
    is_others, is_opening = _judged(lines, said.start - block.start, said.end - block.start, own)
    if is_others or is_opening or block.place in _SITE_WIDE:
        return not is_others
    return _last_said(_before(source, said.start), own)


def _before(source: Source, at: int) -> str:
    """What is read before a position, back to where the header or the menu ends."""
    begin = max(0, at - _NEAR)
    for number in range(source.number_of_block(at) - 1, -1, -1):
        block = source.blocks[number]
        if block.end <= begin:
            break
        if block.place != "text":
            begin = block.end
            break
    return source.flat[begin:at]


def _last_said(near: str, own: frozenset[str]) -> bool:
    """Whether the last that was said of times is that they are those of being open."""
    opening = max((match.start() for match in phrases.OPENING.finditer(near)), default=-1)
    return opening >= 0 and not any(found.start() > opening for found in _of_others(near, own))


def _of_others(said: str, own: frozenset[str]) -> Iterator[regex.Match[str]]:
    return (match for match in phrases.OTHERS.finditer(said) if match[0].casefold() not in own)


@lru_cache(maxsize=1024)
def _judged(lines: str, start: int, end: int, own: frozenset[str]) -> tuple[bool, bool]:
    """Whether the sentence of a statement speaks of other times than the site's, and whether of its being open.

    What stands in a footer does so on every page.
    """
    sentence = phrases.sentence_around(lines, start, end)
    is_others = any(_of_others(sentence, own)) or _is_somebody_else(sentence, own)
    return is_others, bool(phrases.OPENING.search(sentence))


def _is_somebody_else(sentence: str, own: frozenset[str]) -> bool:
    """Whether it is somebody else who a sentence says is open."""
    match = _SUBJECT.search(sentence)
    if match is None:
        return False
    who = {word.casefold() for word in _WORD.findall(match["who"])}
    return bool(who) and not who & own and not who & phrases.HOUSES


def usual(pages: Sequence[Sequence[WrittenHours]]) -> Week:
    """The hours that most pages agree on, day by day; nothing where no two do."""
    counted: dict[str, Counter[tuple[Span, ...]]] = {day: Counter() for day in WEEKDAYS}
    for page in pages:
        for day, spans in {(day, one.spans) for one in page for day in one.days}:
            counted[day][spans] += 1
    found: dict[str, tuple[Span, ...]] = {}
    for day, said in counted.items():
        best = said.most_common(2)
        if best and best[0][1] > 1 and (len(best) == 1 or best[0][1] > best[1][1]):
            found[day] = best[0][0]
    return found


def of_page(source: Source, said: Iterable[WrittenHours], house: Week, is_whole: bool) -> Iterator[Stray]:
    """Statements that contradict the house style. ``is_whole``: a day of which it says nothing is closed."""
    if not house:
        return
    for one in said:
        known = [day for day in one.days if day in house or is_whole]
        wrong = [day for day in known if house.get(day, ()) != one.spans]
        if not wrong:
            continue
        spot = source.spot(one.start, one.end)
        words = " ".join(source.flat[one.start : one.end].split())
        should = _should_say(source, one, house)
        mend = mend_if(should and spot.is_plain)
        place = source.block_at(one.start).place
        yield Stray("hours", source.path, place, spot.start, spot.end, words, should, 0.85, mend)


def _should_say(source: Source, said: WrittenHours, house: Week) -> str:
    """The statement with the right times, written as the others are; empty where its days differ from each other."""
    spans = {house.get(day, ()) for day in said.days}
    times = source.flat[said.times : said.end]
    if len(spans) != 1 or not (right := spans.pop()) or not said.spans:
        return ""
    match = regex.match(r"(\p{Nd}{1,2})([:.h]?)(\p{Nd}{0,2})(\D*?)(?=\p{Nd}|$)", times)
    joint = regex.search(r"(?<!\s)\s*+(?:–|—|-|to|bis|a|à|until|hasta|إلى|الى)\s*+(?:las\s++)?+", times)
    is_half = bool(regex.search(r"[ap]\.?m", times, regex.IGNORECASE))
    mark = match[2] if match and match[2] else ":"
    between = joint[0] if joint else "–"
    lead = source.flat[said.start : said.times]
    whole = " ".join(
        f"{lead}{', '.join(between.join(_as(one, mark, is_half) for one in span) for span in right)}".split()
    )
    tail = regex.search(r"(?<!\s)\s*+(?:uhr|h|hrs?)\.?$", times, regex.IGNORECASE)
    return whole + (tail[0] if tail and not is_half else "")


def _as(minutes: int, mark: str, is_half: bool) -> str:
    hour, minute = minutes // 60 % 24, minutes % 60
    if is_half:
        half = "am" if hour < 12 else "pm"
        return f"{(hour - 1) % 12 + 1}{f':{minute:02}' if minute else ''}{half}"
    return f"{hour:02}{mark}{minute:02}"
