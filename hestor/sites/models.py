"""What is kept of a site. Rules live in ``hestor.core``; writing is done by this app's services."""

from collections.abc import Mapping
from copy import copy
from datetime import date
from typing import ClassVar
from uuid import uuid4

from django.conf import settings
from django.db import models
from django.db.models import F, Q
from propcache.api import cached_property

from hestor import clock
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.facts.in_languages import facts_in, saying
from hestor.core.facts.overlays import MAIN
from hestor.core.pages.fields import KINDS
from hestor.core.roles import Role
from hestor.core.rules import Value
from hestor.sites.act_models import Authorship as Authorship
from hestor.sites.act_models import Deed as Deed
from hestor.sites.act_models import Following as Following
from hestor.sites.act_models import LaterImport as LaterImport
from hestor.sites.act_models import OwnChange as OwnChange
from hestor.sites.act_models import TimedPublishing as TimedPublishing


class Site(models.Model):
    """One website: its draft facts, and the number of the edition that is live (0 before the first).

    ``identity`` is what machines know it by, whatever becomes of its name and address. ``revision`` counts the writes
    to the draft, facts and pages alike; ``pages_revision`` those to pages. ``domain`` is its own, without "www.", which
    stands in front ``with_www``; ``folder`` is the address below it, as ``/seeds``, or nothing.
    It is in use from when it was seen to lead here (``domain_confirmed``). While it is ``closed`` visitors are told so,
    and until when, if ``closed_until`` says it. One that was deleted (``deleted``) is seen by nobody; it can be brought
    back for some time.
    """

    identity = models.UUIDField(default=uuid4, unique=True, editable=False)
    slug = models.CharField(max_length=40, unique=True)
    domain = models.CharField(max_length=253, unique=True, null=True, blank=True)
    with_www = models.BooleanField(default=False)
    domain_confirmed = models.BooleanField(default=True)
    folder = models.CharField(max_length=60, blank=True)
    label = models.CharField(max_length=60, blank=True)
    draft_facts = models.JSONField()
    revision = models.PositiveIntegerField(default=1)
    pages_revision = models.PositiveIntegerField(default=1)
    live_number = models.PositiveIntegerField(default=0)
    closed = models.BooleanField(default=False)
    closed_until = models.DateTimeField(null=True, blank=True)
    deleted = models.DateTimeField(null=True, blank=True)
    created = models.DateTimeField(auto_now_add=True)

    language: str = MAIN

    def __str__(self) -> str:
        return self.slug

    def in_language(self, language: str) -> "Site":
        """The site as it speaks one of its languages (BCP 47, or ``MAIN``): all that reads it reads that one.

        See ``docs/decisions/0063-a-site-in-a-language.md``.
        """
        spoken = copy(self)
        spoken.language = MAIN if language == self.said.language else language
        spoken.__dict__.pop("_facts", None)
        return spoken

    @property
    def said(self) -> Facts:
        """All that the draft says, in all languages; a document is parsed once."""
        parsed: tuple[object, Facts] | None = self.__dict__.get("_said")
        if parsed is None or parsed[0] is not self.draft_facts:
            parsed = self.__dict__["_said"] = (self.draft_facts, document.parse(self.draft_facts))
        return parsed[1]

    @property
    def facts(self) -> Facts:
        """The facts of the draft in the language that the site is read in."""
        flat: tuple[object, Facts] | None = self.__dict__.get("_facts")
        if flat is None or flat[0] is not self.draft_facts:
            flat = self.__dict__["_facts"] = (self.draft_facts, facts_in(self.said, self.language))
        return flat[1]

    def say(self, values: Mapping[str, Value]) -> None:
        """Has the draft say other facts, checked ones, in the language that the site is read in."""
        self.draft_facts = document.document(saying(self.said, self.language, values))


class FormerHost(models.Model):
    """A host under which a site was read before: it leads on to the site for as long as no other one takes it."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="former_hosts")
    host = models.CharField(max_length=253, unique=True)
    folder = models.CharField(max_length=60, blank=True)
    left = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return self.host


class RestingHost(models.Model):
    """A host that a site gave up, with the owners that the site had (``owners``): for a while only they get it."""

    host = models.CharField(max_length=253, unique=True)
    owners = models.JSONField(default=list)
    left = models.DateTimeField()

    def __str__(self) -> str:
        return self.host


class Membership(models.Model):
    """A person's role on a site."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="memberships")
    account = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="memberships")
    role = models.CharField(max_length=10, choices=[(role.value, role.value) for role in Role])

    class Meta:
        constraints = (models.UniqueConstraint(fields=["site", "account"], name="one_role_a_person"),)

    def __str__(self) -> str:
        return f"{self.account} is {self.role} of {self.site}"


