"""The present moment. Everything outside of the core asks here, so that tests can say what time it is."""

from datetime import UTC, datetime

from django.conf import settings


def now() -> datetime:
    """The moment that it is, in UTC; or the one that ``HESTOR_NOW`` names."""
    fixed: datetime | None = settings.FIXED_NOW
    return fixed or datetime.now(UTC)
