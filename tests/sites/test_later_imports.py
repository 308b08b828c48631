"""An import takes no more of a call than its budget; the rest is a job, and nothing is lost or done twice."""

import pytest

from hestor.core.pages import package
from hestor.core.pages.package import Package
from hestor.pictures.models import Picture
from hestor.sites.models import LaterImport, Revision, Site
from hestor.sites.services import importing, later
from hestor.sites.services.importing import CallBudget, take_in
from tests.support.pictures import png

pytestmark = pytest.mark.django_db
TEXT = "---\ntitle: Beans\n---\n![a](p4.png)"


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path


def found() -> Package:
    pictures = {f"p{n}.png": png(20 + n, 20) for n in range(5)}
    return Package({"beans.md": TEXT}, pictures)


def test_what_is_past_the_budget_is_left_and_no_page_shows_a_hole(site):
    report = take_in(site, found(), CallBudget(pictures=2).is_spent)
    assert (report.pictures, report.later, report.added) == (2, 3, [])
    assert not Revision.objects.filter(site=site, path="/beans/").exists()
    again = take_in(site, found(), CallBudget(pictures=2).is_spent)
    assert (again.pictures, again.later) == (2, 1)
    last = take_in(site, found())
    assert (last.pictures, last.later, last.added) == (1, 0, ["/beans/"])
    assert Picture.objects.filter(site=site).count() == 5


def test_time_is_a_budget_too(site):
    assert take_in(site, found(), CallBudget(seconds=0.0001).is_spent).later >= 4


def test_jobs_go_on_until_all_is_in_and_say_so(site, desk, monkeypatch, tmp_path):
    monkeypatch.setattr(importing.CallBudget, "__init__", _of_two)
    monkeypatch.setattr(later, "go_on", _Queue())
    kept = later.keep(Site.objects.get(pk=site.pk), package.zipped(found().pictures.items()), 5)
    assert len(list((tmp_path / "waiting").iterdir())) == 1
    seen = []
    while later.go_on.waiting:
        _Queue.task(later.go_on.waiting.pop())
        seen.append(desk.get("/api/sites/seeds/import").json()["later"])
    assert seen == [3, 1, 0]
    kept.refresh_from_db()
    assert (kept.done is not None, Picture.objects.filter(site=site).count()) == (True, 5)
    assert list((tmp_path / "waiting").iterdir()) == []


def test_an_upload_with_too_many_pictures_answers_and_leaves_the_rest(site, desk, monkeypatch):
    import io

    monkeypatch.setattr(importing.CallBudget, "__init__", _of_two)
    sent = io.BytesIO(package.zipped([("beans.md", TEXT.encode()), *found().pictures.items()]))
    sent.name = "site.zip"
    assert desk.get("/api/sites/seeds/import").json() is None
    said = desk.post("/api/sites/seeds/import", {"files": sent}).json()
    assert (said["pictures"], said["later"], said["added"]) == (2, 3, [])
    assert LaterImport.objects.get().left == 3


def _of_two(self, pictures: int = 2, seconds: float = 60.0) -> None:
    self.pictures, self.seconds, self._until = 2, 60.0, 0.0


class _Queue:
    task = staticmethod(later.go_on.func)

    def __init__(self) -> None:
        self.waiting: list[int] = []

    def enqueue(self, number: int) -> None:
        self.waiting.append(number)
