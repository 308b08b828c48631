"""What is still to be said of an icon's letters: those of a former name, not those that never began one."""

import pytest

from hestor.core.checklist import Seen, items
from hestor.core.facts.assets import DrawnIcon
from hestor.core.facts.document import Facts


def kinds(name, letters, former, short=""):
    facts = Facts(name=name, short_name=short, icon=DrawnIcon(letters=letters))
    return [one.kind for one in items(Seen(facts, 3, former_names=former))]


@pytest.mark.parametrize(
    ("name", "letters", "former", "told"),
    [
        ("Quillmere Seed Library", "Q", ("Seed Exchange",), False),
        ("Harrow Library", "Q", ("Quillmere Seed Library",), True),
        ("Harrow Library", "QS", ("Quillmere Seed Library",), True),
        ("Harrow Library", "HL", ("Quillmere Seed Library",), False),
        ("Harrow Library", "ha", ("Quillmere",), False),
        ("Harrow Library", "✿", ("Quillmere",), False),
        ("Harrow Library", "Q", (), False),
        ("مكتبة النرجس", "ن", ("نرجس",), True),
    ],
)
def test_letters_are_told_when_they_began_a_name_and_begin_none_now(name, letters, former, told):
    assert ("icon_letters" in kinds(name, letters, former)) is told


def test_letters_of_the_short_name_are_its_own():
    assert "icon_letters" not in kinds("The Library at Harrow", "H", ("Hare",), short="Harrow")
