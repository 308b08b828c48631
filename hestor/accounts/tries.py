"""Wrong tries of passwords, and when so many were made that no more are taken for a while.

They are counted by origin (``core.origins``), by account however many origins try it, and, of the password that is
asked before something changes, by account alone.
"""

import hashlib
from datetime import datetime, timedelta

from django.conf import settings
from django.db.models import QuerySet
from django.http import HttpRequest

from hestor import clock
from hestor.accounts import devices
from hestor.accounts.models import WrongTry
from hestor.core import origins
from hestor.core.errors import SignInPaused

_DAY = timedelta(days=1)


def _mark(kind: str, said: str) -> str:
    """What tries of one account are known by, whether there is such an account or not."""
    return hashlib.sha256(f"{kind} {said}".encode()).hexdigest()


def _since(minutes: int) -> datetime:
    return clock.now() - timedelta(minutes=minutes)


def _lately() -> "QuerySet[WrongTry]":
    return WrongTry.objects.filter(at__gte=_since(settings.SIGN_IN_PAUSE_MINUTES))


def _is_origin_full(request: HttpRequest) -> bool:
    if devices.is_known(request):
        return _lately().filter(origin=devices.origin(request)).count() >= settings.SIGN_IN_TRIES_OF_ALL
    fields = ("origin", "network", "provider")
    around = zip(fields, origins.widening(devices.address(request)), strict=False)
    return any(
        _lately().filter(**{field: place}).count() >= settings.SIGN_IN_TRIES_OF_ALL * room
        for field, (place, room) in around
    )


def check_sign_in(request: HttpRequest, email: str) -> None:
    """Raises SignInPaused where too many wrong tries came from there, or were made on this account by strangers."""
    if _is_origin_full(request):
        raise SignInPaused(minutes=settings.SIGN_IN_PAUSE_MINUTES)
    if devices.is_known(request):
        return
    tried = WrongTry.objects.filter(mark=_mark("sign-in", email), known=False, at__gte=clock.now() - _DAY)
    oldest = tried.order_by("-at").values_list("at", flat=True)[settings.SIGN_IN_TRIES_A_DAY - 1 :].first()
    if oldest:
        left = oldest + _DAY - clock.now()
        raise SignInPaused(minutes=max(settings.SIGN_IN_PAUSE_MINUTES, -(-int(left.total_seconds()) // 60)))


def note_sign_in(request: HttpRequest, email: str) -> None:
    """Notes a wrong try to sign in."""
    _note(request, _mark("sign-in", email))


def check_current(account_id: int) -> None:
    """Raises SignInPaused where the current password of an account was given wrong too often."""
    if _lately().filter(mark=_mark("current", str(account_id))).count() >= settings.SIGN_IN_TRIES:
        raise SignInPaused(minutes=settings.SIGN_IN_PAUSE_MINUTES)


def note_current(request: HttpRequest, account_id: int) -> None:
    """Notes that the current password of an account was given wrong."""
    _note(request, _mark("current", str(account_id)))


def _note(request: HttpRequest, mark: str) -> None:
    known = devices.is_known(request)
    around = [place for place, _ in origins.widening(devices.address(request))]
    origin, network, provider = (*around, "", "")[:3]
    WrongTry.objects.create(
        mark=mark,
        known=known,
        origin=devices.origin(request) if known else origin,
        network=network,
        provider=provider,
        at=clock.now(),
    )


def forget_old(now: datetime) -> None:
    """Deletes what is not counted any more."""
    WrongTry.objects.filter(at__lt=now - _DAY).delete()
