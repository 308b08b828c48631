"""A real nginx in front of a server, with the configuration that Hestor makes for it."""

import http.client
import os
import shutil
import socket
import subprocess
import time
from dataclasses import dataclass, field
from pathlib import Path

from tests.support.server import Server, environment, free_port, said_by

NGINX = shutil.which("nginx", path=f"{os.environ.get('PATH', '')}:/usr/sbin")
_MODULES = Path("/etc/nginx/modules-enabled")
_MAIN = """
{modules}
daemon off;
master_process on;
worker_processes 2;
pid {folder}/nginx.pid;
error_log {folder}/error.log warn;
events {{ worker_connections 4096; }}
http {{
    access_log off;
    client_body_temp_path {folder}/body;
    proxy_temp_path {folder}/proxy;
    fastcgi_temp_path {folder}/fastcgi;
    uwsgi_temp_path {folder}/uwsgi;
    scgi_temp_path {folder}/scgi;
    sendfile on;
    tcp_nopush on;
    keepalive_requests 100000;
    {user}
    include {folder}/hestor.conf;
    {more}
}}
"""
# What each server says of itself and of the connection, and what says only that something is still being sent.
_ITS_OWN = {"date", "server", "connection", "keep-alive", "transfer-encoding", "via"}


@dataclass
class Nginx:
    """An nginx that listens at ``port``, in front of ``server``."""

    folder: Path
    server: Server
    port: int = field(default_factory=free_port)
    more: str = ""
    settings: dict[str, str] = field(default_factory=dict)
    options: tuple[str, ...] = ()
    _process: subprocess.Popen | None = None

    def _configure(self) -> None:
        own = {**environment(self.server.data, self.server.port), **self.server.more, **self.settings}
        made = said_by(own, "nginx_config", "--port", str(self.port), *self.options)
        assert made
        # Not every machine has an IPv6 of its own.
        plain = "\n".join(line for line in made.splitlines() if "[::]" not in line)
        (self.folder / "hestor.conf").write_text(plain)
        modules = "".join(path.read_text() for path in sorted(_MODULES.glob("*brotli*"))) if _MODULES.exists() else ""
        modules = modules.replace("modules/", "/usr/lib/nginx/modules/")
        main = _MAIN.format(folder=self.folder, modules=modules, user="", more=self.more)
        if os.geteuid() == 0:
            # As root nginx gives its work to another user, whom temporary folders of tests are closed to.
            main = "user root;\n" + main
        (self.folder / "nginx.conf").write_text(main)

    def start(self) -> "Nginx":
        self.folder.mkdir(parents=True, exist_ok=True)
        self._configure()
        command = [
            NGINX,
            "-p",
            str(self.folder),
            "-c",
            str(self.folder / "nginx.conf"),
            "-e",
            str(self.folder / "start.log"),
        ]
        self._process = subprocess.Popen(command, stderr=subprocess.PIPE)
        deadline = time.monotonic() + 10
        while time.monotonic() < deadline:
            with socket.socket() as probe:
                if probe.connect_ex(("127.0.0.1", self.port)) == 0:
                    return self
            if self._process.poll() is not None:
                raise RuntimeError(self._process.stderr.read().decode())
            time.sleep(0.02)
        raise RuntimeError("nginx did not start")

    def stop(self) -> None:
        if self._process:
            self._process.terminate()
            self._process.wait(timeout=10)
            self._process.stderr.close()

    def __enter__(self) -> "Nginx":
        return self.start()

    def __exit__(self, *_: object) -> None:
        self.stop()


def ask(port: int, host: str, path: str, method: str = "GET", body: bytes | None = None, **headers: str):
    """Status, headers but those that are each server's own, and body."""
    connection = http.client.HTTPConnection("127.0.0.1", port, timeout=30)
    try:
        sent = {"Host": host, **{name.replace("_", "-"): value for name, value in headers.items()}}
        connection.request(method, path, body, sent)
        answer = connection.getresponse()
        said = sorted((n.lower(), v) for n, v in answer.getheaders() if n.lower() not in _ITS_OWN)
        return answer.status, said, answer.read()
    finally:
        connection.close()
