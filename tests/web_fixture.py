"""What the front end's tests mount: designs with everything in them, and their reports, made by ``python -m tests.web_fixture``."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

from bothy.core.design.document import Design, load_design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import entries_between
from bothy.core.recording import record
from bothy.core.report import Report, report
from bothy.demo import curlew
from tests.designs import BANK, FRIDGE, LAMP, circuit, lived
from tests.designs import made as made_design

FOLDER = Path(__file__).parents[1] / "web/tests/fixtures"
FIGURES = {
    "warmth": ("warmth", "surfaces", "heaters", "ducts", "air", "vents", "cool"),
    "water": ("water", "tanks", "frost"),
    "gas": ("gas", "vessels"),
}
"""Which figures belong to a stage, by the first part of their key."""


def design() -> Design:
    """Curlew with a coolant loop and an air conditioner too, so that every view has something to show."""
    data = curlew.design().model_dump(mode="json")
    data["warmth"]["loop"] = {
        "pump_head_max_m": 2.5,
        "pump_flow_max_l_min": 18.0,
        "zones": [
            {"id": "coil", "name": "Fan coil, step", "emitter": "fan_coil", "rated_w": 1800.0, "pipe_length_m": 6.0},
            {"id": "bath", "name": "Plate exchanger", "emitter": "exchanger", "rated_w": 4000.0, "ua_w_k": 600.0, "pipe_length_m": 3.0},
        ],
    }
    data["warmth"]["cooler"] = {"name": "Roof cooler", "capacity_w": 1400.0, "from_h": 12.0, "to_h": 18.0}
    water = data["water"]
    water["joins"] = []
    water["hookup"] = {"limiter_kpa": 500.0}
    gas = data["gas"]
    gas["vessels"].append(
        {
            "id": "spare",
            "name": "Spare in the garage",
            "capacity_kg": 3.9,
            "count": 2,
            "connected": False,
            "place": "outside",
            "straps": 2,
            "restraint_n": 900.0,
            "angle_deg": 10.0,
        }
    )
    gas["appliances"].append({"id": "heater", "name": "Space heater", "kind": "space_heater", "flame_failure": True, "valve": True})
    return load_design(data)


def facts() -> Facts:
    """What was measured on it: Curlew's, and a leak test that failed."""
    later = {"id": "later", "name": "After the summer", "on": "2026-10-01", "start_mbar": 150.0, "end_mbar": 143.0, "duration_min": 10.0, "isolated": True}
    data = curlew.facts().model_dump(mode="json")
    return Facts.model_validate({**data, "gas_tests": [*data["gas_tests"], later]})


def measured(d: Design, facts: Facts) -> Report:
    """The report of a design on facts that were taken down on its first revision."""
    return record(d, (), entries_between(Facts(), facts), variant="v", revision=1, guarded=False).one.report


def rounded(value: Any) -> Any:
    """The same with numbers of four digits."""
    if isinstance(value, float):
        return float(f"{value:.4g}")
    if isinstance(value, dict):
        return {k: rounded(v) for k, v in value.items()}
    return [rounded(v) for v in value] if isinstance(value, list) else value


def made(stage: str) -> dict[str, Any]:
    """The fixture of a stage as it should be now."""
    r = measured(design(), facts()).plain()
    return {
        "design": design().model_dump(mode="json")[stage],
        "facts": facts().model_dump(mode="json"),
        "report": rounded(r[stage]),
        "vehicle": rounded(r["vehicle"]),
        "figures": rounded({k: v for k, v in r["figures"].items() if k.split("/")[0] in FIGURES[stage]}),
        "findings": [f for f in rounded(r["findings"]) if f["stage"] == stage],
    }


FIRST = ("vehicle", "life", "power", "prove")
"""The stages that have one fixture together, of Curlew as it is."""


def first_stages() -> dict[str, Any]:
    """Curlew's vehicle, life, power and readings, with what the report says of them."""
    d = curlew.design()
    r = measured(d, curlew.facts()).plain()
    wiring = d.model_dump(mode="json")["wiring"]
    kept = ("region_name", "licensed", "system_voltage_v", "wire_series", "stages", "assumptions", *FIRST)
    own = ("vehicle", "life", "power", "appliances", "prove")
    return {
        "design": {
            **{s: d.model_dump(mode="json")[s] for s in FIRST},
            "region": d.region,
            "facts": curlew.facts().model_dump(mode="json"),
            "wiring": {"boards": [], "circuits": wiring["circuits"][:6]},
        },
        "report": {
            **{k: rounded(r[k]) for k in kept},
            "fit": {"body": rounded(r["fit"]["body"])},
            "wiring": {"circuits": {}, "loops": rounded(dict(list(r["wiring"]["loops"].items())[:6]))},
        },
        "figures": rounded({k: v for k, v in r["figures"].items() if k.split("/")[0] in own}),
        "findings": [f for f in rounded(r["findings"]) if f["stage"] in FIRST],
    }


