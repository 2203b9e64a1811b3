"""The trip's kernel against the same in C, built here; and a run as a person waits for it."""

from __future__ import annotations

import ctypes
import shutil
import statistics
import subprocess
import tempfile
import time
from pathlib import Path
from typing import Any

import numpy as np

SOURCE = Path(__file__).with_name("trip.c")
YEAR: dict[str, Any] = {
    "start_date": "2026-01-01",
    "days": [{"place": "edinburgh", "count": 365}],
    "weather": "draws",
    "seed": 1,
    "draw_count": 200,
    "pv": {"arrays": [{"power_stc_w": 400}]},
    "bank": {"chemistry": "lifepo4", "capacity_ah": 200},
    "loads": [{"power_w": 20}, {"power_w": 30, "tier": 3}],
    "fridge": {},
    "heater": {},
    "tanks": {"fresh_l": 100, "diesel_l": 60},
}


def built(folder: Path) -> Any | None:
    """The C kernel as a library, built for the plain machine (wider registers made it slower where it was tried); None where there is no compiler."""
    compiler = shutil.which("cc") or shutil.which("gcc")
    if compiler is None:
        return None
    target = folder / "trip.so"
    subprocess.run([compiler, "-O3", "-shared", "-fPIC", str(SOURCE), "-o", str(target), "-lm"], check=True)
    return ctypes.CDLL(str(target))


def in_c(library: Any, plan: Any, arrays: Any, result: Any) -> None:
    """Run the C kernel on the same arrays, into a result of the same shape."""
    items = [np.ascontiguousarray(x, dtype=float) for x in arrays.items]
    days, steps = items[2].shape
    count = result.ledger.shape[0]

    def pointer(x: Any, kind: Any = ctypes.c_double) -> Any:
        return x.ctypes.data_as(ctypes.POINTER(kind))

    library.run(
        ctypes.c_long(0),
        ctypes.c_long(count),
        ctypes.c_double(plan.step_min / 60),
        ctypes.c_long(days),
        ctypes.c_long(steps),
        ctypes.c_long(items[10].shape[0]),
        ctypes.c_long(items[5].shape[2]),
        *(pointer(x) for x in items),
        pointer(result.ledger),
        pointer(result.summary),
        pointer(result.short_day, ctypes.c_byte),
        pointer(result.events),
        pointer(result.event_count, ctypes.c_longlong),
        ctypes.c_long(result.events.shape[1]),
    )


def empty_like(result: Any) -> Any:
    """A result of the same shape with nothing in it."""
    return type(result)(*(np.zeros_like(x) for x in (result.ledger, result.summary, result.short_day, result.events, result.event_count, result.series)))


def kernel() -> dict[str, Any]:
    """365 days in quarter hours through 200 weathers: compiled Python on one and two threads, and C; and how far their ledgers are apart.

    The two round in other places, and a latch on the edge of its threshold may then fall a step later: a few draws differ by that step's load.
    """
    from bothy.core.contract import parse
    from bothy.core.trips.engine import arrays_of, simulate, weather_of
    from bothy.core.trips.trip import SimulateTripIn, plan_of

    given = parse(SimulateTripIn, YEAR)
    assert isinstance(given, SimulateTripIn)
    plan = plan_of(given)
    start = time.perf_counter()
    result = simulate(plan)
    first = time.perf_counter() - start
    weather = weather_of(plan)
    arrays = arrays_of(plan, weather)

    def median(run: Any, count: int = 5) -> float:
        found = []
        for _ in range(count):
            begin = time.perf_counter()
            run()
            found.append(time.perf_counter() - begin)
        return statistics.median(found)

    one, two = median(lambda: simulate(plan, weather=weather)), median(lambda: simulate(plan, weather=weather, workers=2))
    out: dict[str, Any] = {"trip_first_s": round(first, 2), "trip_one_thread_s": round(one, 3), "trip_two_threads_s": round(two, 3)}
    with tempfile.TemporaryDirectory() as folder:
        library = built(Path(folder))
        if library is None:
            return {**out, "trip_c_s": None, "trip_to_c": "no C compiler here"}
        other = empty_like(result)
        in_c(library, plan, arrays, other)
        apart = np.max(np.abs(other.ledger - result.ledger) / np.maximum(1.0, np.abs(result.ledger)), axis=1)
        c = median(lambda: in_c(library, plan, arrays, empty_like(result)))
    return {
        **out,
        "trip_c_s": round(c, 3),
        "trip_to_c": round(one / c, 2),
        "trip_draws_apart": int(np.sum(apart > 1e-9)),
        "trip_ledgers_apart": float(np.max(apart)),
    }


def of_the_demo() -> dict[str, Any]:
    """The demo's trip as the page asks for it: 18 days, 50 weathers, three runs and all sums, without the way over HTTP."""
    from bothy.core.context import Context
    from bothy.core.trips.of_design import run_trip
    from bothy.demo import curlew

    design = curlew.design()
    run_trip(Context(design))
    found = []
    for _ in range(10):
        begin = time.perf_counter()
        run_trip(Context(design))
        found.append(1000 * (time.perf_counter() - begin))
    return {"trip_demo_median_ms": round(statistics.median(found), 1)}


def search() -> dict[str, Any]:
    """A search over the catalogue for the demo's trip: how many sets, how long, and seconds for 2000 of them; and the peak memory of this process."""
    import resource

    from bothy.core.sizing.search import search as searched
    from bothy.demo import curlew

    begin = time.perf_counter()
    r = searched(curlew.design(), workers=2)
    seconds = time.perf_counter() - begin
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    return {
        "search_sets": r.set_count,
        "search_runs": r.simulated_count,
        "search_s": round(seconds, 1),
        "search_2000_s": round(2000 * seconds / r.set_count, 1),
        "peak_memory_mb": round(peak),
    }
