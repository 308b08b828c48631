"""Any call that the API's description allows, and many that it doesn't: none fails, and each answer is as described."""

import pytest
import schemathesis
from django.test import Client
from hypothesis import HealthCheck, settings
from PIL import Image
from schemathesis import checks

from hestor.config.wsgi import application
from hestor.pictures.services import upload
from hestor.sites.models import Page, Site
from tests.support.pictures import encoded
from tests.support.sampling import LONG

pytestmark = pytest.mark.django_db(databases=["default", "towns"])


def served(environ, start_response):
    """The application as a server asks it: what it hands out is read to its end and closed (PEP 3333)."""
    answer = application(environ, start_response)
    try:
        return [b"".join(answer)]
    finally:
        answer.close()


schema = schemathesis.openapi.from_wsgi("/api/openapi.json", served)
CHECKS = [
    checks.not_a_server_error,
    schemathesis.specs.openapi.checks.status_code_conformance,
    schemathesis.specs.openapi.checks.content_type_conformance,
    schemathesis.specs.openapi.checks.response_schema_conformance,
]


@pytest.fixture
def called(site, owner):
    """Makes a call as the owner, on the site, its page or its picture more often than on none."""
    picture, _ = upload(site.pk, "a.png", encoded(Image.new("RGB", (60, 40), "teal"), "PNG"))
    there = {"site": "seeds", "page": Page.objects.first().pk, "picture": picture.pk, "number": 1}
    client = Client()
    client.force_login(owner)
    cookies = {name: morsel.value for name, morsel in client.cookies.items()}

    def call(case):
        for name, value in (case.path_parameters or {}).items():
            if name == "site" or (isinstance(value, int) and value % 2 and name in there):
                case.path_parameters[name] = there[name]
        revision = {"If-Match": f'"{Site.objects.get(pk=site.pk).revision}"'}
        return case.call(cookies=cookies, headers=revision)

    return call


@schema.parametrize()
@settings(max_examples=20 if LONG else 1, derandomize=True, database=None, suppress_health_check=list(HealthCheck))
def test_is_answered_as_described(case, called):
    answer = called(case)
    case.validate_response(answer, checks=CHECKS)