def small_wiring() -> dict[str, Any]:
    """Two boards, one fed from the other, a thin cable to a fridge, and a lamp whose length was never measured."""
    d = made_design(
        {
            **lived([LAMP, FRIDGE], {"bank": BANK}),
            "wiring": {
                "boards": [
                    {"id": "a", "name": "Main board", "letter": "A", "way_count": 12},
                    {"id": "b", "name": "Rear board", "letter": "B", "way_count": 6, "fed_from": "a"},
                ],
                "circuits": [
                    circuit("lamp-feed", name="Lamp feed", length_m=None),
                    circuit("fridge", name="Fridge", appliances=["fridge"], board="b", area_mm2=0.75, length_m=9.0, fuse_a=15.0),
                    {"id": "feeder", "name": "Feeder of the rear", "kind": "feeder", "board": "b", "length_m": 5.0, "area_mm2": 6.0, "fuse_a": 30.0},
                ],
            },
        }
    )
    whole = report(d)
    r = whole.plain()
    return {
        "design": {k: d.model_dump(mode="json")[k] for k in ("region", "life", "power", "wiring", "prove")},
        "report": rounded(
            {k: r[k] for k in ("region_name", "licensed", "system_voltage_v", "wire_series", "stages", "assumptions", "life", "power", "wiring")}
        ),
        "figures": rounded({k: v for k, v in r["figures"].items() if k.split("/")[0] in ("circuits", "boards", "network")}),
        "findings": [f for f in rounded(r["findings"]) if f["stage"] == "wiring"],
        "diagram": rounded(whole.diagram().model_dump(mode="json")),
    }


def unit_cases() -> dict[str, Any]:
    """Texts, and what the core understands of each as a quantity: the front end's own reading is held to it."""
    from bothy.core.units import EXAMPLES, UNITS, NotUnderstood, parse
    from tests.core.test_units import REFUSED, UNDERSTOOD

    asked = [
        *((t, d, None) for t, d, _ in (*UNDERSTOOD, *REFUSED)),
        *((t, d, u) for d, units in UNITS.items() for u in (None, *units) for t in ("12", "1,234", "-0.5", "6½")),
    ]
    asked += [(e.strip(), d, None) for d, text in EXAMPLES.items() for e in re.findall('"([^"]+)"', text)]
    asked += [
        (f"{n} {u}", d, None)
        for d, units in UNITS.items()
        for u in units
        for n in ("3", "1 1/4", "2.500,5", "1e-9", "7e12", "0", "1/0", "10000.5", "99999,5", "1'234")
    ]
    asked += [
        (t, d, None)
        for d in UNITS
        for t in (
            "",
            "x",
            "5 5",
            "1.2.3",
            "--3",
            "5 @ 12 V",
            "5A @ 12V",
            "10 Ah@12",
            "#10",
            "4/0 AWG",
            "3/0",
            "6'6\"",
            "6 ft 18 in",
            "1.5 ft 3 in",
            "1 h 30",
            "9" * 61,
            "∞",
            "5 parsec",
        )
    ]
    out = []
    for text, dimension, unit in dict.fromkeys(asked):
        case: dict[str, Any] = {"text": text, "dimension": dimension, "unit": unit}
        try:
            q = parse(text, dimension, unit)
            out.append({**case, "value": q.value, "understood": q.understood, "awg": q.awg})
        except NotUnderstood as exc:
            out.append({**case, "refused": str(exc)})
    return {"cases": out}


