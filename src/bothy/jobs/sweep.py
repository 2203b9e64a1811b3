"""Large sweeps on a cluster of Dask workers: the same code as on threads, the same numbers. Off unless ``BOTHY_DASK`` names a scheduler."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bothy.core.design.power import Power
from bothy.core.sizing.search import Bench, Trial


def _run(bench: Bench, powers: list[Power], first: int, last: int) -> list[Trial]:
    """Some supplies on one worker."""
    return [bench.of(p, first, last) for p in powers]


class OnDask:
    """Runs supplies on a Dask cluster; ``address`` is that of its scheduler. Every worker needs Bothy installed at the same version."""

    PIECES = 4
    """Pieces a worker: so that a slow one does not hold up the rest."""

    def __init__(self, address: str) -> None:
        from distributed import Client

        self._client: Any = Client(address, set_as_default=False)  # type: ignore[no-untyped-call]
        self._benches: dict[int, Any] = {}

    def __call__(self, bench: Bench, powers: Sequence[Power], first: int, last: int) -> list[Trial]:
        """Trials of supplies, in their order."""
        there = self._benches.get(id(bench))
        if there is None:
            there = self._client.scatter(bench, broadcast=True)
            self._benches = {id(bench): there}
        workers = max(1, len(self._client.scheduler_info(n_workers=-1)["workers"]))
        size = max(1, -(-len(powers) // (workers * self.PIECES)))
        pieces = [list(powers[i : i + size]) for i in range(0, len(powers), size)]
        futures = [self._client.submit(_run, there, piece, first, last, pure=False) for piece in pieces]
        found = [t for piece in self._client.gather(futures) for t in piece]
        bench.run_count += len(found)
        return found

    def close(self) -> None:
        """Leave the cluster; it goes on."""
        self._client.close()
