"""The vehicle's book, page by page, from what was designed, built and proved; what is missing is said, never made up (method handover.book)."""

from __future__ import annotations

import datetime as dt

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.handover.care import CARE, care_of
from bothy.core.handover.page import Page, place, where
from bothy.core.handover.papers import papers_of
from bothy.core.handover.part import BookPage, BookPart, CarePart, PaperPart
from bothy.core.handover.services import manuals, routes, seasons, switches
from bothy.core.method.sources import Method, written
from bothy.core.region import REGIONS
from bothy.core.report import Report
from bothy.core.wiring.lists import bench_lists

SOURCE = Method("handover.book")


def _isolation(d: Design, r: Report) -> BookPage:
    p = Page("isolation", "Switch it off", "places in Layout, and what you wrote beside")
    p.warn("In a fire or a smell of gas: everybody out first. Switch off only what can be reached on the way.")
    rows = []
    gas, water = bool(d.gas.vessels), bool(d.water.tanks or d.water.pump)
    mains = d.power.shore is not None or (d.power.inverter is not None)
    asked = (
        (
            "battery_switch",
            "Battery",
            "Turn the battery switch off: all low voltage is dead but what is joined before it.",
            "power:bank",
            d.power.bank is not None,
        ),
        ("main_fuse", "Main fuse", "Right at the battery; it is drawn only with the switch off.", "power:bank", d.power.bank is not None),
        ("inverter", "Inverter", "Off at its own switch; its sockets are mains.", "power:inverter", d.power.inverter is not None),
        ("shore", "Mains from outside", "Pull the plug outside at the post first, then at the vehicle.", "power:shore", mains and d.power.shore is not None),
        ("gas_valve", "Gas", "Shut the valve on the cylinder, clockwise.", f"gas:{d.gas.vessels[0].id}" if gas else None, gas),
        ("water_drain", "Water", "Pump off at its switch; open the drain and all taps.", "water:pump", water),
    )
    for what, name, how, key, there in asked:
        if not there:
            continue
        at = where(d, r, what, key)
        rows.append([name, how, at or "not entered"])
        if not at:
            p.lack(f"Where the {name.lower()} is switched off", "handover")
    for what, name in (("extinguisher", "Extinguisher"), ("fire_blanket", "Fire blanket"), ("first_aid", "First aid")):
        at = where(d, r, what, None)
        if at:
            rows.append([name, "", at])
        elif what == "extinguisher":
            rows.append([name, "", "not entered"])
            p.lack("Where the extinguisher hangs", "handover")
    p.table(["what", "how", "where"], rows)
    p.picture("layout")
    return p.done()


def _emergency(d: Design) -> BookPage:
    p = Page("emergency", "In an emergency", "what the vehicle has; the number of its region")
    number = {"uk": "999 or 112", "eu": "112", "us": "911", "au": "000"}[d.region]
    p.warn(f"Emergency call: {number}. Say where you are before anything else.")
    p.heading("Fire")
    p.steps(
        [
            "Everybody out, animals too.",
            "Call.",
            "Gas valve shut only when it is safe to reach.",
            "Extinguisher only on a small fire, with your back to the way out.",
        ]
    )
    if d.gas.vessels or any(h.fuel in ("gas", "lpg") for h in d.warmth.heaters):
        p.heading("Smell of gas")
        p.steps(
            [
                "No flame, no switch, no telephone inside.",
                "Shut the valve on the cylinder.",
                "Doors and windows open, everybody out.",
                "Back only when a gas fitter has found the leak.",
            ]
        )
    p.heading("Carbon monoxide alarm")
    p.steps(
        [
            "Everybody out into the air at once; headache and sleepiness are signs.",
            "Heater, hob and engine off if that can be done on the way.",
            f"Call {number}.",
            "Nobody back in until it is cleared and the cause found.",
        ]
    )
    p.heading("Water where it should not be")
    p.steps(["Pump off.", "Mains plug out if water is near it.", "Drain open; find the joint before the pump goes on again."])
    p.heading("Battery flat")
    p.steps(["Lights and fridge off.", "Hook-up or engine on; wait until the monitor shows a fifth.", "Never join batteries of unlike kinds with leads."])
    p.heading("Frost")
    p.steps(["Drain the water before the night, all taps open.", "A lithium battery isn’t charged below 0 °C."])
    return p.done()


