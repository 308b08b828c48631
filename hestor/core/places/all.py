"""All places, in the order in which reach lists them. A new place is its module and its line here."""

from hestor.core.places.added import ADDED
from hestor.core.places.aloud import ALOUD
from hestor.core.places.archive import ARCHIVE
from hestor.core.places.calendar import CALENDAR
from hestor.core.places.card import CARD
from hestor.core.places.contact import CONTACT
from hestor.core.places.cookies import COOKIES
from hestor.core.places.dated import DATED
from hestor.core.places.definition import FilePlace, PagePlace
from hestor.core.places.event import EVENT
from hestor.core.places.feed import FEED
from hestor.core.places.footer import FOOTER
from hestor.core.places.header import HEADER
from hestor.core.places.hours import HOURS
from hestor.core.places.links import LINKS
from hestor.core.places.manifest import MANIFEST
from hestor.core.places.message import MESSAGE
from hestor.core.places.not_found import NOT_FOUND
from hestor.core.places.notice import NOTICE
from hestor.core.places.paper import PAPER
from hestor.core.places.place import Place
from hestor.core.places.search import SEARCH
from hestor.core.places.share import SHARE
from hestor.core.places.side import SIDE
from hestor.core.places.structured import STRUCTURED
from hestor.core.places.tab import TAB
from hestor.core.places.text import TEXT

PAGE_PLACES: tuple[PagePlace, ...] = (
    TAB, NOTICE, HEADER, SIDE, FOOTER, SEARCH, COOKIES, ADDED, TEXT, DATED,
    EVENT, CALENDAR, ARCHIVE, HOURS, CONTACT, SHARE, PAPER, ALOUD, LINKS, STRUCTURED,
)  # fmt: skip
FILE_PLACES: tuple[FilePlace, ...] = (NOT_FOUND, FEED, MANIFEST, MESSAGE, CARD)
DRAWN: tuple[Place, ...] = (
    *(place.place for place in PAGE_PLACES if place.proof),
    *(place.place for place in FILE_PLACES if place.proof),
)
"""The places that have a proof."""
