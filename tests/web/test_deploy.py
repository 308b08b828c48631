"""What leads from an empty machine to a site on its own domain, tried as far as this machine allows."""

import configparser
import json
import os
import shutil
import subprocess
from collections.abc import Iterator
from pathlib import Path

import pytest

from tests.support import roots
from tests.support.nginx import NGINX, Nginx
from tests.support.server import TOP, Server, copy_data, environment, free_port, manage
from tests.support.template import DEMO

DEPLOY = TOP / "deploy"
needs_nginx = pytest.mark.skipif(NGINX is None or shutil.which("curl") is None, reason="nginx or curl is missing")


@pytest.fixture
def secure(tmp_path) -> Iterator[Nginx]:
    """nginx with HTTPS in front of a server whose desk and sites have names, and one site a domain of its own."""
    certificates = tmp_path / "certificates"
    for name in ("desk.example.org", "sites.example.org", "quillmere.example"):
        (certificates / name).mkdir(parents=True)
        key, chain = certificates / name / "privkey.pem", certificates / name / "fullchain.pem"
        made = ["openssl", "req", "-x509", "-newkey", "ec", "-pkeyopt", "ec_paramgen_curve:prime256v1", "-nodes"]
        subject = ["-days", "2", "-subj", f"/CN={name}", "-addext", f"subjectAltName=DNS:{name},DNS:*.{name}"]
        subprocess.run([*made, *subject, "-keyout", key, "-out", chain], check=True, capture_output=True)
    port, plain = free_port(), free_port()
    own = {"HESTOR_HTTPS": "1", "HESTOR_DESK_HOST": "desk.example.org", "HESTOR_SITES_DOMAIN": "sites.example.org"}
    own |= {"HESTOR_FRONT": str(tmp_path / "front"), "HESTOR_NOW": "", "HESTOR_PUBLIC_PORT": str(port)}
    data = copy_data(DEMO, tmp_path / "data")
    manage(data, "set_domain", "quillmere", "www.quillmere.example")
    options = ("--certificates", str(certificates), "--plain-port", str(plain))
    with Server(data, more=own, workers=2) as server:
        ready = _wait(server)
        assert ready
        with Nginx(tmp_path / "nginx", server, port=port, options=options) as nginx:
            nginx.plain = plain
            yield nginx


def _wait(server: Server) -> bool:
    return server.get("127.0.0.1", "/healthz")[0] == 200


def curl(nginx: Nginx, url: str, *more: str) -> tuple[int, dict[str, str], str]:
    """Status, headers and HTTP version of an answer, by a client that leads every name to this machine."""
    port = str(nginx.plain) if url.startswith("http:") else str(nginx.port)
    scheme, _, rest = url.partition("://")
    host, slash, path = rest.partition("/")
    command = ["curl", "-sk", "--http2", "-o", os.devnull, "-D", "-", "-w", "%{http_version}", *more]
    resolve = ["--resolve", f"{host}:{port}:127.0.0.1"]
    said = subprocess.run(
        [*command, *resolve, f"{scheme}://{host}:{port}{slash}{path}"], capture_output=True, text=True
    )
    head, _, version = said.stdout.rpartition("\n")
    first, *lines = head.replace("\r", "").strip().splitlines()
    headers = {name.lower(): value for name, _, value in (line.partition(": ") for line in lines)}
    return int(first.split()[1]), headers, version.strip()


@needs_nginx
def test_https_own_domain_and_former_addresses(secure):
    status, headers, version = curl(secure, "https://www.quillmere.example/about/")
    assert (status, version) == (200, "2")
    assert headers["strict-transport-security"] == "max-age=31536000"
    again = curl(secure, "https://www.quillmere.example/about/")
    assert again == (status, {**headers, "date": again[1]["date"]}, version)
    base = f"https://www.quillmere.example:{secure.port}"
    for former in ("https://quillmere.example/about/", "https://quillmere.sites.example.org/about/"):
        assert curl(secure, former)[:2][0] == 301
        assert curl(secure, former)[1]["location"] == f"{base}/about/"
    status, headers, _ = curl(secure, "http://desk.example.org/")
    assert (status, headers["location"]) == (301, f"https://desk.example.org:{secure.port}/")
    assert curl(secure, "https://desk.example.org/")[0] == 200
    assert curl(secure, "https://nobody.sites.example.org/")[0] == 404


