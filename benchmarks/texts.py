"""What a longer text costs: ten times the length may take at most some twelve times as long, whatever stands in it."""

import gc
import os
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from functools import partial

import django

from benchmarks.figures import Figure
from hestor.core.errors import HestorError
from hestor.core.facts import document
from hestor.core.imaging import svg_css, tokens
from hestor.core.pages import paths
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import read_style
from hestor.core.text import css, fillins, lines, markdown
from tests.support.patterns import Found, collected, run, texts

# What made some reader or other go through the same text again and again.
_UNITS = (
    "a", "a ", "a\u0315\u0300", "\u0323\u0301", "[", "](", "![", "*a ", "a**a*", "_a", "`", "<", "<a ", "&#", "> ",
    "- a\n", "{", "{a", "}{", "|a|b|\n|-|-|\n", "[a]: b\n", "~~a", "\\", "--", "--a:", "/*", "url(", "'", '"', "(",
    "/", "\u202e", "\u200d", "{year:", "@media{", "a{", "\n",
    "www.", "http://a.b/(", "a@b.cd ", "### a\n\n",
)  # fmt: skip
_SHORT = 3_000
_TIMES = 10
_LIMIT = 12


def _page(text: str) -> None:
    page = PageReading(f"<html><title>{text}</title><header>{text}</header><main>{text}</main></html>".encode())
    _ = page.title, page.text, page.site_name, page.menu, page.description


_READERS: dict[str, Callable[[str], object]] = {
    "a fact's rule": lambda text: document.check_all({"name": text, "footer_text": text}),
    "a text that is cut": lambda text: (lines.cut(text, 160), lines.first_letter(text), lines.cluster_count(text)),
    "where a name stands": lambda text: list(lines.occurrences("Aa", text, match_case=False)),
    "fill-ins": lambda text: (list(fillins.problems("x", text)), fillins.fill(text, {}), fillins.used(text)),
    "a page's Markdown": lambda text: (markdown.compile_text(text), markdown.problems("body", text)),
    "a page's path": lambda text: list(paths.path_problems("path", text)),
    "design tokens": tokens.read,
    "custom properties": lambda text: list(css.custom_properties(text)),
    "a drawing's styles": svg_css.stylesheet,
    "a stylesheet that is read back": lambda text: read_style(text.encode()),
    "a page that is read back": _page,
}


@contextmanager
def _uncollected() -> Iterator[None]:
    """Without Python's collector, which looks at all that is alive, however often, and is no part of a reader."""
    gc.collect()
    gc.disable()
    try:
        yield
    finally:
        gc.enable()


def _once(reader: Callable[[str], object], text: str) -> float:
    # The processor's own time, so that other work on the machine does not count.
    with _uncollected():
        start = time.thread_time()
        with suppress(HestorError, LookupError, RecursionError):
            reader(text)
        return time.thread_time() - start


def _ratio(reader: Callable[[str], object], short: str, long: str, rounds: int = 3) -> float:
    """How many times longer a reader takes over the long text: the best of each, taken in turn.

    A shared machine is at times half as fast, for seconds: measured one after the other they would not compare.
    """
    pairs = [(_once(reader, short), _once(reader, long)) for _ in range(rounds)]
    # Below a tenth of a millisecond it is the clock that is measured.
    return min(long for _, long in pairs) / max(min(short for short, _ in pairs), 1e-4)


def _worst(reader: Callable[[str], object]) -> tuple[float, str]:
    found = []
    for unit in _UNITS:
        short, long = ((unit * _SHORT * _TIMES)[:size] for size in (_SHORT, _SHORT * _TIMES))
        ratio = _ratio(reader, short, long)
        if ratio > _LIMIT:
            # Noise, or a text to look at: measured more closely before it counts.
            ratio = min(ratio, _ratio(reader, short, long, 9))
        found.append((ratio, unit))
    return max(found)


# Below this it is the clock that is measured, and whether a list had to grow.
_CLEAR = 2e-3
_HANGS = 60.0


def _pattern_ratio(found: Found) -> float:
    """How many times longer a pattern takes over ten times the text, at its worst."""
    worst = 1.0
    for short, long in zip(texts(found, _SHORT), texts(found, _SHORT * _TIMES), strict=True):
        start = time.thread_time()
        run(found, long, _HANGS)
        if time.thread_time() - start > _CLEAR:
            asked = partial(run, found, most=_HANGS)
            ratio = _ratio(asked, short, long)
            worst = max(worst, ratio if ratio <= _LIMIT else min(ratio, _ratio(asked, short, long, 9)))
    return worst


def _patterns() -> Figure:
    """The worst of every compiled pattern of the code (``tests.support.patterns``)."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "hestor.config.settings")
    django.setup()
    found = collected()[0]
    # What is loaded is not looked through again before each of some hundred thousand texts.
    gc.collect()
    gc.freeze()
    rated = [(_pattern_ratio(one), one.where) for one in found]
    ratio, where = max(rated)
    shown = where.removeprefix("hestor.core.")
    return Figure(f"ten times longer: each of {len(rated)} patterns (worst: {shown})", ratio, "times", _LIMIT)


def measure() -> Iterator[Figure]:
    """The worst ratio of each reader over all texts."""
    for name, reader in _READERS.items():
        ratio, unit = _worst(reader)
        shown = unit.encode("unicode_escape").decode()
        yield Figure(f"ten times longer: {name} (worst: {shown})", ratio, "times", _LIMIT)
    yield _patterns()
