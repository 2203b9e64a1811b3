"""Pages of the book on what is switched, shut, run behind walls, laid up for the winter, and explained by its maker."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.handover.page import Page, place
from bothy.core.handover.part import BookPage
from bothy.core.handover.words import say
from bothy.core.report import Report

DEVICES = ("cooling", "cooking", "water", "heating", "ventilation")
RUN = ("dc", "ac", "circuit", "water", "waste", "gas")


def switches(d: Design, r: Report) -> BookPage | None:
    """What is switched where, and which valves there are; None without any."""
    p = Page("switches", say("switches-switches-and-valves"), say("switches-wiring-s-panel-water-gas"))
    panel = r.wiring.panel
    codes = {w.code: c.name for c in d.wiring.circuits if (w := r.wiring.circuits.get(c.id)) is not None}
    if panel is not None:
        p.heading(say("switches-on-the-panel-from-the"))
        ordered = sorted(panel.shapes, key=lambda x: (round(x.y_mm / 20), x.x_mm))
        p.table(
            [say("switches-label"), say("switches-kind"), say("switches-switches")],
            [[x.label or x.word, x.word, codes.get(x.circuit_code or "", "–")] for x in ordered],
        )
    valves = []
    for t in d.water.tanks:
        if t.drain_valve:
            valves.append([say("switches-water"), say("switches-drain-of", name=t.name), place(r, f"water:{t.id}") or t.place])
    if d.water.hot is not None and d.water.hot.relief_kpa is not None:
        valves.append(
            [
                say("switches-water"),
                say("switches-safety-valve-of", name=d.water.hot.name),
                say("switches-outside") if d.water.hot.relief_outside else say("switches-at-the-heater"),
            ]
        )
    for v in d.gas.vessels:
        valves.append(
            [
                say("switches-gas"),
                say("switches-valve-of", name=v.name),
                d.handover.where.get("gas_valve", "") or place(r, f"gas:{v.id}") or say("switches-on-the-cylinder"),
            ]
        )
    for a in d.gas.appliances:
        if a.valve:
            valves.append(
                [
                    say("switches-gas"),
                    say("switches-valve-of", name=a.name),
                    say("switches-within-reach") if a.valve_reached else say("switches-not-within-reach"),
                ]
            )
    if valves:
        p.heading(say("switches-valves"))
        p.table([say("switches-system"), say("switches-valve"), say("switches-where")], valves)
    return p.done() if panel is not None or valves else None


def routes(r: Report, facts: Facts) -> BookPage | None:
    """What runs behind each wall, with how many photographs there are of it; None before anything is placed."""
    walls = [w for w in r.fit.walls if w.rows]
    if not walls:
        return None
    p = Page("routes", say("routes-behind-the-walls"), say("routes-layout-s-ways-photographs"))
    p.warn(say("routes-before-a-screw-goes-in"))
    p.text(say("routes-along-from-the-rear-most"))
    seen: dict[str, int] = {}
    for taken in facts.photos:
        seen[taken.subject] = seen.get(taken.subject, 0) + 1
    for w in walls:
        p.heading(w.name)
        rows = []
        for x in w.rows:
            points = [x.enters, *x.turns, x.leaves]
            way = ", ".join(f"{1000 * a:.0f} mm / {1000 * b:.0f} mm" for a, b in points)
            rows.append([x.name, say(f"routes-run-{x.service}") if x.service in RUN else x.service, way, str(seen.get(x.run, 0) or "–")])
        p.table([say("routes-what"), say("routes-kind"), say("routes-along-up-point-by-point"), say("routes-photographs")], rows)
    return p.done()


def devices(d: Design) -> Iterator[str]:
    """The names of what has a manual of its own."""
    power = d.power
    if power.bank is not None:
        yield say("manuals-battery")
    if power.inverter is not None:
        yield say("manuals-inverter")
    if power.shore is not None:
        yield say("manuals-mains-charger")
    if power.driving is not None:
        yield say("manuals-charger-while-driving")
    if power.controller is not None or power.arrays:
        yield say("manuals-solar-controller")
    for h in d.warmth.heaters:
        yield h.name
    if d.water.hot is not None:
        yield d.water.hot.name
    if d.water.pump is not None:
        yield say("manuals-water-pump")
    for f in d.water.filters:
        yield f.name
    for g in d.gas.appliances:
        yield g.name
    for a in d.life.appliances:
        if a.kind in DEVICES:
            yield a.name


def manuals(d: Design) -> BookPage:
    """Where each device's manual is."""
    p = Page("manuals", say("manuals-manuals"), say("manuals-what-you-wrote-beside-each"))
    names = list(dict.fromkeys(devices(d)))
    p.table([say("manuals-device"), say("manuals-its-manual")], [[n, d.handover.manuals.get(n, say("manuals-not-entered"))] for n in names])
    lost = [n for n in names if not d.handover.manuals.get(n)]
    if lost:
        p.lack(say("manuals-where-manuals-are", lost=len(lost)), "handover")
    return p.done()


def seasons(d: Design) -> BookPage:
    """Laying up for the winter, and waking up in spring."""
    p = Page("seasons", say("seasons-winter-and-spring"), say("seasons-what-the-vehicle-has"))
    water, gas = bool(d.water.tanks), bool(d.gas.vessels)
    p.heading(say("seasons-before-it-stands-for-the"))
    winter = []
    if water:
        winter += [
            say("seasons-drain-tanks-pump-heater-and"),
            say("seasons-filter-out-traps-and-toilet"),
        ]
    if gas:
        winter.append(say("seasons-gas-shut-at-the-cylinder"))
    if d.power.bank is not None:
        winter.append(say("seasons-lithium-to-about-half-lead"))
    if any(h.fuel in ("diesel", "petrol") for h in d.warmth.heaters):
        winter.append(say("seasons-run-the-fuel-heater-for"))
    winter += [
        say("seasons-fridge-empty-clean-door-ajar"),
        say("seasons-vents-free-bedding-out-cupboards"),
        say("seasons-tyres-at-their-pressure-moved"),
    ]
    p.points(winter)
    p.heading(say("seasons-in-spring"))
    spring = [say("seasons-look-for-water-marks-at"), say("seasons-alarms-press-each-note-their")]
    if d.power.bank is not None:
        spring.append(say("seasons-charge-to-full-volts-at"))
    if d.power.arrays:
        spring.append(say("seasons-panels-washed-bonds-glands-and"))
    if d.power.shore is not None:
        spring.append(say("seasons-test-button-of-the-residual"))
    if water:
        spring.append(say("seasons-sanitise-the-water-then-fill"))
    if gas:
        spring.append(say("seasons-hose-and-regulator-by-their"))
    spring += [say("seasons-tyres-brakes-lights-steps"), say("seasons-a-night-near-home-before")]
    p.points(spring)
    return p.done()
