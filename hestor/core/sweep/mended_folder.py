"""A folder mended: the files that change, with their new bytes."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

from hestor.core.reading.source import Source
from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import Sweeper, sweeper_of
from hestor.core.sweep.mend import mended
from hestor.core.sweep.others import of_text
from hestor.core.sweep.pages_read import OtherText, Page, Pages, read_one
from hestor.core.sweep.stray import Stray
from hestor.core.sweep.style import Style

# A title may be mended in two ways that touch; the second is seen once the first is done.
_TURNS = 3


@dataclass(frozen=True)
class Mended:
    """A file's path, its new bytes, and how many strays were mended in it."""

    path: str
    raw: bytes
    strays: int


def _page(sweeper: Sweeper, page: Page) -> Mended | None:
    count, now = 0, page
    for _ in range(_TURNS):
        mendable = [one for one in sweeper.page(now) if one.mend]
        text = mended(now.source, mendable)
        if text == now.source.text:
            break
        count += len(mendable)
        again = read_one(page.source.path, page.decoded.bytes_of(text))
        if not isinstance(again, Page):
            break
        now = again
    if now is page:
        return None
    return Mended(page.source.path, page.decoded.bytes_of(now.source.text), count)


def _other(each_text: OtherText, style: Style) -> Mended | None:
    strays: Sequence[Stray] = [stray for stray in of_text(each_text, style) if stray.mend]
    text = mended(
        Source.of_words(each_text.path, each_text.decoded.text, each_text.place),
        strays,
        is_markup=each_text.place == "feed",
    )
    return (
        Mended(each_text.path, each_text.decoded.bytes_of(text), len(strays))
        if text != each_text.decoded.text
        else None
    )


def mend_all(files: Files, given: Style | None, today: date) -> Iterator[Mended]:
    """The files of a folder that a mend changes; all others stay byte for byte as they are."""
    pages = Pages(files)
    sweeper = sweeper_of(pages, files, given, today)
    for page in pages.in_turn():
        made = _page(sweeper, page) if isinstance(page, Page) else None
        if isinstance(page, OtherText):
            made = _other(page, sweeper.agreed.style)
        if made:
            yield made
