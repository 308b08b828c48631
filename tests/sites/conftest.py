import pytest

from hestor.sandbox import client


@pytest.fixture(scope="module")
def sandbox():
    """A sandbox as the server has one; without it work is done on the spot."""
    opened = client.Sandbox()
    opened.open_by_exec()
    before, client._SANDBOX = client._SANDBOX, opened
    yield opened
    client._SANDBOX = before
    opened.close()
