"""The trip's kernel against the same in C, built where there is a compiler: every sum of heat, damp, power and fuel, with everything switched on."""

from __future__ import annotations

import sys
from pathlib import Path
from typing import Any

import numpy as np
import pytest

from bothy.core.context import Context
from bothy.core.trips import places as k
from bothy.core.trips.engine import arrays_of, simulate, weather_of
from bothy.core.trips.plan import plan_of_design
from bothy.demo import curlew, fiddlehead, saltbush
from tests.core.trips.test_trip_cold import all_at_once
from tests.core.trips.test_trip_warmth import BUILT, COLD, HOT, trip
from tests.core.warmth.test_warmth_rules import HEATER, VENTS

BENCH = Path(__file__).parents[3] / "benchmarks"


@pytest.fixture(scope="module")
def in_c(tmp_path_factory: pytest.TempPathFactory) -> Any:
    """Runs a plan in C on the same weathers; skipped where nothing compiles C."""
    sys.path.insert(0, str(BENCH))
    try:
        import trips as bench
    finally:
        sys.path.remove(str(BENCH))
    library = bench.built(tmp_path_factory.mktemp("c"))
    if library is None:
        pytest.skip("no C compiler here")

    def both(ctx: Any) -> tuple[Any, Any]:
        plan = plan_of_design(ctx)
        weather = weather_of(plan)
        mine = simulate(plan, weather=weather)
        other = bench.empty_like(mine)
        bench.in_c(library, plan, arrays_of(plan, weather), other)
        return mine, other

    return both


BAY = {"id": "b", "name": "Bay", "ua_to_living_w_k": 1.0, "ua_to_outside_w_k": 5.0}
CASES: dict[str, Any] = {
    "cold": lambda: trip(
        COLD,
        "2026-01-10",
        heaters=[{**HEATER, "min_w": 900.0, "start_energy_wh": 5.0, "tank_volume_l": 12.0}],
        bays=[BAY],
        vents=VENTS,
        damp={"wet_coats_per_day": 3.0},
        **BUILT,
    ),
    "gas": lambda: trip(COLD, "2026-01-10", heaters=[{**HEATER, "fuel": "propane", "tank_mass_kg": 5.0}]),
    "element": lambda: trip({**COLD, "shore": True}, "2026-01-10", heaters=[{**HEATER, "fuel": "electric", "efficiency_frac": 1.0}]),
    "hot": lambda: trip(HOT, "2026-01-10", cooler={"name": "C", "capacity_w": 3000.0, "from_h": 10.0, "to_h": 20.0, "hose_flow_m3_h": 100.0}),
    "frost": lambda: all_at_once(),
    "curlew": lambda: Context(curlew.design()),
    "saltbush": lambda: Context(saltbush.design()),
    "fiddlehead": lambda: Context(fiddlehead.design()),
}


@pytest.mark.parametrize("name", sorted(CASES))
def test_the_kernel_and_its_reference_in_c_agree(name: str, in_c: Any) -> None:
    """Draws whose latches fall alike agree to rounding; at most one in ten may have a latch on the edge of its threshold fall a step later."""
    mine, other = in_c(CASES[name]())
    scale = np.maximum(1.0, np.abs(mine.ledger))
    apart = np.max(np.abs(mine.ledger - other.ledger) / scale, axis=1)
    assert np.median(apart) < 1e-9
    assert np.mean(apart > 1e-6) <= 0.1
    alike = apart < 1e-6
    assert np.max(np.abs(mine.summary[alike] - other.summary[alike])) < 1e-3
    assert mine.ledger[:, k.HEAT_OUT].std() > 0, "the weathers differ"


def test_the_cases_switch_everything_on() -> None:
    on: set[str] = set()
    for name in ("cold", "element", "hot", "frost"):
        r = simulate(plan_of_design(CASES[name]()))
        for key in ("HEAT", "DIESEL_USED", "COOL", "HEATER_EL", "COOLER_EL", "CONDENSED", "SHORE_AC", "BATTERY_OUT", "BANK_HEAT", "SNOW_LOST", "GEN_FUEL"):
            if r.ledger[:, getattr(k, key)].max() > 0:
                on.add(key)
        for key in ("BAY_FREEZE_H", "HOT_H", "GEN_H"):
            if r.summary[:, getattr(k, key)].max() > 0:
                on.add(key)
    assert on == {
        "BANK_HEAT",
        "SNOW_LOST",
        "GEN_FUEL",
        "GEN_H",
        "HEAT",
        "DIESEL_USED",
        "COOL",
        "HEATER_EL",
        "COOLER_EL",
        "CONDENSED",
        "SHORE_AC",
        "BATTERY_OUT",
        "BAY_FREEZE_H",
        "HOT_H",
    }
