"""What a visitor was told has arrived is there after the server was killed, and so is what was to be sent of it."""

import re

from tests.support.server import OWNER, Caller, Server, copy_data
from tests.support.template import DEMO

STAMP = re.compile(r'name="stamp" value="([^"]+)"')
HOST = "quillmere.localhost"


def write(server: Server, message: str) -> int:
    stamp = STAMP.search(server.get(HOST, "/contact/")[1].decode())
    assert stamp
    return server.send_form(HOST, "/contact/", {"email": "v@visitor.example", "message": message, "stamp": stamp[1]})


def test_killed_right_after_the_answer(tmp_path):
    with Server(copy_data(DEMO, tmp_path / "data")) as server:
        for number in range(3):
            assert write(server, f"Message number {number}") == 303
            server.kill()
            server.start()
        desk = Caller(server, OWNER)
        inbox = desk.call("GET", "/api/sites/quillmere/enquiries?q=number")[1]
        tray = desk.call("GET", "/api/sites/quillmere/mail?q=number")[1]
    assert [one["message"] for one in inbox["enquiries"]] == [f"Message number {n}" for n in (2, 1, 0)]
    assert len(tray["messages"]) == 3
