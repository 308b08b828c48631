"""Code of others, looked at before it is kept: what is wrong with it, and what pages will allow it to do."""

from collections.abc import Sequence
from typing import Annotated

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from hestor.api.auth import site_for
from hestor.api.errors import field_error
from hestor.api.schemas import FieldErrorOut, ProblemOut, Strict
from hestor.core.added import code
from hestor.core.added.code import MOST, MOST_HOSTS
from hestor.core.roles import Action
from hestor.sites.selectors import previews

router = Router(tags=["added code"])


class CodeIn(Strict):
    """A code with the hosts that it may use, as they are typed."""

    code: Annotated[str, Field(max_length=MOST)]
    hosts: Annotated[list[str], Field(max_length=MOST_HOSTS)] = Field(default_factory=list)


class CodeOut(Schema):
    """What pages will allow besides their own, by directive (CSP 3); what is wrong, and what will not work.

    ``preview_url`` shows the draft with the code, ``bare_url`` without it.
    """

    policy: dict[str, Sequence[str]]
    errors: list[FieldErrorOut]
    notices: list[FieldErrorOut]
    preview_url: str
    bare_url: str


@router.post("/sites/{site}/added-code/check", response={200: CodeOut, 404: ProblemOut, 422: ProblemOut})
def check(request: HttpRequest, site: str, given: CodeIn) -> CodeOut:
    """What a code will be allowed, and what is wrong with it; nothing is kept."""
    found_site = site_for(request, site, Action.VIEW)
    added, problems = code.rule("added_code", given.model_dump())
    return CodeOut(
        policy={} if problems else dict(code.policy(added)),
        errors=[FieldErrorOut(**field_error(problem)) for problem in problems],
        notices=[]
        if problems
        else [FieldErrorOut(**field_error(notice)) for notice in code.notices("added_code", added)],
        preview_url=previews.link(found_site, None, bare=False),
        bare_url=previews.link(found_site, None),
    )