def _schedule(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("circuits", "Circuits", "Wiring, with what was measured")
    read = {x.circuit: x for x in facts.readings}
    rows, unread = [], 0
    sheet = {x.circuit: x for x in r.prove.rows}
    for c in d.wiring.circuits:
        w, row, got = r.wiring.circuits[c.id], sheet.get(c.id), read.get(c.id)
        unread += row is not None and got is None and row.missing is None
        expected = f"{row.low_a:.2f} to {row.high_a:.2f} A" if row is not None and row.low_a is not None and row.high_a is not None else "–"
        measured = f"{got.current_a:.2f} A" if got is not None and got.current_a is not None else "–"
        drop = f"{w.drop_v:.2f} V" if w.drop_v is not None else "–"
        rows.append(
            [
                w.code,
                c.name,
                w.size_text,
                f"{w.length_m:.1f} m",
                f"{w.fuse_a:g} A" if w.fuse_a else "–",
                drop,
                expected,
                measured,
                (row.verdict or "–") if row else "–",
            ]
        )
    if not rows:
        p.lack("No circuit is planned yet", "wiring")
    if unread:
        p.lack(f"{unread} circuits are not measured yet", "prove")
    p.table(["code", "circuit", "cable", "length", "fuse", "drop", "expected", "measured", "verdict"], rows)
    p.picture("diagram")
    return p.done()


def _fuses(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("fuses", "Fuses and spares", "Wiring")
    lists = bench_lists(d, r.wiring.circuits, r.wiring.raceways, r.wiring.others, facts)
    if not lists.fuses:
        p.lack("No fuse is chosen yet", "wiring")
    p.text("Draw a fuse only with its circuit off. The same kind and size goes in again; a larger one starts a fire. A fuse that blows twice has a reason.")
    p.table(["kind", "size", "fitted", "carry spare"], [[f.family, f"{f.rating_a:g} A", str(f.fitted), str(f.spare)] for f in lists.fuses])
    rows = [[r.wiring.circuits[c.id].code, c.name, f"{r.wiring.circuits[c.id].fuse_a:g} A"] for c in d.wiring.circuits if r.wiring.circuits[c.id].fuse_a]
    p.heading("What each protects")
    p.table(["code", "circuit", "fuse"], rows)
    at = where(d, r, "fuse_board", next((f"wiring:{b.id}" for b in d.wiring.boards), None))
    if at:
        p.text(f"The board is {at}.")
    elif rows:
        p.lack("Where the fuse board is", "handover")
    return p.done()


def _water(d: Design, r: Report) -> BookPage:
    p = Page("water", "Water: fill, drain, frost", "Water")
    tanks = [
        [t.name, t.holds, f"{r.water.tanks[t.id].full_l:.0f} L" if t.id in r.water.tanks else "–", place(r, f"water:{t.id}") or t.place] for t in d.water.tanks
    ]
    p.table(["tank", "holds", "full", "where"], tanks)
    p.heading("Fill")
    p.steps(["Hose of drinking-water quality, run it clear first.", "Fill until the vent spits.", "Pump on; let each tap run until no air comes."])
    p.heading("Drain for frost")
    p.steps(
        [
            "Heating of the water off, let it cool.",
            "Pump off.",
            "Open the drain and every tap, hot and cold, and the shower, held low.",
            "Run the pump dry for a few seconds.",
            "Traps: antifreeze that may go into drinking-water systems, never the engine’s.",
        ]
    )
    s = r.water.sanitise
    p.heading("Clean it, twice a year and after lying idle")
    if s is not None:
        p.text("Dose, time and rinse stand in Water, Care; keep the water off the plants afterwards.")
    p.points(
        ["Chlorine or what its maker names, through every tap.", "Let it stand as long as it says, then rinse until nothing smells.", "Never mix cleaners."]
    )
    at = where(d, r, "water_drain", "water:pump")
    if not at:
        p.lack("Where the water is drained", "handover")
    if r.water.frost:
        p.heading("What freezes first")
        p.points(sorted({f.name for f in r.water.frost if getattr(f, "name", "")})[:10])
    return p.done()


def _before_driving(d: Design) -> BookPage:
    p = Page("driving", "Before you drive", "what the vehicle has")
    items = ["Steps in, awning in, doors and lids latched.", "Windows and roof fans shut.", "Everything that can fly is stowed; heavy things low."]
    if d.power.shore is not None:
        items.insert(0, "Mains lead off, stowed, flap shut.")
    if d.gas.vessels:
        items.append("Gas shut at the cylinder, unless its regulator is made for driving.")
        items.append("Hob cold, lid down.")
    if d.water.tanks:
        items.append("Drain tap shut, waste emptied where it may be.")
    if d.water.hot is not None:
        items.append("Water heater off.")
    if d.warmth.heaters:
        items.append("Heater off at a filling station.")
    if d.fit.roof.spots:
        items.append("A look at the roof: panels, glands, seals.")
    items += ["Tyres: pressure and age.", "People belted on seats that are made for it."]
    p.points(items)
    return p.done()


def _weights(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("weights", "Weights and tyres", "Layout and weight, the weighbridge")
    w = r.fit.weight
    p.table(
        ["loading", "whole", "front axle", "rear axle", "left"],
        [
            [
                x.name,
                f"{x.gross_kg:.0f} kg",
                f"{x.front_kg:.0f} kg" if x.front_kg is not None else "–",
                f"{x.rear_kg:.0f} kg" if x.rear_kg is not None else "–",
                f"{x.payload_left_kg:.0f} kg" if x.payload_left_kg is not None else "–",
            ]
            for x in w.loadings
        ]
        if d.fit.begun
        else [],
    )
    limits = [
        (n, v)
        for n, v in (("whole", w.gross_limit_kg), ("front axle", w.front_limit_kg), ("rear axle", w.rear_limit_kg), ("roof", w.roof_limit_kg))
        if v is not None
    ]
    p.table(["limit", "at most"], [[n, f"{v:.0f} kg"] for n, v in limits])
    if facts.weighings:
        p.heading("Weighed")
        p.table(["on", "front", "rear"], [[x.on or "–", f"{x.front_kg:.0f} kg", f"{x.rear_kg:.0f} kg"] for x in facts.weighings])
    elif d.vehicle.preset != "boat":
        p.lack("It was never weighed", "fit?view=weight")
    p.text("Figures are estimates until it is weighed, loaded for travel, each axle. Overload is an offence and can void the insurance.")
    return p.done()


def _tests(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("tests", "Test record", "what was measured")
    names = {c.id: c.name for c in d.wiring.circuits}
    p.table(
        ["circuit", "at the load", "amps", "on", "by"],
        [
            [
                names.get(x.circuit, x.circuit),
                f"{x.load_voltage_v:.2f} V" if x.load_voltage_v is not None else "–",
                f"{x.current_a:.2f} A" if x.current_a is not None else "–",
                x.taken_at[:10] or "–",
                x.taken_by or "–",
            ]
            for x in facts.readings
        ],
    )
    if r.prove.testable and r.prove.read < r.prove.testable:
        p.lack(f"{r.prove.testable - r.prove.read} of {r.prove.testable} circuits are not read", "prove")
    made = r.commissioned().part()
    states = {"pass": "passed", "marginal": "not sure", "fail": "failed", "again": "to be proved again", "locked": "doesn’t count yet"}
    for rung in made.rungs:
        rows = [
            [x.title, x.said or "–", states.get(x.state, x.state), x.on or "–", x.by or "–"]
            for x in made.steps
            if x.stage == rung.id and x.record is None and (x.said or x.state in ("pass", "fail"))
        ]
        if rows:
            p.heading(f"{rung.id.upper()} {rung.title}")
            p.table(["step", "read", "verdict", "on", "by"], rows)
    if facts.steps and made.passed < made.total:
        p.lack(f"{made.total - made.passed} of {made.total} steps are not proved", "prove")
    for x in facts.repairs:
        p.text(f"Mended on {x.on or 'a day that isn’t named'}: {x.name}{f', by {x.who}' if x.who else ''}.{f' {x.note}' if x.note else ''}")
    p.table(
        ["water, pressure test", "from", "to", "on", "by"],
        [[x.name, f"{x.start_kpa:.0f} kPa", f"{x.end_kpa:.0f} kPa", x.on or "–", x.who or "–"] for x in facts.water_tests],
    )
    if d.water.runs and not facts.water_tests:
        p.lack("The water was never pressure tested", "water?view=care")
    p.table(
        ["gas, leak test", "from", "to", "on", "by", "signed"],
        [[x.name, f"{x.start_mbar:.1f} mbar", f"{x.end_mbar:.1f} mbar", x.on or "–", x.who or "–", "yes" if x.signed else "no"] for x in facts.gas_tests],
    )
    if d.gas.vessels and not any(x.signed for x in facts.gas_tests):
        p.lack("No signed leak test of the gas", "gas?view=papers")
    return p.done()


MOST_PHOTOS = 80
ZONES = {
    "": "Elsewhere",
    "wall_left": "Left wall",
    "wall_right": "Right wall",
    "ceiling": "Ceiling",
    "floor": "Floor",
    "underfloor": "Under the floor",
    "roof": "Roof",
}


def _photos(facts: Facts) -> BookPage:
    """Photographs by zone, the newest of each last."""
    p = Page("photos", "Photographs", "what was photographed")
    shown = facts.photos[-MOST_PHOTOS:]
    for zone in dict.fromkeys(x.zone for x in shown):
        p.heading(ZONES.get(zone, zone.replace("_", " ").capitalize()))
        for x in (x for x in shown if x.zone == zone):
            p.picture(f"photo:{x.sha256}")
            p.text(", ".join(t for t in (x.note or x.subject.split(":")[-1].replace("-", " "), x.on, x.who) if t))
    if len(facts.photos) > MOST_PHOTOS:
        p.text(f"{len(facts.photos) - MOST_PHOTOS} older ones are in the project.")
    if not shown:
        p.text("None was taken. What is behind a wall is found again by a photograph with a tape in it.")
    return p.done()


def _papers(d: Design, papers: list[PaperPart]) -> BookPage:
    p = Page("papers", "Certificates and declarations", "what was signed")
    p.table(
        ["paper", "signed by", "licence", "number", "on"],
        [[x.name, x.signed_by or "not signed", x.licence or "–", x.number or "–", x.on or "–"] for x in papers],
    )
    for x in papers:
        if x.signature:
            p.picture(f"photo:{x.signature}")
            p.text(f"The signature of {x.signed_by}: {x.name}, {x.on}.")
        if not x.signed_by:
            p.lack(f"{x.name}: to be signed by {x.by}", "handover")
    if not papers:
        p.text("This vehicle has no system that asks for one.")
    p.text(REGIONS[d.region].licensed)
    return p.done()


def _due(x: CarePart) -> str:
    left = f", or in {x.km_left:.0f} km" if x.km_left is not None and x.km_left >= 0 else ", over its km" if x.km_left is not None else ""
    return f"{x.due or ('when it has run so far' if x.once else 'now')}{left}"


def _care(care: list[CarePart], facts: Facts) -> BookPage:
    p = Page("care", "Maintenance", "what the vehicle has, and the log")
    p.table(
        ["what", "every", "last", "due", "how"],
        [[x.name, x.every, x.last or "never", _due(x), x.how] for x in care],
    )
    done = sorted(facts.services, key=lambda s: s.on, reverse=True)
    if done:
        names = {c.id: c.name for c in CARE}
        p.heading("What was done")
        p.table(
            ["on", "what", "by", "odometer", "note"],
            [
                [s.on, names.get(s.item, s.item), s.who or "–", f"{s.odometer_km:.0f} km" if s.odometer_km is not None else "–", s.note or "–"]
                for s in done[:200]
            ],
        )
    return p.done()


def _warranties(d: Design, facts: Facts) -> BookPage:
    p = Page("warranties", "Warranties and serial numbers", "what was received")
    rows = [
        [x.name, x.serial or "–", x.supplier or "–", x.received_on or x.ordered_on or "–", f"{x.warranty_months:.0f} months" if x.warranty_months else "–"]
        for x in facts.purchases
        if x.status in ("received", "spare")
    ]
    p.table(["what", "serial", "from", "since", "warranty"], rows)
    if not rows:
        p.lack("Nothing is written down as received", "build?view=shopping")
    return p.done()


def _open(d: Design, r: Report) -> BookPage:
    p = Page("open", "Open points and what isn’t known", "findings, answers, assumptions")
    open_ = [f for f in r.findings if f.severity in ("danger", "fault") and f.accepted is None]
    if open_:
        p.heading("Not put right")
        p.table(["", "what", "where"], [[f.severity, f.title, f.subject_name] for f in open_[:60]])
    kept = [f for f in r.findings if f.accepted]
    if kept:
        p.heading("Kept as it is, with the owner’s reason")
        p.table(["what", "where", "reason"], [[f.title, f.subject_name, f.accepted or ""] for f in kept])
    if d.handover.open:
        p.heading("Left to do")
        p.points(d.handover.open)
    if r.assumptions:
        p.heading("Assumed, never entered")
        p.points(
            f"{a.label}: {a.value:g} {a.unit}, {a.why}" if isinstance(a.value, float | int) else f"{a.label}: {a.value}, {a.why}" for a in r.assumptions[:40]
        )
    dangers = sum(f.severity == "danger" for f in open_)
    if dangers:
        p.lack(f"{dangers} dangers are open", "worklist")
    return p.done()


def _method(r: Report) -> BookPage:
    p = Page("method", "How it was reckoned", "Bothy’s method")
    p.text(
        "Every figure follows from what was entered and the sections named here; each stands in Bothy under How it’s calculated, "
        "with its formula, where it holds and a worked example."
    )
    p.points(sorted({s["text"] for s in r.sources()})[:160])
    return p.done()


def _signed_over() -> BookPage:
    p = Page("demonstration", "Shown and understood", "to be signed by hand")
    p.text("Tick what was shown, then sign. The builder shows each; the owner does it once.")
    p.points(
        [
            "☐ switching everything off",
            "☐ hook-up, on and off",
            "☐ gas on, off, changing a cylinder",
            "☐ filling, draining, frost",
            "☐ heater on and off",
            "☐ fuses and spares",
            "☐ alarms and extinguisher",
            "☐ weights and loading",
            "☐ this book",
        ]
    )
    p.text("Owner: ______________________   Builder: ______________________   Date: ______________")
    return p.done()


def book(d: Design, r: Report, facts: Facts, today: dt.date, name: str, variant: str) -> BookPart:
    """The whole book of a design on a day."""
    papers, care = papers_of(d, facts), care_of(d, facts, today)
    pages = [_isolation(d, r), _emergency(d), _before_driving(d), _schedule(d, r, facts), _fuses(d, r, facts)]
    pages += [x for x in (switches(d, r),) if x is not None]
    if d.water.tanks or d.water.pump is not None:
        pages.append(_water(d, r))
    pages += [x for x in (routes(r, facts),) if x is not None]
    pages += [
        _weights(d, r, facts),
        _tests(d, r, facts),
        _photos(facts),
        _papers(d, papers),
        _care(care, facts),
        seasons(d),
        _warranties(d, facts),
        manuals(d),
        _open(d, r),
        _method(r),
        _signed_over(),
    ]
    held = [f"{x.system}: {x.name}" for x in papers if x.needed and not x.signed_by]
    return BookPart(name=name, variant=variant, today=today.isoformat(), pages=pages, papers=papers, care=care, held_back=held, source=written(SOURCE))
