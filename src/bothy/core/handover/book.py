"""The vehicle's book, page by page, from what was designed, built and proved; what is missing is said, never made up (method handover.book)."""

from __future__ import annotations

import datetime as dt

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.handover.care import CARE, care_of, uses_of
from bothy.core.handover.page import Page, place, where
from bothy.core.handover.papers import papers_of
from bothy.core.handover.part import BookPage, BookPart, CarePart, PaperPart
from bothy.core.handover.services import manuals, routes, seasons, switches
from bothy.core.handover.words import say
from bothy.core.method.sources import Method, written
from bothy.core.region import REGIONS
from bothy.core.report import Report
from bothy.core.wiring.lists import bench_lists

SOURCE = Method("handover.book")


def _isolation(d: Design, r: Report) -> BookPage:
    p = Page("isolation", say("isolation-switch-it-off"), say("isolation-places-in-layout-and-what"))
    p.warn(say("isolation-in-a-fire-or-a"))
    rows = []
    gas, water = bool(d.gas.vessels), bool(d.water.tanks or d.water.pump)
    mains = d.power.shore is not None or (d.power.inverter is not None)
    asked = (
        (
            "battery_switch",
            say("isolation-battery"),
            say("isolation-battery-how"),
            "power:bank",
            d.power.bank is not None,
        ),
        ("main_fuse", say("isolation-main-fuse"), say("isolation-main-fuse-how"), "power:bank", d.power.bank is not None),
        ("inverter", say("isolation-inverter"), say("isolation-inverter-how"), "power:inverter", d.power.inverter is not None),
        ("shore", say("isolation-shore"), say("isolation-shore-how"), "power:shore", mains and d.power.shore is not None),
        ("gas_valve", say("isolation-gas"), say("isolation-gas-how"), f"gas:{d.gas.vessels[0].id}" if gas else None, gas),
        ("water_drain", say("isolation-water"), say("isolation-water-how"), "water:pump", water),
    )
    for what, name, how, key, there in asked:
        if not there:
            continue
        at = where(d, r, what, key)
        rows.append([name, how, at or say("isolation-not-entered")])
        if not at:
            p.lack(say("isolation-where-the-is-switched-off", name=name.lower()), "handover")
    for what, name in (
        ("extinguisher", say("isolation-extinguisher")),
        ("fire_blanket", say("isolation-fire-blanket")),
        ("first_aid", say("isolation-first-aid")),
    ):
        at = where(d, r, what, None)
        if at:
            rows.append([name, "", at])
        elif what == "extinguisher":
            rows.append([name, "", say("isolation-not-entered")])
            p.lack(say("isolation-where-the-extinguisher-hangs"), "handover")
    p.table([say("isolation-what"), say("isolation-how"), say("isolation-where")], rows)
    p.picture("layout")
    return p.done()


def _emergency(d: Design) -> BookPage:
    p = Page("emergency", say("emergency-in-an-emergency"), say("emergency-what-the-vehicle-has-the"))
    number = {"uk": "999 or 112", "eu": "112", "us": "911", "au": "000"}[d.region]
    p.warn(say("emergency-emergency-call-say-where-you", number=number))
    p.heading(say("emergency-fire"))
    p.steps(
        [
            say("emergency-everybody-out-animals-too"),
            say("emergency-call"),
            say("emergency-gas-valve-shut-only-when"),
            say("emergency-extinguisher-only-on-a-small"),
        ]
    )
    if d.gas.vessels or any(h.burns_gas for h in d.warmth.heaters):
        p.heading(say("emergency-smell-of-gas"))
        p.steps(
            [
                say("emergency-no-flame-no-switch-no"),
                say("emergency-shut-the-valve-on-the"),
                say("emergency-doors-and-windows-open-everybody"),
                say("emergency-back-only-when-a-gas"),
            ]
        )
    p.heading(say("emergency-carbon-monoxide-alarm"))
    p.steps(
        [
            say("emergency-everybody-out-into-the-air"),
            say("emergency-heater-hob-and-engine-off"),
            say("emergency-call-2", number=number),
            say("emergency-nobody-back-in-until-it"),
        ]
    )
    p.heading(say("emergency-water-where-it-should-not"))
    p.steps([say("emergency-pump-off"), say("emergency-mains-plug-out-if-water"), say("emergency-drain-open-find-the-joint")])
    p.heading(say("emergency-battery-flat"))
    p.steps([say("emergency-lights-and-fridge-off"), say("emergency-hook-up-or-engine-on"), say("emergency-never-join-batteries-of-unlike")])
    p.heading(say("emergency-frost"))
    p.steps([say("emergency-drain-the-water-before-the"), say("emergency-a-lithium-battery-isn-t")])
    return p.done()


