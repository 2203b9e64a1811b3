"""Practice on pipes: water and gas with a fault hidden by a seed; taps and valves, a gauge, and what a look tells (method prove.practice)."""

from __future__ import annotations

from collections.abc import Mapping

from bothy.core.commissioning.source import Source
from bothy.core.contract import BadInput
from bothy.core.faults.case import ElementPart, Hypothesis, NodePart
from bothy.core.faults.flow import OUTLETS, Flows, Piece, joined, solved
from bothy.core.faults.pipe_plants import BUILT_PIPES, Ill, Plant, alone, faults_of, own_gas, own_water
from bothy.core.faults.practice import MINUTES, ActPart, OfferPart, RigAct, RigRow, Seen, drawn, noise, unit
from bothy.core.proving.diagnosis import Test, gap_edges, normalised
from bothy.core.words.says import faults_says as says

LEAK_FALL = 0.37
"""A leak takes the gauge to 40 % in five minutes, and lower where less pipe hangs on it."""
SPITS = says("spits")
SURE = 0.96
"""How often a look tells right."""
FLAMES = (says("good-blue-flame"), says("small-flame-yellow-at"), says("no-flame"))


def pipe_rigs(src: Source) -> tuple[list[RigRow], list[RigRow]]:
    """Pipes to practise on: the built-in ones, and this vehicle’s own."""
    own = [p for p in (own_water(src), own_gas(src)) if p is not None]
    return [_row(p) for p in BUILT_PIPES.values()], [_row(p) for p in own]


def _row(p: Plant) -> RigRow:
    return RigRow(key=p.key, title=p.title, level=p.level, about=p.about)


def pipe_rig(src: Source, key: str, seed: int) -> PipeRig | None:
    """Pipes with the fault that the seed hides; None where there are none of that name."""
    plant = own_water(src) if key == "own-water" else own_gas(src) if key == "own-gas" else BUILT_PIPES.get(key)
    if plant is None:
        return None
    ills = faults_of(plant)
    shares = normalised({x.hypothesis.id: x.hypothesis.prior for x in ills})
    return PipeRig(plant, ills, drawn(ills, list(shares.values()), unit(seed, f"{key}/fault")), seed)


