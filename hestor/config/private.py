"""Keeps the installation's files readable to the user that runs it alone."""

from pathlib import Path


def close_to_others() -> None:
    """Takes from everybody else on the machine what they may do in the data folder."""
    from django.conf import settings

    data = Path(settings.DATA)
    for path in (data, *data.iterdir()):
        _close(path)
    for path in (data / "pictures").glob("*"):
        _close(path)


def _close(path: Path) -> None:
    try:
        if path.stat().st_mode & 0o077:
            path.chmod(path.stat().st_mode & 0o700)
    except OSError:
        # Another's, or gone meanwhile; the server runs all the same.
        return
