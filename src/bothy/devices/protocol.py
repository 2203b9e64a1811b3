"""The protocol between Bothy and devices: one JSON object a line over TCP on loopback. See docs/devices.md."""

from __future__ import annotations

import datetime as dt
import json
import math
from typing import Any, NamedTuple

from bothy.core.words.says import devices_says as says

PORT = 47600
MOST_BYTES = 8192
MOST_BAD = 5
VERSION = 1
QUALITIES = ("good", "suspect", "bad")
MOST_KEYS = 40
METHODS = ("describe", "inject", "clear")
KINDS = ("battery_monitor", "solar_controller", "dcdc_charger", "inverter", "tank_sender", "thermometer", "heater_controller", "gas_scale")


class BadLine(ValueError):
    """A line that isn't a message; ``key`` names the field."""

    def __init__(self, key: str, message: str) -> None:
        super().__init__(f"{key}: {message}")
        self.key, self.message = key, message


class Reading(NamedTuple):
    """What a device said: time in seconds since 1970 (UTC), its own count, device, kind, quantities, quality, and whether it is simulated."""

    at: float
    seq: int
    device: str
    kind: str
    values: dict[str, float]
    quality: str
    simulated: bool


def stamp(now: float) -> str:
    """A time as it is written: UTC to the millisecond."""
    return dt.datetime.fromtimestamp(now, dt.UTC).isoformat(timespec="milliseconds").replace("+00:00", "Z")


def moment(text: Any) -> float:
    """A written time in seconds since 1970. Raises :class:`BadLine`."""
    if not isinstance(text, str) or len(text) > 40:
        raise BadLine("ts", says("must-be-utc-time"))
    try:
        made = dt.datetime.fromisoformat(text.replace("Z", "+00:00"))
    except ValueError:
        raise BadLine("ts", says("no-time", text=text)) from None
    if made.tzinfo is None:
        raise BadLine("ts", says("must-say-zone-end"))
    return made.timestamp()


def line(message: dict[str, Any]) -> bytes:
    """A message as it is sent."""
    return json.dumps(message, ensure_ascii=False, separators=(",", ":")).encode() + b"\n"


def parsed(raw: bytes) -> dict[str, Any]:
    """A line as a message. Raises :class:`BadLine` where it is none."""
    if len(raw) > MOST_BYTES:
        raise BadLine("line", says("has-more-than-bytes", most_bytes=MOST_BYTES))
    try:
        made = json.loads(raw)
    except (ValueError, RecursionError):
        raise BadLine("line", says("not-json")) from None
    if not isinstance(made, dict):
        raise BadLine("line", says("must-be-object"))
    if made.get("v") != VERSION:
        raise BadLine("v", says("must-be", version=VERSION))
    if not isinstance(made.get("type"), str):
        raise BadLine("type", says("required"))
    return made


def _word(m: dict[str, Any], key: str) -> str:
    value = m.get(key)
    if not isinstance(value, str) or not 1 <= len(value) <= 60 or not value.isprintable():
        raise BadLine(key, says("required-to-printable-signs"))
    return value


def reading_of(m: dict[str, Any]) -> Reading:
    """A message of type reading. Raises :class:`BadLine` naming the field."""
    device, kind = _word(m, "device"), _word(m, "kind")
    if kind not in KINDS:
        raise BadLine("kind", says("none", kind=kind, kinds=", ".join(KINDS)))
    seq, q = m.get("seq"), m.get("q")
    if not isinstance(seq, int) or isinstance(seq, bool) or not 0 <= seq < 2**53:
        raise BadLine("seq", says("must-be-whole-number"))
    if m.get("quality") not in QUALITIES:
        raise BadLine("quality", says("must-be-one", qualities=", ".join(QUALITIES)))
    if not isinstance(m.get("sim"), bool):
        raise BadLine("sim", says("must-say-true-or"))
    if not isinstance(q, dict) or not q or len(q) > MOST_KEYS:
        raise BadLine("q", says("must-hold-to-quantities", most_keys=MOST_KEYS))
    values: dict[str, float] = {}
    for k, v in q.items():
        if not isinstance(v, (int, float)) or isinstance(v, bool) or not math.isfinite(v) or len(k) > 40:
            raise BadLine(f"q.{k[:40]}", says("must-be-finite-number"))
        values[k] = float(v)
    return Reading(moment(m.get("ts")), seq, device, kind, values, str(m["quality"]), bool(m["sim"]))


def reading(now: float, seq: int, device: str, kind: str, values: dict[str, float], quality: str, simulated: bool) -> dict[str, Any]:
    """A reading as a message."""
    return {"v": VERSION, "type": "reading", "ts": stamp(now), "seq": seq, "device": device, "kind": kind, "q": values, "quality": quality, "sim": simulated}


def hello(now: float, role: str, name: str, **more: Any) -> dict[str, Any]:
    """The first message of each side."""
    return {"v": VERSION, "type": "hello", "ts": stamp(now), "role": role, "name": name, **more}


def error(key: str, message: str, id: str | None = None) -> dict[str, Any]:
    """What is said of a line that can't be taken."""
    return {"v": VERSION, "type": "error", "key": key, "message": message, **({"id": id} if id else {})}
