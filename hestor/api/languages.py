"""Languages, by which an owner chooses that of a site."""

from django.http import HttpRequest
from ninja import Router

from hestor import wording
from hestor.api.schemas import LanguageOut
from hestor.core import languages

router = Router(tags=["languages"])


@router.get("/languages", response=list[LanguageOut])
def search(request: HttpRequest, q: str) -> list[LanguageOut]:
    """Languages whose name, in itself or in English, begins with ``q``."""
    spoken = wording.languages("public")
    return [
        LanguageOut(tag=tag, own_name=own, name=name, own_words=tag.partition("-")[0] in spoken)
        for tag, own, name in languages.find(q)
    ]
