"""What strangers send is looked at in the sandbox alone: nothing else of the server reads a byte of it."""

import ast
import io
import zipfile
from pathlib import Path

import pytest

from hestor.core.errors import PictureRefused, TooMuchWork
from hestor.pictures import services
from hestor.sandbox import client

TOP = Path(__file__).parents[2]
# Whatever of the core and of the renderer takes the bytes of a file; given to the sandbox they may be, called not.
READERS = {
    "hestor.core.imaging.sniffing": None,
    "hestor.core.imaging.ingest": {"ingest"},
    "hestor.core.imaging.svg": None,
    "hestor.core.imaging.raster": {"png", "drawn_within", "opened", "drawn"},
    "hestor.core.imaging.crops": {"proposed"},
    "hestor.core.imaging.logos": {"measured"},
    "hestor.core.imaging.ico_reader": None,
    "hestor.core.pages.package": {"of_zip", "read_entry"},
    "hestor.core.pages.site_package": {"of_zip", "read"},
    "hestor.core.sweep.zipped": {"unpack"},
    "zipfile": {"ZipFile"},
    "PIL": None,
}
# They are themselves what the sandbox does; ZIPs that are only written are our own.
WITHIN = {
    "hestor/pictures/services.py": {"_small"},
    "hestor/sites/selectors/brand_report.py": {"_found_in_picture", "_icon_in_pixels"},
}


def _names(tree: ast.Module) -> dict[str, str]:
    """What a module calls what it imports, by its whole name."""
    found = {}
    for node in ast.walk(tree):
        if isinstance(node, ast.Import):
            found |= {one.asname or one.name: one.name for one in node.names}
        elif isinstance(node, ast.ImportFrom):
            found |= {one.asname or one.name: f"{node.module}.{one.name}" for one in node.names}
    return found


def _is_reader(called: str) -> bool:
    module, _, name = called.rpartition(".")
    return module in READERS and (READERS[module] is None or name in READERS[module])


def _calls(node: ast.AST, within: str = "") -> list[tuple[str, ast.Call]]:
    found = []
    for child in ast.iter_child_nodes(node):
        here = child.name if isinstance(child, ast.FunctionDef) and not within else within
        found += [(here, child)] if isinstance(child, ast.Call) else []
        found += _calls(child, here)
    return found


def callers() -> list[str]:
    found = []
    parts = ("api", "sites", "pictures", "web", "mail", "jobs", "desk", "accounts", "edge_cache")
    for path in sorted(path for part in parts for path in (TOP / "hestor" / part).rglob("*.py")):
        name = str(path.relative_to(TOP))
        tree = ast.parse(path.read_text())
        names = _names(tree)
        for function, call in _calls(tree):
            head, _, rest = ast.unparse(call.func).partition(".")
            called = f"{names.get(head, '')}.{rest}" if rest else names.get(head, "")
            if _is_reader(called) and function not in WITHIN.get(name, ()):
                found.append(f"{name}: {function} calls {called}")
    return found


def test_nobody_but_the_sandbox_calls_what_reads_bytes():
    assert callers() == []


@pytest.fixture
def nothing_is_read(monkeypatch):
    """A sandbox that is asked and does nothing: whatever is read all the same is read here."""
    asked = []

    class Door:
        is_open = True

        def do(self, work: bytes, limits: object) -> object:
            asked.append(limits)
            raise TooMuchWork

    monkeypatch.setattr(client, "_SANDBOX", Door())
    return asked


HOSTILE = b"<!---->" * 32 + b"<x/>"


def zipped() -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("a.png", HOSTILE)
    return out.getvalue()


@pytest.mark.parametrize(
    ("address", "name", "body"),
    [
        ("/api/sites/seeds/pictures", "file", HOSTILE),
        ("/api/sites/seeds/import", "files", zipped()),
        ("/api/packages", "file", zipped()),
        ("/api/check", "file", zipped()),
    ],
)
def test_each_upload_goes_to_the_sandbox_as_it_is(desk, nothing_is_read, address, name, body):
    upload = io.BytesIO(body)
    upload.name = "a.zip" if body.startswith(b"PK") else "a.png"
    assert desk.post(address, {name: upload}).status_code == 422
    assert len(nothing_is_read) == 1


@pytest.mark.parametrize("body", [HOSTILE, b"<!---->" * 2_800 + b"<x/>", b"<!DOCTYPE svg [" + b"]  " * 6_000])
def test_what_was_made_to_be_told_for_ever_is_told_at_once(sandbox, site, body):
    with pytest.raises(PictureRefused):
        services.upload(site.pk, "a.svg", body)
