"""A bridge between the protocol of docs/devices.md and an MQTT broker: a reading is a message on ``PREFIX/DEVICE``, the same JSON object as on a line."""

from __future__ import annotations

import asyncio
import contextlib
import os
import re
import socket
import time
from collections.abc import Callable
from typing import Any

import paho.mqtt.client as paho
from paho.mqtt.enums import CallbackAPIVersion

from bothy.core.words.says import devices_says as says
from bothy.devices.protocol import MOST_BYTES, BadLine, error, hello, line, parsed, reading_of

PREFIX = "bothy"
BROKER_PORT = 1883
KEEPALIVE_S = 30
BEHIND_BYTES = 1_000_000
"""A client that is so far behind is let go."""
UNSAFE = re.compile(r"[+#/\x00]")


def broker_of(text: str) -> tuple[str, int]:
    """Host and port of “host” or “host:port”. Raises ValueError with words."""
    host, _, port = text.rpartition(":") if ":" in text else (text, "", str(BROKER_PORT))
    if not host or not port.isdigit() or not 0 < int(port) < 65536:
        raise ValueError(f"“{text}” is no broker; write it like 192.168.1.10:1883")
    return host, int(port)


def topic_of(prefix: str, device: str) -> str:
    """The topic of a device; signs with a meaning in topics are replaced."""
    return f"{prefix}/{UNSAFE.sub('_', device)}"


def connected(broker: tuple[str, int], name: str, tls: bool) -> paho.Client:
    """A client that connects, and connects again. User and password are taken from BOTHY_MQTT_USER and BOTHY_MQTT_PASSWORD. Raises OSError."""
    client = paho.Client(CallbackAPIVersion.VERSION2, client_id=f"{name}-{os.getpid()}")
    if user := os.environ.get("BOTHY_MQTT_USER"):
        client.username_pw_set(user, os.environ.get("BOTHY_MQTT_PASSWORD"))
    if tls:
        client.tls_set()
    client.reconnect_delay_set(1, 30)
    client.connect(*broker, keepalive=KEEPALIVE_S)
    return client


class Bridge:
    """Serves what a broker says, as a device adapter does."""

    def __init__(self, prefix: str = PREFIX) -> None:
        self._prefix = prefix
        self._clients: set[asyncio.StreamWriter] = set()
        self.wrong = 0

    def attach(self, client: paho.Client, loop: asyncio.AbstractEventLoop) -> None:
        """Hear what comes in by a client, from its thread. What a broker only remembers is old and left out."""

        def on_connect(c: paho.Client, *_: Any) -> None:
            c.subscribe(f"{self._prefix}/+")

        def on_message(_: Any, __: Any, m: paho.MQTTMessage) -> None:
            if not m.retain:
                loop.call_soon_threadsafe(self.heard, bytes(m.payload))

        client.on_connect, client.on_message = on_connect, on_message

    def heard(self, raw: bytes) -> None:
        """One message: passed on when it is a reading, counted when it isn't."""
        try:
            m = parsed(raw)
            reading_of(m)
        except BadLine as exc:
            self.wrong += 1
            self._send(line(error(exc.key, exc.message)))
            return
        self._send(line(m))

    def _send(self, data: bytes) -> None:
        for w in list(self._clients):
            if w.is_closing() or w.transport.get_write_buffer_size() > BEHIND_BYTES:
                self._clients.discard(w)
                w.close()
            else:
                w.write(data)

    async def serve(self, reader: asyncio.StreamReader, writer: asyncio.StreamWriter) -> None:
        """One client: hears readings once it has said hello; a broker can't be asked for anything."""
        try:
            while raw := await reader.readline():
                try:
                    m = parsed(raw)
                    if m["type"] == "hello":
                        writer.write(line(hello(time.time(), "server", "mqtt")))
                        self._clients.add(writer)
                    else:
                        writer.write(line(error("type", says("bridge-answers-no-requests"), str(m.get("id", ""))[:40])))
                except BadLine as exc:
                    writer.write(line(error(exc.key, exc.message)))
                    return
                await writer.drain()
        except (ConnectionError, ValueError, asyncio.LimitOverrunError):
            return
        finally:
            self._clients.discard(writer)
            with contextlib.suppress(RuntimeError):  # the loop may be gone already
                writer.close()


async def bridged(broker: tuple[str, int], port: int, prefix: str = PREFIX, tls: bool = False, ready: Callable[[int], None] | None = None) -> None:
    """Serve on loopback what a broker says, until it is cancelled. ``ready`` is told the port. Raises OSError where there is no broker, or no port."""
    bridge = Bridge(prefix)
    client = connected(broker, "bothy-in", tls)
    bridge.attach(client, asyncio.get_running_loop())
    client.loop_start()
    try:
        server = await asyncio.start_server(bridge.serve, "127.0.0.1", port, limit=MOST_BYTES)
        if ready is not None:
            ready(server.sockets[0].getsockname()[1])
        async with server:
            await server.serve_forever()
    finally:
        client.disconnect()
        client.loop_stop()


def published(broker: tuple[str, int], port: int, prefix: str = PREFIX, tls: bool = False, over: Callable[[], bool] = lambda: False) -> int:
    """Tell a broker what is said at a port of this machine, until the other end closes or ``over``. How many readings went. Raises OSError."""
    client = connected(broker, "bothy-out", tls)
    client.loop_start()
    told = 0
    try:
        with socket.create_connection(("127.0.0.1", port), timeout=30) as s, s.makefile("rb") as f:
            s.sendall(line(hello(time.time(), "client", "mqtt")))
            while not over() and (raw := f.readline(MOST_BYTES + 1)):
                with contextlib.suppress(BadLine):
                    m = parsed(raw)
                    if m["type"] == "reading":
                        client.publish(topic_of(prefix, reading_of(m).device), line(m).rstrip(b"\n")).wait_for_publish(10)
                        told += 1
        return told
    finally:
        client.disconnect()
        client.loop_stop()
