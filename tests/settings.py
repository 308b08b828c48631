"""The settings, with a data folder of the tests' own."""

import os
import tempfile

os.environ["DATA"] = tempfile.mkdtemp(prefix="hestor-test-")
os.environ.setdefault("PORT", "8000")
os.environ.pop("HESTOR_DEMO", None)
os.environ["HESTOR_NOW"] = "2026-05-01T12:00:00+00:00"

from hestor.config.settings import *  # noqa: F403

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
