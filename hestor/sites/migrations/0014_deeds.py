import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("hestor_sites", "0013_resting_hosts")]

    operations = [
        migrations.CreateModel(
            name="Deed",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("gone", models.JSONField(default=list)),
                ("came", models.JSONField(default=list)),
                ("facts", models.JSONField()),
                ("made", models.DateTimeField()),
                (
                    "site",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE, related_name="deeds", to="hestor_sites.site"
                    ),
                ),
            ],
        ),
    ]