@needs_nginx
def test_signing_in_through_the_proxy_and_who_asks_is_believed_of_it_alone(secure, tmp_path):
    body = tmp_path / "body.json"
    body.write_text(json.dumps({"email": "owner@quillmere.example", "password": "demo-seedling-42"}))
    json_sent = ("-H", "Content-Type: application/json", "--data", f"@{body}")
    status, headers, _ = curl(secure, "https://desk.example.org/api/session", *json_sent)
    assert status == 200
    cookie = headers["set-cookie"]
    assert "__Host-" in cookie
    assert "secure" in cookie.lower()


def test_the_unit_is_one_that_systemd_takes():
    service = _unit()
    assert (service["NoNewPrivileges"], service["ProtectSystem"], service["User"]) == ("yes", "strict", "hestor")
    assert (TOP / service["ExecStart"].removeprefix("/opt/hestor/")).stat().st_mode & 0o100
    if shutil.which("systemd-analyze"):
        said = subprocess.run(["systemd-analyze", "verify", DEPLOY / "hestor.service"], capture_output=True, text=True)
        assert "Unknown" not in said.stderr
        assert "Failed to parse" not in said.stderr


def test_commands_of_the_guide_are_ones_that_there_are():
    guide = (TOP / "docs" / "deploy.md").read_text()
    named = {line.split("manage.py ")[1].split()[0].strip("`") for line in guide.splitlines() if "manage.py " in line}
    assert named >= {"nginx_config", "check_install", "backup", "restore", "warm"}
    listed = {path.stem for path in (TOP / "hestor").glob("*/management/commands/*.py")}
    assert named <= listed | {"migrate", "dumpdata", "loaddata"}
    for path in ("deploy/hestor.service", "deploy/hestor.env", "deploy/Containerfile"):
        assert path in guide
        assert (TOP / path).exists()


def test_the_start_script_serves_what_the_container_and_the_unit_start(tmp_path):
    own = {**environment(tmp_path / "data", free_port()), "HESTOR_DEMO": "0"}
    script = (TOP / "scripts" / "serve").read_text()
    assert "gunicorn -c hestor/config/server.py" in script
    said = subprocess.run(["bash", "-n", str(TOP / "scripts" / "serve")], env=own, capture_output=True, text=True)
    assert (said.returncode, said.stderr) == (0, "")
    assert Path(TOP / "deploy" / "Containerfile").read_text().count("FROM ") == 2


def _unit() -> configparser.SectionProxy:
    unit = configparser.ConfigParser(strict=False, interpolation=None)
    unit.optionxform = str
    unit.read(DEPLOY / "hestor.service")
    return unit["Service"]


AS_SHIPPED = """
mkdir -p /opt/hestor && mount --bind {top} /opt/hestor
for kept in lib/hestor cache/hestor backups/hestor; do
  mkdir -p /var/$kept && mount -t tmpfs -o uid=65534,gid=65534,mode=700 none /var/$kept
done
cd {directory}
setpriv --reuid 65534 --regid 65534 --clear-groups env -i {settings} {start} >/tmp/said-{number} 2>&1 &
for _ in $(seq 150); do
  python3 -c "import urllib.request as u; print(u.urlopen('http://127.0.0.1:8000/healthz').status)" 2>&1 && exit 0
  sleep 0.2
done
cat /tmp/said-{number}
exit 1
"""


@pytest.mark.long
@roots.root_only
def test_the_service_starts_as_it_is_shipped(tmp_path):
    """With the unit's command, as another user, in what the guide makes, and with the settings of the example alone."""
    service = _unit()
    assert service["EnvironmentFile"] == "/etc/hestor.env"
    lines = (DEPLOY / "hestor.env").read_text().splitlines()
    settings = " ".join(line for line in lines if line and line[0] != "#")
    assert "PORT=" not in settings
    script = AS_SHIPPED.format(
        top=TOP,
        directory=service["WorkingDirectory"],
        settings=f"PATH={os.environ['PATH']} {settings}",
        start=service["ExecStart"],
        number=os.getpid(),
    )
    said = roots.run(script)
    assert (said.returncode, said.stdout.splitlines()[-1:]) == (0, ["200"]), said.stdout + said.stderr
