"""Speeds, printed as JSON: ``./bothy bench``. Measured, never asserted in tests.

``loop_ms`` is the time of a million empty loop turns, for comparing machines.
"""

from __future__ import annotations

import gc
import gzip
import json
import os
import re
import statistics
import subprocess
import sys
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]


def times(run: Callable[[], Any], count: int) -> list[float]:
    """Milliseconds of each of ``count`` runs, after one that warms up."""
    run()
    out = []
    for _ in range(count):
        start = time.perf_counter()
        run()
        out.append(1000 * (time.perf_counter() - start))
    return sorted(out)


def median(run: Callable[[], Any], count: int) -> float:
    return round(statistics.median(times(run, count)), 2)


def loop_ms() -> float:
    def turn() -> None:
        for _ in range(1_000_000):
            pass

    return median(turn, 5)


def many_circuits(count: int) -> Any:
    """A design with ``count`` sized circuits of one lamp each."""
    from bothy.core.design.document import load_design

    lamps = [{"id": f"l{i}", "name": f"Lamp {i}", "kind": "light", "power_w": 12.0, "hours_per_day": 4.0} for i in range(count)]
    circuits = [
        {"id": f"c{i}", "name": f"Circuit {i}", "board": "a", "appliances": [f"l{i}"], "length_m": 4.0, "area_mm2": 1.5, "fuse_a": 5.0} for i in range(count)
    ]
    board = {"id": "a", "name": "Board", "way_count": 60}
    return load_design({"schema_version": 1, "life": {"appliances": lamps}, "wiring": {"boards": [board], "circuits": circuits}})


