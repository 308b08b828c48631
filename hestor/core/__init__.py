"""Every rule and computation of the job. Imports no Django, opens no file, asks no clock."""
