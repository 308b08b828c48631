"""Links that follow a page to its new address."""

import pytest

from hestor.core.text import links


@pytest.mark.parametrize(
    ("source", "after"),
    [
        ("See [beans](/beans/).", "See [beans](/peas/)."),
        ("[b](/beans/#sow) [c](/beans)", "[b](/peas/#sow) [c](/peas/)"),
        ("[b](/beans/?x=1 \"T\") [c](</beans/>)", "[b](/peas/?x=1 \"T\") [c](</peas/>)"),
        ("[b][1]\n\n[1]: /beans/", "[b][1]\n\n[1]: /peas/"),
        ("[b](/beans/late/) /beans/ [c](/broad/beans/)", "[b](/beans/late/) /beans/ [c](/broad/beans/)"),
        ("[b](https://x.example/beans/)", "[b](https://x.example/beans/)"),
        ("![b](/beans/)", "![b](/peas/)"),
    ],
)  # fmt: skip
def test_what_follows_and_what_stays(source, after):
    assert links.moved(source, "/beans/", "/peas/") == after


def test_links_to_the_home_page_are_left_alone():
    assert links.moved("[home](/)", "/", "/x/") == "[home](/)"
