"""The demo's data as tests start from it, made once and kept until the code or the demo changes (`make test-data`).

Run as a program: ``python -m tests.support.template FOLDER``.
"""

import json
import shutil
import subprocess
import sys
from pathlib import Path

from tests.support import databases
from tests.support.server import TOP, Caller, Server, environment, make_data

DEMO = TOP / "build" / ("test-demo-postgres" if databases.ON_POSTGRESQL else "test-demo")
# What a server has that nobody has set up yet.
BARE = DEMO.with_name(DEMO.name.replace("demo", "bare"))
ROLES = ("owner", "helper", "guest")
_SIGN_IN = """
import json, sys
import django
django.setup()
from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY
from django.contrib.sessions.backends.db import SessionStore
from hestor.accounts.models import Account
found = {}
for role in sys.argv[1:]:
    account = Account.objects.get(email=f"{role}@quillmere.example")
    session = SessionStore()
    session[SESSION_KEY] = str(account.pk)
    session[BACKEND_SESSION_KEY] = "django.contrib.auth.backends.ModelBackend"
    session[HASH_SESSION_KEY] = account.get_session_auth_hash()
    session.create()
    found[role] = session.session_key
print(json.dumps(found))
"""


def sessions_of(data: Path) -> dict[str, str]:
    """Sessions of each role that were planted in the data, by role."""
    return json.loads((data / "sessions.json").read_text())


def make(folder: Path) -> None:
    """Loads the demo, has its brand files generated and its pages swept, and plants a session for each role."""
    shutil.rmtree(folder, ignore_errors=True)
    shutil.rmtree(BARE, ignore_errors=True)
    make_data(BARE, demo=False)
    make_data(folder)
    with Server(folder) as running:
        caller = Caller(running)
        for site in caller.call("GET", "/api/sites")[1]:
            assert caller.call("GET", f"/api/sites/{site['slug']}/brand")[0] == 200
            assert caller.call("GET", f"/api/sites/{site['slug']}/sweep")[0] == 200
            assert running.ask("GET", "localhost", site["icon_url"], Cookie=caller.cookie).status == 200
    command = [sys.executable, "-c", _SIGN_IN, *ROLES]
    signed_in = subprocess.run(command, check=True, cwd=TOP, env=environment(folder), capture_output=True)
    (folder / "sessions.json").write_bytes(signed_in.stdout)


if __name__ == "__main__":
    make(Path(sys.argv[1]))
