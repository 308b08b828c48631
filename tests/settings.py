"""The settings, with a data folder of the tests' own."""

import os
import tempfile

os.environ["DATA"] = tempfile.mkdtemp(prefix="hestor-test-")
os.environ.setdefault("PORT", "8000")
os.environ.pop("HESTOR_DEMO", None)
os.environ["HESTOR_NOW"] = "2026-05-01T12:00:00+00:00"

from hestor.config.settings import *  # noqa: F403

# Tables are made as the models have them; migrations are gone through where data is loaded for servers
# (`make test-data`), and compared with the models in a test.
for one in DATABASES.values():  # noqa: F405
    one["TEST"] = {"MIGRATE": False}
PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
