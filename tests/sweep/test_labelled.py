"""Strays that were sown are found, and what only looks like one is left alone: in five languages, by kind."""

import pytest

from hestor.core.sweep.stray import KINDS
from tests.support.labelled import Score, scores, sites

_RECALL, _PRECISION = 0.95, 0.97
# These are seen over a whole site, and have tests of their own.
_OF_SITES = {"fact_unset"}
# In one process, so that the sites are swept once.
pytestmark = pytest.mark.xdist_group("labelled")


@pytest.fixture(scope="module")
def sown():
    return list(sites())


@pytest.fixture(scope="module")
def found(sown):
    return scores(iter(sown))


def test_the_set_is_large_enough(sown):
    assert sum(len(site.labels) for site in sown) >= 300
    assert sum(site.harmless.total() for site in sown) >= 300


@pytest.mark.parametrize("kind", [kind for kind in KINDS if kind not in _OF_SITES])
def test_a_kind_is_found_and_nothing_else_is_called_so(found, kind):
    score: Score = found[kind]
    assert score.right + len(score.missed) >= 5
    assert score.recall >= _RECALL, score.missed
    assert score.precision >= _PRECISION, score.wrong
