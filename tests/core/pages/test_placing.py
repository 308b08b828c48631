"""Moving a page within the tree."""

from dataclasses import dataclass

from hypothesis import given
from hypothesis import strategies as st

from hestor.core.pages import placing, tree
from hestor.core.pages.placing import LAST, Target


@dataclass(frozen=True)
class Page:
    page_id: int
    parent_id: int | None
    order: int
    path: str


def pages(*rows: tuple[int, int | None, int]) -> list[Page]:
    return [Page(number, parent, order, f"/{number}/") for number, parent, order in rows]


def moved(before: list[Page], page: int, parent: int | None, index: int) -> list[placing.NewPlace]:
    here = {one.page_id: one for one in before}
    siblings = [here[one] for one in below(before, parent)]
    return placing.moved(here[page], siblings, Target(parent, index))


def after(before: list[Page], *move) -> list[Page]:
    new = {place.page: place for place in moved(before, *move)}
    return [
        Page(one.page_id, new[one.page_id].parent, new[one.page_id].order, one.path) if one.page_id in new else one
        for one in before
    ]


def below(found: list[Page], parent: int | None) -> list[int]:
    nodes = {node.page.page_id: node for node in _all(tree.nested(found))}
    children = nodes[parent].children if parent else tree.nested(found)
    return [node.page.page_id for node in children]


def _all(nodes):
    for node in nodes:
        yield node
        yield from _all(node.children)


def test_a_page_goes_up_down_in_and_out():
    found = pages((1, None, 0), (2, None, 1), (3, None, 2), (4, 2, 1))
    assert below(after(found, 3, None, 0), None) == [3, 1, 2]
    assert below(after(found, 1, None, 2), None) == [2, 3, 1]
    inside = after(found, 3, 2, 0)
    assert (below(inside, None), below(inside, 2)) == ([1, 2], [3, 4])
    assert below(after(inside, 4, None, 99), None) == [1, 2, 4]


def test_who_stands_right_already_is_not_written():
    found = pages((1, None, 1), (2, None, 2), (3, None, 3))
    assert moved(found, 2, None, 1) == []
    assert [place.page for place in moved(found, 3, None, 1)] == [3, 2]


@given(st.lists(st.integers(0, 5), min_size=1, max_size=8), st.data())
def test_wherever_it_goes_it_stands_there_and_the_others_keep_their_order(orders, data):
    found = pages(*((number, None, order) for number, order in enumerate(orders, 1)))
    page = data.draw(st.integers(1, len(found)))
    index = data.draw(st.integers(0, len(found) + 2))
    others = [one for one in below(found, None) if one != page]
    row = below(after(found, page, None, index), None)
    assert row.index(page) == min(index, len(others))
    assert [one for one in row if one != page] == others


def test_steps_lead_past_below_and_out():
    def step(page, way):
        return placing.stepped(page, way, [1, 2, 3], 9, [8, 9], 7)

    assert step(2, "up") == Target(9, 0)
    assert step(2, "down") == Target(9, 2)
    assert step(2, "into") == Target(1, LAST)
    assert step(2, "out") == Target(7, 2)
    assert step(1, "up") is step(1, "into") is step(3, "down") is None
    assert placing.stepped(1, "out", [1], None, [], None) is None


def test_a_drop_lands_beside_a_page_or_below_it():
    assert placing.dropped(1, 3, "before", [1, 2, 3], 9) == Target(9, 1)
    assert placing.dropped(3, 1, "after", [1, 2, 3], 9) == Target(9, 1)
    assert placing.dropped(5, 1, "before", [1, 2, 3], None) == Target(None, 0)
    assert placing.dropped(5, 1, "into", [1, 2, 3], None) == Target(1, LAST)
