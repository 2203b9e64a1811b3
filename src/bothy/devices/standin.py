"""Devices that aren't there: each says what the product's own simulation expects of it, with its noise, and with the failures that are put into it."""

from __future__ import annotations

import asyncio
import hashlib
import math
import random
import time
from collections.abc import Callable
from typing import Any

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from bothy.core.live.scene import Channel, Scene, at_moment
from bothy.core.words.says import devices_says as says
from bothy.devices.protocol import METHODS, MOST_BAD, MOST_BYTES, PORT, BadLine, error, hello, line, parsed, reading

TICK_S = 1.0


class Failure(BaseModel):
    """What goes wrong with a quantity, in this order: lag, offset, drift, noise, spikes, stuck, silence."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)
    device: str = Field(min_length=1, max_length=60)
    key: str = Field("", max_length=60)
    lag_s: float = Field(0, ge=0, le=3600)
    offset: float = Field(0, ge=-1e4, le=1e4)
    drift_per_h: float = Field(0, ge=-1e4, le=1e4)
    noise: float = Field(0, ge=0, le=1e4)
    spike: float = Field(0, ge=-1e4, le=1e4)
    spike_part: float = Field(0.05, ge=0, le=1)
    stuck: bool = False
    silent: bool = False
    bad: bool = False


class Quantity:
    """One quantity of a device as it runs on."""

    def __init__(self, c: Channel, seed: int) -> None:
        self.c = c
        digest = hashlib.blake2s(f"{seed}:{c.device}:{c.key}".encode(), digest_size=8).digest()
        self._random = random.Random(int.from_bytes(digest, "big"))
        self._lagged: float | None = None
        self._held: float | None = None
        self._began: float | None = None

    def value(self, now: float, second: float, f: Failure | None) -> float:
        """What it says at a moment."""
        x = at_moment(self.c.expected, second)
        began = self._began = now if self._began is None or f is None else self._began
        if f is not None and f.lag_s:
            self._lagged = x if self._lagged is None else self._lagged + (x - self._lagged) * min(1.0, TICK_S / f.lag_s)
            x = self._lagged
        if f is not None:
            x += f.offset + f.drift_per_h * (now - began) / 3600
        x += self._random.gauss(0, math.hypot(self.c.noise, f.noise if f else 0.0))
        if f is not None and f.spike and self._random.random() < f.spike_part:
            x += f.spike
        x = round(x / self.c.resolution) * self.c.resolution if self.c.resolution else x
        if f is not None and f.stuck:
            self._held = x if self._held is None else self._held
            return self._held
        self._held = x
        return round(min(max(x, self.c.least), self.c.most), 6)


class StandIn:
    """All the devices of a scene. ``clock`` gives seconds since 1970, ``second`` the moment of the day that is played."""

    def __init__(self, scene: Scene, seed: int = 1, clock: Callable[[], float] = time.time, second: Callable[[], float] | None = None) -> None:
        self.scene, self.clock = scene, clock
        self.second = second or self._local_second
        self.failures: dict[tuple[str, str], Failure] = {}
        self.quantities: dict[str, list[Quantity]] = {}
        for c in scene.channels:
            self.quantities.setdefault(c.device, []).append(Quantity(c, seed))
        self.kinds = scene.devices()
        self._seq = dict.fromkeys(self.kinds, 0)

    def _local_second(self) -> float:
        t = time.localtime(self.clock())
        return t.tm_hour * 3600 + t.tm_min * 60 + t.tm_sec

    def failure(self, device: str, key: str) -> Failure | None:
        """What is wrong with a quantity now."""
        return self.failures.get((device, key)) or self.failures.get((device, ""))

    def said(self) -> list[dict[str, Any]]:
        """What all devices say now; a silent one says nothing."""
        now, second, out = self.clock(), self.second(), []
        for device, quantities in self.quantities.items():
            whole = self.failures.get((device, ""))
            if whole is not None and whole.silent:
                continue
            values = {q.c.key: q.value(now, second, self.failure(device, q.c.key)) for q in quantities}
            self._seq[device] += 1
            out.append(reading(now, self._seq[device], device, self.kinds[device], values, "bad" if whole is not None and whole.bad else "good", True))
        return out

    def answered(self, m: dict[str, Any]) -> dict[str, Any]:
        """The answer to a request. Raises :class:`BadLine`."""
        method, params, id = m.get("method"), m.get("params", {}), str(m.get("id", ""))[:40]
        if method not in METHODS:
            raise BadLine("method", says("must-be-one-2", methods=", ".join(METHODS)))
        if not isinstance(params, dict):
            raise BadLine("params", says("must-be-object"))
        result: dict[str, Any] = {}
        if method == "describe":
            result = {"devices": [{"device": d, "kind": k, "keys": [q.c.key for q in self.quantities[d]]} for d, k in self.kinds.items()]}
        elif method == "inject":
            try:
                f = Failure.model_validate(params)
            except ValidationError as exc:
                e = exc.errors()[0]
                raise BadLine(".".join(map(str, e["loc"])) or "params", str(e["msg"])) from None
            if f.device not in self.kinds or (f.key and f.key not in {q.c.key for q in self.quantities[f.device]}):
                raise BadLine("device" if f.device not in self.kinds else "key", says("none-mine"))
            self.failures[f.device, f.key] = f
        elif method == "clear":
            self.failures.clear()
        return {"v": 1, "type": "response", "id": id, "ok": True, "result": result}

    async def serve(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        """One client: its hello, then readings every second, and answers to what it asks."""
        bad = 0
        talking: asyncio.Task[None] | None = None
        try:
            while True:
                try:
                    raw = await reader.readuntil(b"\n")
                except (asyncio.IncompleteReadError, ConnectionError):
                    return
                except asyncio.LimitOverrunError:
                    writer.write(line(error("line", says("has-more-than-bytes", most_bytes=MOST_BYTES))))
                    return
                try:
                    m = parsed(raw)
                    if m["type"] == "hello":
                        writer.write(line(hello(self.clock(), "server", "stand-in", devices=self.kinds, sim=True)))
                        talking = talking or asyncio.create_task(self._talk(writer))
                    elif m["type"] == "request":
                        writer.write(line(self.answered(m)))
                    else:
                        raise BadLine("type", says("must-be-hello-or"))
                    bad = 0
                except BadLine as exc:
                    bad += 1
                    writer.write(line(error(exc.key, exc.message)))
                    if bad >= MOST_BAD:
                        return
                await writer.drain()
        except ConnectionError:
            return
        finally:
            if talking is not None:
                talking.cancel()
            writer.close()

    async def _talk(self, writer: asyncio.StreamWriter) -> None:
        while True:
            for m in self.said():
                writer.write(line(m))
            try:
                await asyncio.wait_for(writer.drain(), 10)
            except (TimeoutError, ConnectionError):
                writer.close()  # a client that doesn't read is let go
                return
            await asyncio.sleep(TICK_S)


async def run(scene: Scene, port: int = PORT, seed: int = 1) -> None:
    """Serve until it is cancelled, on loopback alone."""
    stand = StandIn(scene, seed)
    server = await asyncio.start_server(stand.serve, "127.0.0.1", port, limit=MOST_BYTES)
    async with server:
        await server.serve_forever()
