"""The search for the parts: every allowed set through the same weathers, few draws first, then many for those that nobody beats (method trips.sizing)."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Sequence
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, replace
from typing import Any, Protocol

import numpy as np
from pydantic import BaseModel

from bothy.core.catalogue.parts import parts
from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.design.power import Power
from bothy.core.finding import Finding, finding, rules
from bothy.core.method.sources import Method
from bothy.core.power.panels import array_power
from bothy.core.proposing import propose_group
from bothy.core.region import RegionKey, money
from bothy.core.sizing.pareto import DesignPoint, front_of
from bothy.core.sizing.space import REASONS, RELAXED, Candidate, space_of
from bothy.core.sun.geometry import Array
from bothy.core.trips import places as k
from bothy.core.trips.cabin import thermal_of
from bothy.core.trips.engine import Arrays, Plan, Weather, refitted, simulate, weather_of
from bothy.core.trips.engine import arrays_of as arrays_ready
from bothy.core.trips.itinerary import NoTrip, day_count
from bothy.core.trips.plan import bank_of, numbers_of, panels_of, plan_of_design
from bothy.core.trips.results import LEDGER
from bothy.core.words.says import sizing_says as says

rules(
    "trips",
    (
        ("sim-dominated", "note", Method("trips.sizing")),
        (
            "sim-no-feasible",
            "fault",
            Method("trips.sizing"),
        ),
    ),
)

FEW, MORE, MOST_DRAWS = 16, 64, 200
SLACK = 0.01
"""A larger bank raised the mean of the short days by up to this in hopeless sets, because its latches sit elsewhere (method trips.planning)."""
NEAR, MANY = 0.05, 400
"""So near the target in its share of short days a set is run through all draws; so many sets are, whatever they are."""
BATCH, SHOWN, LOOKED_AT, CLOUD = 32, 12, 12, 1500
Between = Callable[[int, int], None]
WHOLE = 1000
"""Progress is said in thousandths."""


class SizedSet(BaseModel):
    """A set of parts through the trip: what it is, costs and weighs, how often it runs short, and the change that puts it into the design.

    ``price`` None: a part without a known price. ``error_frac`` is the standard error of the short days.
    """

    key: str
    words: list[str]
    array_w: float
    bank_wh: float
    price: float | None
    mass_kg: float
    short_days_frac: float
    error_frac: float | None
    missing_wh_day: float
    least_soc_p10: float
    meets: bool
    shown: bool
    patch: list[dict[str, Any]]


class Lifted(BaseModel):
    """What lifting one limit would give: the reason, in words, and the cheapest set that would then meet the target."""

    reason: str
    words: str
    set: SizedSet


class SizingRun(BaseModel):
    """What a search found: the front (none of it beaten in price, mass and short days at once), cheapest first; the design as it is; all sets looked at.

    ``cloud`` holds price, mass and share of short days of sets off the front. ``best`` is the key of the set that meets the target and is best by the goal.
    """

    goal: str
    target_frac: float
    front: list[SizedSet]
    best: str | None
    now: SizedSet | None
    cloud: list[list[float]]
    dropped: dict[str, int]
    lifted: list[Lifted]
    binding: str
    set_count: int
    simulated_count: int
    draw_count: int
    day_count: int
    findings: list[Finding]


@dataclass
class Trial:
    """A set through some draws: short days and Wh missing by draw, least charge by draw."""

    short: Array
    missing: Array
    least: Array
    days: int

    @property
    def share(self) -> float:
        """Share of short days."""
        return float(self.short.mean()) / self.days

    def and_more(self, other: Trial) -> Trial:
        """With the draws of another trial after these."""
        short, missing, least = (np.concatenate(x) for x in ((self.short, other.short), (self.missing, other.missing), (self.least, other.least)))
        return Trial(short, missing, least, self.days)


class Bench:
    """Runs sets through the same weathers; sets that are electrically alike are run once."""

    def __init__(self, design: Design, template: Power, draws: int) -> None:
        self.design = design
        self.thermal = thermal_of(Context(self._with(template)))
        self.plan: Plan = replace(plan_of_design(Context(self._with(template))), draw_count=draws)
        self.weather: Weather = weather_of(self.plan)
        self.draws = self.plan.weather_count
        self.ready: Arrays = arrays_ready(self.plan, self.weather)
        self.known: dict[tuple[bytes, int, int], Trial] = {}
        self.run_count = 0

    def _with(self, power: Power) -> Design:
        return self.design.model_copy(update={"power": power})

    def of(self, power: Power, first: int, last: int) -> Trial:
        """A supply through draws ``first`` to ``last`` (excluded)."""
        ctx = Context(self._with(power))
        bank = bank_of(ctx)
        plan = replace(self.plan, arrays=panels_of(ctx), bank=bank.numbers, numbers=numbers_of(ctx, bank, self.thermal))
        fitted = refitted(self.ready, plan, first, last)
        key = (b"".join(np.ascontiguousarray(fitted.items[i]).tobytes() for i in (10, 18, 19)), first, last)
        found = self.known.get(key)
        if found is None:
            self.run_count += 1
            r = simulate(plan, ready=fitted)
            found = trial_of(r)
            self.known[key] = found
        return found


class Sweep(Protocol):
    """Runs many supplies through the same draws, in whatever way; returns their trials in the same order."""

    def __call__(self, bench: Bench, powers: Sequence[Power], first: int, last: int) -> list[Trial]: ...


def on_threads(workers: int) -> Sweep:
    """Some supplies beside each other in this process; the compiled kernel lets the interpreter go."""

    def sweep(bench: Bench, powers: Sequence[Power], first: int, last: int) -> list[Trial]:
        with ThreadPoolExecutor(workers) as pool:
            return list(pool.map(lambda p: bench.of(p, first, last), powers))

    return sweep


def trial_of(r: Any) -> Trial:
    """What a search keeps of a run."""
    i, j = LEDGER.index("shed_wh"), LEDGER.index("unserved_wh")
    return Trial(r.short_day.sum(axis=1).astype(float), r.ledger[:, i] + r.ledger[:, j], r.summary[:, k.LEAST_SOC].copy(), r.short_day.shape[1])


class _Seen:
    """What is known so far, as flat arrays: to say quickly that a set can't be on the front."""

    def __init__(self) -> None:
        self.price, self.mass, self.share = np.zeros(0), np.zeros(0), np.zeros(0)
        self.families: dict[Any, list[tuple[tuple[float, ...], float]]] = {}

    def add(self, made: Iterable[tuple[Candidate, float]]) -> None:
        """Take in sets that were run."""
        made = list(made)
        self.price = np.append(self.price, [c.price for c, _ in made])
        self.mass = np.append(self.mass, [c.mass_kg for c, _ in made])
        self.share = np.append(self.share, [s for _, s in made])
        for c, s in made:
            self.families.setdefault(c.family, []).append((c.sizes, s))

    def least_possible(self, c: Candidate) -> float:
        """Share of short days that a set can't be under: that of an electrically larger one of its family, less the slack."""
        larger = [s for sizes, s in self.families.get(c.family, ()) if all(a >= b for a, b in zip(sizes, c.sizes, strict=True))]
        return max([0.0, *(s - SLACK for s in larger)])

    def beaten(self, c: Candidate) -> bool:
        """Whether a known set that costs and weighs no more can't be undercut by this one."""
        no_worse = (self.price <= c.price) & (self.mass <= c.mass_kg)
        if not no_worse.any():
            return False
        best = float(self.share[no_worse].min())
        if best == 0.0 and bool((no_worse & (self.share == 0.0) & ((self.price < c.price) | (self.mass < c.mass_kg))).any()):
            return True
        low = self.least_possible(c)
        return low > 0 and best <= low


