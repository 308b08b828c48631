"""How languages write days of other calendars than the Gregorian (CLDR), one module a calendar.

A row says: its locales; the form of a long date (UTS 35); the numbers it is written in, if they are not the language's
digits; the months, by number, for the Hebrew calendar followed by the name that the seventh has in a leap year, empty
where they are the Gregorian ones; the eras.
"""

from collections.abc import Mapping, Sequence

from hestor.core.dates.calendar_names import (
    buddhist,
    coptic,
    ethiopic,
    hebrew,
    indian,
    islamic,
    japanese,
    persian,
    roc,
)
from hestor.core.dates.calendar_names.countries import USED_IN

Row = tuple[str, str, str, str, str]
ROWS: Mapping[str, Sequence[Row]] = {
    "buddhist": buddhist.ROWS,
    "coptic": coptic.ROWS,
    "ethiopic": ethiopic.ROWS,
    "hebrew": hebrew.ROWS,
    "indian": indian.ROWS,
    "islamic": islamic.ROWS,
    "japanese": japanese.ROWS,
    "persian": persian.ROWS,
    "roc": roc.ROWS,
}
__all__ = ["ROWS", "USED_IN", "Row"]
