"""Other contact addresses and telephone numbers than the house style's."""

import re
from collections import Counter
from collections.abc import Callable, Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache

import phonenumbers
import regex
from phonenumbers import PhoneNumberMatcher
from rapidfuzz.distance import DamerauLevenshtein

from hestor.core.facts.organisation import likely_country
from hestor.core.reading.source import Element, Source
from hestor.core.sweep import phrases
from hestor.core.sweep.names import is_quoted
from hestor.core.sweep.stray import Kind, Stray, mend_if
from hestor.core.sweep.style import Style
from hestor.core.text import urls

EMAIL = regex.compile(
    r"(?<![\p{L}\p{N}._%+/=@-])[\p{L}\p{N}][\p{L}\p{M}\p{N}._%+-]*@(?:[\p{L}\p{N}](?:[\p{L}\p{M}\p{N}-]*[\p{L}\p{N}])?\.)+[\p{L}]{2,}"
)
_MOST_OF_ADDRESS = 120
_AROUND_AT = re.compile(rf"@\S{{1,{_MOST_OF_ADDRESS}}}")
_SPACES = (" ", "\n", "\0", "\u00a0")
# A passage that is longer tells no number in its far end.
_LONGEST_BLOCK = 4_000
_FOR_ALL = frozenset(
    "info contact contacts hello hi hey mail email office team admin post enquiries inquiries enquiry ask support help "
    "webmaster web general reception kontakt hallo buero büro anfrage anfragen post service verein laden werkstatt "
    "contacto hola correo informacion información consultas oficina tienda bonjour contactez accueil bureau courrier "
    "renseignements contatti contatto ciao segreteria posta negozio algemeen winkel contato ola olá geral".split()
)
_SITE_WIDE = frozenset(("header", "footer", "menu"))
_NOT_READ = frozenset(("hint", "head", "short_name"))
_WITHOUT_SENTENCES = frozenset(("structured", "manifest", "calendar", "card", "feed"))
_CALLED = regex.compile(
    r"(?<![\p{L}])(?:t[ée]l(?:ephone|efon|éfono|efono|éphone|efoon|efone)?|phone|call|ring|mobile|fon|ruf(?:en)?|anruf(?:en)?|ll[aá]m\w+|"
    r"appel\w+|télépho\w+|hotline|handy|móvil|portable|fax|telefax|هاتف|الهاتف|تلفون|اتصل\w*|جوال|موبايل)(?![\p{L}])",
    regex.IGNORECASE,
)
_SIGN = regex.compile(r"[☎☏✆📞📱][\ufe0e\ufe0f]?[\s\u00a0:]*$")
_GROWN_ON = regex.compile(r"[-–/.]?[\p{L}\d]|[-–/]")
_LIKE_DATE = regex.compile(r"\d{1,4}([./-])\d{1,2}\1\d{2,4}")
# Set apart by more than one sign, as digits of an account or a part seldom are; nothing has grown onto it.
_SET_APART = regex.compile(r"(?:\d++|\(++\d*+)(?:[\s\u00a0()./–-]++\d++)++")
# The plus, a country's code and what is left of a number even in small countries.
_SHORTEST = 9
_NO_DIGIT = r"[^\d+]"
_FAX = regex.compile(r"(?<![\p{L}])(?:tele)?fax|فاكس", regex.IGNORECASE)


@dataclass(frozen=True)
class Said:
    """An address or number on a page: what it is (plain), how it is written, where, and in which place.

    ``href`` is the link's element where it is behind one; ``flat`` is where the words begin, or -1 for a link only.
    """

    value: str
    words: str
    start: int
    end: int
    flat: int
    place: str
    is_plain: bool
    link: Element | None = None


def _mailto(href: str) -> str:
    if not href.lower().startswith("mailto:"):
        return ""
    return urls.decoded(href[7:].partition("?")[0]).strip()


