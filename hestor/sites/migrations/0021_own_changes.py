import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0020_authorships'),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.CreateModel(
            name='OwnChange',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('language', models.CharField(blank=True, default='', max_length=35)),
                ('before', models.JSONField()),
                ('after', models.JSONField()),
                ('is_undone', models.BooleanField(default=False)),
                ('at', models.DateTimeField()),
                ('by', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='+', to=settings.AUTH_USER_MODEL)),
                ('page', models.ForeignKey(null=True, on_delete=django.db.models.deletion.CASCADE, related_name='own_changes', to='hestor_sites.page')),
                ('site', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='own_changes', to='hestor_sites.site')),
            ],
        ),
    ]
