"""Forms of dates and times as programming languages and spreadsheets write them, turned into UTS 35 patterns.

Each notation is told by signs that no UTS 35 pattern has:

* conversions with a per cent sign (``strftime``, POSIX.1-2017; the GNU flags ``-`` and ``_``): ``%d.%m.%Y``
* a form written as one certain moment, Monday 2 January 2006 at 15:04:05: ``2 January 2006``
* single letters, ``j`` for the day and ``n`` or ``F`` for the month, ``i`` for minutes: ``j. F Y``
* German spreadsheets, ``T`` for the day and ``J`` for the year: ``TT.MM.JJJJ``
"""

import re
from collections.abc import Callable, Mapping

_PERCENT = re.compile("%([-_0]?)([A-Za-z%])")
_CONVERSIONS: Mapping[str, str] = {
    "d": "dd", "e": "d", "m": "MM", "Y": "y", "G": "y", "y": "yy", "B": "MMMM", "b": "MMM", "h": "MMM",
    "A": "EEEE", "a": "EEE", "H": "HH", "k": "H", "I": "hh", "l": "h", "M": "mm", "S": "ss", "p": "a", "P": "a",
    "F": "y-MM-dd", "D": "MM/dd/yy", "R": "HH:mm", "T": "HH:mm:ss", "%": "%",
}  # fmt: skip
_UNPADDED = {"dd": "d", "MM": "M", "HH": "H", "hh": "h", "mm": "m", "ss": "s"}
_MOMENT = re.compile("January|Monday|Jan|Mon|2006|06|01|02|03|04|05|15|PM|pm|1|2|3")
_OF_MOMENT: Mapping[str, str] = {
    "January": "MMMM", "Jan": "MMM", "Monday": "EEEE", "Mon": "EEE", "2006": "y", "06": "yy", "01": "MM", "1": "M",
    "02": "dd", "2": "d", "15": "HH", "03": "hh", "3": "h", "04": "mm", "05": "ss", "PM": "a", "pm": "a",
}  # fmt: skip
_LETTERS: Mapping[str, str] = {
    "d": "dd", "j": "d", "D": "EEE", "l": "EEEE", "m": "MM", "n": "M", "M": "MMM", "F": "MMMM", "Y": "y", "o": "y",
    "y": "yy", "H": "HH", "G": "H", "h": "hh", "g": "h", "i": "mm", "s": "ss", "A": "a", "a": "a",
}  # fmt: skip
_GERMAN = {"T": "d", "J": "y", "M": "M"}
_RUN = re.compile(r"([A-Za-z])\1*")
_WORD = re.compile("[A-Za-z]+")


def _of_percent(form: str) -> str | None:
    if not _PERCENT.search(form):
        return None

    def turned(found: re.Match[str]) -> str:
        field = _CONVERSIONS.get(found[2], "")
        return _UNPADDED.get(field, field) if found[1] in "-_" and found[1] else field

    at, parts = 0, []
    for found in _PERCENT.finditer(form):
        parts += [_literal(form[at : found.start()]), turned(found)]
        at = found.end()
    return "".join((*parts, _literal(form[at:])))


def _of_moment(form: str) -> str | None:
    if not re.search("2006|15:04|3:04", form):
        return None
    at, parts = 0, []
    for found in _MOMENT.finditer(form):
        parts += [_literal(form[at : found.start()]), _OF_MOMENT[found[0]]]
        at = found.end()
    return "".join((*parts, _literal(form[at:])))


def _of_letters(form: str) -> str | None:
    runs = [found[0] for found in _RUN.finditer(form)]
    single = all(len(run) == 1 for run in runs) and all(len(word) == 1 for word in _WORD.findall(form))
    if "'" in form or not single or not set(runs) & set("jnFli") or not set(runs) <= _LETTERS.keys():
        return None
    return _RUN.sub(lambda found: _LETTERS[found[0]], form)


def _of_german(form: str) -> str | None:
    runs = [found[0] for found in _RUN.finditer(form)]
    if "'" in form or not {"T", "J"} & {run[0] for run in runs} or not {run[0] for run in runs} <= _GERMAN.keys():
        return None
    return _RUN.sub(lambda found: "y" if len(found[0]) == 4 and found[1] == "J" else _as_many(found), form)


def _as_many(found: re.Match[str]) -> str:
    return ("E" if found[1] == "T" and len(found[0]) > 2 else _GERMAN[found[1]]) * len(found[0])


def _literal(text: str) -> str:
    """Text of a form, quoted where it has letters."""
    quoted = text.replace("'", "''")
    return f"'{quoted}'" if re.search("[A-Za-z]", text) else quoted


_NOTATIONS: tuple[Callable[[str], str | None], ...] = (_of_percent, _of_moment, _of_german, _of_letters)


def turned(form: str) -> str | None:
    """A form of another notation as a UTS 35 pattern; None for what is not known to be one."""
    return next((pattern for notation in _NOTATIONS if (pattern := notation(form))), None)
