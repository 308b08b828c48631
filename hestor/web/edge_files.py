"""Which responses may be laid down as files, for which span of time, and how."""

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta

from hestor import clock, edge_cache
from hestor.edge_cache import nginx, paths
from hestor.rendering import Response
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import address_key, folder_of, host_of
from hestor.sites.selectors.lifecycle import is_closed
from hestor.web import encoding, etags, serving

_CODINGS = ("br", "gzip")
_QUARTER = timedelta(minutes=15)
_PLACES_OF = (
    "slug",
    "domain",
    "live_number",
    "with_www",
    "folder",
    "domain_confirmed",
    "closed",
    "closed_until",
    "deleted",
)


@dataclass(frozen=True)
class Span:
    """A span of time by the clock of UTC, in the words that the web server's configuration has for it."""

    name: str
    begin: datetime
    end: datetime


def spans(now: datetime) -> list[Span]:
    """The spans that ``now`` is in, the longest first.

    A year is one but for four days around its turn, as it turns at another moment in each zone (UTC-12 to UTC+14).
    """
    now = now.astimezone(UTC)
    year = Span(f"{now.year}", datetime(now.year, 1, 3, tzinfo=UTC), datetime(now.year, 12, 30, tzinfo=UTC))
    begun = now.replace(hour=0, minute=0, second=0, microsecond=0)
    day = Span(f"{begun:%Y-%m-%d}", begun, begun + timedelta(days=1))
    quarter = now.replace(minute=now.minute // 15 * 15, second=0, microsecond=0)
    found_spans = [day, Span(f"{quarter:%Y-%m-%dT%H}-{quarter.minute // 15}", quarter, quarter + _QUARTER)]
    return [year, *found_spans] if year.begin <= now < year.end else found_spans


def is_file(path: str, response: Response) -> bool:
    """Whether a response is the same for everybody, with the headers that all such have, its type among them."""
    is_same = response.status == 200 and not response.stamped and not response.policy
    return is_same and response.media_type == nginx.media_type(path)


def _bodies(response: Response) -> dict[str, tuple[bytes, int]]:
    bodies = {"": (response.body, etags.number(response.body, ""))}
    for coding in _CODINGS:
        if encoding.choose(coding, response.media_type, len(response.body)):
            encoded = encoding.encode(response.body, coding)
            bodies[coding] = (encoded, etags.number(response.body, coding))
    return bodies


def _span(site: Site, now: datetime) -> Span | None:
    """The longest span around now in which nothing of the moment turns that pages depend on."""
    at = serving.moment_at(site, now)
    for span in spans(now):
        if serving.moment_at(site, span.begin) == at == serving.moment_at(site, span.end - timedelta(microseconds=1)):
            return span
    return None


def _is_current(site: Site) -> bool:
    now = Site.objects.only(*_PLACES_OF).filter(pk=site.pk).first()
    if now is None or is_closed(now) or now.deleted:
        return False
    now = now.in_language(site.language) if site.language else now
    return (now.live_number, address_key(now)) == (site.live_number, address_key(site))


def offer(site: Site, path: str, response: Response) -> bool:
    """Lays a response down, if it may be, and leads visitors to it; says whether it is there.

    ``path`` is the whole one, with the folder that the site is in.
    """
    if not edge_cache.is_on() or not is_file(path, response) or is_closed(site):
        return False
    now = clock.now()
    span, edition = _span(site, now), serving.edition_identity(site)
    if span is None or edition is None:
        return False
    key = paths.key_of(edition, address_key(site), serving.moment_at(site, now))
    if not edge_cache.lay(site.pk, key, path, lambda: _bodies(response)):
        return False
    return edge_cache.link(site.pk, host_of(site), span.name, key, lambda: _is_current(site))


def offer_page(site: Site, path: str) -> bool:
    """As ``offer``, for the address of a page within its site."""
    response = serving.live(site, path, "identity").response
    return offer(site, folder_of(site) + path, response)
