"""Where pages stand: how deep, and below which."""

import pytest

from hestor.core.errors import InvalidInput
from hestor.core.pages.tree import MOST_LEVELS
from hestor.sites.services.pages import add_page, change_page

pytestmark = pytest.mark.django_db


def test_pages_stand_only_so_deep(site):
    parent = None
    for level in range(MOST_LEVELS):
        parent = add_page(site, {"path": f"/l{level}/", "title": "L", "parent": parent}).page_id
    with pytest.raises(InvalidInput) as caught:
        add_page(site, {"path": "/too-deep/", "title": "L", "parent": parent})
    assert [problem.code for problem in caught.value.problems] == ["parent_deep"]


def test_a_page_with_others_below_it_counts_them_when_it_moves(site):
    chain = [None]
    for level in range(MOST_LEVELS - 1):
        chain.append(add_page(site, {"path": f"/l{level}/", "title": "L", "parent": chain[-1]}).page_id)
    top = add_page(site, {"path": "/top/", "title": "T"}).page_id
    add_page(site, {"path": "/top/below/", "title": "B", "parent": top})
    with pytest.raises(InvalidInput) as caught:
        change_page(site, top, {"parent": chain[-1]})
    assert [problem.code for problem in caught.value.problems] == ["parent_deep"]
    change_page(site, top, {"parent": chain[-2]})
