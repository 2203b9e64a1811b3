"""The devices that a design has, and what each should say through a day of its trip (method prove.live)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.method.sources import Method
from bothy.core.trips.run import Lane, TripRun
from bothy.core.words.says import live_says as says

LIVE = Method("prove.live")
POINTS = 96
"""A value a quarter of an hour."""
WAKING = range(28, 88)
"""Quarters of an hour in which water is drawn: 7 to 22 h."""
INVERTER_IDLE_W = 10.0


class Channel(BaseModel):
    """A quantity of a device: what is expected through a day, a value a quarter of an hour, with the band that 1 in 10 and 9 in 10 of the weathers
    leave; what noise and resolution it has; when it counts as noisy, off, silent."""

    device: str
    kind: str
    key: str
    name: str
    unit: str
    expected: list[float]
    low: list[float]
    high: list[float]
    noise: float
    resolution: float
    noise_limit: float
    offset_limit: float
    window_s: float
    dropout_s: float
    least: float
    most: float


class Scene(BaseModel):
    """All devices of a design on a day, and the numbers that its alarms go by."""

    name: str
    day: str
    channels: list[Channel]
    system_v: float
    charge_v: float
    main_fuse_a: float
    lithium: bool
    gas_kg: float

    def devices(self) -> dict[str, str]:
        """Kind of each device."""
        return {c.device: c.kind for c in self.channels}


def at_moment(points: Sequence[float], second: float) -> float:
    """The value at a second of the day, straight between the quarters of an hour; the day goes round."""
    x = (second % 86400) / 86400 * len(points)
    i = int(x) % len(points)
    j = (i + 1) % len(points)
    f = x - int(x)
    return points[i] * (1 - f) + points[j] * f


def _day(points: Sequence[float], per_day: int) -> list[float]:
    """The first day of a lane as 96 points."""
    first = list(points[:per_day]) or [0.0]
    return [first[int(i * len(first) / POINTS)] for i in range(POINTS)]


class _Maker:
    def __init__(self) -> None:
        self.channels: list[Channel] = []

    def add(
        self,
        device: str,
        kind: str,
        key: str,
        name: str,
        unit: str,
        expected: Sequence[float],
        low: Sequence[float] | None = None,
        high: Sequence[float] | None = None,
        *,
        noise: float,
        resolution: float,
        offset: float,
        least: float,
        most: float,
        window_s: float = 120.0,
        dropout_s: float = 5.0,
    ) -> None:
        """A channel; without a band of the weathers it is the offset that is allowed, to both sides."""
        values = [float(v) for v in expected]
        below = [min(v, x) - offset / 2 for v, x in zip(values, low or values, strict=True)]
        above = [max(v, x) + offset / 2 for v, x in zip(values, high or values, strict=True)]
        self.channels.append(
            Channel(
                device=device,
                kind=kind,
                key=key,
                name=name,
                unit=unit,
                expected=values,
                low=below,
                high=above,
                noise=noise,
                resolution=resolution,
                noise_limit=4 * max(noise, resolution),
                offset_limit=offset,
                window_s=window_s,
                dropout_s=dropout_s,
                least=least,
                most=most,
            )
        )


class _Lanes(NamedTuple):
    """What the first day of the trip expects, each a value a quarter of an hour: the middle of the weathers, then 1 in 10 and 9 in 10 of them."""

    soc: tuple[list[float], list[float], list[float]]
    sun: tuple[list[float], list[float], list[float]]
    cabin: tuple[list[float], list[float], list[float]]
    load: list[float]


def _lanes(run: TripRun) -> _Lanes:
    def three(x: Lane) -> tuple[list[float], list[float], list[float]]:
        return _day(x.p50, run.per_day), _day(x.p10, run.per_day), _day(x.p90, run.per_day)

    usual = [20.0] * POINTS
    return _Lanes(three(run.soc), three(run.sun_w), three(run.cabin_c) if run.cabin_c.p50 else (usual, usual, usual), _day(run.load_w.p50, run.per_day))


def _of_bank(m: _Maker, ctx: Context, x: _Lanes) -> None:
    d, volts = ctx.design, ctx.bank_v
    sun, load, (cabin, _, _), (soc, soc_low, soc_high) = x.sun[0], x.load, x.cabin, x.soc
    if d.power.bank is None or not d.wiring.shunt:
        return
    amps = [(s - p) / volts for s, p in zip(sun, load, strict=True)]
    inner = 0.006 * volts / 12.8
    rest = [volts * (0.985 + 0.03 * s) + a * inner for s, a in zip(soc, amps, strict=True)]
    m.add("shunt-1", "battery_monitor", "voltage_v", says("bank-volts"), "V", rest, noise=0.01, resolution=0.01, offset=0.3 * ctx.scale, least=0, most=80)
    m.add(
        "shunt-1",
        "battery_monitor",
        "current_a",
        says("bank-amps-in-and"),
        "A",
        amps,
        noise=0.05,
        resolution=0.1,
        offset=max(3.0, 0.05 * max(map(abs, amps))),
        least=-2000,
        most=2000,
    )
    m.add(
        "shunt-1",
        "battery_monitor",
        "soc_frac",
        says("bank-charge"),
        "",
        soc,
        soc_low,
        soc_high,
        noise=0.002,
        resolution=0.01,
        offset=0.1,
        least=-0.05,
        most=1.05,
    )
    m.add(
        "shunt-1",
        "battery_monitor",
        "temp_c",
        says("bank-warmth"),
        "°C",
        [(c + 10) / 2 for c in cabin],
        noise=0.1,
        resolution=0.1,
        offset=8,
        least=-60,
        most=120,
        window_s=900,
    )


def _of_sun(m: _Maker, ctx: Context, x: _Lanes) -> None:
    volts = ctx.bank_v
    sun, sun_low, sun_high = x.sun
    if not ctx.design.power.arrays:
        return
    m.add(
        "solar-1",
        "solar_controller",
        "power_w",
        says("sun-watts"),
        "W",
        sun,
        sun_low,
        sun_high,
        noise=2,
        resolution=1,
        offset=max(20.0, 0.15 * max(sun)),
        least=-5,
        most=50000,
    )
    m.add(
        "solar-1",
        "solar_controller",
        "charge_current_a",
        says("sun-amps-into-bank"),
        "A",
        [w / volts for w in sun],
        [w / volts for w in sun_low],
        [w / volts for w in sun_high],
        noise=0.05,
        resolution=0.1,
        offset=max(2.0, 0.15 * max(sun) / volts),
        least=-1,
        most=1000,
    )


def _of_chargers(m: _Maker, ctx: Context) -> None:
    d, volts = ctx.design, ctx.bank_v
    if d.power.driving is not None:
        m.add(
            "dcdc-1",
            "dcdc_charger",
            "output_current_a",
            says("driving-charge-amps"),
            "A",
            [0.0] * POINTS,
            noise=0.1,
            resolution=0.1,
            offset=1.5,
            least=-1,
            most=500,
        )
    if d.power.inverter is not None:
        idle = (d.power.inverter.idle_w or INVERTER_IDLE_W) / volts if d.power.inverter.mode == "always" else 0.0
        m.add(
            "inverter-1",
            "inverter",
            "dc_current_a",
            says("inverter-amps-from-bank"),
            "A",
            [idle] * POINTS,
            noise=0.1,
            resolution=0.1,
            offset=2.0,
            least=-10,
            most=3000,
        )


def _of_tanks(m: _Maker, ctx: Context, water_days: float | None) -> None:
    for n, t in enumerate((t for t in ctx.design.water.tanks if t.holds == "fresh"), 1):
        part = 0.8
        share = min(0.75, 1 / max(1.0, water_days or 4.0))
        levels = []
        for i in range(POINTS):
            part -= share / len(WAKING) if i in WAKING else 0.0
            levels.append(max(0.02, part))
        m.add(
            f"tank-{n}",
            "tank_sender",
            "level_frac",
            says("level", t_name=t.name),
            "",
            levels,
            noise=0.01,
            resolution=0.01,
            offset=0.15,
            least=-0.05,
            most=1.05,
            window_s=900,
            dropout_s=10,
        )


def _of_comfort(m: _Maker, ctx: Context, x: _Lanes) -> None:
    cabin, cabin_low, cabin_high = x.cabin
    m.add(
        "cabin-1",
        "thermometer",
        "temp_c",
        says("cabin-warmth"),
        "°C",
        cabin,
        cabin_low,
        cabin_high,
        noise=0.1,
        resolution=0.1,
        offset=5,
        least=-60,
        most=80,
        window_s=900,
        dropout_s=10,
    )
    for n, h in enumerate(ctx.design.warmth.heaters[:2], 1):
        m.add(
            f"heater-{n}",
            "heater_controller",
            "setpoint_temp_c",
            says("set-to", h_name=h.name),
            "°C",
            [float(ctx.indoor_c)] * POINTS,
            noise=0.0,
            resolution=0.5,
            offset=3,
            least=0,
            most=40,
            window_s=900,
            dropout_s=10,
        )


def _of_gas(m: _Maker, kg: float) -> None:
    if not kg:
        return
    m.add(
        "gas-1",
        "gas_scale",
        "gas_mass_kg",
        says("gas-aboard"),
        "kg",
        [0.7 * kg - 0.002 * i for i in range(POINTS)],
        noise=0.02,
        resolution=0.05,
        offset=0.3,
        least=-0.5,
        most=200,
        window_s=900,
        dropout_s=10,
    )


def scene_of(ctx: Context, run: TripRun, water_days: float | None = None, name: str = "") -> Scene:
    """The devices of a design through the first day of its trip; ``water_days``: how long its water lasts."""
    d, m, x = ctx.design, _Maker(), _lanes(run)
    kg = sum(v.capacity_kg * v.count for v in d.gas.vessels if v.connected)
    _of_bank(m, ctx, x)
    _of_sun(m, ctx, x)
    _of_chargers(m, ctx)
    _of_tanks(m, ctx, water_days)
    _of_comfort(m, ctx, x)
    _of_gas(m, kg)
    main = next((c.fuse_a for c in d.wiring.circuits if c.kind == "main" and c.fuse_a), 0.0)
    profiles = [
        c.profile.absorption_v
        for c in (d.power.shore, d.power.driving, d.power.controller)
        if c is not None and c.profile is not None and c.profile.absorption_v
    ]
    return Scene(
        name=name,
        day=run.days[0].date if run.days else "",
        channels=m.channels,
        system_v=ctx.bank_v,
        charge_v=profiles[0] if profiles else 1.125 * ctx.bank_v,
        main_fuse_a=main or 0.0,
        lithium=ctx.chem.key.startswith("li"),
        gas_kg=kg,
    )
