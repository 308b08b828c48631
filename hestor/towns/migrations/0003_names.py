
import django.db.models.deletion
from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [
        ('towns', '0002_languages'),
    ]

    operations = [
        migrations.CreateModel(
            name='LanguageName',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('key', models.CharField(max_length=100)),
            ],
        ),
        migrations.CreateModel(
            name='LargestTown',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('begin', models.CharField(max_length=200)),
                ('rank', models.PositiveSmallIntegerField()),
            ],
        ),
        migrations.CreateModel(
            name='TownName',
            fields=[
                ('id', models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name='ID')),
                ('name', models.CharField(max_length=200)),
                ('key', models.CharField(max_length=200)),
                ('head', models.CharField(max_length=5)),
            ],
        ),
        migrations.RemoveIndex(
            model_name='language',
            name='language_by_tag',
        ),
        migrations.RemoveIndex(
            model_name='language',
            name='language_by_own',
        ),
        migrations.RemoveIndex(
            model_name='language',
            name='language_by_name',
        ),
        migrations.RemoveIndex(
            model_name='town',
            name='town_by_plain',
        ),
        migrations.RemoveField(
            model_name='language',
            name='name_key',
        ),
        migrations.RemoveField(
            model_name='language',
            name='own_key',
        ),
        migrations.RemoveField(
            model_name='language',
            name='tag_key',
        ),
        migrations.RemoveField(
            model_name='town',
            name='plain',
        ),
        migrations.AddField(
            model_name='town',
            name='region',
            field=models.CharField(blank=True, max_length=200),
        ),
        migrations.AddIndex(
            model_name='town',
            index=models.Index(fields=['country', '-population'], name='town_by_country'),
        ),
        migrations.AddField(
            model_name='languagename',
            name='language',
            field=models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, related_name='names', to='towns.language'),
        ),
        migrations.AddField(
            model_name='townname',
            name='town',
            field=models.ForeignKey(db_index=False, on_delete=django.db.models.deletion.CASCADE, related_name='names', to='towns.town'),
        ),
        migrations.AddField(
            model_name='largesttown',
            name='found',
            field=models.ForeignKey(db_index=False, on_delete=django.db.models.deletion.CASCADE, related_name='+', to='towns.townname'),
        ),
        migrations.AddIndex(
            model_name='languagename',
            index=models.Index(fields=['key'], name='language_name_by_key'),
        ),
        migrations.AddIndex(
            model_name='townname',
            index=models.Index(fields=['key'], name='town_name_by_key'),
        ),
        migrations.AddIndex(
            model_name='townname',
            index=models.Index(fields=['head'], name='town_name_by_head'),
        ),
        migrations.AddIndex(
            model_name='largesttown',
            index=models.Index(fields=['begin', 'rank'], name='largest_town_by_begin'),
        ),
    ]
