"""``./bothy devices``: stand-ins for the devices of a vehicle, on loopback, fed by the product's own simulation; or what an MQTT broker says."""

from __future__ import annotations

import argparse
import asyncio
import contextlib
import json
import sys
import threading
import time
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

from bothy.core.live.scene import Scene
from bothy.devices.protocol import PORT
from bothy.devices.standin import run

PATIENCE_S = 300
"""For an answer: on a new machine the first trip is compiled before it runs."""


def _get(url: str) -> Any:
    with urllib.request.urlopen(url, timeout=PATIENCE_S) as r:
        return json.load(r)


def scene_from(url: str, name: str) -> Scene:
    """The scene of a vehicle from a Bothy that runs. Raises SystemExit with words."""
    try:
        projects = _get(f"{url}/api/projects")
        found = next((p for p in projects if p["name"].lower() == name.lower()), None) if name else next(iter(projects), None)
        if found is None:
            raise SystemExit(f"bothy: there is no project “{name}”" if name else "bothy: there is no project yet")
        return Scene.model_validate(_get(f"{url}/api/variants/{found['variants'][0]['id']}/live/scene"))
    except urllib.error.HTTPError as exc:
        raise SystemExit(f"bothy: {json.loads(exc.read() or b'{}').get('error', {}).get('message', exc)}") from None
    except TimeoutError:
        raise SystemExit(f"bothy: {url} gave no answer within {PATIENCE_S} s; try again when it has less to do, or give --scene FILE") from None
    except OSError:
        raise SystemExit(f"bothy: nobody answers at {url}; start Bothy first, or give --scene FILE") from None


def _from_broker(args: argparse.Namespace) -> int:
    from bothy.devices.mqtt import bridged, broker_of

    try:
        broker = broker_of(args.from_mqtt)
        print(f"what {args.from_mqtt} says on {args.mqtt_prefix}/+, on 127.0.0.1:{args.port}; Ctrl-C ends it", file=sys.stderr, flush=True)
        with contextlib.suppress(KeyboardInterrupt):
            asyncio.run(bridged(broker, args.port, args.mqtt_prefix, args.mqtt_tls))
    except ValueError as exc:
        print(f"bothy: --from-mqtt: {exc}", file=sys.stderr)
        return 2
    except OSError as exc:
        print(f"bothy: {args.from_mqtt} or port {args.port}: {exc.strerror or exc}", file=sys.stderr)
        return 1
    return 0


def _to_broker(args: argparse.Namespace) -> None:
    """Tell the broker, over and over; a broker that is away is said once."""
    from bothy.devices.mqtt import broker_of, published

    said = False
    while True:
        try:
            published(broker_of(args.to_mqtt), args.port, args.mqtt_prefix, args.mqtt_tls)
            said = False
        except ValueError as exc:
            print(f"bothy: --to-mqtt: {exc}", file=sys.stderr)
            return
        except OSError as exc:
            if not said:
                print(f"bothy: {args.to_mqtt}: {exc.strerror or exc}; trying on", file=sys.stderr)
            said = True
        time.sleep(2)


def main() -> int:
    parser = argparse.ArgumentParser(prog="bothy devices", description=__doc__)
    parser.add_argument("project", nargs="?", default="", help="name of the project; the first one without it")
    parser.add_argument("--url", default="http://127.0.0.1:8080")
    parser.add_argument("--scene", default="", help="a scene in a file instead")
    parser.add_argument("--port", type=int, default=PORT)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--from-mqtt", metavar="HOST[:PORT]", default="", help="serve what this broker says, in place of stand-ins")
    parser.add_argument("--to-mqtt", metavar="HOST[:PORT]", default="", help="tell this broker what the stand-ins say")
    parser.add_argument("--mqtt-prefix", default="bothy", help="topics are PREFIX/DEVICE")
    parser.add_argument("--mqtt-tls", action="store_true")
    args = parser.parse_args()
    if args.from_mqtt:
        return _from_broker(args)
    scene = Scene.model_validate_json(Path(args.scene).read_text(encoding="utf-8")) if args.scene else scene_from(args.url, args.project)
    print(
        f"{len(scene.devices())} stand-in devices of {scene.name or 'a vehicle'} on 127.0.0.1:{args.port}, simulated; Ctrl-C ends them",
        file=sys.stderr,
        flush=True,
    )
    if args.to_mqtt:
        threading.Thread(target=_to_broker, args=(args,), daemon=True).start()
    try:
        with contextlib.suppress(KeyboardInterrupt):
            asyncio.run(run(scene, args.port, args.seed))
    except OSError as exc:
        print(f"bothy: port {args.port}: {exc.strerror or exc}; another one with --port", file=sys.stderr)
        return 1
    return 0


if __name__ == "__main__":
    sys.exit(main())
