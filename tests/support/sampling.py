"""How much of what is made up at random `make test` tries, and how much `make test-long`.

A test that takes more than some seconds at full size says both: what it needs to notice a mistake in a day's work, with
its edges as examples of their own, and what it needs before a release.
"""

import os
from collections.abc import Sequence
from typing import TypeVar

from hypothesis import HealthCheck, settings

LONG = os.environ.get("TESTS_LONG") == "1"
"""Whether this is `make test-long`."""
T = TypeVar("T")


def examples(few: int, many: int = 2_000) -> settings:
    """The settings of a test of properties: ``few`` examples, or ``many`` at full size."""
    checks = [HealthCheck.function_scoped_fixture, HealthCheck.too_slow]
    return settings(max_examples=many if LONG else few, deadline=None, suppress_health_check=checks)


def sample(whole: Sequence[T], *at: int) -> list[T]:
    """Of a list of cases those at some places; all at full size."""
    return list(whole) if LONG else [whole[place] for place in at]
