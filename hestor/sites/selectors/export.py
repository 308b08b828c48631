"""A draft's pages with their pictures as a ZIP of Markdown files, which can be taken in again."""

from collections.abc import Iterable, Iterator, Mapping

from hestor.core.pages import front_matter, package
from hestor.pictures import selectors as pictures
from hestor.pictures.models import Picture
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import fields_of
from hestor.sites.selectors.picture_uses import ADDRESS

_ENDS = {"jpeg": "jpg"}


def picture_names(site_id: int, keys: set[str]) -> dict[str, str]:
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


def page_files(
    revisions: Iterable[Revision], names: Mapping[str, str], folder: str = ""
) -> Iterator[tuple[str, str, Revision]]:
    """The Markdown files of pages: name, text, and the page; pictures are linked by their ``names``."""
    pages = list(revisions)
    at = {page.page_id: page.path for page in pages}
    for page in pages:
        fields = fields_of(page)
        body = fields.body
        file = folder + package.file_of(page.path)
        up = "../" * file.count("/")
        for key, name in names.items():
            body = body.replace(ADDRESS + key, up + name.replace(" ", "%20"))
        text = front_matter.written(fields.model_copy(update={"body": body}), at.get(page.parent_id or 0))
        yield file, text, page


def keys_in(revisions: Iterable[Revision]) -> set[str]:
    """The keys of the pictures that the texts of pages show."""
    return {piece[:32] for revision in revisions for piece in revision.text.body.split(ADDRESS)[1:]}


def _files(site: Site) -> Iterator[tuple[str, bytes]]:
    drafts = list(Revision.objects.in_draft_of(site).select_related("text").order_by("path"))
    names = picture_names(site.pk, keys_in(drafts))
    for name, text, _ in page_files(drafts, names):
        yield name, text.encode()
    yield from picture_files(site.pk, names)


def picture_files(site_id: int, names: Mapping[str, str]) -> Iterator[tuple[str, bytes]]:
    """The pictures themselves, by their names."""
    for key, name in names.items():
        if master := pictures.master(site_id, key):
            yield name, master.body


def zip_of(site: Site) -> bytes:
    """The ZIP."""
    return package.zipped(_files(site))
