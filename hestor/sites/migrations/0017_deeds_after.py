from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('hestor_sites', '0016_first_of_a_kind'),
    ]

    operations = [
        migrations.AddField(
            model_name='deed',
            name='after',
            field=models.JSONField(null=True),
        ),
    ]
