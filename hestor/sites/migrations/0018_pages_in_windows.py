from collections import defaultdict

from django.db import migrations, models

from hestor.core.pages import tree_keys

_FIELDS = ("page_id", "parent_id", "order", "path", "kind", "published", "pk")


def put_in_order(apps, schema_editor):
    """Gives each page of a draft its place."""
    Revision = apps.get_model("hestor_sites", "Revision")
    drafts = defaultdict(list)
    for revision in Revision.objects.filter(in_draft=True).only("site_id", *_FIELDS):
        drafts[revision.site_id].append(revision)
    for pages in drafts.values():
        keys = tree_keys.keys_of(pages, {})
        for page in pages:
            page.place = keys[page.page_id]
        Revision.objects.bulk_update(pages, ["place"], batch_size=500)


def look_at_texts(apps, schema_editor):
    """Notes which pages have no text, and which name pictures."""
    Revision = apps.get_model("hestor_sites", "Revision")
    Revision.objects.filter(text__body="").update(is_bare=True)
    Revision.objects.filter(text__body__contains="/_hestor/pic-").update(shows_pictures=True)


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0017_deeds_after'),
    ]

    operations = [
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_coming',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_leaving',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_signature',
        ),
        migrations.AddField(
            model_name='edition',
            name='more_changes',
            field=models.PositiveIntegerField(default=0),
        ),
        migrations.AddField(
            model_name='revision',
            name='is_bare',
            field=models.BooleanField(default=False),
        ),
        migrations.AddField(
            model_name='revision',
            name='place',
            field=models.TextField(blank=True),
        ),
        migrations.AddField(
            model_name='revision',
            name='shows_pictures',
            field=models.BooleanField(default=False),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True)), fields=['site', 'signature', 'path'], name='rev_by_signature'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True)), fields=['site', 'place'], name='rev_by_place'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True), ('live_from', None)), fields=['site', 'path'], name='rev_coming'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', False), ('live_to', None)), fields=['site', 'path'], name='rev_leaving'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True), ('is_bare', True)), fields=['site', 'place'], name='rev_bare'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True), ('shows_pictures', True)), fields=['site', 'path'], name='rev_with_pictures'),
        ),
        migrations.RunPython(put_in_order, migrations.RunPython.noop),
        migrations.RunPython(look_at_texts, migrations.RunPython.noop),
    ]
