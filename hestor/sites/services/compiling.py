"""Bringing compiled texts and page signatures up to the present compiler, after an upgrade."""

from django.db import transaction

from hestor.core.pages import signature
from hestor.core.text import markdown
from hestor.sites.models import Revision, Text
from hestor.sites.selectors.page_fields import fields_of

_AT_ONCE = 200


def recompile_outdated() -> int:
    """Compiles anew what an older compiler left, and finds the signatures anew; says how many texts that were."""
    done = 0
    while True:
        outdated = list(Text.objects.exclude(compiler=markdown.COMPILER_VERSION).order_by("pk")[:_AT_ONCE])
        if not outdated:
            return done
        compiled = {text.pk: markdown.compile_text(text.body) for text in outdated}
        for text in outdated:
            text.html, text.excerpt = compiled[text.pk].html, compiled[text.pk].excerpt
            text.compiler = markdown.COMPILER_VERSION
        revisions = list(Revision.objects.filter(text__in=outdated).select_related("text"))
        for revision in revisions:
            revision.signature = signature.signature_of(fields_of(revision), compiled[revision.text_id]).text
        with transaction.atomic():
            Text.objects.bulk_update(outdated, ["html", "excerpt", "compiler"])
            Revision.objects.bulk_update(revisions, ["signature"])
        done += len(outdated)
