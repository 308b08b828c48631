"""What a page says in its main part: heading, text, dates, and what is a place of its own there."""

from propcache.api import cached_property

from hestor.core.reading.foot import FootReading
from hestor.core.reading.tree import is_within, said, seen
from hestor.core.text.lines import folded

CALENDAR = "main table:has(thead abbr)"
"""A month: a table whose columns are headed by abbreviated days."""
HOURS = "main table:has(th[scope=row])"
"""Opening hours: a table whose rows are headed by their days."""
MONTHS = "main nav ul"
"""The months by which news are found: a list of links to other pages of the same list."""
DETAILS = "main address dl"
"""How the site is reached: contact information (HTML, 4.3.10) as a list of names and values."""
_APART = frozenset({"nav", "section", "aside", "address", "blockquote", "table", "li"})
"""What is within these is no paragraph of a page's own text, or part of one."""
_WHEN = "main h1 + div:has(p > time)"


class MainReading(FootReading):
    """The main part, read."""

    @cached_property
    def heading(self) -> str:
        """The page's first heading."""
        return self._text("main h1")

    @cached_property
    def paragraphs(self) -> tuple[str, ...]:
        """The paragraphs and list items of the page's own text, but for those that say nothing but a date."""
        found = self.css("main article p, main article li") or self.css("main p, main li")
        own = (said(node) for node in found if not is_within(node, _APART))
        return tuple(text for text in own if text and text not in (*self.dates, *self.when))

    @cached_property
    def dates(self) -> tuple[str, ...]:
        """The dates and times that the page's main part says, in reading order."""
        return self.texts("main time") if self.writes("time") else ()

    @cached_property
    def posted(self) -> str:
        """The day on which a post came out, as it says it; empty for other pages."""
        day = self.meta("article:published_time")[:10]
        times = self.css("main article > p > time") if day else ()
        return said(next((time for time in times if time.get("datetime")[:10] == day), None))

    @cached_property
    def when(self) -> tuple[str, ...]:
        """When and where an event is, line by line; empty for what its record does not call an event."""
        return self.texts(f"{_WHEN} > p") if self._is_event else ()

    @cached_property
    def when_exactly(self) -> tuple[str, ...]:
        """The moments of an event, as machines read them."""
        return self.machine_times(_WHEN) if self._is_event else ()

    @cached_property
    def _is_event(self) -> bool:
        return '"Event"' in self.source.text and any(record.get("@type") == "Event" for record in self.records())

    @cached_property
    def details(self) -> tuple[str, ...]:
        """What the page says of the organisation and how it is reached, part by part, as it is seen."""
        return tuple(seen(node, ", ") for node in self.css(f"{DETAILS} > div")) if self.writes("dl") else ()

    @cached_property
    def hours(self) -> tuple[tuple[str, str], ...]:
        """Each day, or days, with the hours beside it."""
        if not self.writes("table"):
            return ()
        rows = (row for table in self.css(HOURS) for row in table.css("tr"))
        return tuple((said(row.css_first("th")), said(row.css_first("td"))) for row in rows)

    @cached_property
    def hours_status(self) -> str:
        """The line above the hours, which says whether it is open."""
        table = self.css_first(HOURS) if self.writes("table") else None
        return said(table.parent.css_first("p")) if table is not None and table.parent is not None else ""

    @cached_property
    def _apart(self) -> tuple[str, ...]:
        """What of the main part is a place of its own."""
        hours = self.css_first(HOURS) if self.writes("table") else None
        return (
            *(self.texts(_WHEN) if self._is_event else ()),
            *(self.texts(CALENDAR) if self.writes("table") else ()),
            *(self.texts("main nav:has(ul)") if self.writes("nav") else ()),
            *((said(hours.parent),) if hours is not None else ()),
            *(self.texts("main section:has(address)") if self.writes("dl") else ()),
        )

    @cached_property
    def text(self) -> str:
        """Everything that the page's main part says, but for its dates and what is a place of its own."""
        text = self._text("main")
        for one in (*self._apart, *self.dates):
            text = text.replace(one, "", 1)
        return folded(text)