def emails_on(source: Source) -> Iterator[Said]:
    """All addresses on a page: those in its words with the link around them, and links that say something else."""
    if "@" not in source.text and "%40" not in source.text and "&#" not in source.text:
        return
    told: set[int] = set()
    for start, end, said in _written(source.flat):
        link = _link_around(source, start)
        spot = source.spot(start, end)
        if link and _mailto(link.get("href")).lower() == said.lower():
            told.add(link.number)
        else:
            link = None
        place = source.block_at(start).place
        yield Said(said.lower(), said, spot.start, spot.end, start, place, spot.is_plain, link)
    for element, href in source.ways:
        address = _mailto(href)
        if address and element.number not in told and EMAIL.fullmatch(address):
            at, end = source.attribute_spot(element, "href")
            place = _place_of(source, element)
            raw = source.text[at:end]
            begin = at + raw.lower().find(address.lower())
            if begin >= at:
                yield Said(address.lower(), address, begin, begin + len(address), -1, place, True, None)


def _written(flat: str) -> Iterator[tuple[int, int, str]]:
    """The addresses in a text with where they stand, looked for only around an at sign."""
    last = 0
    for match in _AROUND_AT.finditer(flat):
        begin, end = max(last, match.start() - _MOST_OF_ADDRESS), match.end()
        # An address has no space in it: nothing before the last one before it is part of it.
        begin += max(0, *map(flat[begin : match.start()].rfind, _SPACES))
        if begin < end:
            yield from ((begin + start, begin + stop, said) for start, stop, said in _addresses_in(flat[begin:end]))
            last = end


@lru_cache(maxsize=4096)
def _addresses_in(text: str) -> tuple[tuple[int, int, str], ...]:
    """The addresses in what stands between two spaces; most of them stand on every page."""
    return tuple((*match.span(), match[0]) for match in EMAIL.finditer(text))


def _link_around(source: Source, flat: int) -> Element | None:
    return next((element for element in source.above(source.element_at(flat)) if element.tag == "a"), None)


def _place_of(source: Source, element: Element) -> str:
    """The place of an element without words of its own: that of the landmark around it."""
    for above in source.above(element.number):
        if above.tag in ("footer", "header", "nav") or above.get("role") in ("contentinfo", "banner"):
            return {"nav": "menu", "contentinfo": "footer", "banner": "header"}.get(above.tag, above.tag)
    return "text"


@dataclass(frozen=True)
class _House:
    """What is right, how it is shown, and what was right before."""

    kind: Kind
    value: str
    shown: str
    former: frozenset[str]
    how_sure: "HowSure"


HowSure = Callable[[Source, Said, str], float]
"""How sure it is that an address or number is the site's own, and not the right one; 0 where it is not."""


def _others(source: Source, found: Iterable[Said], house: _House) -> Iterator[Stray]:
    """What is said of the site itself, and is not right."""
    for said in found:
        if said.value == house.value or said.place in _NOT_READ:
            continue
        sure = _sure(source, said, house)
        if sure:
            yield _stray(source, house.kind, said, house.shown, sure)


def _sure(source: Source, said: Said, house: _House) -> float:
    if said.value in house.former:
        return 0.0 if _is_history(source, said) else 0.97
    if not house.value or (said.flat >= 0 and is_quoted(source, said.flat)):
        return 0.0
    return house.how_sure(source, said, house.value)


def other_addresses(source: Source, style: Style) -> Iterator[Stray]:
    """Addresses of the site itself that are not the house style's; those of other people are left alone."""
    shown = style.text("contact_email")
    former = frozenset(one.lower() for one in style.before("contact_email"))
    if shown or former:
        yield from _others(source, emails_on(source), _House("contact", shown.lower(), shown, former, _own_address))


def _own_address(source: Source, said: Said, house: str) -> float:
    local, _, domain = said.value.partition("@")
    own_local, _, own = house.partition("@")
    if domain != own and local == own_local and DamerauLevenshtein.distance(domain, own, score_cutoff=2) <= 2:
        return 0.95
    if domain == own and 0 < DamerauLevenshtein.distance(local, own_local, score_cutoff=1) <= 1 and len(own_local) > 3:
        return 0.95
    if domain == own:
        if local in _FOR_ALL or said.place in _SITE_WIDE:
            return 0.85
        return 0.75 if _is_ours(source, said) else 0.0
    if said.place in _SITE_WIDE:
        return 0.8
    return 0.75 if _is_ours(source, said) and not _is_known_domain(source, domain) else 0.0


