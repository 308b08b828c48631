"""Former names, and near misses of the present one, typed into texts."""

from collections.abc import Iterator, Sequence
from functools import lru_cache
from itertools import pairwise

import regex
from rapidfuzz.distance import DamerauLevenshtein

from hestor.core.reading.source import Block, Source, Telling, windows
from hestor.core.sweep import phrases
from hestor.core.sweep.stray import Kind, Stray, mend_if
from hestor.core.sweep.style import Style

_QUOTING = frozenset(("code", "kbd", "samp", "pre", "blockquote", "q", "cite", "del", "s"))
# Parts of addresses and file names are no words of a text.
_NO_WORD_BEFORE = r"(?<![\p{L}\p{M}\p{N}@/_.])"
_NO_WORD_AFTER = r"(?![\p{L}\p{M}\p{N}_@/]|\.\p{L})"
# In a sentence a name loses its article or shares that of the sentence: au Troc, del Granero, at the Shed.
_ARTICLE = regex.compile(
    r"(?:the|an?|der|die|das|l[ea]s?|el|los|las|il|lo|gli|de|het|[oa]s?)[\s\u00a0]+|l['’]", regex.IGNORECASE
)
# Apostrophes part words: what has grown onto a name in front (l’, d’) or behind (’s) is not of it.
_WORD = regex.compile(r"[\p{L}\p{N}][\p{L}\p{M}\p{N}ـ]*")
_MARKS = regex.compile(r"[\u064b-\u0652\u0670\u0640]")
_CLITICS = ("وال", "بال", "فال", "كال", "لل", "ال", "و", "ب", "ف", "ك", "ل")
_IN_ADDRESS = regex.compile(r"[.-]\p{L}")
_SHORTEST = 5
_ROOM = 24
_LONG_WORD = 8
# Of so short words many are one letter from another: only the words around tell.
_SHORT = 4
# Endings by which a name is bent, in the languages of Europe: they are no misspelling.
_ENDINGS = ("s", "es", "en", "n", "ns")


def _pattern(name: str) -> str:
    return r"[\s\u00a0]+".join(regex.escape(word) for word in name.split())


@lru_cache(maxsize=256)
def without_article(name: str) -> str:
    """A name less the article that it begins with, if two words are left of it; otherwise as it is."""
    match = _ARTICLE.match(name)
    rest = name[match.end() :] if match else name
    return rest if len(rest.split()) > 1 else name


@lru_cache(maxsize=64)
def _known(names: tuple[str, ...]) -> regex.Pattern[str] | None:
    found_names = [form for name in names if name.strip() for form in (name, without_article(name))]
    if not found_names:
        return None
    either = "|".join(
        sorted(
            {form for each_name in found_names for form in (_pattern(each_name), _pattern(each_name.upper()))}, key=len
        )[::-1]
    )
    return regex.compile(rf"{_NO_WORD_BEFORE}[وبفكل]?(?P<name>{either})(?:(?=[’']s|e?s\b)|{_NO_WORD_AFTER})")


@lru_cache(maxsize=8192)
def _plain_word(word: str) -> str:
    bare: str = _MARKS.sub("", word)
    return bare.casefold()


class _Names:
    """The present name as words, and which words are nearly one of them."""

    def __init__(self, style: Style) -> None:
        self.name = without_article(style.text("name"))
        self.words = [_plain_word(word) for word in _WORD.findall(self.name)]
        self._letters = sum(len(word) for word in self.words)
        self._others = {
            _plain_word(word) for key in ("short_name", "tagline") for word in _WORD.findall(style.text(key))
        }
        self._near: dict[str, tuple[int, ...]] = {}
        self._hints = Telling(self._is_hint)
        self._has_numbers = any(map(str.isdigit, self.name))
        self.pairs = frozenset(one + other for one, other in pairwise(self.words))

    def hints(self, vocabulary: frozenset[str]) -> frozenset[str]:
        """The words that may be part of a slip: nearly one of the name's, two of them in one, or the begin of one."""
        return self._hints.among(vocabulary)

    def _is_hint(self, written: str) -> bool:
        if written.isdigit() and not self._has_numbers:
            return False
        word = _plain_word(written)
        begins = len(word) >= _SHORT and any(own.startswith(word) and own != word for own in self.words)
        return begins or word in self.pairs or bool(self.near(word))

    @property
    def is_judged(self) -> bool:
        """Whether the name is long enough for a slip to be told from another word."""
        return self._letters >= _SHORTEST

    def near(self, word: str) -> tuple[int, ...]:
        """Which words of the name a word is nearly, but is not."""
        if word not in self._near:
            self._near[word] = tuple(self._close_to(word))
        return self._near[word]

    def _close_to(self, word: str) -> Iterator[int]:
        if word in self.words or word in self._others:
            return
        for number, own in enumerate(self.words):
            if len(own) > 1 and DamerauLevenshtein.distance(word, own, score_cutoff=_most(own)) <= _most(own):
                yield number


