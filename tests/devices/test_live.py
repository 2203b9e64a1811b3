"""Live values: the protocol, stand-ins with failures put into them, what is told of liars and floods, checks and alarms as time goes on."""

from __future__ import annotations

import asyncio
import contextlib
import json
import math
import socket
import threading
import time
from collections.abc import Callable, Iterator
from functools import cache
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.api.trips import with_draws
from bothy.core.context import Context
from bothy.core.live.alarms import Alarms, rules_of, worst
from bothy.core.live.scene import POINTS, Channel, Scene, at_moment, scene_of
from bothy.core.trips.of_design import run_trip
from bothy.demo import curlew
from bothy.devices.client import Listener, ask
from bothy.devices.hub import MOST_A_S, Hub, LanePart
from bothy.devices.protocol import BadLine, Reading, line, moment, parsed, reading, reading_of, stamp
from bothy.devices.standin import Failure, StandIn

NOON = 1_796_212_800.0  # 2026-12-02 12:00 UTC


@cache
def scene() -> Scene:
    d = with_draws(curlew.design(), 8)
    return scene_of(Context(d), run_trip(Context(d)), 3.6, "Curlew")


class Clock:
    """Time that goes on when it is told to; the day’s second follows it."""

    def __init__(self, t: float = NOON) -> None:
        self.t = t

    def __call__(self) -> float:
        return self.t

    def second(self, t: float | None = None) -> float:
        return ((self.t if t is None else t) - NOON + 43200) % 86400


def played(seconds: int, *failures: Failure, seed: int = 1, late: int = 0) -> tuple[Hub, Clock]:
    """A hub that has listened to stand-ins for a while; failures come after ``late`` seconds."""
    clock = Clock()
    stand = StandIn(scene(), seed, clock, clock.second)
    hub = Hub(scene(), 0, clock, clock.second)
    for n in range(seconds):
        if n == late:
            for f in failures:
                stand.failures[f.device, f.key] = f
        for m in stand.said():
            hub.take(reading_of(parsed(line(m))))
        clock.t += 1
    clock.t -= 1
    return hub, clock


def lane(hub: Hub, device: str, key: str) -> LanePart:
    return next(x for x in hub.part().lanes if (x.device, x.key) == (device, key))


# --- what is expected


def test_a_design_has_the_devices_of_its_parts() -> None:
    kinds = set(scene().devices().values())
    assert kinds == {"battery_monitor", "solar_controller", "dcdc_charger", "inverter", "tank_sender", "thermometer", "heater_controller", "gas_scale"}
    for c in scene().channels:
        assert len(c.expected) == len(c.low) == len(c.high) == POINTS
        assert all(lo <= e <= hi and math.isfinite(e) for lo, e, hi in zip(c.low, c.expected, c.high, strict=True)), c.key
        assert c.least <= min(c.expected) and max(c.expected) <= c.most, c.key


@given(st.floats(0, 86400 * 3), st.lists(st.floats(-50, 50), min_size=2, max_size=96))
def test_a_moment_lies_between_its_neighbours(second: float, points: list[float]) -> None:
    v = at_moment(points, second)
    assert min(points) - 1e-9 <= v <= max(points) + 1e-9
    assert at_moment(points, 0) == points[0]
    assert at_moment(points, second) == pytest.approx(at_moment(points, second + 86400), abs=1e-6)


# --- the protocol


def test_a_reading_comes_through_the_wire_as_it_was() -> None:
    m = reading(NOON, 7, "shunt-1", "battery_monitor", {"voltage_v": 13.21}, "good", True)
    assert reading_of(parsed(line(m))) == Reading(NOON, 7, "shunt-1", "battery_monitor", {"voltage_v": 13.21}, "good", True)
    assert moment(stamp(NOON)) == NOON


GOOD = reading(NOON, 7, "shunt-1", "battery_monitor", {"voltage_v": 13.2}, "good", True)


@pytest.mark.parametrize(
    ("change", "key"),
    [
        ({"v": 2}, "v"),
        ({"ts": "yesterday"}, "ts"),
        ({"ts": "2026-12-02T12:00:00"}, "ts"),
        ({"seq": -1}, "seq"),
        ({"seq": True}, "seq"),
        ({"seq": 1.5}, "seq"),
        ({"device": ""}, "device"),
        ({"device": "a\nb"}, "device"),
        ({"kind": "toaster"}, "kind"),
        ({"quality": "fine"}, "quality"),
        ({"sim": "yes"}, "sim"),
        ({"q": {}}, "q"),
        ({"q": {"voltage_v": "13"}}, "q.voltage_v"),
        ({"q": {"voltage_v": True}}, "q.voltage_v"),
        ({"q": {f"k{n}": 1.0 for n in range(41)}}, "q"),
    ],
)
def test_a_field_that_is_wrong_is_named(change: dict[str, Any], key: str) -> None:
    with pytest.raises(BadLine) as refused:
        reading_of(parsed(json.dumps({**GOOD, **change}).encode()))
    assert refused.value.key == key


