"""Reading accounts."""

from hestor.accounts.models import Account
from hestor.core.errors import Forbidden


def is_first_run() -> bool:
    """Whether nobody has an account yet."""
    return not Account.objects.exists()


def keeps_installation(account: Account) -> bool:
    """Whether a person is the one who set the installation up: whose account was the first."""
    return account.pk == Account.objects.order_by("pk").values_list("pk", flat=True).first()


def require_keeper(account: Account) -> None:
    """Raises Forbidden for everybody but the person who set the installation up."""
    if not keeps_installation(account):
        raise Forbidden(role="", action="keep")
