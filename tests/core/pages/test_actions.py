"""What can be done with a page as a whole: the table for each kind, at the home page's address and elsewhere."""

import pytest

from hestor.core.errors import InvalidInput
from hestor.core.pages import actions
from hestor.core.pages.actions import PageAction
from hestor.core.pages.fields import KINDS

M, A, C, H, N, D = PageAction
# For each kind what can be done with a page of it, and with one that is the home page.
ALLOWED = {
    "page": ({M, A, C, H, N, D}, {M, C}),
    "post": ({A, C, D}, {M, C}),
    "news": ({M, A, H, D}, {M}),
    "event": ({M, A, C, D}, {M, C}),
    "events": ({M, A, H, D}, {M}),
    "contact": ({M, A, H, D}, {M}),
    "imprint": ({M, A, D}, {M}),
    "not_found": ({M, A, N, D}, {M}),
}


@pytest.mark.parametrize("kind", KINDS)
def test_each_kind_allows_what_the_table_says(kind):
    for path, allowed in zip(("/a/", "/"), ALLOWED[kind], strict=True):
        assert {action for action in PageAction if actions.refusal(action, kind, path) is None} == allowed


def test_what_is_refused_names_its_spot_and_its_reason():
    with pytest.raises(InvalidInput) as refused:
        actions.require(PageAction.DELETE, "page", "/")
    assert [(one.field, one.code) for one in refused.value.problems] == [("path", "home_stays")]
    with pytest.raises(InvalidInput) as refused:
        actions.require(PageAction.DUPLICATE, "news", "/news/")
    assert [(one.field, one.code) for one in refused.value.problems] == [("kind", "one_of_a_kind")]
    actions.require(PageAction.DELETE, "page", "/a/")