@given(st.binary(max_size=300))
def test_nonsense_is_refused_and_never_stumbled_over(raw: bytes) -> None:
    with pytest.raises(BadLine):
        reading_of(parsed(raw))


def test_what_is_no_number_is_refused() -> None:
    for text in ("NaN", "Infinity", "1e999"):
        with pytest.raises(BadLine):
            reading_of(parsed(line(GOOD).replace(b"13.2", text.encode())))
    with pytest.raises(BadLine, match="bytes"):
        parsed(b"{" + b" " * 9000 + b"}")


# --- checks on windows


def test_sound_devices_are_ok() -> None:
    hub, _ = played(150)
    part = hub.part()
    assert {x.state for x in part.lanes} == {"ok"}, [(x.key, x.flags) for x in part.lanes if x.state != "ok"]
    assert part.simulated
    assert part.told == []
    assert [a.id for a in part.alarms] == []


@pytest.mark.parametrize(
    ("failure", "key", "state"),
    [
        (Failure(device="shunt-1", key="voltage_v", offset=1.5), "voltage_v", "offset"),
        (Failure(device="shunt-1", key="current_a", noise=4.0), "current_a", "noise"),
        (Failure(device="shunt-1", silent=True), "voltage_v", "dropout"),
        (Failure(device="shunt-1", bad=True), "voltage_v", "dropout"),
        (Failure(device="shunt-1", key="voltage_v", drift_per_h=60.0), "voltage_v", "drift"),
    ],
)
def test_a_failure_is_told_by_its_name(failure: Failure, key: str, state: str) -> None:
    hub, _ = played(260, failure, late=60 if state != "dropout" else 200)
    assert state in lane(hub, "shunt-1", key).flags
    assert lane(hub, "cabin-1", "temp_c").state == "ok", "the others are as they were"


def test_stuck_is_told_only_where_it_should_move() -> None:
    moving = scene().model_copy(
        update={
            "channels": [
                c.model_copy(update={"expected": [0.0, 40.0] * 48, "low": [-9.0] * 96, "high": [49.0] * 96}) if c.key == "power_w" else c
                for c in scene().channels
            ]
        }
    )
    clock = Clock()
    stand, hub = StandIn(moving, 1, clock, clock.second), Hub(moving, 0, clock, clock.second)
    stand.failures["solar-1", "power_w"] = Failure(device="solar-1", key="power_w", stuck=True)
    stand.failures["dcdc-1", "output_current_a"] = Failure(device="dcdc-1", key="output_current_a", stuck=True)
    for _ in range(150):
        for m in stand.said():
            hub.take(reading_of(m))
        clock.t += 1
    clock.t -= 1
    assert "stuck" in lane(hub, "solar-1", "power_w").flags
    assert lane(hub, "dcdc-1", "output_current_a").state == "ok", "nothing is expected to happen there"


def test_the_same_seed_says_the_same() -> None:
    a, b, c = (lane(played(40, seed=n)[0], "shunt-1", "current_a").points for n in (3, 3, 4))
    assert a == b != c


# --- what doesn't fit is told, and nothing of it counts


def take(hub: Hub, **more: Any) -> None:
    m = {**GOOD, "ts": stamp(hub.clock()), **more}
    hub.take(reading_of(m))


@pytest.mark.parametrize(
    ("more", "words"),
    [
        ({"device": "toaster-1"}, "is no device of this vehicle"),
        ({"kind": "inverter"}, "calls itself inverter"),
        ({"ts": stamp(NOON + 4000)}, "clock of shunt-1 is"),
        ({"q": {"voltage_v": 9000.0}}, "that can’t be"),
    ],
)
def test_a_liar_is_told_by_name(more: dict[str, Any], words: str) -> None:
    clock = Clock()
    hub = Hub(scene(), 0, clock, clock.second)
    take(hub, **more)
    assert any(words in t for t in hub.part().told)
    assert lane(hub, "shunt-1", "voltage_v").value is None