def _schedule(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("circuits", say("circuits-circuits"), say("circuits-wiring-with-what-was-measured"))
    read = {x.circuit: x for x in facts.readings}
    rows, unread = [], 0
    sheet = {x.circuit: x for x in r.prove.rows}
    for c in d.wiring.circuits:
        w, row, got = r.wiring.circuits[c.id], sheet.get(c.id), read.get(c.id)
        unread += row is not None and got is None and row.missing is None
        expected = (
            say("circuits-from-to-amps", low=f"{row.low_a:.2f}", high=f"{row.high_a:.2f}")
            if row is not None and row.low_a is not None and row.high_a is not None
            else "–"
        )
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
        p.lack(say("circuits-no-circuit-is-planned-yet"), "wiring")
    if unread:
        p.lack(say("circuits-circuits-are-not-measured-yet", unread=unread), "prove")
    p.table(
        [
            say("circuits-code"),
            say("circuits-circuit"),
            say("circuits-cable"),
            say("circuits-length"),
            say("circuits-fuse"),
            say("circuits-drop"),
            say("circuits-expected"),
            say("circuits-measured"),
            say("circuits-verdict"),
        ],
        rows,
    )
    p.picture("diagram")
    return p.done()


def _fuses(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("fuses", say("fuses-fuses-and-spares"), say("fuses-wiring"))
    lists = bench_lists(d, r.wiring.circuits, r.wiring.raceways, r.wiring.others, facts)
    if not lists.fuses:
        p.lack(say("fuses-no-fuse-is-chosen-yet"), "wiring")
    p.text(say("fuses-draw-a-fuse-only-with"))
    p.table(
        [say("fuses-kind"), say("fuses-size"), say("fuses-fitted"), say("fuses-carry-spare")],
        [[f.family, f"{f.rating_a:g} A", str(f.fitted), str(f.spare)] for f in lists.fuses],
    )
    rows = [[r.wiring.circuits[c.id].code, c.name, f"{r.wiring.circuits[c.id].fuse_a:g} A"] for c in d.wiring.circuits if r.wiring.circuits[c.id].fuse_a]
    p.heading(say("fuses-what-each-protects"))
    p.table([say("fuses-code"), say("fuses-circuit"), say("fuses-fuse")], rows)
    at = where(d, r, "fuse_board", next((f"wiring:{b.id}" for b in d.wiring.boards), None))
    if at:
        p.text(say("fuses-the-board-is", at=at))
    elif rows:
        p.lack(say("fuses-where-the-fuse-board-is"), "handover")
    return p.done()


def _water(d: Design, r: Report) -> BookPage:
    p = Page("water", say("water-water-fill-drain-frost"), say("water-water"))
    tanks = [
        [t.name, t.holds, f"{r.water.tanks[t.id].full_l:.0f} L" if t.id in r.water.tanks else "–", place(r, f"water:{t.id}") or t.place] for t in d.water.tanks
    ]
    p.table([say("water-tank"), say("water-holds"), say("water-full"), say("water-where")], tanks)
    p.heading(say("water-fill"))
    p.steps([say("water-hose-of-drinking-water-quality"), say("water-fill-until-the-vent-spits"), say("water-pump-on-let-each-tap")])
    p.heading(say("water-drain-for-frost"))
    p.steps(
        [
            say("water-heating-of-the-water-off"),
            say("water-pump-off"),
            say("water-open-the-drain-and-every"),
            say("water-run-the-pump-dry-for"),
            say("water-traps-antifreeze-that-may-go"),
        ]
    )
    s = r.water.sanitise
    p.heading(say("water-clean-it-twice-a-year"))
    if s is not None:
        p.text(say("water-dose-time-and-rinse-stand"))
    p.points([say("water-chlorine-or-what-its-maker"), say("water-let-it-stand-as-long"), say("water-never-mix-cleaners")])
    at = where(d, r, "water_drain", "water:pump")
    if not at:
        p.lack(say("water-where-the-water-is-drained"), "handover")
    if r.water.frost:
        p.heading(say("water-what-freezes-first"))
        p.points(sorted({f.name for f in r.water.frost if getattr(f, "name", "")})[:10])
    return p.done()


def _before_driving(d: Design) -> BookPage:
    p = Page("driving", say("driving-before-you-drive"), say("driving-what-the-vehicle-has"))
    items = [say("driving-steps-in-awning-in-doors"), say("driving-windows-and-roof-fans-shut"), say("driving-everything-that-can-fly-is")]
    if d.power.shore is not None:
        items.insert(0, say("driving-mains-lead-off-stowed-flap"))
    if d.gas.vessels:
        items.append(say("driving-gas-shut-at-the-cylinder"))
        items.append(say("driving-hob-cold-lid-down"))
    if d.water.tanks:
        items.append(say("driving-drain-tap-shut-waste-emptied"))
    if d.water.hot is not None:
        items.append(say("driving-water-heater-off"))
    if d.warmth.heaters:
        items.append(say("driving-heater-off-at-a-filling"))
    if d.fit.roof.spots:
        items.append(say("driving-a-look-at-the-roof"))
    items += [say("driving-tyres-pressure-and-age"), say("driving-people-belted-on-seats-that")]
    p.points(items)
    return p.done()


def _weights(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("weights", say("weights-weights-and-tyres"), say("weights-layout-and-weight-the-weighbridge"))
    w = r.fit.weight
    p.table(
        [say("weights-loading"), say("weights-whole"), say("weights-front-axle"), say("weights-rear-axle"), say("weights-left")],
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
        for n, v in (
            (say("weights-whole"), w.gross_limit_kg),
            (say("weights-front-axle"), w.front_limit_kg),
            (say("weights-rear-axle"), w.rear_limit_kg),
            (say("weights-roof"), w.roof_limit_kg),
        )
        if v is not None
    ]
    p.table([say("weights-limit"), say("weights-at-most")], [[n, f"{v:.0f} kg"] for n, v in limits])
    if facts.weighings:
        p.heading(say("weights-weighed"))
        p.table(
            [say("weights-on"), say("weights-front"), say("weights-rear")],
            [[x.on or "–", f"{x.front_kg:.0f} kg", f"{x.rear_kg:.0f} kg"] for x in facts.weighings],
        )
    elif d.vehicle.preset != "boat":
        p.lack(say("weights-it-was-never-weighed"), "fit?view=weight")
    p.text(say("weights-figures-are-estimates-until-it"))
    return p.done()


def _tests(d: Design, r: Report, facts: Facts) -> BookPage:
    p = Page("tests", say("tests-test-record"), say("tests-what-was-measured"))
    names = {c.id: c.name for c in d.wiring.circuits}
    p.table(
        [say("tests-circuit"), say("tests-at-the-load"), say("tests-amps"), say("tests-on"), say("tests-by")],
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
        p.lack(say("tests-of-circuits-are-not-read", read=r.prove.testable - r.prove.read, testable=r.prove.testable), "prove")
    made = r.commissioned().part()
    states = {x: say(f"tests-is-{x}") for x in ("pass", "marginal", "fail", "again", "locked")}
    for rung in made.rungs:
        rows = [
            [x.title, x.said or "–", states.get(x.state, x.state), x.on or "–", x.by or "–"]
            for x in made.steps
            if x.stage == rung.id and x.record is None and (x.said or x.state in ("pass", "fail"))
        ]
        if rows:
            p.heading(f"{rung.id.upper()} {rung.title}")
            p.table([say("tests-step"), say("tests-read"), say("tests-verdict"), say("tests-on"), say("tests-by")], rows)
    if facts.steps and made.passed < made.total:
        p.lack(say("tests-of-steps-are-not-proved", passed=made.total - made.passed, total=made.total), "prove")
    for x in facts.repairs:
        day, by = x.on or say("tests-some-day"), say("tests-by-whom", who=x.who) if x.who else ""
        note = f" {x.note}" if x.note else ""
        p.text(say("tests-mended-on", day=day, name=x.name, by=by, note=note))
    for y in facts.as_built:
        day, why = y.on or say("tests-some-day"), f" {y.reason}" if y.reason else ""
        p.text(say("tests-built-otherwise", day=day, name=y.name, value=y.value, built=y.built, designed=y.designed or "–", why=why))
    small = sum(1 for z in facts.punch if z.must and not z.done_on)
    if small:
        p.lack(say("tests-small-things-are-open", open=small), "build?view=log")
    p.table(
        [say("tests-water-pressure-test"), say("tests-from"), say("tests-to"), say("tests-on"), say("tests-by")],
        [[x.name, f"{x.start_kpa:.0f} kPa", f"{x.end_kpa:.0f} kPa", x.on or "–", x.who or "–"] for x in facts.water_tests],
    )
    if d.water.runs and not facts.water_tests:
        p.lack(say("tests-the-water-was-never-pressure"), "water?view=care")
    p.table(
        [say("tests-gas-leak-test"), say("tests-from"), say("tests-to"), say("tests-on"), say("tests-by"), say("tests-signed")],
        [
            [x.name, f"{x.start_mbar:.1f} mbar", f"{x.end_mbar:.1f} mbar", x.on or "–", x.who or "–", say("tests-yes") if x.signed else say("tests-no")]
            for x in facts.gas_tests
        ],
    )
    if d.gas.vessels and not any(x.signed for x in facts.gas_tests):
        p.lack(say("tests-no-signed-leak-test-of"), "gas?view=papers")
    return p.done()


MOST_PHOTOS = 80
ZONES = ("wall_left", "wall_right", "ceiling", "floor", "underfloor", "roof")


def _photos(facts: Facts) -> BookPage:
    """Photographs by zone, the newest of each last."""
    p = Page("photos", say("photos-photographs"), say("photos-what-was-photographed"))
    shown = facts.photos[-MOST_PHOTOS:]
    for zone in dict.fromkeys(x.zone for x in shown):
        p.heading(say(f"photos-{(zone or 'elsewhere').replace('_', '-')}") if zone in ("", *ZONES) else zone.replace("_", " ").capitalize())
        for x in (x for x in shown if x.zone == zone):
            p.picture(f"photo:{x.sha256}")
            p.text(", ".join(t for t in (x.note or x.subject.split(":")[-1].replace("-", " "), x.on, x.who) if t))
    if len(facts.photos) > MOST_PHOTOS:
        p.text(say("photos-older-ones-are-in-the", most_photos=len(facts.photos) - MOST_PHOTOS))
    if not shown:
        p.text(say("photos-none-was-taken-what-is"))
    return p.done()


def _papers(d: Design, papers: list[PaperPart]) -> BookPage:
    p = Page("papers", say("papers-certificates-and-declarations"), say("papers-what-was-signed"))
    p.table(
        [say("papers-paper"), say("papers-signed-by"), say("papers-licence"), say("papers-number"), say("papers-on")],
        [[x.name, x.signed_by or say("papers-not-signed"), x.licence or "–", x.number or "–", x.on or "–"] for x in papers],
    )
    for x in papers:
        if x.signature:
            p.picture(f"photo:{x.signature}")
            p.text(say("papers-the-signature-of", signed_by=x.signed_by, name=x.name, on=x.on))
        if not x.signed_by:
            p.lack(say("papers-to-be-signed-by", name=x.name, by=x.by), "handover")
    if not papers:
        p.text(say("papers-this-vehicle-has-no-system"))
    p.text(REGIONS[d.region].licensed)
    return p.done()


def _due(x: CarePart) -> str:
    when = x.due or say("care-when-it-has-run-so-far" if x.once else "care-now")
    if x.km_left is not None:
        over = x.km_left < 0
        when = say("care-or-over-its-km", when=when) if over else say("care-or-in", when=when, left=f"{x.km_left:.0f} km")
    return when if x.count_left is None else say("care-or-in", when=when, left=f"{max(0.0, x.count_left):.0f} {x.unit}")


def _care(care: list[CarePart], facts: Facts) -> BookPage:
    p = Page("care", say("care-maintenance"), say("care-what-the-vehicle-has-and"))
    p.table(
        [say("care-what"), say("care-every"), say("care-last"), say("care-due"), say("care-how")],
        [[x.name, x.every, x.last or say("care-never"), _due(x), x.how] for x in care],
    )
    done = sorted(facts.services, key=lambda s: s.on, reverse=True)
    if done:
        names = {c.id: say(f"care-{c.id}") for c in CARE}
        p.heading(say("care-what-was-done"))
        p.table(
            [say("care-on"), say("care-what"), say("care-by"), say("care-odometer"), say("care-note")],
            [
                [s.on, names.get(s.item, s.item), s.who or "–", f"{s.odometer_km:.0f} km" if s.odometer_km is not None else "–", s.note or "–"]
                for s in done[:200]
            ],
        )
    return p.done()


def _warranties(d: Design, facts: Facts) -> BookPage:
    p = Page("warranties", say("warranties-warranties-and-serial-numbers"), say("warranties-what-was-received"))
    rows = [
        [
            x.name,
            x.serial or "–",
            x.supplier or "–",
            x.received_on or x.ordered_on or "–",
            say("warranties-months", warranty_months=f"{x.warranty_months:.0f}") if x.warranty_months else "–",
        ]
        for x in facts.purchases
        if x.status in ("received", "spare")
    ]
    p.table([say("warranties-what"), say("warranties-serial"), say("warranties-from"), say("warranties-since"), say("warranties-warranty")], rows)
    if not rows:
        p.lack(say("warranties-nothing-is-written-down-as"), "build?view=shopping")
    return p.done()


def _open(d: Design, r: Report) -> BookPage:
    p = Page("open", say("open-open-points-and-what-isn"), say("open-findings-answers-assumptions"))
    open_ = [f for f in r.findings if f.severity in ("danger", "fault") and f.accepted is None]
    if open_:
        p.heading(say("open-not-put-right"))
        p.table(["", say("open-what"), say("open-where")], [[f.severity, f.title, f.subject_name] for f in open_[:60]])
    kept = [f for f in r.findings if f.accepted]
    if kept:
        p.heading(say("open-kept-as-it-is-with"))
        p.table([say("open-what"), say("open-where"), say("open-reason")], [[f.title, f.subject_name, f.accepted or ""] for f in kept])
    if d.handover.open:
        p.heading(say("open-left-to-do"))
        p.points(d.handover.open)
    if r.assumptions:
        p.heading(say("open-assumed-never-entered"))
        p.points(
            f"{a.label}: {a.value:g} {a.unit}, {a.why}" if isinstance(a.value, float | int) else f"{a.label}: {a.value}, {a.why}" for a in r.assumptions[:40]
        )
    dangers = sum(f.severity == "danger" for f in open_)
    if dangers:
        p.lack(say("open-dangers-are-open", dangers=dangers), "worklist")
    return p.done()


def _method(r: Report) -> BookPage:
    p = Page("method", say("method-how-it-was-reckoned"), say("method-bothy-s-method"))
    p.text(say("method-every-figure-follows-from-what"))
    p.points(sorted({s["text"] for s in r.sources()})[:160])
    return p.done()


def _signed_over() -> BookPage:
    p = Page("demonstration", say("demonstration-shown-and-understood"), say("demonstration-to-be-signed-by-hand"))
    p.text(say("demonstration-tick-what-was-shown-then"))
    p.points(
        [
            say("demonstration-switching-everything-off"),
            say("demonstration-hook-up-on-and-off"),
            say("demonstration-gas-on-off-changing-a"),
            say("demonstration-filling-draining-frost"),
            say("demonstration-heater-on-and-off"),
            say("demonstration-fuses-and-spares"),
            say("demonstration-alarms-and-extinguisher"),
            say("demonstration-weights-and-loading"),
            say("demonstration-this-book"),
        ]
    )
    p.text(say("demonstration-owner-builder-date"))
    return p.done()


def book(d: Design, r: Report, facts: Facts, today: dt.date, name: str, variant: str) -> BookPart:
    """The whole book of a design on a day."""
    papers, care = papers_of(d, facts), care_of(d, facts, today, uses_of(d, r))
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