class PipeRig:
    """Pipes on the bench: taps and valves as they stand."""

    def __init__(self, plant: Plant, ills: list[Ill], ill: Ill, seed: int) -> None:
        self.plant, self.ills, self.ill, self.seed = plant, ills, ill, seed
        self.title, self.level, self.medium = plant.title, plant.level, plant.medium
        self.hidden, self.hypotheses = ill.hypothesis, [x.hypothesis for x in ills]
        self.closed: set[str] = {x.id for x in plant.outlets}
        self.on = plant.medium == "water" or ill.leak is None
        self.count = 0
        self.by_id = {x.id: x for x in plant.pieces}
        water = plant.medium == "water"
        self.caution = says("real-water-let-off") if water else says("real-smell-gas-no")

    # --- what is there

    def nodes(self) -> list[NodePart]:
        """The store, then the end of every piece."""
        names = {x.id: x.name.removeprefix(says("pipe-to-2")).removeprefix("the ") if x.kind == "pipe" else x.name for x in self.plant.pieces}
        store = "tank" if self.medium == "water" else "gas"
        return [NodePart(id="store", name=store), *(NodePart(id=k, name=v) for k, v in names.items())]

    def elements(self) -> list[ElementPart]:
        """Each piece, from its parent's end to its own."""
        return [
            ElementPart(id=x.id, name=x.name, kind="valve" if x.valve and x.kind == "pipe" else x.kind, a=x.parent or "store", b=x.id, text="")
            for x in self.plant.pieces
        ]

    def probed(self) -> list[str]:
        """Where the gauge can be read: behind the pump or the regulator, and before each outlet."""
        start = [x.id for x in self.plant.pieces if x.kind in ("pump", "regulator")]
        return [*start, *dict.fromkeys(o.parent for o in self.plant.outlets if o.parent and o.parent not in start)]

    def _of(self, act: str) -> list[str]:
        pipes = [x.id for x in self.plant.pieces if x.kind == "pipe"]
        if act in ("outlet", "measure", "sieve"):
            return [x.id for x in self.plant.outlets]
        if act == "valve":
            return [x.id for x in self.plant.pieces if x.valve and x.kind != "bottle"]
        if act == "joints":
            return pipes
        return []

    def offers(self) -> list[OfferPart]:
        """The acts that it knows."""
        water = self.medium == "water"
        rows = (
            ("outlet", says("open-or-shut-tap") if water else says("burner-on-or-off"), "part"),
            ("valve", says("open-or-shut-valve"), "part"),
            ("supply", says("pump-on-or-off") if water else says("bottle-open-or-shut"), "nothing"),
            ("measure", says("fill-jug-and-time") if water else says("look-at-flame"), "part"),
            ("gauge", says("read-gauge"), "point"),
            ("hold", says("pump-off-watch-gauge", water=bool(water)), "point"),
            ("joints", says("dry-paper-round-joints") if water else says("soap-joints"), "part"),
            ("sieve", says("unscrew-sieve") if water else says("look-at-jet"), "part"),
            *((("bowl", says("open-strainer"), "nothing"),) if any(x.kind == "strainer" for x in self.plant.pieces) else ()),
            *(() if water else (("weigh", says("weigh-bottle"), "nothing"), ("reset", says("shut-all-wait-open"), "nothing"))),
            *(() if water else (("lighter", says("lighter-along-joints"), "nothing"),)),
            ("hint", says("hint"), "nothing"),
        )
        found = [OfferPart(act=a, title=t, minutes=MINUTES[a], takes=takes, of=self._of(a)) for a, t, takes in rows]
        return [x for x in found if x.takes != "part" or x.of]

    def shut(self) -> list[str]:
        """What is shut, and the source when it is off."""
        source = next(x.id for x in self.plant.pieces if x.kind in ("pump", "bottle"))
        return [*sorted(self.closed), *([] if self.on else [source])]

    def kind_of(self, id: str) -> str:
        """A fault without its place."""
        return id.partition(":")[0]

    def suspects(self) -> list[Hypothesis]:
        """The faults of which their owner would say the same."""
        told = self.complaint()
        return [x.hypothesis for x in self.ills if self._said_of(x) == told]

    def complaint(self) -> str:
        """What its owner says."""
        return self._said_of(self.ill)

    def _said_of(self, ill: Ill) -> str:
        water = self.medium == "water"
        if ill.leak is not None:
            return says("pump-starts-now-and") if water else says("there-smell-gas-now")
        sound = {o.id: self._flows(set(alone(self.plant, o.id)), None).flow[o.id] for o in self.plant.outlets}
        worst = min(self.plant.outlets, key=lambda o: self._flows(set(alone(self.plant, o.id)), ill).flow[o.id] / max(1e-9, sound[o.id]))
        return f"“{worst.name[0].upper()}{worst.name[1:]}: {'little water comes' if water else 'its flame is small'}.”"

    # --- what the model says

    def _flows(self, closed: set[str], ill: Ill | None) -> Flows:
        p = self.plant
        return solved(p.pieces, p.rest * (ill.rest if ill else 1.0), p.sag + (ill.sag if ill else 0.0), closed, ill.more if ill else {})

    def _held(self, at: str, closed: set[str], ill: Ill) -> float:
        """What the gauge shows after five minutes with all outlets shut and the source off."""
        group = joined(self.plant.pieces, at, closed | {o.id for o in self.plant.outlets})
        rest = self.plant.rest * ill.rest
        if ill.leak is None or ill.leak not in group:
            return rest
        left = max(0.0, 1 - LEAK_FALL * len(self.plant.pieces) / max(1, len(group)))
        return rest * left**2

    def _flame(self, outlet: str, flow: float) -> str:
        should = self._flows(set(alone(self.plant, outlet)), None).flow[outlet]
        part = flow / should if should > 0 else 0.0
        return says("no-flame") if part < 0.02 else says("small-flame-yellow-at") if part < 0.75 else says("good-blue-flame")

    # --- what is done

    def do(self, act: RigAct) -> ActPart:
        """One act."""
        self.count += 1
        offer = next((x for x in self.offers() if x.act == act.act), None)
        if offer is None:
            raise BadInput("act", says("nothing-that-can-be-done", act=act.act))
        if offer.takes == "part" and act.a not in offer.of:
            raise BadInput("a", says("no-part-for", a=act.a, offer_title=offer.title))
        if offer.takes == "point" and act.a not in self.probed():
            raise BadInput("a", says("no-place-for-gauge", a=act.a))
        said, unsafe = {
            "outlet": self._toggle,
            "valve": self._toggle,
            "supply": self._supply,
            "measure": self._measure,
            "gauge": self._gauge,
            "hold": self._hold,
        }.get(act.act, self._look)(act)
        return ActPart(said=said, minutes=MINUTES[act.act], unsafe=unsafe)

    def _toggle(self, act: RigAct) -> tuple[str, str]:
        self.closed ^= {act.a}
        if act.a in self.closed:
            return "shut", ""
        return "open", self._lit() if act.act == "outlet" else ""

    def _lit(self) -> str:
        """Why a flame is unsafe now."""
        leaks = self.medium == "gas" and self.on and self.ill.leak is not None
        return says("flame-lit-while-gas") if leaks else ""

    def _supply(self, act: RigAct) -> tuple[str, str]:
        self.on = not self.on
        return ({True: "on", False: "off"} if self.medium == "water" else {True: "open", False: "shut"})[self.on], ""

    def _measure(self, act: RigAct) -> tuple[str, str]:
        closed = self.closed - {act.a}
        flow = self._flows(closed, self.ill).flow[act.a] if self.on else 0.0
        if self.medium == "gas":
            return self._flame(act.a, flow), self._lit()
        flow = max(0.0, flow * (1 + 0.03 * noise(self.seed, f"{self.count}")))
        return f"{flow:.1f} L/min" + (f", {SPITS}" if self.ill.sign == "stream" and flow > 0.1 else ""), ""

    def _gauge(self, act: RigAct) -> tuple[str, str]:
        flows = self._flows(self.closed, self.ill)
        p = flows.pressure[act.a] if self.on else 0.0
        if not self._reached(act.a):
            p = 0.0
        sd = 0.01 * self.plant.rest
        return f"{max(0.0, p + sd * noise(self.seed, f'{self.count}')):.{0 if self.medium == 'water' else 1}f} {self.plant.unit}", ""

    def _reached(self, at: str) -> bool:
        """Whether the source presses on a point."""
        x: Piece | None = self.by_id[at]
        while x is not None:
            if x.id in self.closed:
                return False
            x = self.by_id[x.parent] if x.parent else None
        return True

    def _hold(self, act: RigAct) -> tuple[str, str]:
        if any(o.id not in self.closed for o in self.plant.outlets):
            return says("outlet-open-gauge-at"), ""
        left = self._held(act.a, self.closed, self.ill)
        rest = self.plant.rest * self.ill.rest
        digits = 0 if self.medium == "water" else 1
        fell = says("fell-from-to", rest=f"{rest:.{digits}f}", left=f"{left:.{digits}f}", unit=self.plant.unit)
        return (fell if left < 0.98 * rest else says("stands-at", rest=f"{rest:.{digits}f}", unit=self.plant.unit)) + " in 5 min", ""

    def _look(self, act: RigAct) -> tuple[str, str]:
        sign, water = self.ill.sign, self.medium == "water"
        here = act.a == self.ill.hypothesis.element
        if act.act == "joints":
            if not water and not self.on:
                return says("no-bubbles-there-no"), ""
            return ("wet" if water else "bubbles") if sign == "joints" and here else ("dry" if water else says("no-bubbles")), ""
        if act.act == "sieve":
            under = self.on and self._reached(self.by_id[act.a].parent or act.a)
            unsafe = ("" if not under else says("water-stood-on-pump")) if water else ("" if not under else says("gas-stood-on-shut"))
            return "blocked" if sign == "sieve" and here else "clean", unsafe
        if act.act == "bowl":
            return says("full-dirt") if sign == "bowl" else "clean", says("pump-was-on-draws") if self.on else ""
        if act.act == "weigh":
            return says("tare-and") if sign == "weigh" else says("half-full"), ""
        if act.act == "reset":
            return says("all-flames-good-again") if sign == "reset" else says("as-before"), ""
        return says("nothing-to-see"), says("never-flame-to-look")

    # --- the best policy

    def tests(self) -> list[Seen]:
        """Jug or flame at each outlet, the gauge with one outlet open or none, holds with valves shut, and the looks."""
        return [*self._flow_tests(), *self._hold_tests(), *self._looks()]

    def _numeric(self, id: str, title: str, minutes: float, values: Mapping[str, float], sd: float, u: str) -> Seen:
        edges = gap_edges(list(values.values()), sd)
        return Seen(Test(id, minutes, predicted=dict(values), sd=sd, span=3 * max(1.0, self.plant.rest), edges=edges), title, u)

    def _flow_tests(self) -> list[Seen]:
        out: list[Seen] = []
        point_names = {n.id: n.name for n in self.nodes()}
        sd = 0.012 * self.plant.rest
        dead = {x.hypothesis.id: self._flows({o.id for o in self.plant.outlets}, x) for x in self.ills}
        first = self.probed()[0]
        rested = {k: f.pressure[first] for k, f in dead.items()}
        out.append(self._numeric(f"rest:{first}", says("gauge-behind-all-shut", point_names=point_names[first]), 2.0, rested, sd, self.plant.unit))
        for o in self.plant.outlets:
            made = {x.hypothesis.id: self._flows(alone(self.plant, o.id), x) for x in self.ills}
            flows = {k: f.flow[o.id] for k, f in made.items()}
            if self.medium == "water":
                out.append(self._numeric(f"jug:{o.id}", says("jug-and-clock", o_name=o.name), 2.0, flows, 0.03 * max(flows.values()) + 0.05, "L/min"))
            else:
                rows = {k: self._row(self._flame(o.id, q)) for k, q in flows.items()}
                out.append(Seen(Test(f"flame:{o.id}", 2.0, outcomes=tuple(FLAMES), rows=rows), says("flame", o_name=o.name)))
            for at in self.probed():
                values = {k: f.pressure[at] for k, f in made.items()}
                out.append(
                    self._numeric(
                        f"gauge:{at}:{o.id}",
                        says("gauge-behind-open", at_is=at == first, point_names=point_names[at], o_name=o.name, medium_water=self.medium == "water"),
                        2.5,
                        values,
                        sd,
                        self.plant.unit,
                    )
                )
        if self.medium == "gas":
            every = {x.hypothesis.id: self._flows(set(), x).pressure[first] for x in self.ills}
            out.append(self._numeric("all", says("gauge-behind-all-burning", point_names=point_names[first]), 3.5, every, sd, self.plant.unit))
        return out

    @staticmethod
    def _row(flame: str) -> dict[str, float]:
        return {f: SURE if f == flame else (1 - SURE) / (len(FLAMES) - 1) for f in FLAMES}

    def _hold_tests(self) -> list[Seen]:
        first = self.probed()[0]
        names = {n.id: n.name for n in self.nodes()}
        valves = [x for x in self.plant.pieces if x.valve and x.kind != "bottle"]
        ways: list[tuple[str, str, str, set[str]]] = [("all", says("hold-with-all-valves"), first, set())]
        for v in valves:
            ways.append((f"behind:{v.id}", says("hold-with-shut-gauge", valve=_valve(v), names=names[first]), first, {v.id}))
            behind = next((p for p in self.probed() if p != first and self._under(p, v.id)), None)
            if behind is not None:
                ways.append((f"past:{v.id}", says("hold-with-shut-gauge-at", valve=_valve(v), names=names[behind]), behind, {v.id}))
        out = []
        for id, title, at, closed in ways:
            fell = {x.hypothesis.id: self._held(at, closed, x) < 0.98 * self.plant.rest * x.rest for x in self.ills}
            rows = {k: {"stands": 1 - SURE if v else SURE, "falls": SURE if v else 1 - SURE} for k, v in fell.items()}
            out.append(Seen(Test(f"hold:{id}", 5.0 + 0.5 * len(closed), outcomes=("stands", "falls"), rows=rows), title))
        return out

    def _under(self, id: str, of: str) -> bool:
        x: Piece | None = self.by_id[id]
        while x is not None and x.id != of:
            x = self.by_id[x.parent] if x.parent else None
        return x is not None

    def _looks(self) -> list[Seen]:
        out: list[Seen] = []
        water = self.medium == "water"

        def put(id: str, title: str, minutes: float, good: str, bad: str, sign: str, element: str = "") -> None:
            rows = {}
            for x in self.ills:
                is_it = x.sign == sign and (not element or x.hypothesis.element == element)
                rows[x.hypothesis.id] = {good: 1 - SURE if is_it else SURE, bad: SURE if is_it else 1 - SURE}
            out.append(Seen(Test(id, minutes, outcomes=(good, bad), rows=rows), title))

        for x in self.plant.pieces:
            if x.kind == "pipe":
                put(f"joints:{x.id}", says("joints", x_name=x.name), 2.0, "dry" if water else says("no-bubbles"), "wet" if water else "bubbles", "joints", x.id)
            if x.kind in OUTLETS:
                put(f"sieve:{x.id}", f"{'sieve' if water else 'jet'}, {x.name}", 3.5, "clean", "blocked", "sieve", x.id)
        if any(x.kind == "strainer" for x in self.plant.pieces):
            put("bowl", says("strainer"), 4.5, "clean", says("full-dirt"), "bowl")
        if water:
            put("stream", says("stream-tap"), 2.0, "smooth", SPITS, "stream")
        else:
            put("weigh", says("bottle-on-scale"), 4.0, says("half-full"), "empty", "weigh")
            put("reset", says("all-shut-minute-opened"), 3.0, says("as-before"), says("good-again"), "reset")
        return out


def _valve(x: Piece) -> str:
    return says("pipe_rig", x_name=x.name) if x.kind == "valve" else says("valve", x_name=x.name)
