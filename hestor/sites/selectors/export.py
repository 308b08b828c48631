"""A draft's pages with their pictures as a ZIP of Markdown files, which can be taken in again."""

from collections.abc import Iterator

from hestor.core.pages import front_matter, package
from hestor.pictures import selectors as pictures
from hestor.pictures.models import Picture
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import fields_of
from hestor.sites.selectors.picture_uses import ADDRESS

_ENDS = {"jpeg": "jpg"}


def _picture_names(site_id: int, keys: set[str]) -> dict[str, str]:
    """A name for each picture within the ZIP, by its key: as it came, told apart by the key where two are alike."""
    names: dict[str, str] = {}
    seen: set[str] = set()
    for one in Picture.objects.filter(site_id=site_id, key__in=keys).order_by("pk"):
        stem = one.name.rpartition(".")[0] or one.name
        name = f"pictures/{stem}.{_ENDS.get(one.kind, one.kind)}"
        if name.casefold() in seen or package.clean_name(name) != name:
            name = f"pictures/{one.key}.{_ENDS.get(one.kind, one.kind)}"
        seen.add(name.casefold())
        names.setdefault(one.key, name)
    return names


def _files(site: Site) -> Iterator[tuple[str, bytes]]:
    drafts = list(Revision.objects.in_draft_of(site.pk).select_related("text").order_by("path"))
    at = {one.page_id: one.path for one in drafts}
    keys = {piece[:32] for one in drafts for piece in one.text.body.split(ADDRESS)[1:]}
    names = _picture_names(site.pk, keys)
    for one in drafts:
        fields = fields_of(one)
        body = fields.body
        up = "../" * package.file_of(one.path).count("/")
        for key, name in names.items():
            body = body.replace(ADDRESS + key, up + name.replace(" ", "%20"))
        text = front_matter.written(fields.model_copy(update={"body": body}), at.get(one.parent_id or 0))
        yield package.file_of(one.path), text.encode()
    for key, name in names.items():
        if master := pictures.master(site.pk, key):
            yield name, master.body


def zip_of(site: Site) -> bytes:
    """The ZIP."""
    return package.zipped(_files(site))
