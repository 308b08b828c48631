"""What is kept of acts on a site: those that can be taken back, imports that go on, publishing at a chosen time."""

from uuid import uuid4

from django.conf import settings
from django.db import models


class Deed(models.Model):
    """What one act did to a whole draft, so that it can be taken back, and made again: states of pages that went and
    came, by number, and the facts as they were before (``facts``) and ``after`` it.
    """

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="deeds")
    gone = models.JSONField(default=list)
    came = models.JSONField(default=list)
    facts = models.JSONField()
    after = models.JSONField(null=True)
    made = models.DateTimeField()

    def __str__(self) -> str:
        return f"{self.site} {self.made:%Y-%m-%d}"


class LaterImport(models.Model):
    """Files one call had no time for: a ZIP in the folder ``waiting``, taken in by a job, and what came of it.

    ``is_package`` says that it is a whole site's, ``left`` how many pictures are to come, ``report`` what was done.
    """

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="later_imports")
    name = models.UUIDField(default=uuid4, unique=True, editable=False)
    is_package = models.BooleanField(default=False)
    left = models.PositiveIntegerField(default=0)
    report = models.JSONField(default=dict)
    made = models.DateTimeField()
    done = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"{self.site} {self.made:%Y-%m-%d}"


class TimedPublishing(models.Model):
    """The draft of a site that is to be published at a moment, as it was reviewed: at ``revision``.

    ``held_back`` are the changes that stay in the draft, as pairs of kind and key. ``failed`` says by a code why it was
    not published when its moment had come.
    """

    site = models.OneToOneField("hestor_sites.Site", on_delete=models.CASCADE, related_name="timed")
    at = models.DateTimeField()
    revision = models.PositiveIntegerField()
    held_back = models.JSONField(default=list)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    failed = models.CharField(max_length=40, blank=True)

    def __str__(self) -> str:
        return f"{self.site} at {self.at}"
