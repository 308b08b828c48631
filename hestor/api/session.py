"""Signing in and out, and the first account."""

from django.conf import settings
from django.http import HttpRequest
from ninja import Router, Status

from hestor.accounts import demo, selectors, services
from hestor.api.account_schemas import DemoAccount, NewAccount, Person, SessionOut, SignIn
from hestor.api.schemas import ProblemOut
from hestor.sites.selectors.access import may_make_sites

router = Router(tags=["session"])


def _session(request: HttpRequest) -> SessionOut:
    user = request.user
    account = user if user.is_authenticated else None
    person = (
        Person(
            email=account.email,
            name=account.shown_name,
            language=account.language,
            may_make_sites=may_make_sites(account),
            keeps_installation=selectors.keeps_installation(account),
        )
        if account
        else None
    )
    accounts = demo.ACCOUNTS.items() if settings.DEMO else ()
    shown = [DemoAccount(email=email, role=role, password=demo.PASSWORD) for email, role in accounts]
    return SessionOut(account=person, first_run=not account and selectors.is_first_run(), demo_accounts=shown)


@router.get("/session", auth=None, response=SessionOut)
def show(request: HttpRequest) -> SessionOut:
    """Who is signed in."""
    return _session(request)


@router.post("/session", auth=None, response={200: SessionOut, 401: ProblemOut, 429: ProblemOut})
def sign_in(request: HttpRequest, given: SignIn) -> SessionOut:
    """Signs in."""
    services.sign_in(request, given.email, given.password)
    return _session(request)


@router.delete("/session", auth=None, response={204: None})
def sign_out(request: HttpRequest) -> Status[None]:
    """Signs out."""
    services.sign_out(request)
    return Status(204, None)


@router.post("/accounts", auth=None, response={201: SessionOut, 409: ProblemOut, 422: ProblemOut})
def make_first_account(request: HttpRequest, given: NewAccount) -> Status[SessionOut]:
    """Makes the first account, and signs it in."""
    account = services.make_first_account(given.email, given.name, given.password)
    services.sign_in(request, account.email, given.password)
    return Status(201, _session(request))