def _most(word: str) -> int:
    return 2 if len(word) >= _LONG_WORD else 1


def _is_bent(said: str, own: str) -> bool:
    """Whether a word is another with an ending, or with an Arabic word grown onto its front."""
    if said.startswith(own) and said[len(own) :] in _ENDINGS:
        return True
    # Another ending of the last letter, as in the plural of another word.
    if said.endswith("s") and not own.endswith("s") and len(said) == len(own) and said[:-1] == own[:-1]:
        return True
    return any(said == clitic + own or (own.startswith("ال") and said == clitic + own[2:]) for clitic in _CLITICS)


@lru_cache(maxsize=16)
def _names(name: str, short_name: str, tagline: str) -> _Names:
    return _Names(Style({"name": name, "short_name": short_name, "tagline": tagline}))


def is_quoted(source: Source, flat: int) -> bool:
    """Whether a word is somebody else's: code, a quotation, a work's title, what was struck out."""
    return source.is_within(source.element_at(flat), _QUOTING)


def _spans(pattern: regex.Pattern[str] | None, text: str) -> list[tuple[int, int]]:
    return [match.span("name") for match in pattern.finditer(text)] if pattern else []


def _overlaps(span: tuple[int, int], others: Sequence[tuple[int, int]]) -> bool:
    return any(span[0] < end and start < span[1] for start, end in others)


def former_names(source: Source, style: Style, year: int = phrases.ANY_YEAR) -> Iterator[Stray]:
    """Where a name of before stands; not where it is told as history, quoted, or part of the present one.

    ``year`` is this year: what was so in years before is history.
    """
    name = style.text("name")
    former = style.before("name")
    if not any(_may_stand(one, source.lowered) for one in former):
        return
    spans = _spans(_known(former), source.flat)
    present = _spans(_known((name,)) if name else None, source.flat) if spans else []
    for start, end in spans:
        block = source.block_at(start)
        # A short name of before is told as one.
        if block.place == "short_name" or _overlaps((start, end), present) or is_quoted(source, start):
            continue
        if block.place == "text" and _is_told(source.flat, (start, end), present, year):
            continue
        yield _stray(source, block, "former_name", (start, end), name, 0.97 if name else 0.8)


def words_of(style: Style) -> frozenset[str]:
    """The words of the present name and the short one, in small letters."""
    said = f"{style.text('name')} {style.text('short_name')}"
    return frozenset(_plain_word(word) for word in _WORD.findall(said))


def _is_told(text: str, span: tuple[int, int], present: Sequence[tuple[int, int]], year: int) -> bool:
    """Whether a sentence tells of a former name: it says so, or says both names."""
    said, before = phrases.sentence_around(text, *span), phrases.sentence_before(text, span[0])
    begin = span[0] - len(before)
    return phrases.is_history(said, before, year) or _overlaps((begin, begin + len(said)), present)


def _may_stand(name: str, lowered: str) -> bool:
    """Whether a text, here in small letters, may say a name; of other letters than ASCII any text may."""
    return not name.isascii() or all(word in lowered for word in without_article(name).lower().split())


def _stray(source: Source, block: Block, kind: Kind, span: tuple[int, int], name: str, sure: float) -> Stray:
    spot = source.spot(*span)
    says = source.flat[span[0] : span[1]]
    should = name.upper() if says.isupper() and says != says.lower() else name
    mend = mend_if(spot.is_plain and name)
    return Stray(kind, source.path, block.place, spot.start, spot.end, says, should, sure, mend)


def misspelt_names(source: Source, style: Style) -> Iterator[Stray]:
    """Where nearly the present name stands, with a letter or two amiss."""
    names = _names(style.text("name"), style.text("short_name"), style.text("tagline"))
    hints = names.hints(source.vocabulary) if names.is_judged else frozenset()
    if hints:
        for begin, end in _around(source.flat, hints, 2 * len(names.name) + _ROOM):
            yield from _slips(source, style, names, begin, end)


@lru_cache(maxsize=512)
def _any_of(words: frozenset[str]) -> regex.Pattern[str]:
    return regex.compile("|".join(map(regex.escape, sorted(words))), regex.IGNORECASE)


def _around(flat: str, hints: frozenset[str], room: int) -> Iterator[tuple[int, int]]:
    """The stretches of a text in which a slip may be, none of which begins or ends within a word."""
    for begin, end in windows((match.start() for match in _any_of(hints).finditer(flat)), room, room, len(flat)):
        start, stop = begin, end
        while start > 0 and _WORD.match(flat, start - 1):
            start -= 1
        while stop < len(flat) and _WORD.match(flat, stop):
            stop += 1
        yield start, stop


