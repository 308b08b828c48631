from django.conf import settings
from django.db import migrations, models


class Migration(migrations.Migration):
    # Signatures are found by `manage.py upgrade_data`, as they come from the page texts' compiler.

    dependencies = [
        ("hestor_sites", "0001_initial"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.RenameModel("Part", "Membership"),
        migrations.AlterField(
            "Membership",
            "site",
            models.ForeignKey(on_delete=models.CASCADE, related_name="memberships", to="hestor_sites.site"),
        ),
        migrations.AlterField(
            "Membership",
            "account",
            models.ForeignKey(
                on_delete=models.CASCADE, related_name="memberships", to=settings.AUTH_USER_MODEL
            ),
        ),
        migrations.RemoveIndex("Revision", "rev_draft"),
        *(
            migrations.RemoveField("Revision", name)
            for name in (
                "uses_site", "uses_tagline", "uses_year", "tagline_in_title", "tagline_in_search", "described",
            )
        ),
        migrations.AddField("Revision", "signature", models.CharField(blank=True, default="", max_length=200), preserve_default=False),
        migrations.AddIndex(
            "Revision",
            models.Index(condition=models.Q(("in_draft", True)), fields=["site", "signature"], name="rev_by_signature"),
        ),
    ]
