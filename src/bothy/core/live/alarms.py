"""Alarms on live values: raised when a condition has held for a while, cleared when its opposite has; no data is an alarm of its own (method prove.live)."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Literal, NamedTuple

from pydantic import BaseModel

from bothy.core.live.scene import Scene
from bothy.core.words.says import live_says as says

Severity = Literal["advice", "fault", "danger"]
Values = Mapping[tuple[str, str], float]
"""(kind of device, key) -> newest good value. Of several devices of a kind the worst counts: see :func:`worst`."""


class Rule(NamedTuple):
    """An alarm: when it is raised and cleared (None: the value isn't there), how long either must hold, and what to do."""

    id: str
    title: str
    severity: Severity
    delay_s: float
    raised: Callable[[Values], bool | None]
    cleared: Callable[[Values], bool | None]
    todo: str
    never: bool = False


class AlarmPart(BaseModel):
    """An alarm that is up: since when, in seconds; a danger stays until somebody has seen it."""

    id: str
    title: str
    severity: Severity
    since_s: float
    seen: bool
    todo: str


def _get(v: Values, kind: str, key: str) -> float | None:
    return v.get((kind, key))


def _when(kind: str, key: str, test: Callable[[float], bool]) -> Callable[[Values], bool | None]:
    def found(v: Values) -> bool | None:
        x = _get(v, kind, key)
        return None if x is None else test(x)

    return found


BANK, TANK, GAS = "battery_monitor", "tank_sender", "gas_scale"


def rules_of(scene: Scene) -> list[Rule]:
    """The alarms of a vehicle."""
    return [*_bank_rules(scene), *_body_rules(), *_gas_rules(scene.gas_kg)]


def _bank_rules(scene: Scene) -> list[Rule]:
    """What its battery bank may not do."""
    high, fuse = scene.charge_v + 0.2 * scene.system_v / 12.8, scene.main_fuse_a
    out = [
        Rule(
            "soc-low",
            says("bank-below"),
            "advice",
            60,
            _when(BANK, "soc_frac", lambda x: x < 0.20),
            _when(BANK, "soc_frac", lambda x: x > 0.25),
            says("charge-or-switch-off"),
        ),
        Rule(
            "soc-very-low",
            says("bank-below-2"),
            "fault",
            60,
            _when(BANK, "soc_frac", lambda x: x < 0.10),
            _when(BANK, "soc_frac", lambda x: x > 0.15),
            says("charge-now-what-keeps"),
        ),
        Rule(
            "volts-high",
            says("battery-voltage-too-high"),
            "danger",
            10,
            _when(BANK, "voltage_v", lambda x: x > high),
            _when(BANK, "voltage_v", lambda x: x <= high),
            says("switch-every-charger-off"),
        ),
        Rule(
            "bank-hot",
            says("battery-too-hot"),
            "danger",
            10,
            _when(BANK, "temp_c", lambda x: x > 55),
            _when(BANK, "temp_c", lambda x: x < 45),
            says("isolate-go-out-call"),
        ),
    ]
    if fuse:
        out.append(
            Rule(
                "amps-high",
                says("current-near-main-fuse"),
                "fault",
                10,
                _when(BANK, "current_a", lambda x: abs(x) > 0.9 * fuse),
                _when(BANK, "current_a", lambda x: abs(x) < 0.8 * fuse),
                says("switch-largest-load-off"),
            )
        )
    if scene.lithium:
        out.append(
            Rule(
                "cold-charge",
                says("charging-below-freezing"),
                "fault",
                5,
                _cold_charge,
                _when(BANK, "temp_c", lambda x: x > 3),
                says("stop-charge-until-above"),
            )
        )
    return out


def _cold_charge(v: Values) -> bool | None:
    warm, amps = _get(v, BANK, "temp_c"), _get(v, BANK, "current_a")
    return None if warm is None or amps is None else warm < 0 and amps > 1


def _body_rules() -> list[Rule]:
    """Water, frost and the air."""
    return [
        Rule(
            "water-low",
            says("fresh-water-low"),
            "advice",
            120,
            _when(TANK, "level_frac", lambda x: x < 0.15),
            _when(TANK, "level_frac", lambda x: x > 0.25),
            says("fill-up-pump-must"),
        ),
        Rule(
            "frost",
            says("frost-with-water-aboard"),
            "fault",
            600,
            _when("thermometer", "temp_c", lambda x: x < 3),
            _when("thermometer", "temp_c", lambda x: x > 5),
            says("heat-or-drain-water"),
        ),
        Rule(
            "co",
            says("co-shown"),
            "danger",
            0,
            _when("thermometer", "co_ppm", lambda x: x >= 30),
            lambda _: False,
            says("out-all-off-air"),
            True,
        ),
    ]


def _gas_rules(full_kg: float) -> list[Rule]:
    if not full_kg:
        return []
    return [
        Rule(
            "gas-low",
            says("gas-low"),
            "advice",
            600,
            _when(GAS, "gas_mass_kg", lambda x: x < 0.15 * full_kg),
            _when(GAS, "gas_mass_kg", lambda x: x > 0.5 * full_kg),
            says("have-full-bottle-ready"),
        ),
    ]


class _State:
    __slots__ = ("cleared_at", "raised_at", "seen", "up_at")

    def __init__(self) -> None:
        self.raised_at: float | None = None
        self.cleared_at: float | None = None
        self.up_at: float | None = None
        self.seen = False


class Alarms:
    """The alarms of a vehicle as time goes on. Times in seconds; they may stand still, but not go back."""

    SILENT_S = 30.0

    def __init__(self, scene: Scene) -> None:
        self.rules = rules_of(scene)
        self.kinds = scene.devices()
        self._state: dict[str, _State] = {}

    def _of(self, id: str) -> _State:
        return self._state.setdefault(id, _State())

    def tell(self, now: float, values: Values, silent: Mapping[str, float]) -> list[AlarmPart]:
        """What is up at a moment. ``silent``: seconds since each device said anything."""
        found: list[AlarmPart] = []
        for r in self.rules:
            s = self._of(r.id)
            self._step(s, now, r.raised(values), r.cleared(values), r.delay_s, keep=r.severity == "danger", never=r.never)
            if s.up_at is not None:
                found.append(AlarmPart(id=r.id, title=r.title, severity=r.severity, since_s=now - s.up_at, seen=s.seen, todo=r.todo))
        for device, kind in self.kinds.items():
            s = self._of(f"silent:{device}")
            quiet = silent.get(device, 1e9)
            self._step(s, now, quiet > self.SILENT_S, quiet <= self.SILENT_S, 0, keep=False, never=False)
            if s.up_at is not None:
                grave: Severity = "fault" if kind == "battery_monitor" else "advice"
                found.append(
                    AlarmPart(
                        id=f"silent:{device}",
                        title=says("silent", device=device),
                        severity=grave,
                        since_s=now - s.up_at,
                        seen=s.seen,
                        todo=says("look-at-supply-and"),
                    )
                )
        order = ("danger", "fault", "advice")
        return sorted(found, key=lambda a: (a.seen, order.index(a.severity)))

    @staticmethod
    def _step(s: _State, now: float, raised: bool | None, cleared: bool | None, delay: float, keep: bool, never: bool) -> None:
        if s.up_at is None:
            s.raised_at = None if not raised else now if s.raised_at is None else s.raised_at
            if s.raised_at is not None and now - s.raised_at >= delay:
                s.up_at, s.seen, s.cleared_at = now, False, None
            return
        s.cleared_at = None if not cleared else now if s.cleared_at is None else s.cleared_at
        gone = s.cleared_at is not None and now - s.cleared_at >= delay
        if (gone and not never and (s.seen or not keep)) or (never and s.seen and raised is False):
            s.up_at = s.raised_at = s.cleared_at = None

    def see(self, id: str) -> bool:
        """Somebody has seen an alarm; False where it isn't up."""
        s = self._state.get(id)
        if s is None or s.up_at is None:
            return False
        s.seen = True
        return True


LOW_IS_WORST = {"soc_frac", "voltage_v", "level_frac", "gas_mass_kg"}


def worst(a: float, b: float, key: str) -> float:
    """Of two devices of a kind the value that counts for the alarms: the lower level, the higher of all else by size."""
    return min(a, b) if key in LOW_IS_WORST else max(a, b, key=abs)
