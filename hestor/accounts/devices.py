"""The devices on which a person is signed in, and those that an account has been used on before.

A device that somebody once signed in on keeps tries of its own, so that no stranger who tries an account's password
can keep its owner out. It shows what it is by a cookie that only this installation can have signed.
"""

import hashlib
import secrets
from datetime import datetime, timedelta
from functools import lru_cache
from ipaddress import IPv6Address

import ua_parser
from cachetools import TTLCache
from django.conf import settings
from django.contrib.sessions.models import Session
from django.core import signing
from django.http import HttpRequest, HttpResponse

from hestor import clock
from hestor.accounts.models import Account, Device
from hestor.core import origins
from hestor.core.errors import NotFound

_SALT = "hestor.device"
_YEAR = 365 * 24 * 60 * 60
_AGENT = 200
# Being seen is noted so often, not at each call.
_NOTED_EVERY = timedelta(minutes=10)
# Addresses for use within one place (RFC 4193): none of them comes from outside.
_WITHIN = int(IPv6Address("fd00::"))


def _known(request: HttpRequest) -> str:
    """The mark of the device and the account it knows; empty for a device that is new here."""
    try:
        return str(signing.loads(request.COOKIES.get(settings.DEVICE_COOKIE_NAME, ""), salt=_SALT, max_age=_YEAR))
    except signing.BadSignature:
        return ""


def address(request: HttpRequest) -> str:
    """The address that a request comes from; empty where none is known."""
    return str(request.META.get("REMOTE_ADDR") or "")


def is_known(request: HttpRequest) -> bool:
    """Whether the account that somebody tries was used on this device before."""
    email = getattr(request, "hestor_email", "")
    return bool(email) and _known(request).partition(" ")[2] == email


def origin(request: HttpRequest) -> str:
    """Where a try to sign in comes from, for counting: a device of its own if it is known, else ``core.origins``."""
    if not is_known(request):
        return origins.origin(address(request))
    mark = _known(request)
    return str(IPv6Address(_WITHIN | int.from_bytes(hashlib.sha256(mark.encode()).digest()[:14])))


def _note(request: HttpRequest, account: Account) -> None:
    agent = request.headers.get("User-Agent", "")[:_AGENT]
    known = {"account": account, "agent": agent, "seen": clock.now()}
    Device.objects.update_or_create(session_key=request.session.session_key or "", defaults=known)


def remember(request: HttpRequest, account: Account) -> None:
    """Notes that an account is signed in on this device."""
    request.session.save()
    _note(request, account)
    request.hestor_device = f"{secrets.token_hex(8)} {account.email}"  # type: ignore[attr-defined]


def mark(request: HttpRequest, response: HttpResponse) -> None:
    """Gives a device the cookie by which it is known, after somebody signed in on it."""
    if said := getattr(request, "hestor_device", ""):
        response.set_cookie(
            settings.DEVICE_COOKIE_NAME,
            signing.dumps(said, salt=_SALT),
            max_age=_YEAR,
            secure=settings.HTTPS,
            httponly=True,
            samesite="Lax",
        )


_NOTED: TTLCache[str, bool] = TTLCache(10_000, _NOTED_EVERY.total_seconds())


def note_seen(request: HttpRequest, account: Account) -> None:
    """Notes that a device is in use, now and then; one that signed in before there was a list joins it."""
    key = request.session.session_key or ""
    if key and key not in _NOTED:
        _note(request, account)
        _NOTED[key] = True


def forget_ended(now: datetime) -> None:
    """Deletes sessions that have ended, and the devices that they were on."""
    Session.objects.filter(expire_date__lte=now).delete()
    Device.objects.exclude(session_key__in=Session.objects.values("session_key")).delete()


@lru_cache(maxsize=500)
def called(agent: str) -> tuple[str, str]:
    """What a browser and its system are called, by what the browser says of itself; empty where it says nothing."""
    found = ua_parser.parse(agent)
    browser = found.user_agent.family if found.user_agent else ""
    return browser, found.os.family if found.os else ""


def signed_in(account: Account) -> list[Device]:
    """The devices on which an account is signed in, the one used last first."""
    alive = set(Session.objects.filter(expire_date__gt=clock.now()).values_list("session_key", flat=True))
    return [device for device in account.devices.order_by("-seen", "-pk") if device.session_key in alive]


def sign_out(account: Account, device_id: int) -> None:
    """Signs an account out on one device. Raises NotFound."""
    device = account.devices.filter(pk=device_id).first()
    if device is None:
        raise NotFound
    Session.objects.filter(session_key=device.session_key).delete()
    device.delete()


def sign_out_others(request: HttpRequest, account: Account) -> None:
    """Signs an account out everywhere but here."""
    for device in account.devices.exclude(session_key=request.session.session_key or ""):
        sign_out(account, device.pk)
