"""What is kept of a picture. Its bytes lie beside the database (``store``); where it is used, ``sites`` knows."""

from typing import ClassVar

from django.db import models


class PictureQuerySet(models.QuerySet["Picture"]):
    """The pictures that are asked for."""

    def kept_by(self, site_id: int) -> "PictureQuerySet":
        """Those of a site that were not deleted, the newest first."""
        return self.filter(site_id=site_id, deleted__isnull=True).order_by("-created", "-pk")

    def deleted_of(self, site_id: int) -> "PictureQuerySet":
        """Those of a site that were deleted and can be brought back."""
        return self.filter(site_id=site_id, deleted__isnull=False).order_by("-deleted")


class Picture(models.Model):
    """One picture, whose content may be replaced. ``key`` names its present content (``core.pictures``).

    ``file_hash`` is the SHA-256 of the file as it was uploaded, by which the same file is known again; ``size``
    is that file's, ``width`` and ``height`` are the master's.
    """

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="pictures")
    key = models.CharField(max_length=32)
    file_hash = models.CharField(max_length=64)
    name = models.CharField(max_length=200)
    kind = models.CharField(max_length=4)
    came_as = models.CharField(max_length=4)
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    size = models.PositiveIntegerField()
    notes = models.JSONField(default=list)
    description = models.CharField(max_length=200, blank=True)
    title = models.CharField(max_length=120, blank=True)
    caption = models.CharField(max_length=320, blank=True)
    created = models.DateTimeField(auto_now_add=True)
    deleted = models.DateTimeField(null=True)

    objects: ClassVar = PictureQuerySet.as_manager()

    class Meta:
        indexes = (models.Index(fields=["site", "deleted", "created"], name="pic_by_site"),)

    def __str__(self) -> str:
        return self.name


class Content(models.Model):
    """Content that a site's picture has, or once had: editions name it by its key, so it outlives a replacement."""

    site = models.ForeignKey("hestor_sites.Site", on_delete=models.CASCADE, related_name="picture_contents")
    key = models.CharField(max_length=32)
    kind = models.CharField(max_length=4)
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["site", "key"], name="one_content_a_key"),)

    def __str__(self) -> str:
        return self.key
