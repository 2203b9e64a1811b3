"""A search on a cluster gives bit for bit what it gives on threads: a real Dask scheduler with workers of their own processes."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import pytest
from distributed import LocalCluster

from bothy.core.sizing.search import on_threads, search
from bothy.jobs.sweep import OnDask
from tests.api.test_sizing import small


@pytest.fixture(scope="module")
def cluster() -> Iterator[Any]:
    with LocalCluster(n_workers=2, threads_per_worker=1, host="127.0.0.1", dashboard_address=None, processes=True) as made:
        yield made


def test_the_front_on_a_cluster_is_that_on_threads(cluster: Any) -> None:
    sweep = OnDask(cluster.scheduler_address)
    try:
        there = search(small(), sweep=sweep)
    finally:
        sweep.close()
    here = search(small(), sweep=on_threads(2))
    assert len(here.front) > 3
    assert there.model_dump(exclude={"simulated_count"}) == here.model_dump(exclude={"simulated_count"})


def test_a_sweep_keeps_the_order_of_its_supplies(cluster: Any) -> None:
    from bothy.core.sizing.search import Bench, _template
    from bothy.core.sizing.space import space_of

    design = small()
    candidates = [c for c in space_of(design).candidates if c.barred is None][::9]
    bench = Bench(design, _template(candidates, design.power), 4)
    powers = [c.power(design.power) for c in candidates]
    sweep = OnDask(cluster.scheduler_address)
    try:
        found = sweep(bench, powers, 1, 4)
    finally:
        sweep.close()
    for one, power in zip(found, powers, strict=True):
        mine = bench.of(power, 1, 4)
        assert one.short.tolist() == mine.short.tolist()
        assert one.missing.tolist() == mine.missing.tolist()
        assert one.least.tolist() == mine.least.tolist()
