"""The guide's first steps in an empty Debian, as shipped: it builds with the old Node that Debian has, and serves.

It takes minutes and Debian's packages, so it is of ``make test-long``.
"""

import os
import shutil
import subprocess
from pathlib import Path

import pytest

from tests.support import roots
from tests.support.server import TOP

pytestmark = [
    pytest.mark.long,
    roots.root_only,
    pytest.mark.skipif(shutil.which("debootstrap") is None, reason="debootstrap is not installed"),
]
# Of what the guide installs, all that building and serving needs; and the Node that is too old.
PACKAGES = "python3,python3-venv,make,git,ca-certificates,nodejs"
CERTIFICATES = Path("/etc/ssl/certs/ca-certificates.crt")
# What this machine's own network asks for.
NETWORK = {
    name: os.environ[name] for name in ("PIP_CERT", "NODE_EXTRA_CA_CERTS", "SSL_CERT_FILE") if name in os.environ
}
STEPS = """
set -e
useradd --system --home-dir /var/lib/hestor hestor
cd /opt/hestor
case $(node --version) in v1[0-9].*) ;; *) echo "this Node is not old"; exit 1; esac
make build
cp deploy/hestor.env /etc/hestor.env
install -d -o hestor -m 700 /var/backups/hestor /var/lib/hestor
install -d -o hestor -m 755 /var/cache/hestor
grep -q '^EnvironmentFile=/etc/hestor.env$' deploy/hestor.service
start=$(sed -n 's/^ExecStart=//p' deploy/hestor.service)
settings="PATH=/usr/bin:/bin $(grep -v '^#' /etc/hestor.env)"
setpriv --reuid hestor --regid hestor --clear-groups env -i $settings $start >/tmp/said 2>&1 &
for _ in $(seq 300); do
  python3 -c "import urllib.request as u; print('healthy', u.urlopen('http://127.0.0.1:8000/healthz').status)" && break
  sleep 0.2
done
set -a; . /etc/hestor.env; set +a
.venv/bin/python manage.py nginx_config > /tmp/hestor.conf && grep -q desk.example.org /tmp/hestor.conf
.venv/bin/python manage.py backup
find /var/backups/hestor /var/lib/hestor -user root
cat /tmp/said >&2
"""


@pytest.fixture(scope="module")
def empty(tmp_path_factory) -> Path:
    root = tmp_path_factory.mktemp("machine") / "root"
    made = ["debootstrap", "--variant=minbase", f"--include={PACKAGES}", "bookworm", str(root)]
    subprocess.run(made, check=True, capture_output=True)
    listed = subprocess.run(["git", "ls-files", "-z"], cwd=TOP, check=True, capture_output=True).stdout
    target = root / "opt" / "hestor"
    for name in listed.decode().split("\0"):
        if name and (TOP / name).is_file():
            (target / name).parent.mkdir(parents=True, exist_ok=True)
            shutil.copy2(TOP / name, target / name)
    # As a clone of root's is; this process may keep all that it makes to itself.
    subprocess.run(["chmod", "-R", "go+rX", target.parent], check=True)
    shutil.copy2("/etc/resolv.conf", root / "etc" / "resolv.conf")
    if CERTIFICATES.exists():
        shutil.copy2(CERTIFICATES, root / CERTIFICATES.relative_to("/"))
    return root


def test_the_guide_leads_to_a_server_that_answers(empty):
    inside = ["unshare", "--pid", "--mount", "--fork", "--kill-child", "chroot", str(empty), "bash", "-c"]
    own = {"PATH": "/usr/sbin:/usr/bin:/sbin:/bin", "HOME": "/root", "LANG": "C.UTF-8", **NETWORK}
    steps = "mount -t proc none /proc; " + STEPS
    said = subprocess.run([*inside, steps], env=own, capture_output=True, text=True, timeout=1200)
    assert said.returncode == 0, said.stdout[-3000:] + said.stderr[-3000:]
    assert "healthy 200" in said.stdout
    # Nothing that root did on the way belongs to root.
    assert [line for line in said.stdout.splitlines() if line.startswith("/var/")] == []
