"""Hands queued messages to a mail server (RFC 5321): in order for each receiver, each once, whatever happens meanwhile.

One process sends at a time, the one with the lock (``hestor.locks``). Before a message is handed over it is marked as
begun, in the same commit that marks the one before as sent; so a server that is killed leaves at most one of which
nobody knows whether it went. That one is not sent again by itself, but shown, for its owner to say
(docs/decisions/0032).
"""

import smtplib
from datetime import datetime, timedelta
from typing import Any

from django.conf import settings
from django.core.mail.backends.smtp import EmailBackend
from django.db import connection, transaction

from hestor import clock, locks
from hestor.core.errors import NotFound
from hestor.mail.models import Message, State
from hestor.sites.models import Site

_BATCH = 200
# Pages of the write-ahead log: four times SQLite's own, as each checkpoint waits for the disk.
_CHECKPOINT = 4000
# How long to wait after each try that failed for now; after the last it is given up (RFC 5321, 4.5.4.1: some days).
PAUSES = tuple(timedelta(minutes=m) for m in (1, 5, 15, 60, 180, 360, 720, 1440, 1440, 1440, 1440))
_AGAIN = (State.FAILED, State.UNSURE)


class _Line:
    """A line to the mail server, through Django's mail backend; opened when it is first needed."""

    def __init__(self) -> None:
        self._backend = EmailBackend(**settings.SMTP)

    def send(self, message: Message) -> None:
        """Hands one message over. Raises SMTPException and OSError."""
        if self._backend.connection is None:
            self._backend.open()
        smtp: Any = self._backend.connection
        options = [] if message.receiver.isascii() and message.sender.isascii() else ["SMTPUTF8"]
        smtp.sendmail(message.sender, [message.receiver], bytes(message.body.raw), options)

    def close(self) -> None:
        """Hangs up; the next message opens it again."""
        try:
            self._backend.close()
        except (smtplib.SMTPException, OSError):
            self._backend.connection = None


def _reason(error: Exception) -> tuple[int, str]:
    """The server's code (0 where it said none) and its words."""
    said: bytes | str
    if isinstance(error, smtplib.SMTPRecipientsRefused):
        code, said = next(iter(error.recipients.values()))
    elif isinstance(error, smtplib.SMTPResponseException):
        code, said = error.smtp_code, error.smtp_error
    else:
        return 0, str(error) or type(error).__name__
    return code, said.decode(errors="replace") if isinstance(said, bytes) else str(said)


def _failed(message: Message, error: Exception, now: datetime) -> None:
    """Notes why a message did not go, and when it is tried again, if it is."""
    code, message.error = _reason(error)
    message.tries += 1
    for_good = 500 <= code < 600 or isinstance(error, smtplib.SMTPNotSupportedError)
    if for_good or message.tries > len(PAUSES):
        message.state, message.due = State.FAILED, None
    else:
        message.state, message.due = State.QUEUED, now + PAUSES[message.tries - 1]
    message.save(update_fields=["error", "tries", "state", "due"])


def _batch(now: datetime) -> tuple[list[Message], set[str]]:
    """The messages to be sent now, in their order, and the receivers who wait for an earlier one."""
    queued = Message.objects.filter(state=State.QUEUED)
    waiting = set(queued.filter(due__gt=now).values_list("receiver", flat=True))
    found = queued.filter(due__lte=now).select_related("body").defer("body__words").order_by("pk")
    return list(found.exclude(receiver__in=waiting)[:_BATCH] if waiting else found[:_BATCH]), waiting


def _lightly() -> None:
    """From here on this thread's commits outlive the process, though not each a loss of power; that is much faster."""
    if connection.in_atomic_block:
        return
    with connection.cursor() as cursor:
        if connection.vendor == "postgresql":
            cursor.execute("SET synchronous_commit TO off")
            return
        cursor.execute("PRAGMA synchronous=NORMAL")
        cursor.execute(f"PRAGMA wal_autocheckpoint={_CHECKPOINT}")


_STEP = (
    f"UPDATE {Message._meta.db_table} SET state = CASE id WHEN %s THEN 'sent' ELSE 'begun' END, "  # noqa: S608
    "sent = CASE id WHEN %s THEN %s ELSE sent END, error = '' WHERE id IN (%s, %s)"
)


def _step(done: int | None, begun: int | None, now: datetime) -> None:
    """Marks one message as sent and the next as begun, in one commit."""
    with connection.cursor() as cursor:
        cursor.execute(_STEP, [done, done, now, done, begun])


def _send_batch(line: _Line, batch: list[Message], waiting: set[str], now: datetime) -> int:
    """Sends a batch; says how many went. Stops where the server can't be reached."""
    sent, done = 0, None
    for message in batch:
        if message.receiver in waiting:
            continue
        _step(done, message.pk, now)
        done = None
        try:
            line.send(message)
        except (smtplib.SMTPException, OSError) as error:
            _failed(message, error, now)
            waiting.add(message.receiver)
            line.close()
            if _reason(error)[0] == 0:
                break
        else:
            done, sent = message.pk, sent + 1
    if done:
        _step(done, None, now)
    return sent


def drain(now: datetime | None = None) -> int:
    """Sends all that is due; says how many went. Where another process is at it, or nothing is set up, none."""
    if not settings.SMTP:
        return 0
    if not Message.objects.filter(state__in=(State.QUEUED, State.BEGUN)).exists():
        return 0
    with locks.taken("sending") as is_ours:
        if not is_ours:
            return 0
        _lightly()
        # Nobody else sends, so what is still begun was begun by a process that is no more.
        Message.objects.filter(state=State.BEGUN).update(state=State.UNSURE)
        line, sent = _Line(), 0
        try:
            while True:
                present = now or clock.now()
                batch, waiting = _batch(present)
                went = _send_batch(line, batch, waiting, present) if batch else 0
                sent += went
                if not went:
                    return sent
        finally:
            line.close()


def send_again(site: Site, number: int, now: datetime) -> Message:
    """Queues a message once more that failed, or of which nobody knows. Raises NotFound."""
    with transaction.atomic():
        message = Message.objects.filter(site=site, pk=number, state__in=_AGAIN).first()
        if message is None:
            raise NotFound
        message.state, message.due, message.tries = (State.QUEUED, now, 0) if settings.SMTP else (State.KEPT, None, 0)
        message.save(update_fields=["state", "due", "tries"])
        return message
