import pytest
from django.core.management import call_command


@pytest.mark.django_db(databases=["default", "towns"])
def test_no_migration_is_missing():
    call_command("makemigrations", check=True, dry_run=True, verbosity=0)
