"""What an owner says once for all sites."""

from django.http import HttpRequest
from ninja import Router, Status

from hestor.accounts.models import Account
from hestor.api.auth import signed_in, site_for
from hestor.api.mail_schemas import DefaultIn, DefaultOut, DefaultSiteOut, SiteDefaultsOut
from hestor.api.schemas import ProblemOut
from hestor.api.words import fact_words
from hestor.core.errors import NotFound
from hestor.core.facts import document
from hestor.core.roles import Action
from hestor.sites.selectors import defaults as selectors
from hestor.sites.services import defaults

router = Router(tags=["defaults"])


def _out(account: Account, key: str) -> DefaultOut:
    said = selectors.defaults_of(account)
    sites = [
        DefaultSiteOut(
            slug=one.site.slug,
            name=one.site.facts.name,
            words=fact_words(key, one.value),
            is_same=one.is_same,
            is_unsaid=one.is_unsaid,
        )
        for one in selectors.standing(account, key)
    ]
    value = said.get(key)
    words = fact_words(key, value) if key in said else ""
    return DefaultOut(key=key, value=value, words=words, is_set=key in said, sites=sites)


def _known(key: str) -> str:
    if key not in document.COMMON_KEYS:
        raise NotFound
    return key


@router.get("/sites/{site}/defaults", response={200: SiteDefaultsOut, 404: ProblemOut})
def of_site(request: HttpRequest, site: str) -> SiteDefaultsOut:
    """The defaults that a site goes by: those of its owner."""
    found_site = site_for(request, site, Action.VIEW)
    owner = selectors.owner_of(found_site)
    said = selectors.defaults_of(owner) if owner else {}
    return SiteDefaultsOut(
        values=said,
        words={key: fact_words(key, value) for key, value in said.items()},
        differing=selectors.differing(found_site, said),
        mine=owner == signed_in(request),
    )


@router.get("/account/defaults", response=list[DefaultOut])
def list_all(request: HttpRequest) -> list[DefaultOut]:
    """All defaults of the caller, with how each site stands to them."""
    account = signed_in(request)
    return [_out(account, key) for key in selectors.defaults_of(account)]


@router.get("/account/defaults/{key}", response={200: DefaultOut, 404: ProblemOut})
def show(request: HttpRequest, key: str) -> DefaultOut:
    """One default, set or not, and how each of the caller's sites stands to it."""
    return _out(signed_in(request), _known(key))


@router.put("/account/defaults/{key}", response={200: DefaultOut, 404: ProblemOut, 422: ProblemOut})
def keep(request: HttpRequest, key: str, given: DefaultIn) -> DefaultOut:
    """Keeps a default, and says it in the drafts of the sites that are named."""
    account = signed_in(request)
    defaults.set_default(account, _known(key), given.value, given.sites)
    return _out(account, key)


@router.delete("/account/defaults/{key}", response={204: None, 404: ProblemOut})
def drop(request: HttpRequest, key: str) -> Status[None]:
    """Lets a default go; sites go on saying what they say."""
    defaults.drop_default(signed_in(request), _known(key))
    return Status(204, None)
