"""New values for fields of pages that leave their texts as they are: many pages at once, and nothing is compiled.

So nobody waits for the sandbox meanwhile, and all of it is one transaction. The caller checks which values may be.
"""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from hestor import clock
from hestor.core.errors import NotFound
from hestor.core.pages import signature
from hestor.core.pages.fields import PageFields
from hestor.core.text import markdown
from hestor.core.text.markdown import CompiledText
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import columns_of
from hestor.sites.services.locking import bump

Values = Mapping[str, Any]
"""By field name, as a revision keeps them; the page above is ``parent_id``."""
_WORDS = {"title", "summary"}


_ITS_OWN = {"id", "in_draft", "live_from", "live_to", "written", "place"}
"""What of a revision no other one has from it."""


def copied(old: Revision, **values: Any) -> Revision:
    """A new draft state that says what a former one said, but for ``values``; both share one text."""
    fields = (f.attname for f in Revision._meta.concrete_fields)
    return Revision(**{name: getattr(old, name) for name in fields if name not in _ITS_OWN} | values)


def _changed(old: Revision, values: Values, now: datetime) -> Revision:
    """A new state of a page with other values, and the signature that those make."""
    made = copied(old, place=old.place, **values)
    compiled = CompiledText(old.text.html, old.text.excerpt, markdown.fills_in(old.text.html))
    made.signature = signature.signature_of(PageFields(**columns_of(made)), compiled).text
    if values.keys() & _WORDS:
        made.worded = now
    return made


def _live_again(site: Site, mades: Mapping[int, Revision]) -> dict[int, Revision]:
    """The live states of those pages that say again what they say in public."""
    found = {}
    for live in Revision.objects.leaving(site.pk).in_language_of(site).filter(page_id__in=mades):
        made = mades[live.page_id]
        if columns_of(live) == columns_of(made) and live.text_id == made.text_id:
            found[live.page_id] = live
    return found


def put(site: Site, wanted: Mapping[int, Values]) -> list[int]:
    """Puts values in place, within the caller's transaction and lock; gives the pages that changed.

    Raises NotFound for a page that the draft does not have.
    """
    drafts = Revision.objects.in_draft_of(site).filter(page_id__in=wanted).select_related("text")
    olds = {draft.page_id: draft for draft in drafts}
    if wanted.keys() - olds.keys():
        raise NotFound
    changed = {
        page: values
        for page, values in wanted.items()
        if any(getattr(olds[page], name) != value for name, value in values.items())
    }
    if not changed:
        return []
    now = clock.now()
    mades = {page: _changed(olds[page], values, now) for page, values in changed.items()}
    again = _live_again(site, mades)
    live = [olds[page].pk for page in changed if olds[page].live_from is not None]
    new = [olds[page].pk for page in changed if olds[page].live_from is None]
    Revision.objects.filter(pk__in=live).leave()
    Revision.objects.filter(pk__in=new).delete()
    Revision.objects.filter(pk__in=[one.pk for one in again.values()]).come_in()
    Revision.objects.bulk_create([made for page, made in mades.items() if page not in again], batch_size=500)
    bump(site, list(changed))
    return list(changed)
