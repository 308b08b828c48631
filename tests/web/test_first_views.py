"""The first views after a start, all at once: what has to be measured first makes nobody wait for ever."""

import json
from concurrent.futures import ThreadPoolExecutor

from tests.support.server import Caller, Server, copy_data
from tests.support.template import DEMO

SITES = ("quillmere", "silberpfad", "narjis")


def test_many_first_views_at_once_are_all_answered(tmp_path):
    with Server(copy_data(DEMO, tmp_path / "data")) as server:
        caller = Caller(server)
        body = json.dumps({}).encode()
        sent = {"Content-Type": "application/json", "Cookie": caller.cookie}

        def status(call: tuple[str, str]) -> int:
            site, what = call
            if what == "public":
                return server.get(f"{site}.localhost", "/")[0]
            with server.ask("POST", "localhost", f"/api/sites/{site}/{what}", body, **sent) as answer:
                answer.read()
                return answer.status

        calls = [(site, what) for _ in range(3) for what in ("proofs", "reach", "public") for site in SITES]
        with ThreadPoolExecutor(len(calls)) as pool:
            assert set(pool.map(status, calls, timeout=60)) == {200}
