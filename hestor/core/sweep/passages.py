"""In which language a passage is, by its words: first by the small words that every text has, then by a trained model.

The small words are stopwords-iso's, the model is py3langid's (naive Bayes over 97 languages). Short passages are left.
"""

import re
from collections.abc import Sequence
from functools import lru_cache
from typing import Any

import stopwordsiso
from py3langid.langid import MODEL_FILE, LanguageIdentifier

from hestor.core import languages

_WORD = re.compile(r"[^\W\d_]+(?:'[^\W\d_]+)*")
_FEWEST_WORDS = 5
# Scripts that part no words by spaces: how many signs of them a passage of another language has at most.
_SPACELESS = re.compile(r"[\u0e00-\u0eff\u1000-\u109f\u1780-\u17ff\u3040-\u30ff\u3400-\u9fff]")
_WITHOUT_SPACES = frozenset(("ja", "zh", "yue", "ko", "th", "lo", "my", "km"))
_FEWEST_SIGNS = 12
_FEWEST_SMALL = 0.18
_LEAD = 0.10
_LEAST_SURE = 0.9
_LOOKED_AT = 400
GLANCE = 80
"""So much of a text is glanced at."""
# So many small words among it leave no doubt.
_AT_HOME = 0.5
# The languages between which it is decided: those that sites are written in, far beyond those of the desk.
_AMONG = "ar bg ca cs da de el en es et eu fa fi fr ga he hi hr hu id is it ja ko lt lv nl no pl pt ro ru sk sl sq sr sv tr uk ur vi zh".split()  # noqa: E501


@lru_cache(maxsize=1)
def _identifier() -> Any:
    made = LanguageIdentifier.from_model_file(MODEL_FILE, norm_probs=True)
    made.set_languages([one for one in _AMONG if one in made.nb_classes])
    return made


def small_words(declared: str) -> frozenset[str]:
    """The small words of a declared language, which any text in it has; none where they are not known."""
    return _small_words(primary_of(declared))


@lru_cache(maxsize=64)
def _small_words(primary: str) -> frozenset[str]:
    known = "no" if primary in ("nb", "nn") else primary
    return frozenset(stopwordsiso.stopwords(known)) if stopwordsiso.has_lang(known) else frozenset()


@lru_cache(maxsize=256)
def primary_of(tag: str) -> str:
    """The language of a tag without its script and region, in small letters."""
    return tag.replace("_", "-").partition("-")[0].lower()


def _share(words: Sequence[str], primary: str) -> float:
    small = _small_words(primary)
    return sum(map(small.__contains__, words)) / len(words) if words and small else 0.0


def is_at_home(lowered: str, small: frozenset[str]) -> bool:
    """Whether the first words of a text leave no doubt of their language; those with a mark at the end don't count."""
    words = lowered.split()
    return len(words) >= _FEWEST_WORDS and sum(map(small.__contains__, words)) >= _AT_HOME * len(words)


@lru_cache(maxsize=8192)
def language_of(text: str, declared: str) -> tuple[str, float] | None:
    """The language (primary subtag) of a passage that is surely not in the declared one, and how sure that is."""
    primary = primary_of(declared)
    first = _WORD.findall(text[:GLANCE].lower().replace("’", "'"))
    if len(first) >= _FEWEST_WORDS and _share(first, primary) >= _AT_HOME:
        return None
    words = _WORD.findall(text[:_LOOKED_AT].lower().replace("’", "'"))
    if primary not in _WITHOUT_SPACES and len(_SPACELESS.findall(text[:_LOOKED_AT])) >= _FEWEST_SIGNS:
        return _classified(text, primary)
    if len(words) < _FEWEST_WORDS:
        return None
    own = _share(words, primary)
    if own >= 0.5 or (own >= 0.3 and len(words) < 12):
        return None
    told = _classified(text, primary)
    other = _share(words, told[0]) if told else 0.0
    if _small_words(primary) and (other < _FEWEST_SMALL or other < own + _LEAD):
        return None
    return told


def _classified(text: str, primary: str) -> tuple[str, float] | None:
    """What the model says, where it is sure of another language than the declared one."""
    found, sure = _identifier().classify(text[:_LOOKED_AT])
    is_told = sure >= _LEAST_SURE and languages.is_known(found) and not _same(found, primary)
    return (found, float(sure)) if is_told else None


def _same(one: str, other: str) -> bool:
    norwegian, south = {"no", "nb", "nn", "da"}, {"hr", "sr", "bs", "sh"}
    return one == other or {one, other} <= norwegian or {one, other} <= south or {one, other} <= {"id", "ms"}
