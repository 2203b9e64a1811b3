"""Pages of the book on what is switched, shut, run behind walls, laid up for the winter, and explained by its maker."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.handover.page import Page, place
from bothy.core.handover.part import BookPage
from bothy.core.report import Report

DEVICES = ("cooling", "cooking", "water", "heating", "ventilation")
RUN = {"dc": "low voltage", "ac": "mains", "circuit": "cable", "water": "water", "waste": "waste", "gas": "gas"}


def switches(d: Design, r: Report) -> BookPage | None:
    """What is switched where, and which valves there are; None without any."""
    p = Page("switches", "Switches and valves", "Wiring's panel, Water, Gas")
    panel = r.wiring.panel
    codes = {w.code: c.name for c in d.wiring.circuits if (w := r.wiring.circuits.get(c.id)) is not None}
    if panel is not None:
        p.heading("On the panel, from the top left")
        ordered = sorted(panel.shapes, key=lambda x: (round(x.y_mm / 20), x.x_mm))
        p.table(["label", "kind", "switches"], [[x.label or x.word, x.word, codes.get(x.circuit_code or "", "–")] for x in ordered])
    valves = []
    for t in d.water.tanks:
        if t.drain_valve:
            valves.append(["Water", f"drain of {t.name}", place(r, f"water:{t.id}") or t.place])
    if d.water.hot is not None and d.water.hot.relief_kpa is not None:
        valves.append(["Water", f"safety valve of {d.water.hot.name}", "outside" if d.water.hot.relief_outside else "at the heater"])
    for v in d.gas.vessels:
        valves.append(["Gas", f"valve of {v.name}", d.handover.where.get("gas_valve", "") or place(r, f"gas:{v.id}") or "on the cylinder"])
    for a in d.gas.appliances:
        if a.valve:
            valves.append(["Gas", f"valve of {a.name}", "within reach" if a.valve_reached else "not within reach"])
    if valves:
        p.heading("Valves")
        p.table(["system", "valve", "where"], valves)
    return p.done() if panel is not None or valves else None


def routes(r: Report, facts: Facts) -> BookPage | None:
    """What runs behind each wall, with how many photographs there are of it; None before anything is placed."""
    walls = [w for w in r.fit.walls if w.rows]
    if not walls:
        return None
    p = Page("routes", "Behind the walls", "Layout's ways, photographs")
    p.warn("Before a screw goes in: look here, and keep 50 mm off every run. Mains and gas off first.")
    p.text(
        "Along from the rear-most inside face, and up from the finished floor; of floor and ceiling, to the left of the centre line. "
        "Between the points it runs straight."
    )
    seen: dict[str, int] = {}
    for taken in facts.photos:
        seen[taken.subject] = seen.get(taken.subject, 0) + 1
    for w in walls:
        p.heading(w.name)
        rows = []
        for x in w.rows:
            points = [x.enters, *x.turns, x.leaves]
            way = ", ".join(f"{1000 * a:.0f} mm / {1000 * b:.0f} mm" for a, b in points)
            rows.append([x.name, RUN.get(x.service, x.service), way, str(seen.get(x.run, 0) or "–")])
        p.table(["what", "kind", "along / up, point by point", "photographs"], rows)
    return p.done()


def devices(d: Design) -> Iterator[str]:
    """The names of what has a manual of its own."""
    power = d.power
    if power.bank is not None:
        yield "Battery"
    if power.inverter is not None:
        yield "Inverter"
    if power.shore is not None:
        yield "Mains charger"
    if power.driving is not None:
        yield "Charger while driving"
    if power.controller is not None or power.arrays:
        yield "Solar controller"
    for h in d.warmth.heaters:
        yield h.name
    if d.water.hot is not None:
        yield d.water.hot.name
    if d.water.pump is not None:
        yield "Water pump"
    for f in d.water.filters:
        yield f.name
    for g in d.gas.appliances:
        yield g.name
    for a in d.life.appliances:
        if a.kind in DEVICES:
            yield a.name


def manuals(d: Design) -> BookPage:
    """Where each device's manual is."""
    p = Page("manuals", "Manuals", "what you wrote beside each device")
    names = list(dict.fromkeys(devices(d)))
    p.table(["device", "its manual"], [[n, d.handover.manuals.get(n, "not entered")] for n in names])
    lost = [n for n in names if not d.handover.manuals.get(n)]
    if lost:
        p.lack(f"Where {len(lost)} manuals are", "handover")
    return p.done()


def seasons(d: Design) -> BookPage:
    """Laying up for the winter, and waking up in spring."""
    p = Page("seasons", "Winter and spring", "what the vehicle has")
    water, gas = bool(d.water.tanks), bool(d.gas.vessels)
    p.heading("Before it stands for the winter")
    winter = []
    if water:
        winter += [
            "Drain tanks, pump, heater and every tap; leave the taps and the drain open.",
            "Filter out; traps and toilet emptied, a cup of antifreeze in each trap.",
        ]
    if gas:
        winter.append("Gas shut at the cylinder; cylinders out or upright in their locker, never in a cellar.")
    if d.power.bank is not None:
        winter.append("Lithium to about half, lead to full; battery switch off. A monitor or alarm that stays on empties it in weeks.")
    if any(h.fuel in ("diesel", "petrol") for h in d.warmth.heaters):
        winter.append("Run the fuel heater for a quarter of an hour each month.")
    winter += [
        "Fridge empty, clean, door ajar.",
        "Vents free, bedding out, cupboards open: it must be able to dry.",
        "Tyres at their pressure, moved once a month; brake off, wheels chocked.",
    ]
    p.points(winter)
    p.heading("In spring")
    spring = ["Look for water marks at every opening, inside and out.", "Alarms: press each, note their dates."]
    if d.power.bank is not None:
        spring.append("Charge to full, volts at rest the next day; terminals tight and clean.")
    if d.power.arrays:
        spring.append("Panels washed; bonds, glands and cable looked at.")
    if d.power.shore is not None:
        spring.append("Test button of the residual-current device, on hook-up.")
    if water:
        spring.append("Sanitise the water, then fill and look at every joint under pressure; new filter.")
    if gas:
        spring.append("Hose and regulator by their dates; leak test by a licensed gas fitter when it is due.")
    spring += ["Tyres, brakes, lights, steps.", "A night near home before the long trip."]
    p.points(spring)
    return p.done()
