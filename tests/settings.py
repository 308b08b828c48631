"""The settings, with a data folder of the tests' own."""

import os
import tempfile

os.environ["DATA"] = tempfile.mkdtemp(prefix="hestor-test-")
os.environ.setdefault("PORT", "8000")
os.environ.pop("HESTOR_DEMO", None)

from hestor.config.settings import *  # noqa: F403

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
