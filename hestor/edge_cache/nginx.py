"""The configuration of an nginx in front, made from the settings."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from pathlib import Path

from jinja2 import Environment, FileSystemLoader, StrictUndefined

# By the ends of names; what the renderer gives them.
TYPES = (
    ("text/css; charset=utf-8", "css"),
    ("text/javascript; charset=utf-8", "js"),
    ("text/plain; charset=utf-8", "txt"),
    ("text/calendar; charset=utf-8", "ics"),
    ("text/vcard; charset=utf-8", "vcf"),
    ("application/xml; charset=utf-8", "xml"),
    ("application/manifest+json; charset=utf-8", "webmanifest"),
    ("image/svg+xml", "svg"),
    ("image/png", "png"),
    ("image/jpeg", "jpg jpeg"),
    ("image/gif", "gif"),
    ("image/webp", "webp"),
    ("image/avif", "avif"),
    ("image/vnd.microsoft.icon", "ico"),
    ("font/woff2", "woff2"),
)


PAGE_TYPE = "text/html; charset=utf-8"
FEED_TYPE = "application/atom+xml; charset=utf-8"
_BY_ENDING = {ending: media for media, endings in TYPES for ending in endings.split()}


def media_type(path: str) -> str:
    """The type by which the web server hands out what is laid down for an address; empty where it knows none."""
    name = path.rpartition("/")[2]
    if not name:
        return PAGE_TYPE
    return FEED_TYPE if name == "feed.xml" else _BY_ENDING.get(name.rpartition(".")[2] if "." in name else "", "")


@dataclass(frozen=True)
class Web:
    """What the configuration says: hosts, ports, where files and certificates are, and the headers of every answer."""

    desk: str
    sites: str
    domains: Sequence[str]
    front: str
    hosts: Sequence[str]
    https: bool
    certificates: str
    headers: Mapping[str, str]
    port: int
    plain_port: int = 80
    brotli: bool = True


def config(web: Web) -> str:
    """The configuration."""
    jinja = Environment(  # noqa: S701 it is no page
        loader=FileSystemLoader(Path(__file__).parent), undefined=StrictUndefined, trim_blocks=True, lstrip_blocks=True
    )
    template = jinja.get_template("nginx.conf.jinja")
    values = {name: getattr(web, name) for name in web.__dataclass_fields__}
    return template.render(
        **values, fixed=list(web.headers.items()), types=TYPES, page_type=PAGE_TYPE, feed_type=FEED_TYPE
    )
