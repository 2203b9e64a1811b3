"""The garbage collector of a server that keeps some hundred thousand small objects and must never stand still for a third of a second."""

from __future__ import annotations

import gc
import sys
import threading

SWITCH_S = 0.0005
"""After so long in a sum another thread may go on: else each answer of the database, and health, waits ten times as long for every sum that runs."""
LOOK_S = 60.0
NEVER = 1_000_000_000


class Collector:
    """Young objects are looked through as they come and go; what lasts is put aside, and looked through only while nobody asks for anything.

    Reports leave no circles behind, so nearly all memory comes back without a collector.
    """

    def __init__(self) -> None:
        self.aside = False
        """Whether something was put aside since it was last looked through."""
        self._young = -1

    def begin(self) -> None:
        """Put aside what is loaded, and from now on what lasts; look through it when it is quiet, on a thread of its own."""
        gc.collect()
        gc.freeze()
        gc.set_threshold(10_000, 2, NEVER)
        sys.setswitchinterval(SWITCH_S)
        gc.callbacks.append(self.after)
        threading.Thread(target=self._watch, name="collector", daemon=True).start()

    def after(self, phase: str, info: dict[str, int]) -> None:
        """Called by the collector: what outlived its second look is put aside."""
        if phase == "stop" and info["generation"] == 1:
            gc.freeze()
            self.aside = True

    def look(self) -> bool:
        """Look through all that was put aside, if nothing was worked on since the last time that this was asked. Whether it did."""
        young = int(gc.get_stats()[0]["collections"])
        quiet, self._young = young == self._young, young
        if not (quiet and self.aside):
            return False
        gc.unfreeze()
        gc.collect()
        gc.freeze()
        self.aside = False
        self._young = int(gc.get_stats()[0]["collections"])
        return True

    def _watch(self) -> None:
        while True:
            threading.Event().wait(LOOK_S)
            self.look()
