import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0019_language_of_pages'),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField(
            model_name='edition',
            name='writers',
            field=models.JSONField(default=list),
        ),
        migrations.CreateModel(
            name='Authorship',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('language', models.CharField(blank=True, default='', max_length=35)),
                ('key', models.CharField(blank=True, max_length=60)),
                ('at', models.DateTimeField()),
                ('by', models.ForeignKey(null=True, on_delete=django.db.models.deletion.SET_NULL, related_name='+', to=settings.AUTH_USER_MODEL)),
                ('page', models.ForeignKey(null=True, on_delete=django.db.models.deletion.CASCADE, related_name='authorships', to='hestor_sites.page')),
                ('site', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='authorships', to='hestor_sites.site')),
            ],
            options={
                'constraints': [models.UniqueConstraint(condition=models.Q(('key', ''), _negated=True), fields=('site', 'language', 'key'), name='one_author_a_fact'), models.UniqueConstraint(condition=models.Q(('key', '')), fields=('page', 'language'), name='one_author_a_page')],
            },
        ),
    ]