class Edition(models.Model):
    """One published state of a site. Written once; its pages are the revisions that span its number.

    ``identity`` is what it alone is known by: after a restore another one may have its number. ``label`` is what it is
    called at the desk, which may change. ``changes`` is what it said otherwise than the one before; of very many pages
    only the first, and ``more_changes`` is of how many others. ``writers`` are the names of
    all who wrote in it.
    """

    identity = models.UUIDField(default=uuid4, unique=True, editable=False)
    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="editions")
    number = models.PositiveIntegerField()
    facts_document = models.JSONField()
    changes = models.JSONField(default=list)
    more_changes = models.PositiveIntegerField(default=0)
    writers = models.JSONField(default=list)
    published = models.DateTimeField()
    label = models.CharField(max_length=80, blank=True)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=["site", "number"], name="one_edition_a_number"),)

    def __str__(self) -> str:
        return f"{self.site} {self.number}"

    @cached_property
    def said(self) -> Facts:
        """All that was published, in all languages."""
        return document.parse(self.facts_document)

    def facts_in(self, language: str) -> Facts:
        """The facts as they were published in a language (BCP 47, or ``MAIN``)."""
        return facts_in(self.said, language)

    @cached_property
    def facts(self) -> Facts:
        """The facts as they were published in the main language."""
        return self.facts_in(MAIN)


class Page(models.Model):
    """A page's identity, the same through all its revisions; ``identity`` is what machines know it by."""

    identity = models.UUIDField(default=uuid4, unique=True, editable=False)
    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="pages")
    created = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return f"page {self.pk}"


class Text(models.Model):
    """A revision's text, apart from it so that lists of revisions stay light."""

    body = models.TextField(blank=True)
    html = models.TextField(blank=True)
    excerpt = models.TextField(blank=True)
    compiler = models.PositiveSmallIntegerField()

    def __str__(self) -> str:
        return self.body[:40]


class RevisionQuerySet(models.QuerySet["Revision"]):
    """The states that are asked for: the draft, and any edition."""

    def in_draft_of(self, site: Site) -> "RevisionQuerySet":
        """The pages as edited, in the language that the site is read in."""
        return self.in_whole_draft_of(site.pk).in_language_of(site)

    def in_whole_draft_of(self, site_id: int) -> "RevisionQuerySet":
        """The pages as edited, in all languages."""
        return self.filter(site_id=site_id, in_draft=True)

    def in_edition_of(self, site: Site, number: int) -> "RevisionQuerySet":
        """The pages as published in an edition, in the language that the site is read in."""
        return self.in_whole_edition_of(site.pk, number).in_language_of(site)

    def in_whole_edition_of(self, site_id: int, number: int) -> "RevisionQuerySet":
        """The pages as published in an edition, in all languages."""
        return self.in_editions_of(site_id, number, number)

    def in_editions_of(self, site_id: int, oldest: int, newest: int) -> "RevisionQuerySet":
        """The pages as published in any edition of a range; a page comes once for each of its states."""
        return self.filter(Q(live_to__isnull=True) | Q(live_to__gte=oldest), site_id=site_id, live_from__lte=newest)

    def in_language_of(self, site: Site) -> "RevisionQuerySet":
        """Those in the language that a site is read in."""
        return self.filter(language=site.language)

    def touching(self, first: date, last: date) -> "RevisionQuerySet":
        """The events of these pages whose schedules may touch any day from ``first`` to ``last``."""
        open_or_later = Q(last_day__isnull=True) | Q(last_day__gte=first)
        return self.filter(open_or_later, kind="event", first_day__lte=last)

    def come_in(self) -> None:
        """Puts these states into the draft; where each stands in its tree is found when the write is counted."""
        self.update(in_draft=True, place="")

    def leave(self) -> None:
        """Takes these states out of the draft; they stay in the database."""
        self.update(in_draft=False)

    def leaving(self, site_id: int) -> "RevisionQuerySet":
        """Live pages that the draft doesn't hold any more: replaced, or taken out."""
        return self.filter(site_id=site_id, in_draft=False, live_from__isnull=False, live_to__isnull=True)

    def coming(self, site_id: int) -> "RevisionQuerySet":
        """Pages of the draft that no edition has yet."""
        return self.filter(site_id=site_id, in_draft=True, live_from__isnull=True)


