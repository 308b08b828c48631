"""Pages that Hestor makes itself: their addresses, and the one page of a kind that a site has."""

from hestor import translations
from hestor.core.pages import paths
from hestor.core.pages.fields import Kind
from hestor.sites.models import Revision, Site
from hestor.sites.services.pages import add_page


def free_path(site: Site, above: str, title: str, stem: str) -> str:
    """An address below a page that no other page of the draft has, made from a title, else from ``stem``."""
    stem = paths.slug_from(title) or stem
    taken = set(Revision.objects.in_draft_of(site).filter(path__startswith=above).values_list("path", flat=True))
    number = 1
    while (path := f"{above}{stem}{f'-{number}' if number > 1 else ''}/") in taken:
        number += 1
    return path


# A legal notice is linked from the contact page; the menu is for what people come for.
_NOT_IN_MENU: tuple[Kind, ...] = ("imprint",)


def page_of_kind(site: Site, kind: Kind) -> Revision:
    """The page of a kind; made where there is none, in the site's language, last in the menu if it belongs there."""
    revision = Revision.objects.in_draft_of(site).filter(kind=kind).order_by("path").first()
    if revision:
        return revision
    title = translations.catalogue("public", site.facts.language)[f"starter.{kind}"]
    fields = {
        "path": free_path(site, "/", title, kind),
        "title": title,
        "kind": kind,
        "in_menu": kind not in _NOT_IN_MENU,
    }
    last = Revision.objects.in_draft_of(site).filter(in_menu=True).order_by("-order").first()
    return add_page(site, {**fields, "order": last.order + 1 if last else 1})
