
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0003_identities_and_wordings'),
    ]

    operations = [
        migrations.AddField(
            model_name='revision',
            name='first_day',
            field=models.DateField(null=True),
        ),
        migrations.AddField(
            model_name='revision',
            name='last_day',
            field=models.DateField(null=True),
        ),
        migrations.AddField(
            model_name='revision',
            name='schedule',
            field=models.JSONField(null=True),
        ),
        migrations.AlterField(
            model_name='revision',
            name='kind',
            field=models.CharField(choices=[('page', 'page'), ('post', 'post'), ('news', 'news'), ('event', 'event'), ('events', 'events')], default='page', max_length=6),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('kind', 'events')), fields=['site'], name='rev_events'),
        ),
        migrations.AddIndex(
            model_name='revision',
            index=models.Index(condition=models.Q(('kind', 'event')), fields=['site', 'first_day'], name='rev_by_first_day'),
        ),
    ]
