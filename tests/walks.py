"""Random walks over a design: valid, odd and hostile JSON Patches drawn from the document's own schema."""

from __future__ import annotations

import random
from typing import Any

from bothy.core.design.document import Design

SCHEMA = Design.model_json_schema()
HOSTILE: list[Any] = [1e-300, -1e-300, 1e300, -1.0, 0, 0.0, 1, 1e9, True, None, "", "x" * 5000, [], {}, "../..", "london", 1e-7, 0.5, 3, "\u202e"]


def _resolve(s: dict[str, Any]) -> dict[str, Any]:
    while "$ref" in s:
        s = SCHEMA["$defs"][s["$ref"].rsplit("/", 1)[1]]
    return s


class Walker:
    """Draws one patch after the other; ``ids`` of the design in hand are mixed into what it draws, so that links are made and broken."""

    def __init__(self, seed: int) -> None:
        self.rng = random.Random(seed)
        self.made = 0

    def value(self, s: dict[str, Any], names: list[str], depth: int = 0) -> Any:
        """A value that the schema would mostly take; near and on its bounds often."""
        s = _resolve(s)
        rng = self.rng
        if "const" in s:
            return s["const"]
        if "enum" in s:
            return rng.choice(s["enum"])
        if "anyOf" in s:
            options = [o for o in s["anyOf"] if depth < 4 or o.get("type") == "null"] or s["anyOf"]
            return self.value(rng.choice(options), names, depth)
        kind = s.get("type")
        if kind == "null":
            return None
        if kind == "boolean":
            return rng.random() < 0.5
        if kind in ("number", "integer"):
            low = s.get("minimum", s.get("exclusiveMinimum", 0))
            high = s.get("maximum", s.get("exclusiveMaximum", low + 100))
            draw = rng.random()
            x = low if draw < 0.12 else high if draw < 0.2 else 10 ** rng.uniform(-3, 2) if draw < 0.6 else rng.uniform(low, high)
            x = min(high, max(low, x))
            return round(x) if kind == "integer" else float(x)
        if kind == "string":
            pattern = s.get("pattern")
            if pattern is None:
                return rng.choice(["Bunk", "2026-10-01", "", "Nøkk & Søn <b>", "x" * rng.randint(1, 30)])
            if names and rng.random() < 0.7:
                return rng.choice(names)
            self.made += 1
            return rng.choice(["A", "london", "inverness", "steel_skin", f"made_{self.made}", f"made-{self.made}"])
        if kind == "array":
            least, most = s.get("minItems", 0), s.get("maxItems", 4)
            n = min(most, max(least, rng.randint(0, 3))) if depth < 4 else least
            return [self.value(s["items"], names, depth + 1) for _ in range(n)]
        if kind == "object":
            out = {}
            for key, child in s.get("properties", {}).items():
                if key in s.get("required", []) or rng.random() < 0.35:
                    out[key] = self.value(child, names, depth + 1)
            return out
        return rng.choice(HOSTILE)

    def patch(self, data: dict[str, Any]) -> list[dict[str, Any]]:
        """One to three operations on a document."""
        names = _names(data)
        return [self._op(data, names) for _ in range(self.rng.choice([1, 1, 1, 2, 3]))]

    def _op(self, data: dict[str, Any], names: list[str]) -> dict[str, Any]:
        rng = self.rng
        s: dict[str, Any] = SCHEMA
        at: Any = data
        path = ""
        while True:
            s = _resolve(s)
            if "anyOf" in s and at is not None:
                s = _resolve(next((o for o in s["anyOf"] if _resolve(o).get("type") in ("object", "array")), s["anyOf"][0]))
            if isinstance(at, dict) and s.get("properties") and (path == "" or rng.random() < 0.93):
                key = rng.choice(list(s["properties"]))
                path, at, s = f"{path}/{key}", at.get(key), s["properties"][key]
            elif isinstance(at, list) and s.get("items"):
                draw = rng.random()
                if draw < 0.25 or not at:
                    return {"op": "add", "path": f"{path}/-", "value": self.value(s["items"], names)}
                i = rng.randrange(len(at))
                if draw < 0.38:
                    return {"op": "remove", "path": f"{path}/{i}"}
                path, at, s = f"{path}/{i}", at[i], s["items"]
            else:
                break
        if rng.random() < 0.08:
            return {"op": rng.choice(["replace", "add"]), "path": path, "value": rng.choice(HOSTILE)}
        return {"op": "replace", "path": path, "value": self.value(s, names)}


def _names(data: Any) -> list[str]:
    out: list[str] = []
    if isinstance(data, dict):
        if isinstance(data.get("id"), str):
            out.append(data["id"])
        for v in data.values():
            out += _names(v)
    elif isinstance(data, list):
        for v in data:
            out += _names(v)
    return out
