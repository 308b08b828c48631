"""What is kept of mail: every message that a site would send, what visitors wrote, and where notices go."""

from typing import ClassVar

from django.db import models
from django.db.models import Q

from hestor import clock
from hestor.sites.models import Site


class State(models.TextChoices):
    """Where a message is. ``unsure``: the server was stopped while it handed it over, so it is not sent again."""

    KEPT = "kept"
    QUEUED = "queued"
    BEGUN = "begun"
    SENT = "sent"
    FAILED = "failed"
    UNSURE = "unsure"


class Enquiry(models.Model):
    """What a visitor wrote. ``origin``, and the wider ``network`` and ``provider``, tell senders apart for a day.

    ``digest`` is that of the stamp, each of which is good for one message.

    A ``suspect`` one was filled in as only a program does, and nobody was told of it.
    """

    site = models.ForeignKey(Site, on_delete=models.CASCADE, related_name="enquiries")
    name = models.CharField(max_length=120, blank=True)
    email = models.CharField(max_length=254)
    message = models.TextField()
    path = models.CharField(max_length=200)
    received = models.DateTimeField()
    done = models.DateTimeField(null=True, blank=True)
    suspect = models.BooleanField(default=False)
    digest = models.CharField(max_length=64)
    origin = models.CharField(max_length=32, blank=True)
    network = models.CharField(max_length=32, blank=True)
    provider = models.CharField(max_length=32, blank=True)

    class Meta:
        constraints = (models.UniqueConstraint(fields=["site", "digest"], name="taken_once"),)
        indexes = (
            models.Index(fields=["site", "received"], name="enquiry_by_time"),
            models.Index(fields=["origin", "received"], name="enquiry_by_origin"),
            models.Index(fields=["site"], condition=Q(suspect=False, done=None), name="enquiry_open"),
        )

    def __str__(self) -> str:
        return f"{self.email} {self.received:%Y-%m-%d}"


class Message(models.Model):
    """A message, and what became of it; ``due`` is when it is tried next. One without a site is the desk's own."""

    site = models.ForeignKey(Site, on_delete=models.CASCADE, null=True, related_name="messages")
    enquiry = models.ForeignKey(Enquiry, on_delete=models.CASCADE, null=True, related_name="messages")
    kind = models.CharField(max_length=12)
    sender = models.CharField(max_length=320)
    receiver = models.CharField(max_length=320)
    subject = models.CharField(max_length=500)
    state = models.CharField(max_length=6, choices=State.choices)
    made = models.DateTimeField(default=clock.now)
    due = models.DateTimeField(null=True)
    sent = models.DateTimeField(null=True)
    tries = models.PositiveSmallIntegerField(default=0)
    error = models.TextField(blank=True)

    class Meta:
        indexes = (
            models.Index(fields=["due"], condition=Q(state="queued"), name="message_due"),
            models.Index(fields=["site", "-id"], name="message_by_site"),
            models.Index(fields=["site"], condition=Q(state="failed"), name="message_failed"),
        )

    objects: ClassVar[models.Manager["Message"]] = models.Manager()

    def __str__(self) -> str:
        return f"{self.kind} to {self.receiver}"


class Body(models.Model):
    """A message as it was made, byte by byte (``raw``, RFC 5322), and what it is searched by.

    Apart from the message, which is written to three times while it is sent: SQLite writes whole rows.
    """

    message = models.OneToOneField(Message, on_delete=models.CASCADE, primary_key=True, related_name="body")
    raw = models.BinaryField()
    words = models.TextField()

    def __str__(self) -> str:
        return self.words[:40]


class NoticesAddress(models.Model):
    """Where a site's notices go (empty: nowhere), and the address that was asked whether it agrees, by its nonce."""

    site = models.OneToOneField(Site, on_delete=models.CASCADE, primary_key=True, related_name="notices")
    address = models.CharField(max_length=254, blank=True)
    since = models.DateTimeField(null=True)
    asked_address = models.CharField(max_length=254, blank=True)
    asked_nonce = models.CharField(max_length=32, blank=True)
    asked = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return f"notices of {self.site}"
