"""The places: anywhere a fact is seen. Each has a module here: how it is read, and its proof."""

from enum import StrEnum


class Place(StrEnum):
    """Anywhere a fact is seen. A new place is a name here and its module; see ``places.all``."""

    TAB = "tab"
    NOTICE = "notice"
    HEADER = "header"
    SIDE = "side"
    FOOTER = "footer"
    SEARCH = "search"
    COOKIES = "cookies"
    ADDED = "added"
    TEXT = "text"
    DATED = "dated"
    EVENT = "event"
    CALENDAR = "calendar"
    ARCHIVE = "archive"
    HOURS = "hours"
    CONTACT = "contact"
    SHARE = "share"
    PAPER = "paper"
    ALOUD = "aloud"
    LINKS = "links"
    STRUCTURED = "structured"
    NOT_FOUND = "not_found"
    FEED = "feed"
    MANIFEST = "manifest"
    MESSAGE = "message"
    CARD = "card"


class Variant(StrEnum):
    """How a place is drawn where it can look in more than one way."""

    DARK = "dark"
    PHONE = "phone"
    ROUND = "round"
    ROUNDED = "rounded"
    BOOKMARK = "bookmark"