def said_cases() -> dict[str, Any]:
    """Sentences as different readers have them: the front end's own renderer is held to the core's."""
    from bothy.core.finding import RULES
    from bothy.core.region import REGIONS
    from bothy.core.words.said import Reader, said
    from bothy.core.words.terms import plural, terms

    found = measured(design(), facts()).findings
    asked = [(t, f.stage) for f in found for t in (f.message, f.remedy)]
    asked += [(t, r.stage) for _, r in sorted(RULES.items()) if r.stage in ("gas", "water", "wiring") for t in (r.title, r.remedy)]
    asked += [(f"A {t.base} beside an {t.base}, “{t.base}”; two {plural(t.base)}. {t.base.capitalize()}", "") for t in terms()]
    asked += [
        ("1,250 kg, -3 °C, 57%, 0.60 × 0.35 × 0.60 m, 2 × 0.26 m, 1010 × 640 mm, 15 to 35 °C, 12-14 V, heat tapes, 400 mm², 91 mΩ, 4.7 MΩ, 3 µm", s)
        for s in ("", "wiring")
    ]
    asked += [("Sun 16 May 2027, from 28 April to 3 May, 25 to 28 Sept and Friday, 1 Nov; 1.5 March, “2 May 2027”, May 5 and may 5", "")]
    readers = [("metric", "uk"), ("metric", "eu"), ("us", "us"), ("metric", "au")]
    named = ("Fridge 50 L", "A 2 m hose")
    kept = "A1 Fridge 50 L: 13 L; A 2 m hose: 3 m; “Fridge 50 L”; fridge 50 L"
    return {
        "names": list(named),
        "kept": [{"text": kept, "units": u, "region": r, "said": said(kept, Reader(u, r, named))} for u, r in readers],  # type: ignore[arg-type]
        "cases": [
            {"text": text, "stage": stage, "units": units, "region": region, "said": said(text, Reader(units, region), stage)}  # type: ignore[arg-type]
            for text, stage in dict.fromkeys(asked)
            for units, region in readers
            if region in REGIONS
        ],
    }


def proving() -> dict[str, Any]:
    """Curlew's ladder, the search for its bad joint, and a rig: as the server gives them."""
    from bothy.core.faults.case import Answer
    from bothy.core.faults.finder import find, starts
    from bothy.core.faults.play import play, rigs
    from bothy.core.faults.practice import Guess, RigAct, RigAsk

    d, f = curlew.design(), curlew.facts()
    made = measured(d, f).commissioned()
    pump = "circuit:water-pump-10-l-min"
    drops = [Answer(test="plus-leg", reading=0.11), Answer(test="minus-leg", reading=0.56), Answer(test="over-switch", reading=0.05)]
    volts = RigAct(act="volts", a="load-plus", b="load-minus")
    said = {
        "commissioning": made.part(),
        "search": find(made.src, pump, []),
        "found": find(made.src, pump, [*drops, Answer(test="over-fuse", reading=0.05)]),
        "rig": play(made.src, RigAsk(rig="lamp", seed=42, acts=[volts, RigAct(act="ohms", a="load-plus", b="load-minus")])),
        "pipes": play(made.src, RigAsk(rig="galley-shower", seed=5, acts=[RigAct(act="valve", a="galley"), RigAct(act="hold", a="pump")])),
        "scored": play(made.src, RigAsk(rig="lamp", seed=42, acts=[volts], guess=Guess(element="fuse", fault="fuse-open"))),
    }
    out = {k: rounded(v.model_dump(mode="json")) for k, v in said.items()}
    return {
        **out,
        "starts": {"starts": [s.model_dump() for s in starts(made.src)], "by_step": {"s5-circuit:water-pump-10-l-min": pump}},
        "rigs": [r.model_dump() for r in rigs(made.src)][:6],
        "facts": {"steps": f.model_dump(mode="json")["steps"], "readings": f.model_dump(mode="json")["readings"], "repairs": []},
    }


def laid_out() -> dict[str, Any]:
    """Curlew's openings and a small van's plan: as the server gives them."""
    from bothy.core.build.worked import build_part
    from tests.core.build.test_build_plan import DAY, days
    from tests.core.build.test_build_plan import design as building

    d, r = curlew.design(), measured(curlew.design(), curlew.facts())
    small = building(
        coming=days((3, 9, 0.7)),
        coming_from="typed",
        budgets={"workshop": 40},
        baseline={"day": "2027-02-01", "end": "2027-05-01T17:00", "tasks": {"deep-clean": ["2027-03-13T09:00", "2027-03-14T12:00"]}},
    )
    return {
        "sides": rounded(r.sides.model_dump(mode="json")),
        "fit": d.fit.model_dump(mode="json") | {"roof": {}, "places": [], "bays": [], "own": []},
        "findings": [f.model_dump(mode="json") for f in r.findings if f.rule.startswith("fit-side")],
        "build": small.build.model_dump(mode="json"),
        "plan": rounded(build_part(small, measured(small, Facts()), Facts(), DAY).model_dump(mode="json")),
    }


def fixtures() -> dict[str, dict[str, Any]]:
    """All of them as they should be now, by name."""
    return {
        "units": unit_cases(),
        "said": said_cases(),
        **{stage: made(stage) for stage in FIGURES},
        "curlew": first_stages(),
        "wiring": small_wiring(),
        "prove": proving(),
        "laid": laid_out(),
    }


if __name__ == "__main__":
    for name, fixture in fixtures().items():
        (FOLDER / f"{name}.json").write_text(json.dumps(fixture, ensure_ascii=False, indent=1) + "\n", encoding="utf-8")
