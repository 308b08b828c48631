"""Languages, by which an owner chooses that of a site."""

from django.http import HttpRequest
from ninja import Router

from hestor import translations
from hestor.api.date_schemas import WordOut
from hestor.api.schemas import LanguageOut, ProblemOut
from hestor.core.errors import InvalidInput
from hestor.core.facts import document
from hestor.towns.selectors import find_languages

_HIDDEN = ("starter.", "preview.", "unpublished.")
router = Router(tags=["languages"])


@router.get("/languages", response=list[LanguageOut])
def search(request: HttpRequest, q: str) -> list[LanguageOut]:
    """Languages whose name, in itself or in English, begins with ``q``."""
    spoken = translations.languages("public")
    return [
        LanguageOut(
            tag=language.tag,
            own_name=language.own_name,
            name=language.name,
            own_words=language.tag.partition("-")[0] in spoken,
        )
        for language in find_languages(q)
    ]


@router.get("/words", response={200: list[WordOut], 422: ProblemOut})
def own_words(request: HttpRequest, language: str, desk: str = translations.FALLBACK) -> list[WordOut]:
    """What pages themselves say in a language, each with its meaning in the desk's language ``desk``."""
    kept, problems = document.check("language", language)
    if problems:
        raise InvalidInput(problems)
    said, meant = translations.catalogue("public", str(kept)), translations.catalogue("public", desk[:20])
    spoken = translations.spoken("public", str(kept)).partition("-")[0]
    missing = spoken != str(kept).partition("-")[0]
    shown = [key for key in said if not key.startswith(_HIDDEN)]
    return [WordOut(key=key, text=said[key], meaning=meant.get(key, ""), is_missing=missing) for key in shown]
