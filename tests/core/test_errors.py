import pytest

from hestor.core.errors import InvalidInput


def test_a_refusal_without_a_reason_is_a_mistake_of_ours():
    with pytest.raises(ValueError, match="at least one"):
        InvalidInput([])
