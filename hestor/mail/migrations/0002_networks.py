from django.db import migrations, models


class Migration(migrations.Migration):
    dependencies = [("hestor_mail", "0001_initial")]

    operations = [
        migrations.AddField("Enquiry", name, models.CharField(blank=True, max_length=32))
        for name in ("network", "provider")
    ]
