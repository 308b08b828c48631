import pytest

from hestor.sandbox import client


@pytest.fixture(scope="module")
def sandbox():
    """A sandbox as the server has one; without it work is done on the spot."""
    opened = client.Sandbox()
    opened.open_by_exec()
    before, client._STUDIO = client._STUDIO, opened
    yield opened
    client._STUDIO = before
    opened.close()
