import pytest

from hestor.studio import front


@pytest.fixture(scope="module")
def studio():
    """A studio as the server has one; without it work is done on the spot."""
    opened = front.Studio()
    opened.open_by_exec()
    before, front._STUDIO = front._STUDIO, opened
    yield opened
    front._STUDIO = before
    opened.close()
