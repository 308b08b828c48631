
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0018_pages_in_windows'),
    ]

    operations = [
        migrations.RemoveConstraint(
            model_name='revision',
            name='one_draft_page_a_path',
        ),
        migrations.RemoveConstraint(
            model_name='revision',
            name='one_draft_a_page',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_path',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_kind',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_parent',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_in_menu',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_first_day',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_kind_and_path',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_signature',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_by_place',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_bare',
        ),
        migrations.RemoveIndex(
            model_name='revision',
            name='rev_with_pictures',
        ),
        migrations.AddField(
            model_name='removedpage',
            name='language',
            field=models.CharField(blank=True, default='', max_length=35),
        ),
        migrations.AddField(
            model_name='revision',
            name='language',
            field=models.CharField(blank=True, default='', max_length=35),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(fields=['site', 'language', 'path', 'live_from'], name='rev_by_path'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(fields=['site', 'language', 'kind', 'published'], name='rev_by_kind'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(fields=['site', 'language', 'parent'], name='rev_by_parent'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_menu', True)), fields=['site', 'language'], name='rev_in_menu'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(fields=['site', 'language', 'kind', 'path'], name='rev_by_kind_and_path'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('kind', 'event')), fields=['site', 'language', 'first_day'], name='rev_by_first_day'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True)), fields=['site', 'language', 'signature', 'path'], name='rev_by_signature'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True)), fields=['site', 'language', 'place'], name='rev_by_place'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True), ('is_bare', True)), fields=['site', 'language', 'place'], name='rev_bare'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('in_draft', True), ('shows_pictures', True)), fields=['site', 'language', 'path'], name='rev_with_pictures'),
        ),
        migrations.AddConstraint(
            model_name='revision',
            constraint=models.UniqueConstraint(condition=models.Q(('in_draft', True)), fields=('site', 'language', 'path'), name='one_draft_page_an_address'),
        ),
        migrations.AddConstraint(
            model_name='revision',
            constraint=models.UniqueConstraint(condition=models.Q(('in_draft', True)), fields=('page', 'language'), name='one_draft_a_language'),
        ),
    ]
