import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0021_own_changes'),
    ]

    operations = [
        migrations.CreateModel(
            name='Following',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('bundle', models.CharField(max_length=12)),
                ('settled', models.JSONField()),
                ('edition', models.PositiveIntegerField(default=0)),
                ('site', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='followed', to='hestor_sites.site')),
                ('source', models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='followers', to='hestor_sites.site')),
            ],
            options={
                'constraints': [models.UniqueConstraint(fields=('site', 'bundle'), name='one_source_a_bundle')],
            },
        ),
    ]
