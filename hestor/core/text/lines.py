"""One-line texts as owners type them: made uniform, and checked for what can't be shown.

"Character" means a Unicode code point after NFC normalisation (Unicode Standard Annex 15), so
that the desk, the server and the database count alike.
"""

import unicodedata
from collections.abc import Iterator
from functools import lru_cache

import regex

from hestor.core.errors import Param, Problem

# Explicit directional formatting characters (UAX 9, section 2): embeddings, overrides, isolates.
# A single one can turn the rest of a page around, so none is taken; the harmless marks are.
BIDI_CONTROLS = frozenset("\u202a\u202b\u202c\u202d\u202e\u2066\u2067\u2068\u2069")
LINE_BREAKS = frozenset("\n\r\v\f\x85\u2028\u2029")
_VISIBLE = regex.compile(r"[^\p{C}\p{Z}\p{M}\u115f\u1160\u3164\uffa0\u2800]")
_CLUSTER = regex.compile(r"\X")
_LONGEST_CLUSTER = 64


LONGEST_LINE = 4_000
"""No text of one line is longer, before it is tidied."""


def tidy(text: str) -> str:
    """The text trimmed of white space at both ends and normalised to NFC.

    What is longer than any line is left as it is, to be refused for that: to order its marks could take minutes.
    """
    return unicodedata.normalize("NFC", text.strip()) if len(text) <= LONGEST_LINE else text


def folded(text: str | None) -> str:
    """A text with its white space folded, as a browser shows it."""
    return " ".join((text or "").split())


def is_noncharacter(character: str) -> bool:
    """Whether the code point is never to be interchanged (Unicode Standard, section 23.7)."""
    point = ord(character)
    return 0xFDD0 <= point <= 0xFDEF or point & 0xFFFE == 0xFFFE


# What no page, feed or file can carry: control characters but tab and line feed, lone surrogates, noncharacters
# (Unicode Standard, section 23.7; XML 1.0, production 2).
_BARRED = regex.compile(r"[\p{Cc}--[\t\n]]|\p{Cs}|\p{Noncharacter_Code_Point}", regex.V1)
_BREAKS = regex.compile(r"\r\n?|[\v\f\x85\u2028\u2029]")


def carried(text: str) -> str:
    """A text of several lines without what no format can carry; every kind of line break becomes a line feed."""
    kept: str = _BARRED.sub("", _BREAKS.sub("\n", text))
    return kept


def refusal(character: str) -> str | None:
    """The code for why a one-line text can't hold this character, or None if it can."""
    if character in LINE_BREAKS:
        return "line_break"
    if character in BIDI_CONTROLS:
        return "bidi_control"
    if unicodedata.category(character) in ("Cc", "Cs") or is_noncharacter(character):
        return "control_character"
    return None


def too_long(field: str, text: str, most: int) -> Problem:
    """That a text has more than ``most`` characters, and which of them are too many."""
    limits: dict[str, Param] = {"most": most, "count": len(text), "over": len(text) - most}
    return Problem(field, "too_long", limits, len(cut(text[: most + _LONGEST_CLUSTER], most)), len(text), "")


def line_problems(field: str, text: str, *, least: int, most: int) -> Iterator[Problem]:
    """What keeps ``text``, already tidy, from being a line of ``least`` to ``most`` characters."""
    for position, character in enumerate(text):
        if code := refusal(character):
            params: dict[str, Param] = {"position": position + 1, "point": f"U+{ord(character):04X}"}
            fix = " " if code == "line_break" else ""
            yield Problem(field, code, params, position, position + 1, fix)
            break
    if len(text) > most:
        yield too_long(field, text, most)
    if least and not _VISIBLE.search(text):
        yield Problem(field, "nothing_to_see" if text else "empty", {})


def cut(text: str, most: int) -> str:
    """The longest beginning of at most ``most`` code points that splits no grapheme cluster.

    Clusters as in UAX 29, so an emoji family or a letter with its accents is kept or left whole.
    """
    end = 0
    for cluster in _CLUSTER.finditer(text):
        if cluster.end() > most:
            break
        end = cluster.end()
    return text[:end]


def cluster_count(text: str) -> int:
    """How many letters a reader would count: grapheme clusters (UAX 29)."""
    return len(_CLUSTER.findall(text))


def shorten(text: str, most: int) -> str:
    """``text`` cut at a word within ``most`` code points, with an ellipsis where it was cut."""
    if len(text) <= most:
        return text
    head = cut(text, most - 1)
    at_word = head.rpartition(" ")[0]
    return (at_word or head).rstrip(" ,.;:–-") + "…"


def first_letter(text: str) -> str:
    """The first letter or digit of a text with all that belongs to it (UAX 29), in capitals where there are such."""
    clusters: list[str] = _CLUSTER.findall(text)
    found_first_letter = next((cluster for cluster in clusters if regex.search(r"[\p{L}\p{N}]", cluster)), None)
    if found_first_letter is None:
        return next((cluster for cluster in clusters if cluster.strip()), "•")
    # A sharp s would become two letters.
    return found_first_letter.upper() if cluster_count(found_first_letter.upper()) == 1 else found_first_letter


_IN_A_WORD = r"[\p{L}\p{N}\p{M}]"
_in_a_word = regex.compile(_IN_A_WORD).match


@lru_cache(maxsize=512)
def _in_any_case(words: str) -> regex.Pattern[str]:
    return regex.compile(regex.escape(words), regex.IGNORECASE | regex.FULLCASE)


def _spans(words: str, text: str, match_case: bool) -> Iterator[tuple[int, int]]:
    if not match_case:
        yield from (match.span() for match in _in_any_case(words).finditer(text, overlapped=True))
        return
    start = text.find(words)
    while start != -1:
        yield start, start + len(words)
        start = text.find(words, start + 1)


def spans(words: str, text: str, match_case: bool) -> Iterator[tuple[int, int]]:
    """Where ``words`` stand in ``text``, also inside longer words; none overlaps another."""
    last = 0
    for start, end in _spans(words, text, match_case) if words else ():
        if start >= last:
            yield start, end
            last = end


def _by_itself(text: str, start: int, end: int) -> bool:
    joined_before = start > 0 and _in_a_word(text[start]) and _in_a_word(text[start - 1])
    joined_after = end < len(text) and _in_a_word(text[end - 1]) and _in_a_word(text[end])
    return not joined_before and not joined_after


def occurrences(words: str, text: str, match_case: bool = True) -> Iterator[tuple[int, int]]:
    """Where ``words`` stand in ``text`` by themselves, not inside a longer word: start and end in code points."""
    # Hardly any text has them; to look first spares compiling a pattern for every word as it is being typed.
    if not words or words.casefold() not in text.casefold():
        return
    last = 0
    for start, end in _spans(words, text, match_case):
        if start >= last and _by_itself(text, start, end):
            yield start, end
            last = end
