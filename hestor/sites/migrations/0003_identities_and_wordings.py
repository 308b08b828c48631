import uuid

from django.db import migrations, models
from django.db.models import F
from django.db.models.functions import TruncDate

import hestor.clock


def identify(apps, schema_editor):
    for name in ("Site", "Page"):
        model = apps.get_model("hestor_sites", name)
        for row in model.objects.only("pk").iterator(chunk_size=1000):
            model.objects.filter(pk=row.pk).update(identity=uuid.uuid4())


def date_what_is_kept(apps, schema_editor):
    revisions = apps.get_model("hestor_sites", "Revision").objects
    revisions.update(worded=F("written"))
    # A post has a day since 0.5.0.
    revisions.filter(kind="post", published=None).update(published=TruncDate("written"))


class Migration(migrations.Migration):
    dependencies = [("hestor_sites", "0002_memberships_and_signatures")]

    operations = [
        *(
            migrations.AddField(name, "identity", models.UUIDField(null=True, editable=False))
            for name in ("Site", "Page")
        ),
        migrations.AddField("Revision", "worded", models.DateTimeField(default=hestor.clock.now)),
        migrations.RunPython(identify, migrations.RunPython.noop),
        migrations.RunPython(date_what_is_kept, migrations.RunPython.noop),
        *(
            migrations.AlterField(name, "identity", models.UUIDField(default=uuid.uuid4, unique=True, editable=False))
            for name in ("Site", "Page")
        ),
    ]
