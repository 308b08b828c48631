"""Files made from pictures: taken from what was made before, else made now and kept."""

from hestor.pictures import store
from hestor.press.answer import Answer
from hestor.press.marks import PREFIX, Marks, media_type


def file(site_id: int, marks: Marks, path: str, keep: bool = True) -> Answer | None:
    """The file at an address below the marks' prefix; None if neither kept nor made from these marks.

    ``keep`` is false for what is made while somebody is still choosing: most of it is never asked for again.
    """
    name = path.removeprefix(PREFIX)
    known = media_type(name)
    if known is None:
        return marks.make(path)
    if kept := store.made(site_id, name):
        return Answer(200, known, kept, immutable=True)
    try:
        made = marks.make_all(path)
    except FileNotFoundError:
        # Its picture was let go meanwhile, by another process.
        return None
    for address, answer in made.items() if keep else ():
        store.keep_made(site_id, address.removeprefix(PREFIX), answer.body)
    return made.get(path)
