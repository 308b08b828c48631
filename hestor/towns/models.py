"""Reference data: towns of the world with their clocks, and languages, each by all of its names."""

from django.db import models

from hestor.core.text.names import HEAD


class Town(models.Model):
    """A town of 500 people or more; ``region`` is the part of the country that it lies in, where that has a name."""

    name = models.CharField(max_length=200)
    country = models.CharField(max_length=2)
    region = models.CharField(max_length=200, blank=True)
    population = models.PositiveIntegerField()
    time_zone = models.CharField(max_length=60)

    class Meta:
        indexes = (models.Index(fields=["country", "-population"], name="town_by_country"),)

    def __str__(self) -> str:
        return f"{self.name}, {self.country}"


class TownName(models.Model):
    """One of a town's names; ``key`` is how it is searched (``core.text.names.plain``), ``head`` how that begins."""

    town = models.ForeignKey(Town, on_delete=models.CASCADE, related_name="names", db_index=False)
    name = models.CharField(max_length=200)
    key = models.CharField(max_length=200)
    head = models.CharField(max_length=HEAD)

    class Meta:
        indexes = (
            models.Index(fields=["key"], name="town_name_by_key"),
            models.Index(fields=["head"], name="town_name_by_head"),
        )

    def __str__(self) -> str:
        return self.name


class LargestTown(models.Model):
    """The largest towns for beginnings that very many names have, so that no search reads them all."""

    begin = models.CharField(max_length=200)
    rank = models.PositiveSmallIntegerField()
    found = models.ForeignKey(TownName, on_delete=models.CASCADE, related_name="+", db_index=False)

    class Meta:
        indexes = (models.Index(fields=["begin", "rank"], name="largest_town_by_begin"),)

    def __str__(self) -> str:
        return f"{self.begin} {self.rank}"


class Language(models.Model):
    """A language that CLDR knows, by its tag (BCP 47), with its own name and its English one."""

    tag = models.CharField(max_length=20, unique=True)
    own_name = models.CharField(max_length=100)
    name = models.CharField(max_length=100)

    def __str__(self) -> str:
        return self.tag


class LanguageName(models.Model):
    """What a language is searched by: its tag, or its name in one language, as ``core.text.names.plain`` has it."""

    language = models.ForeignKey(Language, on_delete=models.CASCADE, related_name="names")
    key = models.CharField(max_length=100)

    class Meta:
        indexes = (models.Index(fields=["key"], name="language_name_by_key"),)

    def __str__(self) -> str:
        return self.key