def _is_ours(source: Source, said: Said) -> bool:
    """Whether a text says that this is how the site is reached: in the sentence before, or as the line's own label."""
    if said.flat < 0:
        return bool(phrases.US.search(_words_of_link(source, said.start)))
    block = source.block_at(said.flat)
    if phrases.LABEL.fullmatch(source.flat[block.start : said.flat]):
        return said.flat > block.start
    return bool(phrases.US.search(phrases.sentence_before(source.flat, said.flat)))


def _words_of_link(source: Source, at: int) -> str:
    """What the link says in which an address stands, and the words before it in its line."""
    link = source.link_at(at)
    if link is None:
        return ""
    before = source.text[max(0, link.start - 120) : link.start]
    return str(regex.sub(r"<[^>]*>?", " ", f"{before} {source.text[link.end : link.closes]}"))


def _is_history(source: Source, said: Said) -> bool:
    if said.flat < 0 or said.place != "text":
        return False
    around = phrases.sentence_around(source.flat, said.flat, said.flat + len(said.words))
    is_past = phrases.is_history(around, "") or bool(phrases.GONE.search(around))
    return is_past or is_quoted(source, said.flat)


def _is_known_domain(source: Source, domain: str) -> bool:
    """Whether the page links to the site of an address: then it is somebody's whom the page speaks of."""
    return domain in source.linked_hosts


def _stray(source: Source, kind: Kind, said: Said, should: str, sure: float) -> Stray:
    also: tuple[tuple[int, int, str], ...] = ()
    if said.link is not None and should:
        at, end = source.attribute_spot(said.link, "href")
        also = ((at, end, _href(source.text[at:end], kind, should)),)
    mend = mend_if(should and said.is_plain)
    return Stray(kind, source.path, said.place, said.start, said.end, said.words, should, sure, mend, also)


def _href(before: str, kind: Kind, should: str) -> str:
    if kind == "phone":
        return f"tel:{regex.sub(_NO_DIGIT, '', should)}"
    query = before.partition("?")
    return f"mailto:{should}{query[1]}{query[2]}"


def country_of(style: Style) -> str:
    """The country that numbers are read in: that of the house style's own number, if it says one."""
    return _country(style.text("phone"), style.text("time_zone"), style.text("language") or "en-GB")


@lru_cache(maxsize=64)
def _country(said: str, zone: str, language: str) -> str:
    if said.startswith("+") and (number := _parsed(said)):
        return str(phonenumbers.region_code_for_country_code(number.country_code or 0)).replace("ZZ", "")

    try:
        return likely_country(zone, language)
    except ValueError:
        return ""


def _parsed(typed: str, country: str = "") -> phonenumbers.PhoneNumber | None:
    try:
        return phonenumbers.parse(typed, country or None)
    except phonenumbers.NumberParseException:
        return None


@lru_cache(maxsize=4096)
def number_of(typed: str, country: str) -> str:
    """A number in E.164, empty where it is none."""
    number = _parsed(typed, country)
    if number is None or not phonenumbers.is_possible_number(number):
        return ""
    return str(phonenumbers.format_number(number, phonenumbers.PhoneNumberFormat.E164))


_DIGITS = re.compile(r"(?<![^\W_])\d(?:[\s().\-–‐‑/]{0,3}\d){5,14}(?![^\W_])")


