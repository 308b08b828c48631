"""What a sweep finds: strays, each a spot on a page that says something else than the house style."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from hashlib import blake2b
from typing import Literal, get_args

Kind = Literal[
    "former_name", "misspelt_name", "starter_text", "title_repeats_name", "title_empty", "title_twin", "title_long",
    "lang_missing", "lang_wrong", "text_language", "date_form", "date_ambiguous", "contact", "hours", "phone",
    "past_year", "old_logo", "old_icon", "short_name", "alt_missing", "link_broken", "opted_out", "contrast",
    "fact_unset",
]  # fmt: skip
KINDS: tuple[Kind, ...] = get_args(Kind)
Mend = Literal["replace"]
_ID_BYTES = 8


def mend_if(can_be: object) -> Mend | None:
    """That a file can be mended by replacing words, if it can."""
    return "replace" if can_be else None


@dataclass(frozen=True)
class Stray:
    """A spot that says something else than the house style.

    ``start`` and ``end`` count code points in the decoded file; they are equal where something is missing that should
    stand there. ``says`` is what is read there, ``should_say`` what the house style says (empty where only a person
    can tell). ``sure`` goes from 0 to 1. ``mend`` is ``replace`` where the file can be mended by itself.
    ``readings`` are the days that a date may mean (ISO 8601).
    ``also`` are further spots that say the same and are mended with it, such as the address behind a link.
    """

    kind: Kind
    page: str
    place: str
    start: int
    end: int
    says: str
    should_say: str
    sure: float
    mend: Mend | None = None
    also: tuple[tuple[int, int, str], ...] = ()
    number: int = 0
    readings: tuple[str, ...] = ()

    @property
    def id(self) -> str:
        """The same as long as the same is said in the same place of the page, wherever in it that stands."""
        said = "\x1f".join((self.kind, self.page, self.place, self.says, self.should_say, str(self.number)))
        return blake2b(said.encode(errors="surrogatepass"), digest_size=_ID_BYTES).hexdigest()


def numbered(strays: Sequence[Stray]) -> tuple[Stray, ...]:
    """Strays in the order of their pages and spots; those that say the same in the same place are told apart."""
    seen: dict[tuple[str, ...], int] = {}
    found_strays = []
    for stray in sorted(strays, key=lambda one: (one.page, one.start, KINDS.index(one.kind))):
        key = (stray.kind, stray.page, stray.place, stray.says, stray.should_say)
        number = seen[key] = seen.get(key, -1) + 1
        found_strays.append(stray if not number else replace(stray, number=number))
    return tuple(found_strays)
