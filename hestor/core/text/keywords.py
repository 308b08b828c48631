"""Keywords of a page or a site, as HTML's meta element has them: tokens between commas (HTML, 4.2.5.1)."""

from hestor.core.errors import Problem
from hestor.core.rules import Checked, Line

MOST = 30
_LINE, _KEYWORD = Line(0, 500), Line(0, 60)


def split(text: str) -> tuple[str, ...]:
    """The keywords of a text, each once, whatever its case; a comma of any script parts them."""
    for comma in ("،", "、", "，", ";", "؛"):
        text = text.replace(comma, ",")
    found = (" ".join(part.split()) for part in text.split(","))
    kept: dict[str, str] = {}
    for one in found:
        if one:
            kept.setdefault(one.casefold(), one)
    return tuple(kept.values())


def rule(key: str, given: object) -> Checked[str]:
    """At most thirty keywords, each of at most sixty characters."""
    text, problems = _LINE(key, given)
    if problems:
        return text, problems
    found = split(text)
    if len(found) > MOST:
        return text, (Problem(key, "keywords_many", {"most": MOST, "count": len(found)}),)
    long = [problem for one in found for problem in _KEYWORD(key, one)[1]]
    return (text, (Problem(key, "keyword_long", {"most": _KEYWORD.most}),)) if long else (", ".join(found), ())
