"""Who writes: noted with each write to a draft, by fact and by page."""

from collections.abc import Callable, Collection
from contextvars import ContextVar

from hestor import clock
from hestor.accounts.models import Account
from hestor.core.facts import document
from hestor.sites.models import Authorship, Site

_AT_ONCE = 500
Who = Callable[[], Account | None]
_ACTING: ContextVar[Who] = ContextVar("acting", default=lambda: None)


def acts(who: Who) -> None:
    """From here on, in this request, it is ``who`` that writes, asked only when something is written."""
    _ACTING.set(who)


def acting() -> Account | None:
    """Who writes in this request; None where nobody at the desk does, as in a job."""
    return _ACTING.get()()


def note(site: Site, pages: Collection[int]) -> None:
    """Notes who wrote pages of the draft, and the facts in which it differs from what the database still holds.

    Within the transaction of the write. What nobody at the desk wrote is nobody's from then on.
    """
    before = Site.objects.filter(pk=site.pk).values_list("draft_facts", flat=True).first() or {}
    keys = [key for key in document.KEYS if before.get(key) != site.draft_facts.get(key)]
    written = sorted(set(pages))
    noted = Authorship.objects.filter(site=site, language=site.language)
    if keys:
        noted.filter(key__in=keys).delete()
    for start in range(0, len(written), _AT_ONCE):
        noted.filter(key="", page__in=written[start : start + _AT_ONCE]).delete()
    who = acting()
    if who is None:
        return
    said = {"site_id": site.pk, "language": site.language, "by": who, "at": clock.now()}
    facts = [Authorship(key=key, **said) for key in keys]
    Authorship.objects.bulk_create([*facts, *(Authorship(page_id=page, **said) for page in written)], _AT_ONCE)
