"""What the devices of a vehicle say, beside what is expected of them: newest values, windows for the checks, a day of minutes, alarms."""

from __future__ import annotations

import datetime as dt
import threading
import time
from collections import deque
from collections.abc import Callable

from pydantic import BaseModel

from bothy.core.live.alarms import AlarmPart, Alarms, worst
from bothy.core.live.kept import MINUTE_S, Kept
from bothy.core.live.scene import Channel, Scene, at_moment
from bothy.core.proving.live_check import checked
from bothy.core.words.says import devices_says as says
from bothy.devices.protocol import Reading

CLOCK_S = 60.0
"""A device whose clock is further off than this lies about its time."""
MOST_A_S = 50
"""Readings of one device a second that are taken; what is more is a flood."""
MOST_TOLD = 40
STUCK_COUNT = 10
MINUTES = 1440
DAY_S, STEP_S = 86400.0, 900
MOVING = 5
MOST_KEPT = 50_000
"""Minutes that wait to be kept; older ones are lost once the database is away for so long."""


class LanePart(BaseModel):
    """A quantity as the page draws it: newest value, what is expected now with its band, the verdict on the window, and points of the last minutes
    (seconds ago, value)."""

    device: str
    kind: str
    key: str
    name: str
    unit: str
    value: float | None
    expected: float
    low: float
    high: float
    state: str
    flags: list[str]
    ago_s: float | None
    simulated: bool
    points: list[list[float]]


class DayPart(BaseModel):
    """A quantity over the last 24 hours: what was said by the minute (seconds ago, value), and what is expected (seconds ago, low, expected, high)."""

    device: str
    key: str
    points: list[list[float]]
    expected: list[list[float]]


class DevicePart(BaseModel):
    device: str
    kind: str
    ago_s: float | None
    simulated: bool


class LivePart(BaseModel):
    """Everything live of a vehicle at a moment. ``connected``: somebody listens at the port; ``always``: the devices are listened to although
    nobody looks; ``told``: what was said wrongly, newest first."""

    connected: bool
    always: bool
    port: int
    simulated: bool
    lanes: list[LanePart]
    devices: list[DevicePart]
    alarms: list[AlarmPart]
    told: list[str]


