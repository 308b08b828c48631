"""Who stands above whom among pages that are taken in; which addresses may be."""

from hestor.core.pages import intake, tree


def codes(problems):
    return [(path, problem.code) for path, problem in problems]


def test_no_page_stands_deeper_than_may_be():
    chain = {f"/{n}/": f"/{n - 1}/" if n else None for n in range(tree.MOST_LEVELS + 2)}
    above, problems = intake.parents(chain, {})
    assert codes(problems) == [(f"/{tree.MOST_LEVELS}/", "parent_deep")]
    assert above["/9/"] == "/8/"
    assert above["/10/"] is None


def test_the_home_page_stands_below_nothing():
    assert intake.parents({"/": "/about/"}, {"/about/": None}) == ({"/": None, "/about/": None}, [])


def test_a_list_stands_above_its_own_wherever_they_are():
    parents = {1: None, 2: 1, 3: None, 4: 3}
    assert tree.above(2, "page", parents, {"news": 3}) == (1,)
    assert tree.above(2, "post", parents, {"news": 3}) == (3, 1)
    assert tree.above(4, "post", parents, {"news": 3}) == (3,)
    assert tree.above(1, "post", parents, {}) == ()


def test_addresses_of_lists_and_alike_ones_are_named():
    here = {"/about/": "page", "/news/": "news", "/swap/": "events"}
    wanted = ["/about/", "/ABOUT/", "/news/2/", "/swap/2026-05/", "/swap/2/", "/x/", "/X/"]
    found = {wanted[number]: problem.code for number, problem in intake.address_problems(wanted, here)}
    assert found == {
        "/ABOUT/": "path_alike", "/news/2/": "path_numbered", "/swap/2026-05/": "path_month", "/X/": "path_alike",
    }  # fmt: skip
