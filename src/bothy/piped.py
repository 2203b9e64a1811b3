"""Printing into a pipe whose reader may have seen enough."""

from __future__ import annotations

import os
import sys
from collections.abc import Callable


def piped(run: Callable[[], int]) -> int:
    """What ``run`` returns once all of it is printed; 0 where the reader of a pipe went away (``bothy calc --list | head``): that is no error."""
    try:
        code = run()
        sys.stdout.flush()
    except BrokenPipeError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())  # or the interpreter tries once more at its end, and complains
        return 0
    return code
