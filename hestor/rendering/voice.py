"""How a site says things at a moment: its facts, Hestor's words or its own in their place, the forms of its language.

It knows no page and no template, so that what speaks of a site (contact, hours, details) needs no more than this.
"""

from collections.abc import Mapping
from datetime import date, datetime, time
from functools import lru_cache

from markupsafe import Markup, escape
from propcache.api import cached_property

from hestor import translations
from hestor.core import languages, numerals, zones
from hestor.core.dates import forms, patterns
from hestor.core.events.month import Month
from hestor.core.facts import clock, document, own_words
from hestor.core.facts.document import Facts
from hestor.core.text import bidi, fillins
from hestor.rendering import contact


@lru_cache(maxsize=4096)
def _day(day: date, form: str, language: str) -> str:
    return patterns.format_day(day, form, language)


@lru_cache(maxsize=4096)
def _clock(at: datetime | time, form: str, language: str) -> str:
    return patterns.format_clock(at, form, language)


class Voice:
    """A site's facts at a moment ``now``, in its own words and forms."""

    def __init__(self, facts: Facts, now: datetime) -> None:
        self.facts = facts
        self.now = now.astimezone(zones.clock_of(facts.time_zone))
        self._own_words = own_words.holding(facts.own_words, facts.language)
        self.words: Mapping[str, str] = {**translations.catalogue("public", facts.language), **self._own_words}
        self.values: fillins.Values = document.values_of(facts, self.now.date())

    def filled(self, text: str) -> str:
        """A plain text with its fill-ins filled."""
        return fillins.fill(text, self.values)

    def shown(self, text: str) -> str:
        """The same as a page shows it: what is filled in keeps its order (``core.text.bidi``)."""
        return fillins.fill(text, self.values, self.direction)

    def clock(self, at: datetime | time) -> str:
        """A time of the day in the site's form."""
        return _clock(at.replace(tzinfo=None), clock.time_form(self.facts), self.facts.language)

    def month(self, month: Month) -> str:
        """A month with its year, as the language names it."""
        return _day(month.first, forms.month_form(self.facts.language), self.facts.language)

    def day(self, day: date | None) -> str:
        """A day in the site's long form."""
        return clock.day_said(self.facts, day) if day else ""

    def short_day(self, day: date | None) -> str:
        """A day in the form for lists."""
        return _day(day, clock.short_form(self.facts), self.facts.language) if day else ""

    def moment(self, moment: datetime) -> str:
        """A moment on the site's clock: its day in the long form, and its time."""
        return clock.moment_said(self.facts, moment.astimezone(self.now.tzinfo))

    def number(self, number: int) -> str:
        """A number in the digits of the site's readers."""
        return numerals.written(number, self.facts.language)

    @cached_property
    def contact_link(self) -> Markup:
        """The link to write to the public address; empty where there is none to show."""
        return contact.link(self.facts, self.filled(self.facts.contact_link_text))

    @cached_property
    def foreign(self) -> str:
        """The language of Hestor's own words where it is not the page's; else empty."""
        spoken = translations.spoken("public", self.facts.language)
        return "" if spoken == self.facts.language else spoken

    @cached_property
    def direction(self) -> str:
        """The way in which pages run: ``ltr`` or ``rtl``."""
        return languages.direction(self.facts.language)

    def own(self, text: str) -> Markup:
        """An owner's words within a page: those that run against it keep their order (HTML, 4.5.24)."""
        return Markup("<bdi>{}</bdi>").format(text) if bidi.turns(text, self.direction) else Markup(escape(text))  # noqa: S704

    def word(self, key: str, **params: str | int) -> str:
        """Hestor's own words, or what the site says in their place."""
        return translations.filled(self.words[key], params) if params else self.words[key]

    def said_of(self, key: str, count: int) -> Markup:
        """Hestor's own words about a number, in its plural form."""
        spoken = self.foreign or self.facts.language
        text = translations.filled(translations.plural(self.words, key, count, spoken), {"count": self.number(count)})
        return self._marked(text, bool(self.foreign))

    def said(self, key: str, **params: str | int) -> Markup:
        """Hestor's own words, marked with the language that they are in where it is not the page's."""
        within = {
            name: bidi.isolated(one, self.direction) if isinstance(one, str) else one for name, one in params.items()
        }
        return self._marked(self.word(key, **within), bool(self.foreign) and key not in self._own_words)

    def _marked(self, text: str, is_foreign: bool) -> Markup:
        if not is_foreign:
            return Markup(escape(text))  # noqa: S704
        return Markup('<span lang="{}" dir="{}">{}</span>').format(
            self.foreign, languages.direction(self.foreign), text
        )
