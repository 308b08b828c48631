"""Years gone by in the lines that say whose a page is."""

from collections.abc import Iterator

import regex

from hestor.core.reading.source import Block, Source
from hestor.core.sweep.stray import Stray, mend_if

_YEAR = r"(?:19|20|١٩|٢٠|۱۹|۲۰)\p{Nd}{2}"
_MARK = r"(?:©|\(c\)|copyright|copyleft|urheberrecht|alle rechte vorbehalten|all rights reserved|todos los derechos reservados|tous droits réservés|tutti i diritti riservati|alle rechten voorbehouden|todos os direitos reservados|droits d['’]auteur|derechos de autor|حقوق النشر|جميع الحقوق محفوظة|حقوق الطبع|الحقوق)"
_LINE = regex.compile(
    rf"{_MARK}[^\0©]{{0,80}}?(?<!\p{{Nd}})(?:{_YEAR}[\s\u00a0]*+[-–—/,‐]++[\s\u00a0]*+)?(?P<y>{_YEAR})(?!\p{{Nd}})(?![\s\u00a0]*+[-–—/‐](?!\p{{L}}))",
    regex.IGNORECASE,
)
_BEFORE = regex.compile(
    rf"(?<!\p{{Nd}})(?:{_YEAR}[\s\u00a0]*+[-–—/‐]++[\s\u00a0]*+)?(?P<y>{_YEAR})(?!\p{{Nd}})(?![\s\u00a0]*+[-–—/‐](?!\p{{L}}))[^\0]{{0,40}}?{_MARK}",
    regex.IGNORECASE,
)
_SINCE = regex.compile(
    r"(?:since|established|est\.?|founded|from|seit|gegründet|gegr\.?|desde|fundad[ao]s?|depuis|fondée?|dal|fondat[ao]|sinds|opgericht|منذ|تأسس\w*|من عام)[\s\u00a0]*(?:in|im|en|el|l['’]|عام|سنة)?[\s\u00a0]*$",
    regex.IGNORECASE,
)
_ALONE = regex.compile(rf"\s*+(?P<y>{_YEAR})(?:\s*+(?:[|·•,–—-]|by|von|de|par)\s*+[^\0]{{1,60}})?+\s*+")
_LAST = 4
_ANY_YEAR = regex.compile(_YEAR)
_OPEN_END = regex.compile(
    r"[\s\u00a0]*+(?:[-–—][\s\u00a0]*+)?+(?:(?:to|until) (?:date|now|today|the present)|bis heute|hasta (?:hoy|la fecha)|à ce jour|present|now|today|heute|"
    r"hoy|actualidad|aujourd['’]hui|oggi|heden|hoje|الآن|اليوم)(?![\p{L}])",
    regex.IGNORECASE,
)


def past_years(source: Source, year: int) -> Iterator[Stray]:
    """The last year of each such line in a page's footer, if it is over."""
    for block in _last_lines(source):
        said = source.words_of(block)
        if not _ANY_YEAR.search(said):
            continue
        found = _LINE.search(said) or _BEFORE.search(said)
        if found is None and block.place == "footer":
            found = _ALONE.fullmatch(said)
        if found is None or int(found["y"]) >= year or _SINCE.search(said[: found.start("y")]):
            continue
        if _OPEN_END.match(said[found.end("y") :]):
            continue
        begin = block.start + found.start("y")
        spot = source.spot(begin, begin + 4)
        digits = found["y"]
        should = str(year) if digits.isascii() else str(year).translate(_like(digits))
        mend = mend_if(spot.is_plain)
        yield Stray("past_year", source.path, "footer", spot.start, spot.end, digits, should, 0.93, mend)


def _like(digits: str) -> dict[int, str]:
    nought = ord(digits[0]) - int(digits[0])
    return {ord("0") + value: chr(nought + value) for value in range(10)}


def _last_lines(source: Source) -> list[Block]:
    """The lines of a page's footer, or the last words of a page that marks none."""
    blocks = [block for block in source.blocks if block.place == "footer"]
    return blocks or [block for block in source.blocks if block.place == "text"][-_LAST:]
