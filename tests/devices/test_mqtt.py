"""The bridge to a broker: what is published comes out at the port, nonsense and old messages don't; a broker that isn't there is said."""

from __future__ import annotations

import asyncio
import contextlib
import socket
import subprocess
import threading
import time
from collections.abc import Iterator
from pathlib import Path

import pytest

from bothy.devices.client import Listener
from bothy.devices.hub import Hub
from bothy.devices.mqtt import bridged, broker_of, connected, published, topic_of
from bothy.devices.protocol import line, reading
from tests.devices.test_live import StandIn, scene, stand, until  # noqa: F401  the fixture


def free() -> int:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


@pytest.fixture
def broker(tmp_path: Path) -> Iterator[tuple[str, int]]:
    port = free()
    conf = tmp_path / "broker.conf"
    conf.write_text(f"listener {port} 127.0.0.1\nallow_anonymous true\npersistence false\n", encoding="utf-8")
    run = subprocess.Popen(["mosquitto", "-c", str(conf)], stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)

    def there() -> bool:
        with contextlib.suppress(OSError), socket.create_connection(("127.0.0.1", port), timeout=1):
            return True
        return False

    try:
        until(there)
        yield "127.0.0.1", port
    finally:
        run.terminate()
        run.wait(10)


@pytest.fixture
def bridge(broker: tuple[str, int]) -> Iterator[int]:
    """The port at which the bridge says what the broker says."""
    ready: list[int] = []
    loop = asyncio.new_event_loop()
    task = loop.create_task(bridged(broker, 0, ready=ready.append))

    def turn() -> None:
        asyncio.set_event_loop(loop)
        with contextlib.suppress(asyncio.CancelledError):
            loop.run_until_complete(task)
        left = asyncio.all_tasks(loop)
        for t in left:
            t.cancel()
        loop.run_until_complete(asyncio.gather(*left, return_exceptions=True))
        loop.close()

    t = threading.Thread(target=turn, daemon=True)
    t.start()
    until(lambda: bool(ready))
    yield ready[0]
    loop.call_soon_threadsafe(task.cancel)
    t.join(10)


def test_from_stand_ins_over_a_broker_to_the_page(broker: tuple[str, int], bridge: int, stand: tuple[StandIn, int]) -> None:  # noqa: F811
    hub = Hub(scene(), bridge)
    heard = Listener(hub, bridge)
    heard.start()
    ended = threading.Event()
    out = threading.Thread(target=published, args=(broker, stand[1]), kwargs={"over": ended.is_set}, daemon=True)
    until(lambda: hub.connected or heard.is_alive())
    out.start()
    until(lambda: all(d.ago_s is not None for d in hub.part().devices))
    part = hub.part()
    assert part.connected and part.simulated, "simulated stays simulated over a broker"
    assert part.told == []
    ended.set()
    heard.end()
    out.join(10)


def test_what_a_broker_remembers_is_old_and_nonsense_is_told(broker: tuple[str, int], bridge: int) -> None:
    client = connected(broker, "tester", False)
    client.loop_start()
    hub = Hub(scene(), bridge)
    heard = Listener(hub, bridge)

    def say(seq: int, volts: float, **more: bool) -> None:
        m = reading(time.time(), seq, "shunt-1", "battery_monitor", {"voltage_v": volts}, "good", False)
        client.publish(topic_of("bothy", "shunt-1"), line(m), **more).wait_for_publish(5)

    heard.start()
    numbers = iter(range(1, 10_000))

    def told_until(volts: float) -> bool:
        say(next(numbers), volts)
        return any(x.key == "voltage_v" and x.value == volts for x in hub.part().lanes)

    until(lambda: told_until(13.1))
    client.publish("bothy/shunt-1", b"\xff\x00 nonsense").wait_for_publish(5)
    until(lambda: told_until(13.2))
    assert hub.connected, "nonsense at the broker doesn't end the connection"
    assert not hub.part().simulated
    heard.end()
    client.disconnect()
    client.loop_stop()


def test_what_is_no_broker_is_said() -> None:
    assert broker_of("10.0.0.5") == ("10.0.0.5", 1883)
    assert broker_of("box.local:8883") == ("box.local", 8883)
    for bad in ("", ":1883", "box:0", "box:99999", "box:port"):
        with pytest.raises(ValueError, match="write it like"):
            broker_of(bad)
    with pytest.raises(OSError):
        connected(("127.0.0.1", free()), "tester", False)
    assert topic_of("bothy", "tank/#1+") == "bothy/tank__1_"
