import uuid

import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("hestor_sites", "0014_deeds")]

    operations = [
        migrations.CreateModel(
            name="LaterImport",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("name", models.UUIDField(default=uuid.uuid4, editable=False, unique=True)),
                ("is_package", models.BooleanField(default=False)),
                ("left", models.PositiveIntegerField(default=0)),
                ("report", models.JSONField(default=dict)),
                ("made", models.DateTimeField()),
                ("done", models.DateTimeField(null=True)),
                (
                    "site",
                    models.ForeignKey(
                        on_delete=django.db.models.deletion.CASCADE,
                        related_name="later_imports",
                        to="hestor_sites.site",
                    ),
                ),
            ],
        ),
    ]
