from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [
        ("hestor_sites", "0015_later_imports"),
    ]

    operations = [
        migrations.RemoveIndex(
            model_name="revision",
            name="rev_news",
        ),
        migrations.RemoveIndex(
            model_name="revision",
            name="rev_events",
        ),
        migrations.AddIndex(
            model_name="revision",
            index=models.Index(fields=["site", "kind", "path"], name="rev_by_kind_and_path"),
        ),
    ]