def phones_on(source: Source, country: str, known: frozenset[str] = frozenset()) -> Iterator[Said]:
    """The telephone numbers on a page: those behind links, known ones, and what is said to be one in its words."""
    told: set[int] = set()
    for start, end, value in _numbers_on(source, country):
        raw = source.flat[start:end]
        link = _link_around(source, start)
        if link is not None and link.get("href").lower().startswith("tel:"):
            told.add(link.number)
        elif not (_is_call(source, start, raw) or (value in known and _is_apart(source, start, raw))):
            continue
        else:
            link = None
        block, spot = source.block_at(start), source.spot(start, end)
        yield Said(value, raw, spot.start, spot.end, start, block.place, spot.is_plain, link)
    for element, href in source.ways:
        if href.lower().startswith("tel:") and element.number not in told and (value := number_of(href[4:], country)):
            at, end = source.attribute_spot(element, "href")
            yield Said(value, href[4:], at + 4, end, -1, _place_of(source, element), True)


def _numbers_on(source: Source, country: str) -> Iterator[tuple[int, int, str]]:
    """What reads like a number, block by block: most of those that have one stand on every page."""
    seen, last = -1, 0
    for begin, _ in source.numbers:
        found = _DIGITS.match(source.flat, begin) if begin >= last else None
        if found is None:
            continue
        last = found.end()
        block = source.block_at(begin)
        if block.start != seen:
            seen = block.start
            for start, end, value in _numbers_in(source.words_of(block)[:_LONGEST_BLOCK], country):
                yield seen + start, seen + end, value


@lru_cache(maxsize=4096)
def _numbers_in(text: str, country: str) -> tuple[tuple[int, int, str], ...]:
    matcher = PhoneNumberMatcher(text, country or None, leniency=phonenumbers.Leniency.POSSIBLE)
    form = phonenumbers.PhoneNumberFormat.E164
    told = ((one.start, one.end, str(phonenumbers.format_number(one.number, form))) for one in matcher)
    return tuple(one for one in told if len(one[2]) >= _SHORTEST)


def _is_call(source: Source, flat: int, raw: str) -> bool:
    """Whether digits are said to be a number to call; in international form they say so themselves."""
    if raw.lstrip("(").startswith("+"):
        return True
    if _LIKE_DATE.fullmatch(raw):
        return False
    before = phrases.sentence_before(source.flat, flat, 60)
    if phrases.US.search(before) or _SIGN.search(before):
        return True
    if phrases.COUNTED.search(source.flat[max(0, flat - 20) : flat]):
        return False
    return bool(_CALLED.search(before)) or (" " in raw and raw.lstrip("(").startswith("0"))


def _is_apart(source: Source, flat: int, raw: str) -> bool:
    """Whether digits stand by themselves as people write numbers to call; those known need no word that says so."""
    after = source.flat[flat + len(raw) : flat + len(raw) + 2]
    is_counted = phrases.COUNTED.search(source.flat[max(0, flat - 20) : flat])
    return bool(_SET_APART.fullmatch(raw)) and not is_counted and not _GROWN_ON.match(after)


def other_phones(source: Source, style: Style) -> Iterator[Stray]:
    """Numbers of the site itself that are not the house style's."""
    country, shown = country_of(style), style.text("phone")
    house = number_of(shown, country)
    former = frozenset(number for one in style.before("phone") if (number := number_of(one, country)))
    if house or former:
        yield from _others(
            source, phones_on(source, country, former), _House("phone", house, shown, former, _own_number)
        )


def _own_number(source: Source, said: Said, house: str) -> float:
    if said.flat >= 0 and _FAX.search(phrases.sentence_before(source.flat, said.flat, 30)):
        return 0.0
    # One that only stands for a number is a starter text.
    if len(set(said.value[-7:])) == 1:
        return 0.0
    if len(said.value) == len(house) and DamerauLevenshtein.distance(said.value, house, score_cutoff=1) <= 1:
        return 0.9
    if said.place in _SITE_WIDE:
        return 0.85
    return 0.8 if _is_ours(source, said) else 0.0


def by_most(pages: Sequence[Sequence[str]]) -> str:
    """What most pages that say anything say; empty where no two agree. Each page counts once for each value."""
    counted = Counter(one for page in pages for one in dict.fromkeys(page))
    best, count = next(iter(counted.most_common(1)), ("", 0))
    return best if count > 1 or len(pages) == 1 else ""
