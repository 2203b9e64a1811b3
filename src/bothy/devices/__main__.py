"""``./bothy devices``: stand-ins for the devices of a vehicle, on loopback, fed by the product's own simulation."""

from __future__ import annotations

import argparse
import asyncio
import contextlib
import json
import sys
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

from bothy.core.live.scene import Scene
from bothy.devices.protocol import PORT
from bothy.devices.standin import run


def _get(url: str) -> Any:
    with urllib.request.urlopen(url, timeout=60) as r:
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
    except OSError:
        raise SystemExit(f"bothy: nobody answers at {url}; start Bothy first, or give --scene FILE") from None


def main() -> int:
    parser = argparse.ArgumentParser(prog="bothy devices", description=__doc__)
    parser.add_argument("project", nargs="?", default="", help="name of the project; the first one without it")
    parser.add_argument("--url", default="http://127.0.0.1:8080")
    parser.add_argument("--scene", default="", help="a scene in a file instead")
    parser.add_argument("--port", type=int, default=PORT)
    parser.add_argument("--seed", type=int, default=1)
    args = parser.parse_args()
    scene = Scene.model_validate_json(Path(args.scene).read_text(encoding="utf-8")) if args.scene else scene_from(args.url, args.project)
    print(
        f"{len(scene.devices())} stand-in devices of {scene.name or 'a vehicle'} on 127.0.0.1:{args.port}, simulated; Ctrl-C ends them",
        file=sys.stderr,
        flush=True,
    )
    try:
        with contextlib.suppress(KeyboardInterrupt):
            asyncio.run(run(scene, args.port, args.seed))
    except OSError as exc:
        print(f"bothy: port {args.port}: {exc.strerror or exc}; another one with --port", file=sys.stderr)
        return 1
    return 0


if __name__ == "__main__":
    sys.exit(main())
