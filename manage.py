#!/usr/bin/env python
"""Django's command line for Hestor."""

import os
import sys

from django.core.management import execute_from_command_line

from hestor import owner

if __name__ == "__main__":
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "hestor.config.settings")
    owner.become(os.environ)
    execute_from_command_line(sys.argv)
