"""What a log says of the loads: base and fridge fitted to measured powers, and how far a simulation was off (method trips.calibrate)."""

from __future__ import annotations

import math
from typing import Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import trips_says as says

HERE = Method("trips.calibrate", "least squares")
FLAT = 1e-9


def fridge_ratio(temp_c: float, inside_c: float, reference_c: float) -> float:
    """How hard a fridge works at an air temperature, against the reference one."""
    return max(0.0, temp_c - inside_c) / (reference_c - inside_c) * max(0.5, 1 + 0.02 * (temp_c - reference_c))


class CalibrateLoadsIn(Contract):
    load_power_w: list[float | None] = Field(max_length=200_000)
    cabin_temp_c: list[float | None] = Field(max_length=200_000)
    simulated_power_w: list[float | None] | None = Field(None, max_length=200_000)
    internal_temp_c: float = Field(4, ge=-30, le=15)
    reference_temp_c: float = Field(25, ge=-20, le=45)
    fridge_power_w: float | None = Field(None, gt=0)

    @model_validator(mode="after")
    def _lists(self) -> Self:
        if len(self.cabin_temp_c) != len(self.load_power_w):
            raise wrong("cabin_temp_c", says("has-values-load-power", cabin_temp_c_count=len(self.cabin_temp_c), load_power_w_count=len(self.load_power_w)))
        if self.simulated_power_w is not None and len(self.simulated_power_w) != len(self.load_power_w):
            raise wrong(
                "simulated_power_w",
                says("has-values-load-power-has", simulated_power_w_count=len(self.simulated_power_w), load_power_w_count=len(self.load_power_w)),
            )
        if self.reference_temp_c <= self.internal_temp_c:
            raise wrong("reference_temp_c", says("must-be-above-internal"))
        rows = self.rows
        if len(rows) < 3:
            raise wrong("load_power_w", says("has-rows-with-power", rows_count=len(rows)))
        r = [self.ratio(t) for _, t in rows]
        n, sr, srr = len(r), sum(r), sum(x * x for x in r)
        if n * srr - sr * sr <= FLAT * max(1.0, n * srr):
            raise wrong("cabin_temp_c", says("same-in-every-row"))
        return self

    @property
    def rows(self) -> list[tuple[float, float]]:
        """Power and temperature of the rows that hold both."""
        return [(p, t) for p, t in zip(self.load_power_w, self.cabin_temp_c, strict=True) if p is not None and t is not None]

    def ratio(self, temp_c: float) -> float:
        """How hard the fridge works."""
        return fridge_ratio(temp_c, self.internal_temp_c, self.reference_temp_c)


class CalibrateLoadsOut(Outcome):
    row_count: int
    base_w: float
    fridge_mean_w: float
    duty_frac: float | None
    mean_measured_w: float
    bias_w: float
    rmse_w: float
    r2_frac: float | None
    simulated_bias_w: float | None
    simulated_bias_frac: float | None
    simulated_rmse_w: float | None


def calibrate_loads(inp: CalibrateLoadsIn, sources: dict[str, Figure] | None = None) -> CalibrateLoadsOut:
    """Base load and the fridge's share from measured powers at several cabin temperatures, and the bias of a simulation. Method: trips.calibrate."""
    g = Given(inp, sources)
    y = [p for p, _ in inp.rows]
    r = [inp.ratio(t) for _, t in inp.rows]
    n, sy, sr = len(y), sum(y), sum(r)
    sry, srr = sum(a * b for a, b in zip(r, y, strict=True)), sum(a * a for a in r)
    f = (n * sry - sr * sy) / (n * srr - sr * sr)
    base = (sy - f * sr) / n
    if f < 0:
        f, base = 0.0, max(0.0, sy / n)
    elif base < 0:
        base, f = 0.0, max(0.0, sry / srr)
    errors = [a - base - f * b for a, b in zip(y, r, strict=True)]
    spread = sum((a - sy / n) ** 2 for a in y)
    rows = derived("row_count", says("rows-with-both"), n, Method("trips.calibrate", "definition"))
    base_figure = derived("base_w", says("what-runs-whatever-temperature"), base, HERE, row_count=rows)
    fridge = derived("fridge_mean_w", says("what-follows-temperature-at"), f, HERE, row_count=rows, reference_temp_c=g("reference_temp_c"))
    pairs = [(s, m) for s, m in zip(inp.simulated_power_w, inp.load_power_w, strict=True) if s is not None and m is not None] if inp.simulated_power_w else []
    off = [s - m for s, m in pairs]
    measured = sum(m for _, m in pairs)
    return CalibrateLoadsOut.of(
        row_count=rows,
        base_w=base_figure,
        fridge_mean_w=fridge,
        duty_frac=derived("duty_frac", says("mean-power-running-power"), f / inp.fridge_power_w, HERE, fridge_mean_w=fridge, fridge_power_w=g("fridge_power_w"))
        if inp.fridge_power_w
        else None,
        mean_measured_w=derived("mean_measured_w", "mean", sy / n, Method("trips.calibrate", "definition"), row_count=rows),
        bias_w=derived("bias_w", says("mean-measured-fit"), sum(errors) / n, HERE, base_w=base_figure, fridge_mean_w=fridge),
        rmse_w=derived("rmse_w", "√(mean of squares)", math.sqrt(sum(e * e for e in errors) / n), HERE, base_w=base_figure, fridge_mean_w=fridge),
        r2_frac=derived("r2_frac", "1 − SSE/SST", 1 - sum(e * e for e in errors) / spread, HERE) if spread > 0 else None,
        simulated_bias_w=derived("simulated_bias_w", says("mean-simulated-measured"), sum(off) / len(off), HERE) if off else None,
        simulated_bias_frac=derived("simulated_bias_frac", "Σ(simulated − measured)/Σ measured", sum(off) / measured, HERE) if off and measured else None,
        simulated_rmse_w=derived("simulated_rmse_w", "√(mean of squares)", math.sqrt(sum(e * e for e in off) / len(off)), HERE) if off else None,
    )
