"""What a tank's sender says at each fill, and what a reading means (method water.gauge)."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, BadInput, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.water.tank import Levels
from bothy.core.words.says import water_says as says


class GaugeCalibrationIn(Levels):
    sender_type: Literal["resistive", "voltage", "stepped"]
    empty_signal: float | None = Field(None, ge=0, le=10000)
    full_signal: float | None = Field(None, ge=0, le=10000)
    sender_empty_z_m: float | None = None
    sender_full_z_m: float | None = None
    cable_resistance_ohm: float = Field(0, ge=0, le=100)
    step_z_m: list[float] | None = Field(None, min_length=1, max_length=40)
    fill_fracs: list[Annotated[float, Field(ge=0, le=1)]] = Field([0, 0.25, 0.5, 0.75, 1], min_length=1, max_length=50)
    reading: float | None = Field(None, ge=-10000, le=10000)

    @model_validator(mode="after")
    def _sender(self) -> Self:
        if self.sender_type == "stepped":
            if self.step_z_m is None:
                raise wrong("step_z_m", says("required-for-stepped-probe"))
            if any(b <= a for a, b in zip(self.step_z_m, self.step_z_m[1:], strict=False)):
                raise wrong("step_z_m", says("must-rise-from-step"))
            if self.reading is not None and (self.reading != int(self.reading) or not 0 <= self.reading <= len(self.step_z_m)):
                raise wrong("reading", says("must-be-whole-number", step_z_m_count=len(self.step_z_m)))
            return self
        for key in ("empty_signal", "full_signal"):
            if getattr(self, key) is None:
                raise wrong(key, says("required-for-sender", sender_type=self.sender_type))
        if self.empty_signal == self.full_signal:
            raise wrong("full_signal", says("must-differ-from-empty"))
        return self


class GaugeRow(BaseModel):
    fill_frac: float
    level_z_m: float
    volume_l: float
    signal: float


class GaugeCalibrationOut(Outcome):
    usable_l: float
    table: list[GaugeRow]
    blind_low_l: float
    blind_high_l: float
    reading_volume_min_l: float | None
    reading_volume_max_l: float | None
    reading_fill_frac: float | None


def gauge_calibration(inp: GaugeCalibrationIn, sources: dict[str, Figure] | None = None) -> GaugeCalibrationOut:
    """Signal by fill, blind litres at both ends, and what a reading means. Method: water.gauge."""
    shape, top, outlet = inp.worked()
    dead, full = shape.litres(outlet), shape.litres(top)
    usable = full - dead
    steps = inp.step_z_m or []
    stepped = inp.sender_type == "stepped"
    low = steps[0] if stepped else shape.bottom if inp.sender_empty_z_m is None else inp.sender_empty_z_m
    high = steps[-1] if stepped else top if inp.sender_full_z_m is None else inp.sender_full_z_m
    key = "step_z_m" if stepped else "sender_empty_z_m"
    if low < shape.bottom - EPS or high > top + EPS:
        raise BadInput(key if low < shape.bottom - EPS or stepped else "sender_full_z_m", says("must-lie-in-tank-from", bottom_m=shape.bottom, top_m=top))
    if not stepped and high <= low:
        raise BadInput("sender_full_z_m", says("must-be-above-sender"))
    cable = inp.cable_resistance_ohm if inp.sender_type == "resistive" else 0.0
    e, f = inp.empty_signal or 0.0, inp.full_signal or 0.0

    def signal(z: float) -> float:
        if stepped:
            return float(sum(s <= z + EPS for s in steps))
        return cable + e + (f - e) * min(max((z - low) / (high - low), 0.0), 1.0)

    rows = []
    for share in inp.fill_fracs:
        volume = dead + share * usable
        z = outlet if share == 0 else shape.level(volume, top)
        rows.append(GaugeRow(fill_frac=share, level_z_m=z, volume_l=volume, signal=signal(z)))
    least = most = None
    if inp.reading is not None:
        if stepped:
            n = int(inp.reading)
            ends = (shape.bottom if n == 0 else steps[n - 1], top if n == len(steps) else steps[n])
        else:
            x = min(max((inp.reading - cable - e) / (f - e), 0.0), 1.0)
            ends = (low + x * (high - low),) * 2
        least, most = (max(dead, shape.litres(z)) - dead for z in ends)
    return GaugeCalibrationOut.of(
        usable_l=derived("usable_l", "full − dead", usable, Method("water.gauge", "definition"), full_l=full, dead_l=dead),
        table=rows,
        blind_low_l=derived("blind_low_l", says("volume-under-senders-lowest"), max(0.0, shape.litres(low) - dead), Method("water.gauge"), dead_l=dead),
        blind_high_l=derived("blind_high_l", says("full-volume-at-senders"), full - shape.litres(high), Method("water.gauge"), full_l=full),
        reading_volume_min_l=None
        if least is None
        else derived("reading_volume_min_l", says("at-lowest-level-reading"), least, Method("water.gauge"), reading=inp.reading or 0.0, dead_l=dead),
        reading_volume_max_l=None
        if most is None
        else derived("reading_volume_max_l", says("at-highest-level-reading"), most, Method("water.gauge"), reading=inp.reading or 0.0, dead_l=dead),
        reading_fill_frac=None
        if least is None or most is None
        else derived(
            "reading_fill_frac",
            says("mean-both-usable"),
            (least + most) / 2 / usable,
            Method("water.gauge"),
            reading_volume_min_l=least,
            reading_volume_max_l=most,
            usable_l=usable,
        ),
    )
