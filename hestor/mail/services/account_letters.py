"""What an account's addresses are told when another one is to be the one to sign in with.

The new one is asked by a link, the one before is told at once, so that nobody's account moves away unseen.
"""

from datetime import datetime

from django.conf import settings
from django.core import signing
from django.db import transaction

from hestor import translations
from hestor.accounts.models import Account
from hestor.core.errors import LinkSpent
from hestor.mail.models import Message
from hestor.mail.selectors.letters import from_the_desk
from hestor.mail.services.posting import put
from hestor.sites.selectors.addresses import desk_origin

_SALT = "hestor.account-address"
_MOST_SHOWN = 4


def _say(key: str, receiver: str, now: datetime, **said: str) -> None:
    subject, text = (
        translations.say(f"account_letter.{key}.subject", **said),
        translations.say(f"account_letter.{key}", **said),
    )
    put(None, from_the_desk(subject, text, receiver, translations.speaking(), now), now)


@transaction.atomic
def ask(account: Account, nonce: str, now: datetime) -> None:
    """Sends the link to the address that is wished, and word of it to the one before."""
    token = signing.dumps([account.pk, nonce], salt=_SALT)
    link = f"{desk_origin()}/confirm-address/{token}"
    _say("ask", account.wished_email, now, link=link, address=account.email)
    _say("told", account.email, now, address=account.wished_email)


def tell_changed(before: str, address: str, now: datetime) -> None:
    """Tells the address before that another one is in force."""
    _say("changed", before, now, address=address)


def read(token: str) -> tuple[int, str]:
    """Account and nonce of a link. Raises LinkSpent for one that was altered."""
    try:
        account, nonce = signing.loads(token, salt=_SALT)
    except (signing.BadSignature, ValueError, TypeError) as error:
        raise LinkSpent from error
    return int(account), str(nonce)


def kept_for(account: Account) -> list[Message]:
    """The newest messages to a person's addresses, to be read where mail does not leave; none where it does."""
    if settings.SMTP:
        return []
    receivers = [one for one in (account.email, account.wished_email) if one]
    messages = Message.objects.filter(site=None, kind="account", receiver__in=receivers).select_related("body")
    return list(messages.order_by("-pk")[:_MOST_SHOWN])
