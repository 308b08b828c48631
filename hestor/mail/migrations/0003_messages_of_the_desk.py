import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("hestor_mail", "0002_networks")]

    operations = [
        migrations.AlterField(
            "Message",
            "site",
            models.ForeignKey(
                null=True,
                on_delete=django.db.models.deletion.CASCADE,
                related_name="messages",
                to="hestor_sites.site",
            ),
        ),
    ]
