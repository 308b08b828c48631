from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("hestor_sites", "0012_editions_identities")]

    operations = [
        migrations.CreateModel(
            name="RestingHost",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("host", models.CharField(max_length=253, unique=True)),
                ("owners", models.JSONField(default=list)),
                ("left", models.DateTimeField()),
            ],
        ),
    ]
