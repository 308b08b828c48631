"""How all pages are named in tabs and in search results; they belong to the band of name and words."""

from dataclasses import dataclass
from typing import Annotated, Any

from hestor.core.errors import Problem
from hestor.core.facts import rules
from hestor.core.facts.spec import ITSELF, Band, FactGroup, FactSpec, Slot, Words
from hestor.core.pages import titles
from hestor.core.pages.titles import LONG_RULES, Long, Titling
from hestor.core.places.place import Place
from hestor.core.rules import Checked, Line
from hestor.core.text import fillins
from hestor.core.text import keywords as keyword_list
from hestor.core.text.fillins import Fill, Values


@dataclass(frozen=True)
class TitlePattern(Line):
    """A line of fill-ins and words of which titles are made; it holds ``needed``, else all titles were alike."""

    needed: str = ""

    def __call__(self, key: str, given: object) -> Checked[str]:
        """Tidies and checks."""
        text, problems = super().__call__(key, given)
        names = {one.name for one in fillins.parse(text, self.also) if isinstance(one, Fill)}
        if not problems and self.needed and self.needed not in names:
            problems = (Problem(key, "title_without_page", {"name": f"{{{self.needed}}}"}),)
        return text, problems


def titling(facts: Any, values: Values) -> Titling:
    """All of the house style that titles are made of; ``values`` are those of its fill-ins."""
    return Titling(values, facts.title_pattern, facts.home_title, facts.title_long)


class TitleFacts(FactGroup):
    """The pattern of titles, that of the home page's, what becomes of the name in long ones; and keywords."""

    title_pattern: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            TitlePattern(1, 200, takes_fill_ins=True, also=titles.OWN_FILL_INS, needed="page"),
            lambda facts: "{page} · {site}" if facts.title_pattern != "{page} · {site}" else "{site}: {page}",
            editor="title_pattern",
            slots=(Slot(Place.TAB), Slot(Place.SEARCH)),
            quiet=True,
            per_language=True,
            texts=ITSELF,
        ),
    ] = titles.PATTERN
    home_title: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(1, 200, takes_fill_ins=True),
            lambda facts: "{site} · {tagline}." if facts.home_title != "{site} · {tagline}." else "{site}.",
            editor="title_pattern",
            slots=(Slot(Place.TAB, home=True), Slot(Place.SEARCH, home=True)),
            quiet=True,
            per_language=True,
            texts=ITSELF,
        ),
    ] = titles.HOME_PATTERN
    title_long: Annotated[
        Long,
        FactSpec(
            Band.WORDS,
            rules.OneOf(LONG_RULES),
            lambda facts: "without_name" if facts.title_long != "without_name" else "keep",
            editor="title_long",
            slots=(Slot(Place.SEARCH),),
            in_words=lambda kind: Words(f"value.title_long.{kind}"),
            quiet=True,
        ),
    ] = "keep"
    keywords: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            keyword_list.rule,
            lambda facts: "otherwise" if facts.keywords != "otherwise" else "differently",
            editor="keywords",
            per_language=True,
        ),
    ] = ""
