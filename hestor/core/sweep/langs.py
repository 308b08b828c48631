"""The declared language, of the page and of its passages by their words (BCP 47; HTML, 3.2.6.2; WCAG 2.2, 3.1.1)."""

from collections.abc import Iterator
from functools import lru_cache

import regex

from hestor.core import languages
from hestor.core.reading.source import BETWEEN, Block, Source
from hestor.core.sweep import passages
from hestor.core.sweep.passages import primary_of
from hestor.core.sweep.stray import Stray, mend_if
from hestor.core.sweep.style import Style

_TAG = regex.compile(r"[A-Za-z]{2,3}(-[A-Za-z]{4})?(-([A-Za-z]{2}|\d{3}))?(-[A-Za-z0-9]{2,8})*")
_UNTOLD = frozenset(("code", "kbd", "samp", "pre", "address", "option", "select", "button", "math", "title"))
_TOLD = frozenset(("text", "footer", "header", "description"))
_FEWEST_LETTERS = 24
_ENOUGH = 120


@lru_cache(maxsize=256)
def is_tag(tag: str) -> bool:
    """Whether a text is a language tag of a language that CLDR knows."""
    return bool(_TAG.fullmatch(tag)) and languages.is_known(tag)


def _declared(source: Source) -> str:
    return source.root.get("lang") if source.root else ""


def of_page(source: Source, style: Style) -> Iterator[Stray]:
    """That a page says no language, none that there is, or another than its words are in."""
    house = style.text("language")
    declared = _declared(source)
    root = source.root
    if not declared:
        told = passages.language_of(_main_words(source), house) if house else None
        should = told[0] if told else house
        at = root.end - 1 if root else 0
        mend = mend_if(should and root)
        yield Stray("lang_missing", source.path, "html", at, at, "", should, 0.97, mend)
        return
    should = _should_be(source, declared, house)
    if should and root:
        start, end = source.attribute_spot(root, "lang")
        yield Stray("lang_wrong", source.path, "html", start, end, declared, should, 0.9, "replace")


def _should_be(source: Source, declared: str, house: str) -> str:
    """The tag that should stand there; empty if the declared one is right."""
    if is_tag(declared) and house and primary_of(declared) == primary_of(house):
        return "" if _is_same_or_wider(declared, house) else house
    text = _main_words(source)
    mended = declared.replace("_", "-")
    if not is_tag(declared):
        told = passages.language_of(text, primary_of(house)) if house else None
        if told:
            return mended if is_tag(mended) and primary_of(mended) == told[0] else told[0]
        return house or (mended if is_tag(mended) else "")
    if not house:
        told = passages.language_of(text, declared)
        return told[0] if told else ""
    told = passages.language_of(text, declared)
    if told and told[0] == primary_of(house):
        return house
    if told:
        return told[0]
    return "" if len(text) >= _ENOUGH or _is_surely(text, declared, house) else house


def _is_surely(text: str, declared: str, house: str) -> bool:
    """Whether a short page's words are the declared language's, and not the house's."""
    told = passages.language_of(text, house)
    return bool(told) and told is not None and told[0] == primary_of(declared)


def _is_same_or_wider(declared: str, house: str) -> bool:
    """Whether a tag is the house's, or says less than it; two regions contradict each other (RFC 4647, 3.3.1)."""
    one, other = declared.lower(), house.lower()
    return one == other or other.startswith(f"{one}-") or one.startswith(f"{other}-")


def _main_words(source: Source) -> str:
    """The page's own words, those in passages of a language of their own apart."""
    told, length = [], 0
    for block in source.blocks:
        if block.place != "text" or _own_language(source, block.element):
            continue
        said = source.words_of(block)
        told.append(said)
        length += len(said)
        if length > 1_000:
            break
    return " ".join(told)


def _own_language(source: Source, number: int) -> str:
    """The language that an element inside the page declares, or one around it; empty if it is the page's."""
    for element in source.above(number):
        if element.tag == "html":
            return ""
        if "lang" in element.attributes:
            return element.get("lang")
    return ""


def passages_of(source: Source, style: Style) -> Iterator[Stray]:
    """Passages whose words are in another language than is declared for them."""
    page = _page_language(source, style)
    is_marked = len([True for element in source.elements if "lang" in element.attributes]) > 1
    small = passages.small_words(page) if not is_marked else frozenset()
    lowered = source.lowered if small else ""
    for block in source.blocks:
        start, end = block.start, block.end
        if end - start < _FEWEST_LETTERS or block.place not in _TOLD:
            continue
        if small and passages.is_at_home(lowered[start : min(end, start + passages.GLANCE)], small):
            continue
        declared = (_own_language(source, block.element) if is_marked else "") or page
        if declared and is_tag(declared):
            yield from _passage(source, block, declared, is_marked)


def _page_language(source: Source, style: Style) -> str:
    """What the page's passages are held to: its own language where that is right, else what it should be."""
    declared = _declared(source)
    house = style.text("language")
    if not declared:
        text = _main_words(source)
        told = passages.language_of(text, house) if house else None
        return told[0] if told else house
    return _should_be(source, declared, house) or declared


def _passage(source: Source, block: Block, declared: str, is_marked: bool) -> Iterator[Stray]:
    inner = _without_marked(source, block) if is_marked else source.words_of(block)
    told = passages.language_of(inner, declared)
    if told is None or source.is_within(block.element, _UNTOLD):
        return
    said = source.words_of(block)
    lead = len(said) - len(said.lstrip())
    spot = source.spot(block.start + lead, block.start + len(said.rstrip()))
    words, sure = " ".join(said.split()), round(told[1] * 0.95, 2)
    yield Stray("text_language", source.path, block.place, spot.start, spot.end, words, told[0], sure)


def _without_marked(source: Source, block: Block) -> str:
    """A block's words but for those that say their own language inside of it."""
    if not any("lang" in element.attributes for element in source.elements[block.element + 1 :][:40]):
        return source.words_of(block)
    kept, at = [], block.start
    while at < block.end:
        stop = min(source.piece_end(at), block.end)
        is_other = _marked_below(source, source.element_at(at), block.element)
        kept.append(" " if is_other else source.flat[at:stop])
        at = stop
    return "".join(kept).replace(BETWEEN, " ")


def _marked_below(source: Source, number: int, block: int) -> bool:
    return any("lang" in element.attributes for element in source.above(number) if element.number > block)