class _Series:
    def __init__(self, c: Channel) -> None:
        self.c = c
        self.window: deque[tuple[float, float, bool]] = deque(maxlen=1200)
        self.day: deque[tuple[float, float]] = deque(maxlen=MINUTES)
        self._values: list[float] = []
        self._minute, self._simulated = -1, False

    def add(self, t: float, value: float, good: bool, simulated: bool) -> Kept | None:
        """Take a value; the minute before it, once that is whole."""
        if self.window and t <= self.window[-1][0]:
            return None
        self.window.append((t, value, good))
        if not good:
            return None
        minute = int(t // MINUTE_S)
        whole = self._whole() if minute != self._minute or simulated != self._simulated else None
        self._minute, self._simulated = minute, simulated
        self._values.append(value)
        return whole

    def _whole(self) -> Kept | None:
        values, self._values = self._values, []
        if not values:
            return None
        mean = sum(values) / len(values)
        self.day.append((MINUTE_S * self._minute + MINUTE_S / 2, mean))
        at = dt.datetime.fromtimestamp(MINUTE_S * self._minute, dt.UTC).replace(tzinfo=None)
        return Kept(self.c.device, self.c.kind, self.c.key, at, MINUTE_S, mean, min(values), max(values), len(values), self._simulated)


class Hub:
    """What came in of a vehicle. Safe to be told by one thread and asked by others."""

    def __init__(self, scene: Scene, port: int, clock: Callable[[], float] = time.time, second: Callable[[float], float] | None = None) -> None:
        self.scene, self.port, self.clock = scene, port, clock
        self.second = second or _local_second
        self.connected = False
        self._lock = threading.Lock()
        self._series = {(c.device, c.key): _Series(c) for c in scene.channels}
        self._kinds = scene.devices()
        self._last: dict[str, float] = {}
        self._seq: dict[str, int] = {}
        self._simulated: dict[str, bool] = {}
        self._rate: dict[str, tuple[int, int]] = {}
        self._told: deque[str] = deque(maxlen=MOST_TOLD)
        self._alarms = Alarms(scene)
        self._whole: deque[Kept] = deque(maxlen=MOST_KEPT)
        self.always = False

    def remember(self, rows: list[Kept]) -> None:
        """Minutes of the last day that were kept before, so that the picture of the day is whole after a start."""
        with self._lock:
            for k in rows:
                series = self._series.get((k.device, k.key))
                if series is not None and k.span_s == MINUTE_S:
                    series.day.append((k.at.replace(tzinfo=dt.UTC).timestamp() + MINUTE_S / 2, k.mean))

    def whole(self) -> list[Kept]:
        """The minutes that are whole and were not asked for before."""
        with self._lock:
            found, self._whole = list(self._whole), deque(maxlen=MOST_KEPT)
            return found

    def again(self, rows: list[Kept]) -> None:
        """Minutes that could not be kept: they wait in front of what came meanwhile."""
        with self._lock:
            self._whole = deque([*rows, *self._whole], maxlen=MOST_KEPT)

    def tell(self, words: str) -> None:
        """Something that was said wrongly; the same thing is kept once, the newest first."""
        with self._lock:
            self._say(words)

    def _say(self, words: str) -> None:
        if words in self._told:
            self._told.remove(words)
        self._told.appendleft(words)

    def take(self, r: Reading) -> None:
        """A reading that came in. What doesn't fit is told by name and proves nothing."""
        now = self.clock()
        with self._lock:
            second, count = self._rate.get(r.device, (0, 0))
            count = count + 1 if int(now) == second else 1
            self._rate[r.device] = (int(now), count)
            if count > MOST_A_S:
                self._say(says("sends-more-than-readings", device=r.device, most_a_s=MOST_A_S))
                return
            kind = self._kinds.get(r.device)
            if kind is None:
                if len(self._told) < MOST_TOLD or any(r.device in x for x in self._told):
                    self._say(says("no-device-this-vehicle", device=r.device))
                return
            if kind != r.kind:
                self._say(says("calls-itself", device=r.device, kind=r.kind, kind_2=kind))
                return
            if abs(r.at - now) > CLOCK_S:
                self._say(says("clock-off-readings-dont", device=r.device, at_s=r.at - now))
                return
            before = self._seq.get(r.device)
            if before is not None and r.seq <= before and now - self._last.get(r.device, 0) < 3:
                self._say(says("two-devices-call-themselves", device=r.device))
                return
            self._seq[r.device], self._last[r.device], self._simulated[r.device] = r.seq, now, r.simulated
            for key, value in r.values.items():
                series = self._series.get((r.device, key))
                if series is None:
                    continue
                inside = series.c.least <= value <= series.c.most
                if not inside:
                    self._say(says("says-that-cant-be", device=r.device, key=key, value=value))
                whole = series.add(now, value, inside and r.quality != "bad", r.simulated)
                if whole is not None:
                    self._whole.append(whole)

    def see(self, alarm: str) -> bool:
        """Somebody has seen an alarm."""
        with self._lock:
            return self._alarms.see(alarm)

    def part(self) -> LivePart:
        """All of it at this moment."""
        now = self.clock()
        with self._lock:
            silent = {d: now - t for d, t in self._last.items()}
            lanes = [self._lane(s, now) for s in self._series.values()]
            values: dict[tuple[str, str], float] = {}
            for lane in lanes:
                if lane.value is not None and lane.ago_s is not None and lane.ago_s <= 30 and lane.state != "stuck":
                    at = (lane.kind, lane.key)
                    values[at] = worst(values[at], lane.value, lane.key) if at in values else lane.value
            return LivePart(
                connected=self.connected,
                always=self.always,
                port=self.port,
                simulated=any(self._simulated.values()),
                lanes=lanes,
                devices=[DevicePart(device=d, kind=k, ago_s=silent.get(d), simulated=self._simulated.get(d, False)) for d, k in self._kinds.items()],
                alarms=self._alarms.tell(now, values, silent),
                told=list(self._told),
            )

    def day(self) -> list[DayPart]:
        """The last 24 hours of each quantity."""
        now = self.clock()
        with self._lock:
            said = [(s.c, [(now - t, v) for t, v in s.day if now - t <= DAY_S]) for s in self._series.values()]
        parts = []
        for c, points in said:
            band = []
            for ago in range(int(DAY_S), -1, -STEP_S):
                second = self.second(now - ago)
                band.append([float(ago), *(round(at_moment(x, second), 4) for x in (c.low, c.expected, c.high))])
            parts.append(DayPart(device=c.device, key=c.key, points=[[float(round(ago)), round(v, 4)] for ago, v in points], expected=band))
        return parts

    def _lane(self, s: _Series, now: float) -> LanePart:
        c = s.c
        recent = [(t, v, good) for t, v, good in s.window if t > now - c.window_s]
        used = [(t, v, at_moment(c.expected, self.second(t))) for t, v, good in recent if good]
        moving = bool(used) and max(e for *_, e in used) - min(e for *_, e in used) > MOVING * max(c.resolution, 1e-9)
        # the band that the weathers leave counts: only what is outside it is off
        rest = [(t, v, min(max(v, at_moment(c.low, self.second(t))), at_moment(c.high, self.second(t)))) for t, v, _ in used]
        checked_ = checked(now, rest, len(recent), c.noise_limit, c.offset_limit / 2, c.dropout_s, STUCK_COUNT, moving)
        noisy = checked(now, used, len(recent), c.noise_limit, 1e12, c.dropout_s, STUCK_COUNT, moving)
        flags = [f for f in ("dropout", "stuck", "noise", "drift", "offset") if f in (noisy.flags if f in ("dropout", "stuck", "noise") else checked_.flags)]
        good = [(t, v) for t, v, ok in s.window if ok]
        second = self.second(now)
        last = good[-1] if good else None
        shown = [x for x in good if x[0] > now - 600]
        step = max(1, len(shown) // 200)
        return LanePart(
            device=c.device,
            kind=c.kind,
            key=c.key,
            name=c.name,
            unit=c.unit,
            value=last[1] if last else None,
            expected=at_moment(c.expected, second),
            low=at_moment(c.low, second),
            high=at_moment(c.high, second),
            state=flags[0] if flags else "ok",
            flags=list(flags),
            ago_s=now - last[0] if last else None,
            simulated=self._simulated.get(c.device, False),
            points=[[round(now - t, 1), v] for t, v in shown[::step]],
        )


def _local_second(t: float) -> float:
    x = time.localtime(t)
    return x.tm_hour * 3600 + x.tm_min * 60 + x.tm_sec
