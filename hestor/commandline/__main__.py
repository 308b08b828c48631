"""``python -m hestor.commandline``."""

import sys

from hestor.commandline.program import main

sys.exit(main())