def distribution(count: int) -> Any:
    """A design whose ``count`` circuits hang on boards of twenty, each with its feeder, behind one main and a bank; two circuits to a lamp."""
    from bothy.core.design.document import load_design

    lamps = [{"id": f"l{i}", "name": f"Lamp {i}", "kind": "light", "power_w": 3.0, "hours_per_day": 4.0} for i in range(-(-count // 2))]
    boards = [{"id": f"b{i}", "name": f"Board {i}", "way_count": 26} for i in range(-(-count // 20))]
    main = {"id": "main", "name": "Main", "kind": "main", "length_m": 0.5, "area_mm2": 120.0, "fuse_a": 400.0, "fuse_family": "class_t"}
    feeders = [{"id": f"f{b['id']}", "name": "Feed", "kind": "feeder", "board": b["id"], "length_m": 2.0, "area_mm2": 16.0, "fuse_a": 50.0} for b in boards]
    circuits = [
        {"id": f"c{i}", "name": f"Circuit {i}", "board": f"b{i // 20}", "appliances": [f"l{i // 2}"], "length_m": 3.0 + i % 5, "area_mm2": 1.5, "fuse_a": 5.0}
        for i in range(count)
    ]
    bank = {"name": "Bank", "chemistry": "lifepo4", "unit_voltage_v": 12.8, "unit_charge_ah": 200.0}
    return load_design(
        {"schema_version": 1, "life": {"appliances": lamps}, "power": {"bank": bank}, "wiring": {"boards": boards, "circuits": [main, *feeders, *circuits]}}
    )


def shell_and_ducts(surfaces: int, ducts: int) -> Any:
    """Curlew with as many windows as make ``surfaces`` surfaces, and ``ducts`` runs of warm air."""
    from bothy.core.design.document import load_design
    from bothy.core.report import report
    from bothy.demo import curlew

    doc = curlew.design().model_dump(mode="json")
    have = len(report(curlew.design()).warmth.surfaces)
    sides = ("left", "right", "rear", "roof")
    doc["warmth"]["openings"] += [
        {"id": f"w{i}", "name": f"Window {i}", "on": sides[i % 4], "kind": "window", "width_m": 0.3, "height_m": 0.2} for i in range(surfaces - have)
    ]
    first = doc["warmth"]["ducts"][0]
    doc["warmth"]["ducts"] = [
        {**first, "id": f"d{i}", "name": f"Run {i}", "parent": None if i < 2 else f"d{i % 2}", "length_m": 1.0 + i / 2} for i in range(ducts)
    ]
    doc["warmth"]["drying"] = None
    return load_design(doc)


def pipes_ms(outlets: int) -> float:
    """A tree of pipes with all its outlets open, solved."""
    from bothy.core.water.network import Run, Tree
    from bothy.core.water.pipe import PumpPoint

    runs = [Run("main", None, 22.0, 4.0, 3.0, 0.3)]
    for i in range(outlets):
        branch = f"b{i // 4}"
        if i % 4 == 0:
            runs.append(Run(branch, "main" if i == 0 else f"b{i // 4 - 1}", 22.0, 2.0, 2.0, 0.0))
        runs.append(Run(f"o{i}", branch, 9.0, 1.5, 3.0, 0.2 + (i % 5) * 0.3, 5.0, 30.0))
    curve = [PumpPoint(flow_l_min=q, pressure_kpa=p) for q, p in ((0, 400), (60, 300), (120, 0))]
    tree, opened = Tree(runs), [f"o{i}" for i in range(outlets)]
    assert sum(q > 0 for k, q in tree.solve(curve, opened).flow_l_min.items() if k.startswith("o")) == outlets
    return median(lambda: tree.solve(curve, opened, 1.0), 50)


def gas_ms(design: Any) -> float:
    """Gas of a design, figures and findings: vessels in the cold, pipe tree, locker, tests."""
    from bothy.core.context import Context
    from bothy.core.gas.part import gas_part
    from bothy.core.gas.rules import gas_findings

    ctx = Context(design)
    assert gas_part(ctx).part.pipes is not None
    return median(lambda: gas_findings(ctx, gas_part(ctx)), 40)


def core() -> dict[str, Any]:
    from bothy.api.collector import Collector
    from bothy.core.context import Context
    from bothy.core.report import report
    from bothy.core.warmth.part import warmth_part
    from bothy.core.warmth.rules import warmth_findings
    from bothy.demo import curlew

    design = curlew.design()
    small, large = many_circuits(30), many_circuits(300)
    sixty, six_hundred = distribution(60), distribution(600)
    report(design)
    Collector().begin()
    thirty, three_hundred = median(lambda: report(small), 15), median(lambda: report(large), 7)
    runs = times(lambda: report(design), 60)
    shell = Context(shell_and_ducts(30, 6))
    parts = times(lambda: warmth_findings(shell, warmth_part(shell)), 40)
    part = warmth_part(shell).part
    assert len(part.surfaces) == 30
    assert len(part.ducts) == 6
    return {
        "pipes_20_outlets_ms": pipes_ms(20),
        "gas_part_ms": gas_ms(design),
        "warmth_30_surfaces_6_ducts_ms": round(statistics.median(parts), 2),
        "report_demo_median_ms": round(statistics.median(runs), 2),
        "report_demo_best_ms": round(runs[0], 2),
        "report_30_circuits_ms": thirty,
        "report_300_circuits_ms": three_hundred,
        "report_300_to_30": round(three_hundred / thirty, 2),
        "report_60_on_boards_ms": median(lambda: report(sixty), 15),
        "report_600_on_boards_ms": median(lambda: report(six_hundred), 7),
    }


def over_http() -> dict[str, Any]:
    """Edits of the demo over loopback, each to its new revision and report."""
    import httpx2
    from sqlalchemy import create_engine, text
    from tests.browser.serving import served

    from bothy.demo.load import load_demos
    from bothy.store.engine import make_engine
    from bothy.store.migrate import migrate
    from bothy.store.projects import Projects

    url = os.environ["BOTHY_DATABASE_URL"]
    migrate(url)
    engine = make_engine(url)
    with create_engine(url).begin() as c:
        c.execute(text("delete from projects"))
    projects = Projects(engine)
    load_demos(projects)
    id = next(p for p in projects.all() if p.name == "Curlew").variants[0].id
    with served(url) as base, httpx2.Client(base_url=base) as client:
        revision = 1

        def edit() -> None:
            nonlocal revision
            ops = [{"op": "replace", "path": "/wiring/circuits/7/length_m", "value": 3.0 + revision % 50 / 10}]
            r = client.patch(f"/api/variants/{id}", json={"ops": ops}, headers={"If-Match": str(revision)})
            r.raise_for_status()
            revision = r.json()["revision"]

        gc.collect()
        gc.disable()  # this end only: its pauses are not the server's
        runs = times(edit, 100)
        opened = times(lambda: client.get(f"/api/variants/{id}").raise_for_status(), 20)
        gc.enable()
    return {"edit_median_ms": round(statistics.median(runs), 1), "edit_p95_ms": round(runs[94], 1), "open_median_ms": round(statistics.median(opened), 1)}


DRAWN = """async (link) => {
  const start = performance.now();
  link.click();
  while (!document.querySelector("[data-drawn] svg[role=group]")) await new Promise(requestAnimationFrame);
  await new Promise(requestAnimationFrame);
  return performance.now() - start;
}"""


def diagram_drawn() -> dict[str, Any]:
    """From the press on Wiring to the drawn diagram of 60 circuits on boards, in the browser: first time with its script, and again."""
    from playwright.sync_api import sync_playwright
    from tests.browser.serving import ARGUMENTS, CHROMIUM, served

    from bothy.core.sound import sound
    from bothy.store.engine import make_engine
    from bothy.store.projects import Projects

    url = os.environ["BOTHY_DATABASE_URL"]
    projects = Projects(make_engine(url))
    projects.create("Sixty", [("as planned", sound(distribution(60)))], "bench")
    id = next(p for p in projects.all() if p.name == "Sixty").variants[0].id
    with served(url) as base, sync_playwright() as p:
        browser = p.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        found = []
        for _ in range(6):
            page.goto(f"{base}/v/{id}/life")
            page.wait_for_load_state("networkidle")
            found.append(page.get_by_role("link", name="Wiring").evaluate(DRAWN))
        browser.close()
    return {"diagram_60_first_ms": round(found[0], 1), "diagram_60_median_ms": round(statistics.median(found[1:]), 1)}


def first_load() -> dict[str, Any]:
    """Script of the first page (the projects) and of the heaviest stage, gzip, in kB."""
    dist = ROOT / "web" / "dist"

    def size(names: set[str]) -> float:
        return round(sum(len(gzip.compress((dist / "assets" / n).read_bytes(), 9)) for n in names) / 1000, 1)

    html = (dist / "index.html").read_text(encoding="utf-8")
    entry = set(re.findall(r"assets/([\w.-]+\.js)", html))
    stages = {p.name for p in (dist / "assets").glob("*.js")}
    return {"first_load_script_kb": size(entry), "all_script_kb": size(stages)}


def batch() -> dict[str, Any]:
    """Lines a second of ``bothy calc --batch`` after its start."""
    line = json.dumps({"calc": "wire-size", "input": {"current_a": 6, "length_m": 6.5}}) + "\n"
    process = subprocess.Popen([sys.executable, "-m", "bothy.cli", "calc", "--batch"], stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
    assert process.stdin and process.stdout
    process.stdin.write(line)
    process.stdin.flush()
    process.stdout.readline()
    count = 2000
    start = time.perf_counter()
    out, _ = process.communicate(line * count)
    seconds = time.perf_counter() - start
    assert out.count("\n") == count
    return {"batch_lines_per_s": round(count / seconds)}


TRIP_DRAWN = """async () => {
  const lanes = () => document.querySelector('[data-drawn] svg[role=slider] path[opacity="0.24"]')?.getAttribute("d");
  const before = lanes();
  const start = performance.now();
  [...document.querySelectorAll("label")].find((x) => /hooked up/i.test(x.textContent)).click();
  for (;;) {
    await new Promise(requestAnimationFrame);
    const now = lanes();
    if (now && now !== before) return performance.now() - start;
  }
}"""


def trip_redrawn() -> dict[str, Any]:
    """From an edit of a leg to redrawn lanes in the browser: 14 days through 50 weathers, hook-up put on and off."""
    from playwright.sync_api import sync_playwright
    from tests.browser.serving import ARGUMENTS, CHROMIUM, served

    from bothy.core.design.document import load_design
    from bothy.core.sound import sound
    from bothy.demo import curlew
    from bothy.store.engine import make_engine
    from bothy.store.projects import Projects

    url = os.environ["BOTHY_DATABASE_URL"]
    data = curlew.design().model_dump(mode="json")
    data["trips"]["legs"] = [{"id": "a", "place": "inverness", "days_count": 7}, {"id": "b", "place": "edinburgh", "days_count": 7, "drive_h": 3.0}]
    projects = Projects(make_engine(url))
    projects.create("Fortnight", [("as planned", sound(load_design(data)))], "bench")
    id = next(p for p in projects.all() if p.name == "Fortnight").variants[0].id
    with served(url) as base, sync_playwright() as p:
        browser = p.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        page.goto(f"{base}/v/{id}/trips?hand=leg:b")
        page.wait_for_selector("[data-drawn] svg[role=slider]")
        found = [page.evaluate(TRIP_DRAWN) for _ in range(9)]
        browser.close()
    return {"trip_redrawn_median_ms": round(statistics.median(found[1:]), 1)}


def fit() -> dict[str, Any]:
    """Layout and weight: boxes checked, runs routed, masses weighed, places searched, and a report after a thing was moved."""
    from bothy.core.design.edit import apply_patch
    from bothy.core.fit.boxes import Box, Checked, clashes
    from bothy.core.fit.geometry import geometry_of
    from bothy.core.fit.net import proposed
    from bothy.core.fit.propose import propose_places
    from bothy.core.fit.routing import Wanted
    from bothy.core.fit.weight import Axles, Mass, axle_sum
    from bothy.core.report import report
    from bothy.demo import curlew, saltbush

    design = curlew.design()
    geo = geometry_of(design)
    boxes = [
        Checked(
            str(i), Box(0.05 * (i % 80), 0.05 * (i % 80) + 0.3, -0.8 + 0.4 * (i % 4), -0.5 + 0.4 * (i % 4), 0.2 * (i % 7), 0.2 * (i % 7) + 0.18), (0.05,) * 6
        )
        for i in range(80)
    ]
    obstacles = [(id, box) for id, _, _, box in geo.body.obstacles]
    wanted = [Wanted(str(i), "dc", (0.1 + 0.05 * i, -0.7, 0.3), (4.0 - 0.04 * i, 0.7, 1.1)) for i in range(80)]
    masses = [Mass(str(i), 5.0 + i, 0.015 * i, 0.001 * i, 0.5) for i in range(300)]

    def routed() -> None:
        net = proposed(geo.body, design.fit).net
        for w in wanted:
            net.route(w, joined=True)

    before = report(design)
    bank = [p.of for p in design.fit.places].index("power:inverter")
    moved = [apply_patch(design, [{"op": "replace", "path": f"/fit/places/{bank}/x_m", "value": 2.5 + 0.01 * i}]) for i in range(12)]
    turn = iter(moved)
    bare = apply_patch(saltbush.design(), [{"op": "replace", "path": "/fit/places", "value": []}, {"op": "replace", "path": "/fit/bays", "value": []}])
    plain = apply_patch(design, [{"op": "replace", "path": "/fit/places", "value": []}])
    return {
        "fit_80_boxes_ms": median(lambda: clashes(boxes, obstacles, geo.body.hull), 9),
        "fit_80_runs_ms": median(routed, 9),
        "fit_300_masses_ms": median(lambda: axle_sum(Axles(1.3, 5.4), masses, {}), 9),
        "fit_places_46_ms": median(lambda: propose_places(bare), 3),
        "fit_report_after_move_ms": median(lambda: report(next(turn), (), before), 9),
        "fit_report_placed_ms": median(lambda: report(design), 9),
        "fit_report_unplaced_ms": median(lambda: report(plain), 9),
    }


def build() -> dict[str, Any]:
    """Build: tasks of a bus, the plan of lone weekends from nothing and the search for a better one, 10 000 finishes, the other schools, all of Build."""
    import datetime as dt

    from bothy.core.build.asked import asked
    from bothy.core.build.better import better
    from bothy.core.build.from_design import tasks_of
    from bothy.core.build.simulated import fan, other_ways
    from bothy.core.build.worked import build_part
    from bothy.core.facts.document import Facts
    from bothy.core.report import report
    from bothy.demo import curlew, saltbush

    day = dt.date(2026, 11, 28)
    lone, bus = curlew.design(), saltbush.design()
    lone_report, bus_report = report(lone), report(bus)
    a = asked(lone, lone_report, Facts(), day, explain=False)
    hours = a.durations
    found = better(lone, lone_report, Facts(), day)
    return {
        "build_tasks_of_a_bus_ms": median(lambda: tasks_of(bus, bus_report), 9),
        "build_plan_lone_ms": median(lambda: a.planner.run(hours, False), 5),
        "build_plan_lone_tasks": len(hours),
        "build_better_s": round(times(lambda: better(lone, lone_report, Facts(), day), 1)[0] / 1000, 2),
        "build_better_gap": found.gap,
        "build_10000_finishes_s": round(median(lambda: fan(lone, lone_report, Facts(), day), 3) / 1000, 2),
        "build_other_ways_s": round(median(lambda: other_ways(lone, lone_report, Facts(), day), 3) / 1000, 2),
        "build_part_ms": median(lambda: build_part(lone, lone_report, curlew.facts(), day), 5),
    }


def prove() -> dict[str, Any]:
    """Prove: the ladder of 60 circuits, an entry to its verdict, the next test among 60 faults and 200 tests, a search, a live view of a day."""
    from random import Random

    from bothy.core.context import Context
    from bothy.core.facts.evidence import Entry
    from bothy.core.faults.finder import find
    from bothy.core.live.scene import scene_of
    from bothy.core.proving.diagnosis import Test, gap_edges, normalised, ranked
    from bothy.core.recording import record
    from bothy.core.report import report
    from bothy.core.trips.of_design import run_trip
    from bothy.demo.load import DEMOS, demo_of
    from bothy.devices.hub import Hub
    from bothy.devices.protocol import Reading

    sixty = report(many_circuits(60))
    one, evidence = demo_of(DEMOS["curlew"])
    reads = iter(range(100))

    def taken() -> None:
        payload = {"id": "s0-buses", "ok": True, "who": f"Ada {next(reads)}"}
        record(one.design, evidence, [Entry("step", "s0-buses", payload)], variant="v", revision=1, before=one.report)

    random = Random(1)
    p = normalised({f"f{i}": random.random() for i in range(60)})
    tests = []
    for n in range(200):
        values = {f: random.uniform(0, 14) for f in p}
        tests.append(Test(f"t{n}", 2.0, predicted=values, sd=0.36, span=30, edges=gap_edges(list(values.values()), 0.36)))
    now = [1_796_212_800.0]
    hub = Hub(scene_of(Context(one.design), run_trip(Context(one.design))), 0, lambda: now[0], lambda t: t % 86400)
    for n in range(86_400):
        now[0] += 1
        hub.take(Reading(now[0], n, "shunt-1", "battery_monitor", {"voltage_v": 13.0, "current_a": -4.0, "soc_frac": 0.8, "temp_c": 17.0}, "good", True))
    src = one.report.commissioned().src
    return {
        "prove_60_circuits_ms": median(lambda: type(sixty.commissioned())(sixty.commissioned().src, {}).part(), 9),
        "prove_entry_to_verdict_ms": median(taken, 9),
        "prove_next_test_60x200_ms": median(lambda: ranked(p, tests), 3),
        "prove_search_ms": median(lambda: find(src, "circuit:water-pump-10-l-min", []), 9),
        "live_part_of_a_day_ms": median(hub.part, 9),
        "live_24_hours_ms": median(hub.day, 9),
    }


def main() -> None:
    from benchmarks import trips

    result: dict[str, Any] = {"loop_ms": loop_ms()}
    for part in (core, trips.kernel, trips.of_the_demo, trips.search, over_http, diagram_drawn, trip_redrawn, first_load, batch, fit, build, prove):
        result |= part()
    print(json.dumps(result, indent=1))


if __name__ == "__main__":
    main()
