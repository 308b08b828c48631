"""The facts of a site in one of its languages, and saying them in it."""

from collections.abc import Callable, Mapping

from hestor.core.errors import Problem
from hestor.core.facts.document import PER_LANGUAGE, SPECS, Facts, check_all
from hestor.core.facts.overlays import MAIN, of_language, with_layer
from hestor.core.rules import Value


def _is_main(facts: Facts, language: str) -> bool:
    return language in (MAIN, facts.language)


def facts_in(facts: Facts, language: str = MAIN) -> Facts:
    """The facts as they are said in a language: one flat layer, in which the main language stands in for what is not.

    ``language`` is a BCP 47 tag; ``MAIN``, or the main language's own, gives the facts as they are.
    """
    if _is_main(facts, language):
        return facts.model_copy(update={"overlays": ()}) if facts.overlays else facts
    said = of_language(facts.overlays, language).values
    return facts.model_copy(update={**said, "language": language, "overlays": ()})


def said_in(facts: Facts, language: str) -> frozenset[str]:
    """The keys of the facts that are said in a further language."""
    return frozenset(of_language(facts.overlays, language).values)


def languages_of(facts: Facts) -> tuple[str, ...]:
    """The languages in which anything is said: the main one (``MAIN``), then the others' tags in alphabetical order."""
    return MAIN, *(layer.language for layer in facts.overlays)


def checked(facts: Facts, language: str, given: Mapping[str, object]) -> tuple[dict[str, Value], tuple[Problem, ...]]:
    """The good values of ``given`` as they would be kept in a language, and all problems of the others.

    In a further language None takes a fact's words away, and a fact that is the same in all languages is a problem.
    """
    if _is_main(facts, language):
        return check_all(given)
    same = [key for key in given if key in SPECS and key not in PER_LANGUAGE]
    unsaid: dict[str, Value] = {key: None for key, value in given.items() if value is None and key in PER_LANGUAGE}
    good, problems = check_all({key: one for key, one in given.items() if key not in unsaid and key not in same})
    return {**good, **unsaid}, (*problems, *(Problem(key, "same_in_all_languages") for key in same))


def saying(facts: Facts, language: str, values: Mapping[str, Value]) -> Facts:
    """``facts`` with checked values said in a language; in a further one, None has the main language's stand in."""
    if _is_main(facts, language):
        return facts.model_copy(update=dict(values))
    layer = of_language(facts.overlays, language).saying(values)
    return facts.model_copy(update={"overlays": with_layer(facts.overlays, layer)})


def everywhere(facts: Facts, change: Callable[[Facts], Mapping[str, Value]]) -> Facts:
    """``facts`` with a change made in every language: ``change`` gives other values for what one of them says."""
    changed = facts
    for language in languages_of(facts):
        values = change(facts_in(facts, language))
        own = values if language == MAIN else {key: values[key] for key in values.keys() & said_in(facts, language)}
        changed = saying(changed, language, own)
    return changed
