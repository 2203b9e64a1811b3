"""Commissioning worked out: the steps of a design, what was recorded of each, what is locked, what is to be proved again, and the findings of it."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from bothy.core.commissioning import dead, powered, rest, rule_table
from bothy.core.commissioning.judge import Judgement, judged, limits, number, of_shunt
from bothy.core.commissioning.part import CommissioningPart, RungPart, StepPart
from bothy.core.commissioning.source import Source
from bothy.core.commissioning.stages import FREED, IN_SERVICE, STAGE, STAGES, STILL, WHO
from bothy.core.commissioning.step import NO_UNIT, UNITS, State, Step
from bothy.core.contract import quick
from bothy.core.facts.evidence import Evidence
from bothy.core.facts.kinds import Repair, StepRecord
from bothy.core.finding import Finding, finding
from bothy.core.words.says import commissioning_says as says

Standing = Mapping[tuple[str, str], Evidence]
MAKERS = (
    dead.looks,
    dead.dead_low,
    dead.dead_mains,
    dead.shunt,
    powered.first_power,
    powered.circuits,
    powered.inverter,
    powered.hook_up,
    powered.charging,
    rest.water,
    rest.gas,
    rest.heating,
    rest.air,
    rest.cooling,
    rest.alarms,
    rest.weigh,
    rest.road,
)
MOVED_FRAC = 0.03
"""From which part of it a number that a step proved counts as another one."""
LEAST_MOVE = {"length_m": 0.1, "expected": 0.02, "low": 0.02, "high": 0.02}
MARK_WORDS = {
    "length_m": ("length", "m"),
    "area_mm2": ("cable", "mm²"),
    "fuse_a": ("fuse", "A"),
    "cables": (says("cables-side-by-side"), ""),
    "expected": (says("what-expected"), ""),
    "low": (says("lower-limit"), ""),
    "high": (says("upper-limit"), ""),
    "capacity_ah": ("capacity", "Ah"),
    "rating_w": ("rating", "W"),
    "voc_v": (says("panels-open-voltage"), "V"),
    "pipe_l": (says("water-in-pipes"), "L"),
    "running_w": ("compressor", "W"),
    "setpoint_c": ("setpoint", "°C"),
    "duct_m": ("duct", "m"),
    "flow_l_min": ("flow", "L/min"),
    "expected_a": (says("expected-current"), "A"),
    "expected_v": (says("expected-voltage"), "V"),
    "expected_mohm": (says("expected-loop"), "mΩ"),
}
STALE = ("low", "high", "expected")
CHANGED_SINCE = says("circuit-was-changed-since")


@dataclass(slots=True)
class Done:
    """A step with what was recorded of it; ``state`` before locks are looked at."""

    step: Step
    state: State
    j: Judgement
    record: StepRecord | None = None
    why: str = ""
    by: str = ""
    on: str = ""
    revision: int | None = None
    out_of_order: tuple[str, ...] = ()
    blocked: tuple[str, ...] = ()
    accepted: bool = False

    @property
    def recorded(self) -> bool:
        """Whether anything was recorded."""
        return self.state in ("pass", "marginal", "fail", "again")

    @property
    def passed(self) -> bool:
        """Whether it opens what comes after it."""
        return self.state == "pass" or (self.state == "marginal" and self.accepted)


class Commissioned:
    """All of it: the steps in their order with their states, and the findings."""

    def __init__(self, src: Source, standing: Standing, stale: frozenset[str] = frozenset()) -> None:
        self.src, self.standing, self.stale = src, standing, stale
        self.steps = steps_of(src)
        records = {r.id: r for r in src.ctx.facts.steps}
        told = records.get(IN_SERVICE)
        self.in_service = told if told is not None and told.ok else None
        repairs = src.ctx.facts.repairs
        self.done = [self._done(s, records.get(s.id), repairs) for s in self.steps]
        self.by_id = {d.step.id: d for d in self.done}
        self._lock()

    def expects(self, step_id: str) -> dict[str, float]:
        """What a record of a step is judged against; empty where the design has no such step."""
        d = self.by_id.get(step_id)
        return d.step.expects() if d else {}

    def _entry(self, s: Step) -> Evidence | None:
        if s.record in ("loop", "reading") and s.record_id != "shunt":
            return self.standing.get(("reading", s.record_id))
        if s.record is None:
            return self.standing.get(("step", s.id))
        return None

    def _done(self, s: Step, r: StepRecord | None, repairs: Sequence[Repair]) -> Done:
        if s.record is not None:
            made = _recorded(self.src, s, s.record_id in self.stale)
        elif r is None:
            made = Done(s, "open", Judgement(None, ""))
        else:
            j = judged(self.src, s, r)
            made = Done(s, j.word or "open", j, r, j.why, r.who, r.on, accepted=r.accepted)
        entry = self._entry(s)
        if entry is not None and entry.judged is not None:
            made.revision = entry.judged.revision
        if made.recorded:
            told = self._again(s, entry, repairs)
            if told and made.state != "fail":
                made.state, made.why = "again", told
        return made

    def _again(self, s: Step, entry: Evidence | None, repairs: Sequence[Repair]) -> str:
        """Why it is to be proved again, empty: it stands."""
        for r in repairs:
            mend = self.standing.get(("repair", r.id))
            mine = r.subject == s.subject or r.subject == STAGE[s.stage].energy
            if mine and STAGE[s.stage].number >= STAGE[r.stage].number and mend is not None and (entry is None or entry.number < mend.number):
                if entry is None and s.record not in ("loop", "reading"):
                    continue
                return says("mended-since", r_name=r.name)
        if entry is None or entry.judged is None or s.record is not None:
            return ""
        moved = moved_marks(entry.judged.expected, s.expects())
        return says("changed-since", moved="; ".join(moved)) if moved else ""

    def _lock(self) -> None:
        circuits = {c.id for c in self.src.ctx.design.wiring.circuits}
        barring: dict[str, list[Done]] = {}
        for d in self.done:
            if d.step.bars and not d.passed:
                barring.setdefault(d.step.stage, []).append(d)
        for d in self.done:
            own = d.step.subject in circuits
            needs = d.step.needs
            if self.in_service is not None and d.step.stage in FREED:
                needs = tuple(s for s in needs if s in STILL)
            if not needs:
                continue
            shut, broken = [], []
            for stage in needs:
                for t in barring.get(stage, ()):
                    theirs = t.step.subject in circuits
                    mine = not theirs or t.step.subject == d.step.subject
                    if not mine and (own or d.recorded):
                        continue
                    shut.append(t.step.id)
                    if t.state in ("open", "fail") and mine:
                        broken.append(t.step.id)
            if d.recorded:
                d.out_of_order = tuple(broken)
            d.blocked = tuple(shut)

    def locked(self, d: Done) -> bool:
        """Whether it can’t be done yet; a record that was made while it was locked doesn’t count."""
        return bool(d.out_of_order) if d.recorded and d.state != "again" else bool(d.blocked)

    def titles(self, ids: Sequence[str], most: int = 3) -> str:
        """Steps by name, the first few."""
        named = [f"{self.by_id[i].step.stage.upper()} {self.by_id[i].step.title}" for i in ids[:most]]
        rest_ = len(ids) - len(named)
        return "; ".join(named) + (says("and-more", rest=rest_) if rest_ > 0 else "")

    def part(self) -> CommissioningPart:
        """It as the page shows it."""
        steps = [self._step(d) for d in self.done]
        rungs = []
        for stage in STAGES:
            of = [x for x in steps if x.stage == stage.id]
            counts = {s: sum(x.state == s for x in of) for s in ("pass", "marginal", "fail", "again", "open", "locked")}
            state = (
                "none"
                if not of
                else "failed"
                if counts["fail"]
                else "done"
                if all(d.passed for d in self.done if d.step.stage == stage.id) and not counts["locked"]
                else "locked"
                if counts["locked"] and counts["locked"] + counts["pass"] == len(of)
                else "open"
            )
            shut = next((d for d in self.done if d.step.stage == stage.id and self.locked(d)), None)
            rungs.append(
                quick(
                    RungPart,
                    id=stage.id,
                    title=stage.title,
                    energy=stage.energy,
                    who=WHO[stage.who],
                    stop=stage.stop,
                    state=state,
                    total=len(of),
                    passed=counts["pass"],
                    marginal=counts["marginal"],
                    failed=counts["fail"],
                    again=counts["again"],
                    why=""
                    if shut is None or state not in ("locked", "failed", "open")
                    else says("first", titles=self.titles(shut.blocked or shut.out_of_order, 2)),
                )
            )
        wanted: tuple[State, ...] = ("fail", "again", "open", "marginal")
        ready = [x for x in steps if x.state in wanted and not (x.state == "marginal" and self.by_id[x.id].accepted)]
        first = next((x for x in ready if x.state == "fail"), None) or next((x for x in ready if x.state != "marginal"), None) or next(iter(ready), None)
        return quick(
            CommissioningPart,
            rungs=rungs,
            steps=steps,
            next=first.id if first else None,
            total=len(steps),
            passed=sum(d.passed and not self.locked(d) for d in self.done),
            failed=sum(x.state == "fail" for x in steps),
            again=sum(x.state == "again" for x in steps),
            licensed=self.src.ctx.region.licensed,
            in_service="" if self.in_service is None else f"{self.in_service.who}: {self.in_service.note}",
        )

    def _step(self, d: Done) -> StepPart:
        s = d.step
        dimension, scale = UNITS.get(s.unit, NO_UNIT)
        shut = self.locked(d)
        why = d.why
        if shut and d.recorded:
            why = says("was-recorded-before-so", titles=self.titles(d.out_of_order, 2))
        elif shut:
            why = says("first", titles=self.titles(d.blocked, 2))
        elif not d.recorded and s.missing:
            why = says("cant-be-tested-yet", missing=s.missing)
        return quick(
            StepPart,
            id=s.id,
            stage=s.stage,
            subject=s.subject,
            title=s.title,
            how=s.how,
            kind=s.kind,
            unit=s.unit,
            dimension=dimension,
            scale=scale,
            expected=s.expected if d.j.expected is None else d.j.expected,
            low=s.low if d.j.low is None else d.j.low,
            high=s.high if d.j.high is None else d.j.high,
            instrument=s.instrument,
            who=WHO[s.by],
            licensed=s.by == "licensed",
            record=s.record,
            record_id=s.record_id,
            asks=list(s.asks),
            state="locked" if shut else d.state,
            said=d.j.said,
            why=why,
            value=d.record.value if d.record else None,
            uncertainty=d.j.uncertainty,
            adequate=d.j.adequate,
            by=d.by,
            on=d.on,
            revision=d.revision,
        )

    def findings(self) -> list[Finding]:
        """What the records say: failures, dangers, what was done out of order or by whom it may not be."""
        out: list[Finding] = []
        if self.in_service is not None:
            who, why = self.in_service.who, self.in_service.note
            out.append(finding("test-in-service", "prove", says("commissioning"), says("says-that-vehicle-has", who=who, why=why.rstrip(". "))))
        early = [d for d in self.done if d.recorded and d.out_of_order and d.step.energy_on]
        if early:
            open_ = list(dict.fromkeys(i for d in early for i in d.out_of_order))
            told = says("recorded-still-open-before", titles=self.titles([d.step.id for d in early]), titles_2=self.titles(open_))
            out.append(finding("test-order", "prove", says("commissioning"), told))
        for d in self.done:
            if d.step.record is None:
                out += self._of_step(d)
        return out + self._of_shunt()

    def _of_step(self, d: Done) -> list[Finding]:
        s, out = d.step, []
        name = s.title
        if d.state == "fail" and not (d.record and d.record.cleared):
            grave = s.rule == "test-fail" and s.stage in rule_table.DANGER_STAGES
            out.append(finding("test-step-fail" if grave else s.rule, f"{s.id}", name, d.why or says("check-found-other-than")))
        if d.state == "marginal" and not d.accepted:
            out.append(finding("test-marginal", s.id, name, d.why))
        if d.state == "marginal" and d.j.adequate is False:
            out.append(
                finding(
                    "test-meter-weak",
                    s.id,
                    name,
                    says("range-that-right-too", limits=limits(s.low, s.high, s.unit), number=number(d.j.uncertainty, s.unit)),
                )
            )
        if d.state == "again":
            out.append(finding("test-again", s.id, name, d.why))
        if d.record is not None and d.recorded:
            if s.by == "licensed" and not (d.record.licence.strip() and d.record.who.strip()):
                out.append(finding("test-no-licence", s.id, name, says("step-recorded-without-name")))
            cat = 300.0 if self.src.ctx.region.key == "us" else 600.0
            if s.mains and d.record.meter_cat_v is not None and d.record.meter_cat_v < cat:
                out.append(
                    finding(
                        "test-meter-category",
                        s.id,
                        name,
                        says("meter-used-made-for", meter_cat_v=d.record.meter_cat_v, cat_v=cat),
                    )
                )
        return out

    def _of_shunt(self) -> list[Finding]:
        j, passed_by, cause = of_shunt(self.src)
        rule = {
            "negative_bypass": "test-negative-bypass",
            "shunt_reversed": "test-shunt-reversed",
            "shunt_reversed_and_scale": "test-shunt-reversed",
            "scale_setting": "test-shunt-scale",
        }.get(cause)
        if rule is None:
            return []
        names = [c.name for c in self.src.ctx.design.wiring.circuits if c.id in passed_by]
        of = f": {', '.join(names)}" if names else ""
        told = says("monitor-saw-what-clamp", said=j.said, of=of, why=j.why)
        return [finding(rule, "shunt", says("shunt"), told, related=passed_by)]


def moved_marks(then: Mapping[str, float], now: Mapping[str, float]) -> list[str]:
    """What a step proved and is another one today, in words; limits only where nothing else says why."""
    said: list[str] = []
    limits_: list[str] = []
    for key, was in then.items():
        is_ = now.get(key)
        if is_ is not None and abs(is_ - was) <= max(LEAST_MOVE.get(key, 1e-9), MOVED_FRAC * abs(was)):
            continue
        word, unit = MARK_WORDS.get(key, (key, ""))
        told = says("then-now", word=word, number=number(was, unit), number_2=number(is_, unit))
        (limits_ if key in STALE else said).append(told)
    return said or limits_


def steps_of(src: Source) -> list[Step]:
    """The steps of a design in their order, each id once."""
    out, seen = [], set()
    for make in MAKERS:
        for s in make(src):
            if s.id not in seen:
                seen.add(s.id)
                out.append(s)
    return out


def _loop(src: Source, s: Step, old: bool) -> Done | None:
    loop = src.loops.get(s.record_id)
    if loop is None or loop.verdict is None or loop.measured_mohm is None:
        return None
    said = f"{loop.measured_mohm:.4g} mΩ"
    if old:
        return _by_reading(src, s, Done(s, "again", Judgement(None, said), why=CHANGED_SINCE))
    ok = loop.verdict == "pass"
    why = "" if ok else says("meter-read-to-right", said=said, low_mohm=loop.low_mohm, high_mohm=loop.high_mohm)
    return _by_reading(src, s, Done(s, "pass" if ok else "fail", Judgement("pass" if ok else "fail", said), why=why))


def _with_power(src: Source, s: Step, old: bool) -> Done | None:
    if s.record_id == "shunt":
        j, _, _ = of_shunt(src)
        return Done(s, j.word, j, why=j.why) if j.word else None
    row = src.sheet.get(s.record_id)
    read = next((r for r in src.ctx.facts.readings if r.circuit == s.record_id), None)
    if row is None or row.verdict is None or read is None:
        return None
    said = ", ".join(number(x, unit) for x, unit in ((read.current_a, "A"), (read.load_voltage_v, "V")) if x is not None)
    if old or row.outdated:
        return _by_reading(src, s, Done(s, "again", Judgement(None, said), why=CHANGED_SINCE))
    return _by_reading(src, s, Done(s, row.verdict, Judgement(row.verdict, said), why=row.why, accepted=bool(read.note.strip())))


def _water_test(src: Source, s: Step, _: bool) -> Done | None:
    return _last(s, [(t.verdict, says("lost", corrected_drop_kpa=t.corrected_drop_kpa), t.reasons, t.who, t.on, []) for t in src.water.tests])


def _gas_test(src: Source, s: Step, _: bool) -> Done | None:
    rows = []
    for t in src.gas.tests:
        said = says("lost-2", corrected_drop_mbar=t.corrected_drop_mbar, signed=bool(t.signed))
        rows.append((t.verdict if t.signed or t.verdict != "pass" else "repeat", said, t.reasons, t.who, t.on, t.changed))
    return _last(s, rows)


def _gas_check(src: Source, s: Step, _: bool) -> Done | None:
    kind, _sep, of = s.record_id.partition(":")
    checks = [c for c in src.ctx.facts.gas_checks if c.kind == kind and (not of or c.appliance == of)]
    part = src.gas.checks.get(checks[-1].id) if checks else None
    if part is None:
        return None
    c, said = checks[-1], number(checks[-1].value, part.unit)
    why = "" if part.ok else says("meter-read-limit", said=said, number=number(part.limit, part.unit))
    return Done(s, "pass" if part.ok else "fail", Judgement("pass" if part.ok else "fail", said), why=why, by=c.who, on=c.on)


def _weighed(src: Source, s: Step, _: bool) -> Done | None:
    if not src.ctx.facts.weighings:
        return None
    w, limit = src.ctx.facts.weighings[-1], src.fit.weight
    rows = (
        ("whole", w.front_kg + w.rear_kg, limit.gross_limit_kg),
        (says("front-axle"), w.front_kg, limit.front_limit_kg),
        (says("rear-axle"), w.rear_kg, limit.rear_limit_kg),
    )
    over = [n for n, kg, most in rows if most is not None and kg > most]
    said, why = says("front-rear", front_kg=w.front_kg, rear_kg=w.rear_kg), says("over-limit", over=", ".join(over)) if over else ""
    return Done(s, "fail" if over else "pass", Judgement("fail" if over else "pass", said), why=why, by=w.who, on=w.on)


SHOWN_BY: dict[str, Callable[[Source, Step, bool], Done | None]] = {
    "loop": _loop,
    "reading": _with_power,
    "water_test": _water_test,
    "gas_test": _gas_test,
    "gas_check": _gas_check,
    "weighing": _weighed,
}
"""Where what shows a step is recorded -> what it says; None: nothing was recorded yet."""


def _recorded(src: Source, s: Step, old: bool = False) -> Done:
    """A step that is shown by a reading or test with a place of its own; ``old``: what it measured is another one today."""
    return SHOWN_BY[s.record or ""](src, s, old) or Done(s, "open", Judgement(None, ""))


def _by_reading(src: Source, s: Step, made: Done) -> Done:
    read = next((r for r in src.ctx.facts.readings if r.circuit == s.record_id), None)
    if read is not None:
        made.by, made.on = read.taken_by, read.taken_at[:10]
    return made


WORD: dict[str, State] = {"pass": "pass", "repeat": "marginal", "fail": "fail"}


def _last(s: Step, rows: Sequence[tuple[str, str, list[str], str, str, list[str]]]) -> Done | None:
    """The state by the newest test of a kind."""
    if not rows:
        return None
    word, said, reasons, who, on, changed = rows[-1]
    state = WORD[word]
    made = Done(
        s,
        state,
        Judgement(None if state in ("open", "again") else ("pass" if state == "pass" else "fail" if state == "fail" else "marginal"), said),
        why=" ".join(reasons[:2]),
        by=who,
        on=on,
    )
    if changed and state == "pass":
        made.state, made.why = "again", says("changed-since-2", changed=", ".join(changed[:4]))
    return made
