"""Towns of the world, with the clock that each keeps."""

from django.db import models


class Town(models.Model):
    """A town of 500 people or more. ``plain`` is its name as people type it: small ASCII letters."""

    name = models.CharField(max_length=200)
    plain = models.CharField(max_length=200)
    country = models.CharField(max_length=2)
    population = models.PositiveIntegerField()
    time_zone = models.CharField(max_length=60)

    class Meta:
        indexes = (models.Index(fields=["plain", "-population"], name="town_by_plain"),)

    def __str__(self) -> str:
        return f"{self.name}, {self.country}"
