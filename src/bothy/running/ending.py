"""Being asked to end: an interrupt or a terminate raises wherever we are, but for the few places where it would be lost or would break what it falls into."""

from __future__ import annotations

import os
import signal
from collections.abc import Iterator
from contextlib import contextmanager
from types import FrameType

_SIGNALS = (signal.SIGINT, signal.SIGTERM, signal.SIGHUP)
_asked: list[int] = []
_held = 0


class Ended(Exception):
    """Somebody asked us to end."""

    def __init__(self, code: int) -> None:
        super().__init__(code)
        self.code = code


def ends_on_signals() -> None:
    """Interrupt and terminate raise :class:`Ended`, once: at once, or when :func:`undisturbed` is over."""

    owner = os.getpid()

    def end(number: int, _: FrameType | None) -> None:
        if os.getpid() != owner:  # a fork of ours that is not yet the program it is to be: what is ignored here would be ignored there
            os._exit(128 + number)
        for sig in _SIGNALS:
            signal.signal(sig, signal.SIG_IGN)
        _asked.append(number)
        if not _held:
            raise Ended(128 + number)

    for sig in _SIGNALS:
        signal.signal(sig, end)


@contextmanager
def undisturbed() -> Iterator[None]:
    """What may not be broken off. Python drops what is raised in the hooks around a fork, and a lock of a child's state that is left taken is waited
    for without end. Afterwards :class:`Ended` is raised if we were asked meanwhile, or before and it was lost."""
    global _held
    _held += 1
    try:
        yield
    finally:
        _held -= 1
    if _asked and not _held:
        raise Ended(128 + _asked[0])
