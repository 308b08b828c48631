import uuid

from django.db import migrations, models


def identify(apps, schema_editor):
    editions = apps.get_model("hestor_sites", "Edition").objects
    for pk in editions.values_list("pk", flat=True).iterator(chunk_size=1000):
        editions.filter(pk=pk).update(identity=uuid.uuid4())


class Migration(migrations.Migration):
    dependencies = [("hestor_sites", "0011_timed_closed_deleted")]

    operations = [
        migrations.AddField("Edition", "identity", models.UUIDField(null=True, editable=False)),
        migrations.RunPython(identify, migrations.RunPython.noop),
        migrations.AlterField(
            "Edition", "identity", models.UUIDField(default=uuid.uuid4, unique=True, editable=False)
        ),
    ]
