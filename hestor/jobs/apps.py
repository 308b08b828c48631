"""The app of jobs; its rows are those of ``django_tasks_db``."""

from django.apps import AppConfig


class JobsConfig(AppConfig):
    """See ``hestor.jobs``."""

    name = "hestor.jobs"