def test_two_devices_with_one_name_are_told() -> None:
    clock = Clock()
    hub = Hub(scene(), 0, clock, clock.second)
    for seq in (10, 11, 3, 12, 4):
        take(hub, seq=seq)
        clock.t += 0.5
    assert any("two devices call themselves shunt-1" in t for t in hub.part().told)


def test_a_flood_is_dropped() -> None:
    clock = Clock()
    hub = Hub(scene(), 0, clock, clock.second)
    for seq in range(5000):
        clock.t += 1e-5
        take(hub, seq=seq, ts=stamp(clock.t))
    assert any("readings a second" in t for t in hub.part().told)
    assert len(lane(hub, "shunt-1", "voltage_v").points) <= MOST_A_S


def test_a_thousand_strangers_fill_no_memory() -> None:
    clock = Clock()
    hub = Hub(scene(), 0, clock, clock.second)
    for n in range(1000):
        take(hub, device=f"stranger-{n}")
    assert len(hub.part().told) <= 40


def test_a_day_is_thinned_to_minutes() -> None:
    clock = Clock()
    hub = Hub(scene(), 0, clock, clock.second)
    for n in range(3600 * 3):
        clock.t = NOON + n
        hub.take(Reading(clock.t, n, "shunt-1", "battery_monitor", {"voltage_v": 13.0 + (n % 2) * 0.1}, "good", True))
    day = next(x for x in hub.day() if (x.device, x.key) == ("shunt-1", "voltage_v")).points
    assert len(day) == 179
    assert all(v == pytest.approx(13.05, abs=0.001) for _, v in day)


# --- alarms


def told(alarms: Alarms, t: float, **values: float) -> list[str]:
    keys = {
        "soc": ("battery_monitor", "soc_frac"),
        "volts": ("battery_monitor", "voltage_v"),
        "warm": ("battery_monitor", "temp_c"),
        "amps": ("battery_monitor", "current_a"),
        "cabin": ("thermometer", "temp_c"),
        "gas": ("gas_scale", "gas_mass_kg"),
        "water": ("tank_sender", "level_frac"),
    }
    return [a.id for a in alarms.tell(t, {keys[k]: v for k, v in values.items()}, dict.fromkeys(scene().devices(), 0.0))]


def test_an_alarm_waits_and_clears_with_a_gap_between() -> None:
    a = Alarms(scene())
    assert told(a, 0, soc=0.15) == []
    assert told(a, 59, soc=0.15) == []
    assert told(a, 61, soc=0.15) == ["soc-low"]
    assert told(a, 62, soc=0.22) == ["soc-low"], "between raise and clear it stays"
    assert told(a, 70, soc=0.30) == ["soc-low"]
    assert told(a, 131, soc=0.30) == []


def test_a_blip_raises_nothing() -> None:
    a = Alarms(scene())
    for t in range(0, 600, 30):
        assert told(a, t, soc=0.15 if t % 60 else 0.5) == []


def test_a_danger_stays_until_somebody_has_seen_it() -> None:
    a = Alarms(scene())
    told(a, 0, volts=16.0)
    assert told(a, 11, volts=16.0) == ["volts-high"]
    assert told(a, 100, volts=13.0) == ["volts-high"]
    assert a.see("volts-high")
    assert not a.see("frost")
    told(a, 101, volts=13.0)
    assert told(a, 112, volts=13.0) == []


@pytest.mark.parametrize(
    ("values", "hold", "alarm"),
    [
        ({"soc": 0.05}, 61, "soc-very-low"),
        ({"warm": 60.0}, 11, "bank-hot"),
        ({"water": 0.1}, 121, "water-low"),
        ({"cabin": 1.0}, 601, "frost"),
        ({"warm": -2.0, "amps": 5.0}, 6, "cold-charge"),
        ({"amps": -400.0}, 11, "amps-high"),
        ({"gas": 0.2}, 601, "gas-low"),
    ],
)
def test_each_alarm_is_raised_by_its_own(values: dict[str, float], hold: float, alarm: str) -> None:
    a = Alarms(scene())
    assert alarm not in told(a, 0, **values)
    assert alarm in told(a, hold, **values)


def test_no_data_is_never_fine() -> None:
    a = Alarms(scene())
    found = a.tell(0, {}, {})
    assert {x.id for x in found} == {f"silent:{d}" for d in scene().devices()}
    assert next(x.severity for x in found if x.id == "silent:shunt-1") == "fault"
    assert [x.id for x in a.tell(1, {}, dict.fromkeys(scene().devices(), 0.0))] == []