def _survivors(made: dict[str, tuple[Candidate, Trial]], target: float) -> list[str]:
    """Keys of sets that none with at most their price and mass beats by more than the error of the difference, and the slack.

    Where more than ``MANY`` are left, also those go that a cheaper or lighter one equals in each single draw: what they could still win is less than the
    slack. Near the target they stay, for there a day more or less decides.
    """
    items = list(made.values())
    price, mass = np.array([c.price for c, _ in items]), np.array([c.mass_kg for c, _ in items])
    short = np.array([t.short / t.days for _, t in items])
    share = short.mean(axis=1)
    out, equalled = [], set()
    for i, (c, _) in enumerate(items):
        rivals = (price <= price[i]) & (mass <= mass[i]) & (share < share[i] - SLACK)
        if rivals.any():
            apart = short[i] - short[rivals]
            error = apart.std(axis=1, ddof=1) / math.sqrt(apart.shape[1]) if apart.shape[1] > 1 else np.zeros(len(apart))
            if bool((apart.mean(axis=1) > np.maximum(2 * error, SLACK)).any()):
                continue
        smaller = (price <= price[i]) & (mass <= mass[i]) & ((price < price[i]) | (mass < mass[i]))
        if bool((smaller & (share <= share[i]) & (short.max(axis=1) == 0)).any()):
            continue
        out.append(c.key)
        if share[i] > target + NEAR and bool((short[smaller] <= short[i]).all(axis=1).any()):
            equalled.add(c.key)
    return [key for key in out if key not in equalled] if len(out) > MANY else out


