"""What is done by itself, again and again. Each may be killed at any moment, and does no harm when done twice."""

from django.conf import settings
from django.core.management import call_command
from django_tasks import task

from hestor import clock, query_statistics
from hestor.backups import create
from hestor.edge_cache import cleaning as front_cleaning
from hestor.mail.services.domains import confirm_waiting
from hestor.mail.services.enquiries import delete_old
from hestor.sites.services import cleaning

SLOW = "slow"
"""The queue of what may take minutes, so that nothing prompt waits for it."""


@task(queue_name=SLOW)
def clean() -> None:
    """Deletes for good what was deleted long ago, and what is not needed any more."""
    now = clock.now()
    cleaning.clean(now)
    delete_old(now)
    front_cleaning.clean(settings.FRONT_MOST_BYTES)
    call_command("prune_db_task_results", "--min-age-days", "14", verbosity=0)


@task(queue_name=SLOW)
def count_rows() -> None:
    """Has the database count anew how its tables are filled."""
    query_statistics.refresh()


@task(queue_name=SLOW)
def domains() -> None:
    """Asks the name service for the domains that are not proven yet."""
    confirm_waiting()


@task(queue_name=SLOW)
def backup() -> None:
    """Makes the daily copy of database and pictures, and deletes those that are not kept any longer."""
    create.make(clock.now(), create.DAILY)
    create.prune()
