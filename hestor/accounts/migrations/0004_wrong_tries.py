from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("accounts", "0003_language")]

    operations = [
        migrations.CreateModel(
            name="WrongTry",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("mark", models.CharField(max_length=64)),
                ("known", models.BooleanField(default=False)),
                ("origin", models.CharField(max_length=45)),
                ("network", models.CharField(blank=True, max_length=45)),
                ("provider", models.CharField(blank=True, max_length=45)),
                ("at", models.DateTimeField()),
            ],
            options={
                "indexes": [
                    models.Index(fields=["mark", "at"], name="try_by_mark"),
                    models.Index(fields=["at"], name="try_by_time"),
                ]
            },
        ),
        migrations.AddField("Account", "wished_email", models.EmailField(blank=True, max_length=254)),
        migrations.AddField("Account", "wished_nonce", models.CharField(blank=True, max_length=32)),
        migrations.AddField("Account", "wished_at", models.DateTimeField(null=True)),
    ]
