"""Files made from pictures: taken from what was made before, else made now and kept."""

from hestor.pictures import store
from hestor.press.answer import Answer
from hestor.press.marks import PREFIX, Marks, media_type


def file(site_id: int, marks: Marks, path: str) -> Answer | None:
    """The file at an address below the marks' prefix; None if neither kept nor made from these marks."""
    name = path.removeprefix(PREFIX)
    known = media_type(name)
    if known is None:
        return marks.make(path)
    if kept := store.made(site_id, name):
        return Answer(200, known, kept, immutable=True)
    made = marks.make_all(path)
    for address, answer in made.items():
        store.keep_made(site_id, address.removeprefix(PREFIX), answer.body)
    return made.get(path)