def _template(space: Sequence[Candidate], base: Power) -> Power:
    with_panels = next((c for c in space if c.panels.value[0]), space[0])
    return with_panels.power(base)


def with_inverter(design: Design) -> Design:
    """The design with an inverter for its mains appliances where it has none, so that they are asked of every set."""
    if design.power.inverter is not None:
        return design
    found = propose_group(design, "inverter")
    if not found or not found[0].patch:
        return design
    from bothy.core.design.edit import apply_patch

    return apply_patch(design, found[0].patch, by_proposal=True)


def _patch(design: Design, c: Candidate) -> list[dict[str, Any]]:
    p = c.power(design.power)
    ops: list[dict[str, Any]] = []
    for key in ("system_voltage_v", "arrays", "controller", "bank", "driving"):
        value = getattr(p, key)
        if key == "system_voltage_v" and value == Context(design).system_v:
            continue
        plain = [x.model_dump(mode="json") for x in value] if key == "arrays" else value.model_dump(mode="json") if hasattr(value, "model_dump") else value
        ops.append({"op": "replace", "path": f"/power/{key}", "value": plain})
    return ops


def _sized(design: Design, c: Candidate, t: Trial, target: float) -> SizedSet:
    own = t.short / t.days
    error = float(own.std(ddof=1) / math.sqrt(own.size)) if own.size > 1 else None
    arrays, _ = c.panels.value
    power = c.power(design.power)
    ctx = Context(design.model_copy(update={"power": power}))
    return SizedSet(
        key=c.key,
        words=c.words,
        array_w=sum(array_power(a) for a in arrays),
        bank_wh=c.bank.size * ctx.bank_v,
        price=c.price,
        mass_kg=c.mass_kg,
        short_days_frac=t.share,
        error_frac=error,
        missing_wh_day=float(t.missing.mean()) / t.days,
        least_soc_p10=float(np.percentile(t.least, 10)),
        meets=t.share <= target + 1e-12,
        shown=False,
        patch=_patch(design, c),
    )


def _now(design: Design, bench: Bench, target: float) -> SizedSet | None:
    """The design as it is, through the same weathers; its price where all its parts are in the catalogue."""
    p = design.power
    if p.bank is None:
        return None
    ctx = Context(design)
    plan = replace(plan_of_design(ctx), draw_count=bench.plan.draw_count)
    t = trial_of(simulate(plan, weather=bench.weather))
    shared = p.shared_arrays  # the rest stays in every set, and is counted in none
    of_part = [(a.part, a.series_count * a.parallel_count, a.unit_mass_kg) for a in shared]
    of_part += [(x.part, 1, x.mass_kg) for x in (p.controller, p.driving) if x is not None]
    of_part.append((p.bank.part, p.bank.series_count * p.bank.parallel_count, p.bank.unit_mass_kg))
    known = [(parts(ctx.region.key).get(key or ""), count, kg) for key, count, kg in of_part]
    price = sum(x.price * count for x, count, _ in known if x is not None) if all(x is not None for x, _, _ in known) else None
    own = t.short / t.days
    panels = sum(a.series_count * a.parallel_count for a in shared)
    words = [
        says("panel-on", panels=panels, controller_name=p.controller.name) if panels and p.controller else "",
        p.bank.name,
        p.driving.name if p.driving else "",
    ]
    return SizedSet(
        key="now",
        words=[w for w in words if w],
        array_w=sum(array_power(a) for a in shared),
        bank_wh=p.bank.unit_charge_ah * p.bank.parallel_count * ctx.bank_v,
        price=price,
        mass_kg=sum((x.mass_kg if x is not None else kg or 0.0) * count for x, count, kg in known),
        short_days_frac=t.share,
        error_frac=float(own.std(ddof=1) / math.sqrt(own.size)) if own.size > 1 else None,
        missing_wh_day=float(t.missing.mean()) / t.days,
        least_soc_p10=float(np.percentile(t.least, 10)),
        meets=t.share <= target + 1e-12,
        shown=True,
        patch=[],
    )


GOALS: dict[str, Callable[[SizedSet], tuple[float, ...]]] = {
    "cost": lambda s: (s.price or 0, s.mass_kg, s.short_days_frac),
    "mass": lambda s: (s.mass_kg, s.price or 0, s.short_days_frac),
    "reliability": lambda s: (s.short_days_frac, s.price or 0, s.mass_kg),
}


