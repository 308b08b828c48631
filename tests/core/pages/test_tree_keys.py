"""Keys that give pages in the order of the tree, held to the tree itself."""

from dataclasses import dataclass
from datetime import date

from hypothesis import given
from hypothesis import strategies as st

from hestor.core.pages import tree, tree_keys


@dataclass(frozen=True)
class Page:
    page_id: int
    parent_id: int | None
    order: int
    path: str
    kind: str = "page"
    published: date | None = None


NAMES = ["a", "a-b", "a.b", "b", "é", "z", "中"]


@st.composite
def trees(draw) -> list[Page]:
    count = draw(st.integers(0, 12))
    paths = draw(
        st.lists(
            st.lists(st.sampled_from(NAMES), max_size=3).map(lambda parts: "/" + "".join(f"{one}/" for one in parts)),
            min_size=count, max_size=count, unique=True,
        )
    )  # fmt: skip
    # A page stands below one that was made before it, or below one that is gone.
    return [
        Page(n, draw(st.sampled_from([None, 99, *range(1, n)])), draw(st.integers(0, 2)), path)
        for n, path in enumerate(paths, 1)
    ]


@given(trees(), st.randoms())
def test_keys_put_pages_in_the_order_of_the_tree(pages, random):
    random.shuffle(pages)
    keys = tree_keys.keys_of(pages, {})
    by_key = [
        (page.page_id, keys[page.page_id].count(tree_keys.END) - 1)
        for page in sorted(pages, key=lambda p: keys[p.page_id])
    ]
    assert by_key == [(page.page_id, depth) for page, depth in tree.walk(tree.nested(pages))]


def test_posts_come_after_all_pages_the_newest_first():
    posts = [
        Page(1, None, 0, "/n/old/", "post", date(2020, 1, 1)),
        Page(2, None, 0, "/n/undated/", "post"),
        Page(3, None, 0, "/n/b/", "post", date(2026, 5, 1)),
        Page(4, None, 0, "/n/a/", "post", date(2026, 5, 1)),
        Page(5, None, 1_000_000, "/~/"),
    ]
    keys = tree_keys.keys_of(posts, {})
    assert sorted(keys, key=keys.__getitem__) == [5, 4, 3, 1, 2]


def test_a_page_below_one_that_has_its_key_already():
    assert tree_keys.keys_of([Page(7, 3, 2, "/x/")], {3: tree_keys.key_of("", 1, "/a/")}) == {
        7: "0000001/a/ 0000002/x/ "
    }


def test_pages_that_stand_below_each_other_come_to_an_end():
    assert len(tree_keys.keys_of([Page(1, 2, 0, "/a/"), Page(2, 1, 0, "/b/")], {})) == 2


@given(trees())
def test_neighbours_are_found_by_keys_alone(pages):
    keys = tree_keys.keys_of(pages, {})
    order = sorted(keys.values())
    for nodes, above in levels(tree.nested(pages), ""):
        row = [keys[node.page.page_id] for node in nodes]
        for at, key in enumerate(row):
            before = [one for one in order if one < key][-1:]
            after = [one for one in order if one >= tree_keys.past_below(key)][:1]
            assert [tree_keys.sibling(key, one) for one in before] == ([row[at - 1]] if at else [None] * len(before))
            assert [tree_keys.sibling(key, one) for one in after] in (row[at + 1 : at + 2], [None])
            assert (tree_keys.sibling(key, (after or [""])[0]) is None) == (at == len(row) - 1)
            assert tree_keys.above(key) == above


def levels(nodes, above):
    yield nodes, above
    for node in nodes:
        yield from levels(node.children, tree_keys.key_of(above, node.page.order, node.page.path))
