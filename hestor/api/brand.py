"""The brand report of the draft: logo, icon, share picture, colours; also while they are being chosen."""

import base64
from typing import Any, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Router

from hestor.api.auth import site_for
from hestor.api.description import gives
from hestor.api.errors import field_error
from hestor.api.files import FileAddresses
from hestor.api.picture_schemas import BrandIn, BrandOut, TokensIn, TokensOut
from hestor.api.schemas import ProblemOut
from hestor.core.errors import NotFound
from hestor.core.imaging import emblems, legibility, palettes, shapes, tokens, typefaces
from hestor.core.roles import Action
from hestor.rendering import faces
from hestor.sites.models import Site
from hestor.sites.selectors.brand_report import BrandReport, brand_report

router = Router(tags=["brand"])
_SHAPE_INK = "#71778f"


def _data(png: bytes) -> str:
    return f"data:image/png;base64,{base64.b64encode(png).decode()}"


def _pair(pair: palettes.Pair) -> dict[str, Any]:
    same = {key: getattr(pair, key) for key in ("name", "fore", "back", "needed", "is_text", "asked", "moved")}
    return {**same, "ratio": round(pair.ratio, 2), "difference": round(pair.difference, 1)}


def _logo(site: Site, report: BrandReport, name: str) -> dict[str, Any] | None:
    logo = report.logos.get(name)
    if logo is None:
        return None
    return {
        "src": FileAddresses(site, report.facts).address_of(logo.shown.src.replace("1x.", f"{logo.largest}x.")),
        "width": logo.shown.width, "height": logo.shown.height, "shape": logo.measured.shape,
        "trim": logo.measured.trim, "sensible_width": logo.measured.width, "one_colour": logo.measured.one_colour,
        "standing": logo.measured.standing, "sharp_to": logo.measured.sharp_to,
        "modern_bytes": logo.modern_bytes, "fallback_bytes": logo.fallback_bytes, "scales": logo.largest,
        "is_banner": report.brand.has_banner, "phone_part": logo.measured.phone_part,
        "advice": [vars(one) for one in logo.advice],
    }  # fmt: skip


def _out(site: Site, typed: dict[str, Any]) -> dict[str, Any]:
    report = brand_report(site, typed)
    brand, facts = report.brand, report.facts
    addresses = FileAddresses(site, facts)
    themes = palettes.themes(facts.brand_colour, facts.accent_colour)
    return {
        "logo": _logo(site, report, "logo"),
        "logo_dark": _logo(site, report, "logo_dark"),
        "icon": {
            "starter": facts.icon is None,
            "names": list(brand.icon_names),
            "files": {name: addresses.address_of(brand.icon_folder + name) for name in brand.icon_names},
            "pixels": {str(size): _data(png) for size, png in report.pixels.items()},
            "advice": list(report.legibility.advice),
            "at": [
                {"size": at.size, "light": at.stands_out["light"], "dark": at.stands_out["dark"], "lost": at.lost}
                for at in report.legibility.at
            ],
            "used": report.legibility.used,
            "crop": report.crop,
            "mark": report.mark,
            "grounds": dict(legibility.GROUNDS),
            "most_letters": emblems.MOST_LETTERS,
            "undrawn": brand.undrawn_of_icon,
        },
        "share": {
            "src": addresses.address_of(brand.share.src),
            "composed": facts.share_picture is None,
            "alt": brand.share.alt,
            "bytes": report.share_bytes,
            "undrawn": brand.undrawn_of_share,
        },
        "colours": {name: [_pair(pair) for pair in theme.pairs] for name, theme in themes.items()},
        "proposals": {key: list(colours) for key, colours in report.proposals.items()},
        "shapes": list(shapes.SHAPES),
        "forms": list(emblems.FORMS),
        "typefaces": [
            {"key": key, "heading": pair.heading.family, "text": pair.text.family}
            for key, pair in typefaces.PAIRS.items()
        ],
        "errors": [field_error(problem) for problem in report.problems],
    }


@router.get("/sites/{site}/brand", response={200: BrandOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> dict[str, Any]:
    """The brand report of the draft."""
    return _out(site_for(request, site, Action.VIEW), {})


@router.post("/sites/{site}/brand", response={200: BrandOut, 404: ProblemOut})
def typed(request: HttpRequest, site: str, given: BrandIn) -> dict[str, Any]:
    """The same with facts as they are being chosen; nothing is kept."""
    return _out(site_for(request, site, Action.VIEW), given.facts)


@router.get("/shapes/{shape}", auth=None, openapi_extra=gives("image/svg+xml"))
def shape(request: HttpRequest, shape: str) -> HttpResponse:
    """One of the shapes, as a drawing in a mid grey that can be made out in light and dark."""
    if shape not in shapes.SHAPES:
        raise NotFound
    ink = f'fill="{_SHAPE_INK}" color="{_SHAPE_INK}"'
    body = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" {ink}>{shapes.SHAPES[shape]}</svg>'
    response = HttpResponse(body, content_type="image/svg+xml")
    response["Cache-Control"] = "max-age=86400"
    return response


@router.get("/sites/{site}/tokens.{kind}", openapi_extra=gives("application/json", "text/css"))
def export(request: HttpRequest, site: str, kind: Literal["json", "css"]) -> HttpResponse:
    """Colours and typefaces of the draft as a file: design tokens (``json``) or custom properties (``css``)."""
    found_site = site_for(request, site, Action.VIEW)
    text, media = (
        (tokens.to_css(found_site.facts), "text/css")
        if kind == "css"
        else (tokens.to_json(found_site.facts), "application/json")
    )
    response = HttpResponse(text, content_type=f"{media}; charset=utf-8")
    response["Content-Disposition"] = (
        f'attachment; filename="{found_site.slug}-tokens.{"css" if kind == "css" else "json"}"'
    )
    return response


@router.post("/sites/{site}/tokens", response={200: TokensOut, 422: ProblemOut})
def read(request: HttpRequest, site: str, given: TokensIn) -> dict[str, Any]:
    """What a file of tokens says: facts to take, and every colour in it. Nothing is kept."""
    site_for(request, site, Action.EDIT)
    found = tokens.read(given.text)
    return {"facts": dict(found.facts), "colours": dict(found.colours)}


@router.get("/typefaces/{family}", auth=None, openapi_extra=gives("font/woff2"))
def typeface(request: HttpRequest, family: str) -> HttpResponse:
    """A shipped typeface's file, so that the desk can show it before it is chosen."""
    body = faces.file_of(family)
    if body is None:
        raise NotFound
    response = HttpResponse(body, content_type="font/woff2")
    response["Cache-Control"] = "max-age=86400"
    return response
