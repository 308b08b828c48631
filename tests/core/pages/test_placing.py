"""Moving a page within the tree."""

from dataclasses import dataclass

from hypothesis import given
from hypothesis import strategies as st

from hestor.core.pages import placing, tree


@dataclass(frozen=True)
class Page:
    page_id: int
    parent_id: int | None
    order: int
    path: str


def pages(*rows: tuple[int, int | None, int]) -> list[Page]:
    return [Page(number, parent, order, f"/{number}/") for number, parent, order in rows]


def after(before: list[Page], *move) -> list[Page]:
    new = {place.page: place for place in placing.moved(before, *move)}
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


def test_all_that_stands_below_a_page_comes_after_what_it_is_below():
    found = pages((1, None, 0), (2, 1, 2), (3, 1, 1), (4, 3, 0), (5, None, 1))
    assert [one.page_id for one in tree.below(found, 1)] == [3, 4, 2]
    assert [one.page_id for one in tree.below(found, 3)] == [4]
    assert tree.below(found, 5) == tree.below(found, 9) == ()


def test_who_stands_right_already_is_not_written():
    found = pages((1, None, 1), (2, None, 2), (3, None, 3))
    assert placing.moved(found, 2, None, 1) == []
    assert [place.page for place in placing.moved(found, 3, None, 1)] == [3, 2]


@given(st.lists(st.integers(0, 5), min_size=1, max_size=8), st.data())
def test_wherever_it_goes_it_stands_there_and_the_others_keep_their_order(orders, data):
    found = pages(*((number, None, order) for number, order in enumerate(orders, 1)))
    page = data.draw(st.integers(1, len(found)))
    index = data.draw(st.integers(0, len(found) + 2))
    others = [one for one in below(found, None) if one != page]
    row = below(after(found, page, None, index), None)
    assert row.index(page) == min(index, len(others))
    assert [one for one in row if one != page] == others
