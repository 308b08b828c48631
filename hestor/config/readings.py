"""Where the processes of one server share what they read of sites: a folder that is made at the start and ends with it.

So it is never of another database or of another version. Commands and tests, which are one process, keep it to
themselves.
"""

import os
import shutil
import tempfile

_NAME = "READINGS_FOLDER"
_MOST = 300


def make_folder() -> None:
    """Makes the folder, unless there is one, before any process is started; they find it in the environment."""
    if _NAME not in os.environ:
        os.environ[_NAME] = tempfile.mkdtemp(prefix="hestor-readings-")


def delete_folder() -> None:
    """Deletes the folder with all that is in it."""
    shutil.rmtree(os.environ.pop(_NAME), ignore_errors=True)


def cache() -> dict[str, object]:
    """Django's settings of this cache."""
    folder = os.environ.get(_NAME)
    kind = "filebased.FileBasedCache" if folder else "locmem.LocMemCache"
    options = {"MAX_ENTRIES": _MOST}
    return {"BACKEND": f"django.core.cache.backends.{kind}", "LOCATION": folder or "readings", "OPTIONS": options}