class Revision(models.Model):
    """One state of a page in a ``language``: the site's main one (``MAIN``), or a further one by its BCP 47 tag.

    It was public from edition ``live_from`` to ``live_to``, both included; ``live_from`` is empty before it
    was ever published, ``live_to`` while it is live. ``in_draft`` says that the draft holds this state. ``signature``
    is what its text was found to show (``core.pages.signature``), by which pages are counted. ``place`` puts the states
    of the draft into the order of the tree (``core.pages.tree_keys``); it says nothing of others. ``worded`` is when
    the page's words last changed: its title, summary or text, and not its address or its place in the tree.
    ``first_day`` and ``last_day`` are those that an event's schedule may touch; one that goes on without end has no
    last one. ``is_bare`` says that its text is empty, ``shows_pictures`` that it names pictures of the site.
    """

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="page_revisions")
    page = models.ForeignKey(Page, on_delete=models.CASCADE, related_name="revisions")
    parent = models.ForeignKey(Page, on_delete=models.SET_NULL, null=True, related_name="+")
    text = models.ForeignKey(Text, on_delete=models.PROTECT)
    language = models.CharField(max_length=35, blank=True, default=MAIN)
    path = models.CharField(max_length=200)
    title = models.CharField(max_length=200)
    own_title = models.CharField(max_length=200, blank=True)
    menu_title = models.CharField(max_length=60, blank=True)
    summary = models.CharField(max_length=320, blank=True)
    kind = models.CharField(max_length=12, choices=[(kind, kind) for kind in KINDS], default="page")
    in_menu = models.BooleanField(default=False)
    order = models.PositiveIntegerField(default=0)
    published = models.DateField(null=True)
    published_at = models.TimeField(null=True)
    schedule = models.JSONField(null=True)
    first_day = models.DateField(null=True)
    last_day = models.DateField(null=True)
    left_out = models.JSONField(default=list)
    shows_heading = models.BooleanField(default=True)
    signature = models.CharField(max_length=500, blank=True)
    place = models.TextField(blank=True)
    is_bare = models.BooleanField(default=False)
    shows_pictures = models.BooleanField(default=False)

    in_draft = models.BooleanField(default=True)
    live_from = models.PositiveIntegerField(null=True)
    live_to = models.PositiveIntegerField(null=True)
    written = models.DateTimeField(auto_now_add=True)
    worded = models.DateTimeField(default=clock.now)

    objects: ClassVar = RevisionQuerySet.as_manager()

    class Meta:
        constraints = (
            models.UniqueConstraint(
                fields=["site", "language", "path"], condition=Q(in_draft=True), name="one_draft_page_an_address"
            ),
            models.UniqueConstraint(
                fields=["page", "language"], condition=Q(in_draft=True), name="one_draft_a_language"
            ),
            models.CheckConstraint(condition=Q(live_to__isnull=True) | Q(live_to__gte=F("live_from")), name="span"),
        )
        # Each index answers one question whatever the number of pages: this page, the posts, the first page of a
        # kind, the pages below another, the menu, the draft and its order, and what a publish moves.
        indexes = (
            models.Index(fields=["site", "language", "path", "live_from"], name="rev_by_path"),
            models.Index(fields=["site", "language", "kind", "published"], name="rev_by_kind"),
            models.Index(fields=["site", "language", "parent"], name="rev_by_parent"),
            models.Index(fields=["site", "language"], condition=Q(in_menu=True), name="rev_in_menu"),
            models.Index(fields=["site", "language", "kind", "path"], name="rev_by_kind_and_path"),
            models.Index(fields=["site", "language", "first_day"], condition=Q(kind="event"), name="rev_by_first_day"),
            models.Index(
                fields=["site", "language", "signature", "path"], condition=Q(in_draft=True), name="rev_by_signature"
            ),
            models.Index(fields=["site", "language", "place"], condition=Q(in_draft=True), name="rev_by_place"),
            models.Index(fields=["site", "path"], condition=Q(in_draft=True, live_from=None), name="rev_coming"),
            models.Index(fields=["site", "path"], condition=Q(in_draft=False, live_to=None), name="rev_leaving"),
            models.Index(
                fields=["site", "language", "place"], condition=Q(in_draft=True, is_bare=True), name="rev_bare"
            ),
            models.Index(
                fields=["site", "language", "path"],
                condition=Q(in_draft=True, shows_pictures=True),
                name="rev_with_pictures",
            ),
        )

    def __str__(self) -> str:
        return f"{self.path} ({self.pk})"


class RemovedPage(models.Model):
    """A page that was deleted from the draft in a language: what it said, for as long as it can be brought back."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="removed_pages")
    page = models.ForeignKey(Page, on_delete=models.CASCADE, related_name="+")
    language = models.CharField(max_length=35, blank=True, default=MAIN)
    fields = models.JSONField()
    removed = models.DateTimeField()

    class Meta:
        indexes = (models.Index(fields=["site", "-removed"], name="removed_by_time"),)

    def __str__(self) -> str:
        return f"{self.fields['path']} removed"


class Defaults(models.Model):
    """What an owner says once for all sites: values by fact key, as plain JSON."""

    account = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="defaults")
    facts = models.JSONField(default=dict)

    def __str__(self) -> str:
        return f"defaults of {self.account}"


class SweptPage(models.Model):
    """What a sweep found on one state of a page; good for as long as ``key`` is what it was found with."""

    revision = models.OneToOneField(Revision, on_delete=models.CASCADE, related_name="swept")
    key = models.CharField(max_length=40)
    found = models.JSONField(default=list)

    def __str__(self) -> str:
        return f"sweep of {self.revision}"


class Meant(models.Model):
    """A stray that somebody said is meant: quiet for as long as its spot says the same."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="meant")
    stray = models.CharField(max_length=40)
    kind = models.CharField(max_length=40)
    path = models.CharField(max_length=200)
    says = models.CharField(max_length=500, blank=True)
    reason = models.CharField(max_length=200, blank=True)
    by = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    at = models.DateTimeField()

    class Meta:
        constraints = (models.UniqueConstraint(fields=["site", "stray"], name="one_word_a_stray"),)

    def __str__(self) -> str:
        return f"{self.kind} on {self.path} is meant"
