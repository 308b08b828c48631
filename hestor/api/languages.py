"""Languages, by which an owner chooses that of a site."""

from django.http import HttpRequest
from ninja import Router

from hestor import wording
from hestor.api.schemas import LanguageOut
from hestor.towns.selectors import find_languages

router = Router(tags=["languages"])


@router.get("/languages", response=list[LanguageOut])
def search(request: HttpRequest, q: str) -> list[LanguageOut]:
    """Languages whose name, in itself or in English, begins with ``q``."""
    spoken = wording.languages("public")
    return [
        LanguageOut(
            tag=found.tag,
            own_name=found.own_name,
            name=found.name,
            own_words=found.tag.partition("-")[0] in spoken,
        )
        for found in find_languages(q)
    ]