def _choose(front: list[SizedSet], goal: str) -> None:
    """Mark at most twelve to be shown: half of them those that meet the target, best by the goal, the rest spread over the front."""
    good = sorted((s for s in front if s.meets), key=GOALS[goal])[: SHOWN // 2]
    rest = [s for s in front if s not in good]
    left = SHOWN - len(good)
    picked = rest if len(rest) <= left else [rest[round(i * (len(rest) - 1) / max(1, left - 1))] for i in range(left)]
    for s in [*good, *picked]:
        s.shown = True


class _Search:
    def __init__(self, design: Design, between: Between | None, sweep: Sweep) -> None:
        self.between, self.sweep = between, sweep
        self.design = with_inverter(design)
        self.space = space_of(self.design)
        self.free = [c for c in self.space.candidates if c.barred is None]
        if not self.space.candidates:
            raise NoTrip("sizing", says("leaves-no-set-at") + ("; ".join(REASONS[r] for r in self.space.dropped) or says("no-batteries-wished-makers")))
        self.draws = min(MOST_DRAWS, max(2, design.trips.draw_count))
        self.bench = Bench(self.design, _template(self.space.candidates, self.design.power), self.draws)
        self.draws = self.bench.draws
        self.made: dict[str, tuple[Candidate, Trial]] = {}

    def say(self, part: float) -> None:
        if self.between is not None:
            self.between(int(WHOLE * min(1.0, part)), WHOLE)

    def run_all(self, todo: Sequence[Candidate], first: int, last: int) -> list[tuple[Candidate, Trial]]:
        """Run sets, some beside each other."""
        return list(zip(todo, self.sweep(self.bench, [c.power(self.design.power) for c in todo], first, last), strict=True))

    def few(self) -> None:
        """All sets through a few draws, except those that can't be on the front."""
        seen, last = _Seen(), min(FEW, self.draws)
        largest: dict[Any, Candidate] = {}
        for c in self.free:
            old = largest.get(c.family)
            if old is None or c.sizes > old.sizes:
                largest[c.family] = c
        heads = {c.key for c in largest.values()}
        order = [*largest.values(), *(c for c in self.free if c.key not in heads)]
        at = 0
        while at < len(order):
            batch: list[Candidate] = []
            while at < len(order) and len(batch) < BATCH:
                if at < len(heads) or not seen.beaten(order[at]):
                    batch.append(order[at])
                at += 1
            found = self.run_all(batch, 0, last)
            self.made |= {c.key: (c, t) for c, t in found}
            seen.add((c, t.share) for c, t in found)
            self.say(0.7 * at / len(order))

    def more(self) -> dict[str, tuple[Candidate, Trial]]:
        """Those that nobody beats, through more draws, and their neighbours at the end."""
        target = self.design.trips.short_days_frac
        kept = {k: self.made[k] for k in _survivors(self.made, target)}
        done = min(FEW, self.draws)
        for upto in (min(MORE, self.draws), self.draws):
            if upto > done:
                todo = [c for c, _ in kept.values()]
                for i in range(0, len(todo), BATCH):
                    for c, t in self.run_all(todo[i : i + BATCH], done, upto):
                        kept[c.key] = (c, kept[c.key][1].and_more(t))
                    self.say(0.7 + 0.2 * (i / len(todo)))
                done = upto
                kept = {k: kept[k] for k in _survivors(kept, target)}
        near = self._neighbours(kept)
        for c, t in self.run_all([c for c in near if c.key not in kept], 0, self.draws):
            kept[c.key] = (c, t)
        return kept

    def _neighbours(self, kept: dict[str, tuple[Candidate, Trial]]) -> list[Candidate]:
        """Sets with one panel or one unit of the bank more or less than a member of the front."""
        front = self.front(kept)
        by_rest: dict[Any, list[Candidate]] = {}
        for c in self.free:
            by_rest.setdefault((c.family, c.bank.key, c.driving.key), []).append(c)
            by_rest.setdefault((c.family, c.panels.key, c.driving.key), []).append(c)
        out: dict[str, Candidate] = {}
        for c in front:
            for rest, size in (
                ((c.family, c.bank.key, c.driving.key), lambda x: x.panels.size),
                ((c.family, c.panels.key, c.driving.key), lambda x: x.bank.size),
            ):
                row = sorted(by_rest[rest], key=size)
                i = next(n for n, x in enumerate(row) if x.key == c.key)
                out |= {x.key: x for x in row[max(0, i - 1) : i + 2]}
        return list(out.values())

    @staticmethod
    def front(kept: dict[str, tuple[Candidate, Trial]]) -> list[Candidate]:
        """The sets that none beats, cheapest first."""
        points = [DesignPoint.trusted(id=k, cost=c.price, mass_kg=c.mass_kg, lolp_frac=t.share) for k, (c, t) in kept.items()]
        return [kept[p.id][0] for p in front_of(points)[0]]

    def lifted(self, best: SizedSet | None, target: float) -> list[Lifted]:
        """For each reason that a person may lift: the cheapest set that it alone keeps out, that meets the target, and that is better by the goal."""
        out = []
        goal = GOALS[self.design.sizing.goal]
        light = self.design.sizing.goal == "mass"

        def rank(c: Candidate) -> tuple[float, ...]:
            return (c.mass_kg, c.price) if light else (c.price, c.mass_kg)

        seen = _Seen()
        seen.add((c, t.share) for c, t in self.made.values())
        for reason in RELAXED:
            barred = [c for c in self.space.candidates if c.barred == reason and seen.least_possible(c) <= target]
            barred.sort(key=rank)
            step = max(1, len(barred) // 200)
            for c in barred[::step][: LOOKED_AT * 8]:
                if best is not None and self.design.sizing.goal != "reliability" and rank(c) >= goal(best)[:2]:
                    break
                t = self.bench.of(c.power(self.design.power), 0, min(FEW, self.draws))
                seen.add([(c, t.share)])
                if t.share <= target:
                    words = "; ".join(c.words)
                    out.append(
                        Lifted(
                            reason=reason,
                            words=says("if-were-no-limit", reasons=REASONS[reason], words=words, money=money(c.price, self.design.region), mass_kg=c.mass_kg),
                            set=_sized(self.design, c, t, target),
                        )
                    )
                    break
        return out


def search(design: Design, between: Between | None = None, workers: int = 2, sweep: Sweep | None = None) -> SizingRun:
    """Find the sets of parts that none beats in price, mass and short days; on threads, or by another sweep.

    Raises :class:`NoTrip` when there is no trip, or nothing to choose from.
    """
    s = _Search(design, between, sweep or on_threads(workers))
    target = design.trips.short_days_frac
    front: list[SizedSet] = []
    kept: dict[str, tuple[Candidate, Trial]] = {}
    if s.free:
        s.few()
        kept = s.more()
        front = [_sized(s.design, c, kept[c.key][1], target) for c in s.front(kept)]
    good = sorted((x for x in front if x.meets), key=GOALS[design.sizing.goal])
    best = good[0] if good else None
    _choose(front, design.sizing.goal)
    lifted = s.lifted(best, target)
    s.say(0.97)
    now = _now(s.design, s.bench, target)
    on_front = {x.key for x in front}
    cloud = [[c.price, c.mass_kg, t.share] for k, (c, t) in s.made.items() if k not in on_front]
    binding = "; ".join(x.words for x in lifted) or (says("nothing-that-you-could") if best else says("no-single-limit-keeps"))
    return SizingRun(
        goal=design.sizing.goal,
        target_frac=target,
        front=front,
        best=best.key if best else None,
        now=now,
        cloud=cloud[:: max(1, math.ceil(len(cloud) / CLOUD))],
        dropped=dict(s.space.dropped),
        lifted=lifted,
        binding=binding,
        set_count=len(s.free),
        simulated_count=s.bench.run_count,
        draw_count=s.draws,
        day_count=day_count(design),
        findings=_findings(design.region, front, best, now, binding),
    )


def _findings(region: RegionKey, front: list[SizedSet], best: SizedSet | None, now: SizedSet | None, binding: str) -> list[Finding]:
    out = []
    if best is None:
        near = min(front, key=lambda x: x.short_days_frac) if front else None
        nearest = (
            says("nearest-short-on", short_days_frac=near.short_days_frac, words="; ".join(near.words), money=money(near.price or 0, region))
            if near
            else says("no-set-at-all")
        )
        out.append(finding("sim-no-feasible", "trips", says("parts"), nearest + binding))
    if now is not None and now.price is not None:
        better = [
            x
            for x in front
            if (x.price or 0) <= now.price
            and x.mass_kg <= now.mass_kg
            and x.short_days_frac <= now.short_days_frac
            and (x.price, x.mass_kg, x.short_days_frac) != (now.price, now.mass_kg, now.short_days_frac)
        ]
        if better:
            b = min(better, key=lambda x: (x.short_days_frac, x.price or 0))
            out.append(
                finding(
                    "sim-dominated",
                    "trips",
                    says("parts"),
                    says(
                        "and-less-short-on",
                        words="; ".join(b.words),
                        money=money(now.price - (b.price or 0), region),
                        mass_kg=now.mass_kg - b.mass_kg,
                        short_days_frac=b.short_days_frac,
                        short_days_frac_2=now.short_days_frac,
                    ),
                )
            )
    return out
