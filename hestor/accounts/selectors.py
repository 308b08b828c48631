"""Reading accounts."""

from hestor.accounts.models import Account


def is_first_run() -> bool:
    """Whether nobody has an account yet."""
    return not Account.objects.exists()
