"""Reference data: towns of the world with their clocks, and languages by their names."""

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


class Language(models.Model):
    """A language that CLDR knows, by its tag (BCP 47). The three keys are what it is searched by: small letters."""

    tag = models.CharField(max_length=20, unique=True)
    own_name = models.CharField(max_length=100)
    name = models.CharField(max_length=100)
    tag_key = models.CharField(max_length=20)
    own_key = models.CharField(max_length=100)
    name_key = models.CharField(max_length=100)

    class Meta:
        indexes = (
            models.Index(fields=["tag_key"], name="language_by_tag"),
            models.Index(fields=["own_key"], name="language_by_own"),
            models.Index(fields=["name_key"], name="language_by_name"),
        )

    def __str__(self) -> str:
        return self.tag