def test_every_alarm_says_what_to_do() -> None:
    for r in rules_of(scene()):
        assert r.todo.endswith(".") and r.title
        assert r.raised({}) is None or r.id == "co"
    assert worst(0.3, 0.2, "soc_frac") == 0.2
    assert worst(3, -9, "current_a") == -9


# --- over a real socket


@pytest.fixture
def stand() -> Iterator[tuple[StandIn, int]]:
    """Stand-ins on a port of their own, in a thread."""
    made = StandIn(scene())
    loop = asyncio.new_event_loop()
    ready: list[int] = []
    up = threading.Event()

    async def main() -> None:
        server = await asyncio.start_server(made.serve, "127.0.0.1", 0, limit=8192)
        ready.append(server.sockets[0].getsockname()[1])
        up.set()
        async with server:
            await server.serve_forever()

    task = loop.create_task(main())

    def turn() -> None:
        asyncio.set_event_loop(loop)
        with contextlib.suppress(asyncio.CancelledError):
            loop.run_until_complete(task)
        left = asyncio.all_tasks(loop)
        for one in left:
            one.cancel()
        if left:
            loop.run_until_complete(asyncio.gather(*left, return_exceptions=True))

    thread = threading.Thread(target=turn, daemon=True)
    thread.start()
    assert up.wait(20)
    yield made, ready[0]
    loop.call_soon_threadsafe(task.cancel)
    thread.join(20)
    loop.close()


def until(what: Callable[[], bool]) -> None:
    ends = time.monotonic() + 30
    while not what():
        assert time.monotonic() < ends, "it didn't come"
        threading.Event().wait(0.02)


def test_a_listener_hears_asks_and_comes_back(stand: tuple[StandIn, int]) -> None:
    made, port = stand
    hub = Hub(scene(), port)
    listener = Listener(hub, port)
    listener.start()
    until(lambda: lane(hub, "shunt-1", "voltage_v").value is not None)
    assert hub.connected
    assert ask(port, "describe", {})["devices"][0]["device"] == "shunt-1"
    ask(port, "inject", {"device": "shunt-1", "key": "voltage_v", "offset": 3.0})
    assert made.failures
    with pytest.raises(BadLine):
        ask(port, "inject", {"device": "toaster-1"})
    with pytest.raises(BadLine):
        ask(port, "explode", {})
    ask(port, "clear", {})
    assert not made.failures
    listener.end()
    listener.join(90)
    assert not listener.is_alive()


def test_a_client_that_talks_nonsense_is_let_go(stand: tuple[StandIn, int]) -> None:
    _, port = stand
    with socket.create_connection(("127.0.0.1", port), timeout=20) as s, s.makefile("rb") as f:
        for _ in range(5):
            s.sendall(b"what?\n")
        said = [json.loads(x) for x in f]
    assert [m["type"] for m in said] == ["error"] * 5
    assert said[0]["key"] == "line"
    with socket.create_connection(("127.0.0.1", port), timeout=20) as s, s.makefile("rb") as f:
        s.sendall(b"x" * 9000 + b"\n")
        assert b"8192 bytes" in f.readline()


def test_a_device_that_talks_nonsense_is_told_and_left() -> None:
    server = socket.create_server(("127.0.0.1", 0))
    port = server.getsockname()[1]

    def talk() -> None:
        while True:
            try:
                s, _ = server.accept()
            except OSError:
                return
            with s:
                s.recv(4000)
                s.sendall(b"garbage\n" * 3 + json.dumps({**GOOD, "kind": "toaster"}).encode() + b"\n")

    threading.Thread(target=talk, daemon=True).start()
    hub = Hub(scene(), port)
    listener = Listener(hub, port)
    listener.start()
    until(lambda: len(hub.part().told) >= 2)
    listener.end()
    listener.join(90)
    server.close()
    assert any("is not JSON" in t for t in hub.part().told)
    assert any("toaster" in t for t in hub.part().told)


def test_nobody_at_the_port_is_no_trouble() -> None:
    with socket.create_server(("127.0.0.1", 0)) as s:
        port = s.getsockname()[1]
    hub = Hub(scene(), port)
    listener = Listener(hub, port)
    listener.start()
    assert not hub.part().connected
    listener.end()
    listener.join(30)
    with pytest.raises(OSError):
        ask(port, "describe", {})


def test_a_channel_that_is_alone_can_be_played() -> None:
    c: Channel = scene().channels[0]
    one = scene().model_copy(update={"channels": [c]})
    said = StandIn(one, clock=Clock(), second=lambda: 0.0).said()
    assert list(said[0]["q"]) == [c.key]
    assert said[0]["sim"] is True
