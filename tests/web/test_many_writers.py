"""Many people write at once, in two processes: nothing fails, nothing confirmed is lost, no edition comes twice."""

import threading
from collections import Counter
from string import ascii_lowercase as LETTERS

import pytest

from tests.support.server import Caller, Server, copy_data
from tests.support.template import DEMO

PEOPLE, ROUNDS = 20, 1


class Person(threading.Thread):
    """Writes facts, pages and labels, publishes, signs in anew; a stale write is read anew and tried again."""

    def __init__(self, server: Server, number: int, cookie: str) -> None:
        super().__init__()
        self.caller = Caller.__new__(Caller)
        self.caller.server, self.caller.cookie = server, cookie
        self.number = number
        self.answers: Counter[int] = Counter()
        self.editions: list[int] = []
        self.pages: list[str] = []

    def asks(self, method: str, path: str, body=None, **headers: str):
        status, answer = self.caller.call(method, f"/api/sites/quillmere{path}", body, **headers)
        self.answers[status] += 1
        return status, answer

    def add_a_word(self) -> None:
        """An update that is lost if somebody else's is written over it."""
        for _ in range(200):
            _, style = self.asks("GET", "/style")
            words = [*style["facts"]["description"].split(), LETTERS[self.number]]
            given = {"facts": {"description": " ".join(words)}}
            if self.asks("PATCH", "/style", given, **{"If-Match": str(style["revision"])})[0] == 200:
                return
        raise AssertionError("two hundred writes were stale")

    def run(self) -> None:
        for turn in range(ROUNDS):
            self.add_a_word()
            path = f"/many/{self.number}-{turn}/"
            if self.asks("POST", "/pages", {"path": path, "title": f"Page {turn}"})[0] == 201:
                self.pages.append(path)
            self.asks("PATCH", "", {"label": f"L {self.number} {turn}"})
            status, made = self.asks("POST", "/editions")
            if status == 201:
                self.editions.append(made["number"])
        if self.number % 5 == 0:
            self.caller.call("POST", "/api/session", {"email": "guest@quillmere.example", "password": "wrong"})


@pytest.mark.long
@pytest.mark.xdist_group("many")
def test_twenty_at_once(tmp_path):
    with Server(copy_data(DEMO, tmp_path / "data"), workers=2) as server:
        caller = Caller(server)
        revision = caller.call("GET", "/api/sites/quillmere/style")[1]["revision"]
        empty = {"facts": {"description": ""}}
        assert caller.call("PATCH", "/api/sites/quillmere/style", empty, **{"If-Match": str(revision)})[0] == 200
        people = [Person(server, number, caller.cookie) for number in range(PEOPLE)]
        for person in people:
            person.start()
        for person in people:
            person.join()
        facts = caller.call("GET", "/api/sites/quillmere/style")[1]["facts"]
        pages = {page["path"] for page in caller.call("GET", "/api/sites/quillmere/pages")[1]}
    answers = sum((person.answers for person in people), Counter())
    assert {status for status in answers if status not in (200, 201, 409, 412)} == set(), answers
    words = Counter(facts["description"].split())
    assert words == dict.fromkeys(LETTERS[:PEOPLE], ROUNDS)
    assert {path for person in people for path in person.pages} <= pages
    editions = [number for person in people for number in person.editions]
    assert len(editions) == len(set(editions)) > 0
