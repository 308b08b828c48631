"""What is kept of acts on a site: those that can be taken back, imports that go on, publishing at a chosen time."""

from uuid import uuid4

from django.conf import settings
from django.db import models
from django.db.models import Q


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


class Authorship(models.Model):
    """Who changed a fact of a draft last (by its ``key``), or a page of it, and when; ``by`` is empty for one who left.

    Of what nobody at the desk changed, as an import that goes on by itself, there is none.
    """

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="authorships")
    language = models.CharField(max_length=35, blank=True, default="")
    key = models.CharField(max_length=60, blank=True)
    page = models.ForeignKey("hestor_sites.Page", on_delete=models.CASCADE, null=True, related_name="authorships")
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True, related_name="+")
    at = models.DateTimeField()

    class Meta:
        constraints = (
            models.UniqueConstraint(fields=["site", "language", "key"], condition=~Q(key=""), name="one_author_a_fact"),
            models.UniqueConstraint(fields=["page", "language"], condition=Q(key=""), name="one_author_a_page"),
        )

    def __str__(self) -> str:
        return f"{self.key or self.page} by {self.by}"


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


class OwnChange(models.Model):
    """What somebody made facts of a draft say, or a page of it, and what these said before: by fields, as JSON.

    Kept for a while, so that its author can undo it; then ``is_undone``, and the two change places, for doing it again.
    """

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="own_changes")
    language = models.CharField(max_length=35, blank=True, default="")
    page = models.ForeignKey("hestor_sites.Page", on_delete=models.CASCADE, null=True, related_name="own_changes")
    before = models.JSONField()
    after = models.JSONField()
    is_undone = models.BooleanField(default=False)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="+")
    at = models.DateTimeField()

    def __str__(self) -> str:
        return f"{', '.join(self.after)} by {self.by}"


class Following(models.Model):
    """A bundle of facts (``core.facts.bundles``) in which a site follows another one: what that one publishes later is
    proposed for its draft.

    ``settled`` is what the source said when it was last taken over or left, and ``edition`` the number of its live
    edition then.
    """

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="followed")
    source = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="followers")
    bundle = models.CharField(max_length=12)
    settled = models.JSONField()
    edition = models.PositiveIntegerField(default=0)

    class Meta:
        constraints = (models.UniqueConstraint(fields=["site", "bundle"], name="one_source_a_bundle"),)

    def __str__(self) -> str:
        return f"{self.site} follows {self.source} in its {self.bundle}"
