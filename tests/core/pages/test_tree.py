from typing import NamedTuple

from hypothesis import given
from hypothesis import strategies as st

from hestor.core.pages import tree


class Row(NamedTuple):
    page_id: int
    parent_id: int | None
    order: int
    path: str


def test_pages_stand_below_their_parents_in_their_order():
    rows = [Row(1, None, 2, "/b/"), Row(2, None, 1, "/a/"), Row(3, 1, 0, "/b/x/"), Row(4, 3, 0, "/b/x/y/")]
    assert [(row.page_id, depth) for row, depth in tree.walk(tree.nested(rows))] == [(2, 0), (1, 0), (3, 1), (4, 2)]


def test_a_page_whose_parent_is_gone_stands_at_the_top():
    assert [depth for _, depth in tree.walk(tree.nested([Row(1, 99, 0, "/a/")]))] == [0]


@given(st.lists(st.tuples(st.integers(0, 30), st.integers(0, 5)), max_size=30))
def test_every_page_is_there_once(given):
    rows = [Row(n, parent if parent < n else None, order, f"/{n}/") for n, (parent, order) in enumerate(given)]
    assert sorted(row.page_id for row, _ in tree.walk(tree.nested(rows))) == [row.page_id for row in rows]