def _slips(source: Source, style: Style, names: _Names, begin: int, end: int) -> Iterator[Stray]:
    matches = _WORD.finditer(source.flat, begin, end)
    words = [(word.start(), word.end(), _plain_word(word[0])) for word in matches]
    suspects = [at for at, (_, _, word) in enumerate(words) if names.near(word)]
    former = _spans(_known(style.before("name")), source.flat) if suspects else []
    yield from _run_together(source, style, names, words)
    seen: set[int] = set()
    for at in suspects:
        window = _window(names, words, at, source.flat)
        if window is None or window[0] in seen:
            continue
        seen.add(window[0])
        start, end = words[window[0]][0], words[window[1] - 1][1]
        if _overlaps((start, end), former) or is_quoted(source, start):
            continue
        yield from _judged(source, style, names, (start, end))


def _run_together(source: Source, style: Style, names: _Names, words: "Words") -> Iterator[Stray]:
    """The name with a space too few or too many."""
    own = names.words
    joined = "".join(own)
    for at, (_, _, word) in enumerate(words):
        begins = len(word) >= _SHORT and any(one.startswith(word) and one != word for one in own)
        if word not in names.pairs and not begins:
            continue
        for first in range(max(0, at - len(own)), at + 1):
            for size in (len(own) - 1, len(own) + 1):
                run = words[first : first + size]
                if (
                    size > 0
                    and len(run) == size
                    and first <= at < first + size
                    and "".join(w for _, _, w in run) == joined
                ):
                    start, end = run[0][0], run[-1][1]
                    if not is_quoted(source, start) and regex.fullmatch(
                        r"[\p{L}\p{M}\p{N}\s\u00a0]+", source.flat[start:end]
                    ):
                        yield from _judged(source, style, names, (start, end))


def _judged(source: Source, style: Style, names: _Names, span: tuple[int, int]) -> Iterator[Stray]:
    before, after = source.flat[span[0] - 1 : span[0]], source.flat[span[1] : span[1] + 1]
    if (before and before in "@/_.") or (after and after in "@/_") or _IN_ADDRESS.match(source.flat, span[1]):
        return
    if not source.flat[span[0]].isupper() and source.flat[span[0]].lower() != source.flat[span[0]].upper():
        return
    block = source.block_at(span[0])
    yield _stray(source, block, "misspelt_name", span, names.name, 0.9 if len(names.words) > 1 else 0.75)


Words = Sequence[tuple[int, int, str]]


def _window(names: _Names, words: Words, at: int, text: str) -> tuple[int, int] | None:
    """The run of words around one that is the name but for a slip: first word, and the one after the last."""
    size = len(names.words)
    for number in names.near(words[at][2]):
        first = at - number
        run = words[first : first + size] if first >= 0 else ()
        if len(run) == size and "\0" not in text[run[0][0] : run[-1][1]] and _is_slip(names, run):
            return first, first + size
    return None


def _is_slip(names: _Names, run: Words) -> bool:
    """Whether each word is the name's own or nearly so, at least one nearly, and none merely bent."""
    slips = 0
    for number, (_, _, said) in enumerate(run):
        own = names.words[number]
        if said == own or (number in (0, len(run) - 1) and _is_bent(said, own)):
            continue
        if number not in names.near(said):
            return False
        if len(own) < _SHORT and len(run) <= 2:
            return False
        slips += 1
    short = sum(len(names.words[n]) < _SHORT and said != names.words[n] for n, (_, _, said) in enumerate(run))
    return 0 < slips <= (1 if short else max(1, (len(run) + 1) // 2))


def belongs(short: str, name: str) -> bool:
    """Whether a short name belongs to a name: words of it, in their order, or its first letters."""
    own = [_plain_word(word) for word in _WORD.findall(name)]
    said = [_plain_word(word) for word in _WORD.findall(short)]
    if not said or not own:
        return True
    rest = iter(own)
    if all(any(_starts(word, one) for one in rest) for word in said):
        return True
    initials = "".join(word[0] for word in own)
    joined = "".join(said)
    return joined == initials or (len(joined) >= 2 and _is_spread(joined, initials)) or "".join(own).startswith(joined)


def _starts(word: str, own: str) -> bool:
    return own == word or (len(word) >= 3 and own.startswith(word)) or own.removeprefix("ال") == word


def _is_spread(joined: str, initials: str) -> bool:
    rest = iter(initials)
    return all(any(letter == one for one in rest) for letter in joined)


def is_other_short(said: str, style: Style) -> bool:
    """Whether a short name is not the house style's, nor the name; where it says none, not of the name either."""
    name, short = style.text("name"), style.text("short_name")
    if not name or said in (name, without_article(name), short):
        return False
    return bool(short) or not belongs(said, name)


def short_names(source: Source, style: Style) -> Iterator[Stray]:
    """A short name for a phone's home screen that is not the house style's, or no longer belongs to the name."""
    name, short = style.text("name"), style.text("short_name")
    for block in source.blocks:
        if block.place != "short_name":
            continue
        said = " ".join(source.words_of(block).split())
        if not is_other_short(said, style):
            continue
        spot = source.spot(block.start, block.end)
        should = short or name
        yield Stray("short_name", source.path, "short_name", spot.start, spot.end, said, should, 0.9, "replace")
