"""The band of clock and dates."""

from typing import Annotated

from hestor.core.facts import rules
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot
from hestor.core.places.place import Place

# At noon in Greenwich on the last day of a year it is the next year already in Kiritimati, and in Pago Pago not yet.
_EARLY, _LATE = "Pacific/Kiritimati", "Pacific/Pago_Pago"
_FAR_EAST = ("Pacific/Kiritimati", "Pacific/Apia", "Pacific/Tongatapu", "Pacific/Fakaofo", "Pacific/Auckland")


class ClockFacts(FactGroup):
    """The clock that the site keeps."""

    time_zone: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.time_zone,
            lambda facts: _LATE if facts.time_zone in _FAR_EAST else _EARLY,
            editor="clock",
            slots=(Slot(Place.FOOTER),),
        ),
    ] = "UTC"
