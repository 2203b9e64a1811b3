"""The direct-current network, solved for its node voltages (method wiring.network)."""

from __future__ import annotations

from collections import deque
from collections.abc import Iterable, Sequence
from typing import Any, ClassVar, Literal, NamedTuple, Self

import numpy as np
from pydantic import Field, model_validator
from scipy.sparse import csc_array
from scipy.sparse.linalg import splu

from bothy.core.contract import EPS, Contract, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method
from bothy.core.wiring.conductors import Awg, row_of, warm_resistance
from bothy.core.wiring.drop import cable_heat, drop_fraction, load_voltage
from bothy.core.words.says import wiring_says as says

REF = "ref"
LEAST_MOHM = 0.001
MOST_STEPS = 1000
STILL_V = 1e-9
NodeName = str
Code = Literal["over_ampacity", "fuse_over_rating", "fuse_margin", "fuse_above_ampacity", "load_undervoltage", "drop_over_limit", "voltage_collapse"]


class NetworkSource(Contract):
    node: str = Field(min_length=1, max_length=200)
    voltage_v: float = Field(gt=0, le=1000)
    resistance_mohm: float = Field(0, ge=0, le=1e5)


class NetworkBranch(Contract):
    id: str = Field(min_length=1, max_length=200)
    from_: str = Field(alias="from", min_length=1, max_length=200)
    to: str = Field(min_length=1, max_length=200)
    resistance_mohm: float | None = Field(None, ge=0, le=1e5)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    tinned: bool = False
    length_m: float | None = Field(None, ge=0, le=1000)
    conductors_count: Whole = Field(2, ge=1, le=2)
    extra_resistance_mohm: float = Field(0, ge=0, le=1e5)
    conductor_temp_c: float | None = Field(None, ge=-40, le=200)
    fuse_a: float | None = Field(None, gt=0, le=5000)
    ampacity_a: float | None = Field(None, gt=0, le=5000)
    closed: bool = True

    @model_validator(mode="after")
    def _resistance(self) -> Self:
        if self.area_mm2 is not None and self.awg is not None:
            raise wrong("awg", says("give-area-or-awg"))
        sized = self.area_mm2 is not None or self.awg is not None
        if self.resistance_mohm is None and not (sized and self.length_m is not None):
            raise wrong("resistance_mohm", says("required-or-size-area"))
        if self.from_ == self.to:
            raise wrong("to", says("must-be-another-node", from_=self.from_))
        return self

    def mohm(self, temp_c: float) -> float:
        """Resistance in mΩ with what else is in the way: given, or of its cable."""
        if self.resistance_mohm is not None:
            return max(LEAST_MOHM, self.resistance_mohm + self.extra_resistance_mohm)
        _, row = row_of(self.area_mm2, self.awg)
        t = self.conductor_temp_c if self.conductor_temp_c is not None else temp_c
        r = warm_resistance.raw(row.tinned if self.tinned else row.plain, t)
        return max(LEAST_MOHM, r * (self.length_m or 0.0) * self.conductors_count + self.extra_resistance_mohm)


class NetworkLoad(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("power_w", "current_a", "resistance_mohm"),)
    id: str = Field(min_length=1, max_length=200)
    node: str = Field(min_length=1, max_length=200)
    return_node: str = Field(REF, min_length=1, max_length=200)
    power_w: float | None = Field(None, ge=0, le=1e6)
    current_a: float | None = Field(None, ge=-5000, le=5000)
    resistance_mohm: float | None = Field(None, gt=0, le=1e9)
    min_voltage_v: float | None = Field(None, ge=0, le=1000)
    max_drop_frac: float | None = Field(None, gt=0, le=0.5)

    @model_validator(mode="after")
    def _kind(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        return self


class DcNetworkIn(Contract):
    nominal_voltage_v: float = Field(12, gt=0, le=1000)
    conductor_temp_c: float = Field(60, ge=-40, le=200)
    max_drop_frac: float | None = Field(None, gt=0, le=0.5)
    sources: list[NetworkSource] = Field(min_length=1, max_length=1000)
    branches: list[NetworkBranch] = Field([], max_length=20000)
    loads: list[NetworkLoad] = Field([], max_length=20000)

    @model_validator(mode="after")
    def _graph(self) -> Self:
        unique_ids(b.id for b in self.branches)
        unique_ids(x.id for x in self.loads)
        at: set[str] = set()
        for s in self.sources:
            if s.node == REF or s.node in at:
                raise wrong("node", says("negative-post-source-stands", node=s.node, node_is=s.node == REF))
            at.add(s.node)
        known = set(nodes_of(self.sources, self.branches)) | {REF}
        for load in self.loads:
            for key, node in (("node", load.node), ("return_node", load.return_node)):
                if node not in known:
                    raise wrong(key, says("load-which-no-source", load_id=load.id, node=node))
        apart = known - reached(self.sources, [(b.from_, b.to) for b in self.branches])
        if apart:
            raise wrong("branches", says("no-source-can-reach", apart=", ".join(sorted(apart))))
        return self


class Violation(Outcome):
    code: Code
    subject: str


class DcNetworkOut(Outcome):
    converged: bool
    iteration_count: int
    node_voltage_v: dict[str, float]
    branch_current_a: dict[str, float]
    branch_drop_v: dict[str, float]
    branch_heat_w: dict[str, float]
    load_voltage_v: dict[str, float]
    load_current_a: dict[str, float]
    load_drop_frac: dict[str, float | None]
    source_current_a: dict[str, float]
    total_loss_w: float | None
    dead_nodes: list[str]
    violations: list[Violation]


@formula(says("voltage-lost-branch"), "I·R/1000", unit="V", source=Method("wiring.network", "Ohm; the current is the solved one"))
def branch_drop(current_a: float, resistance_mohm: float) -> float:
    return current_a * resistance_mohm / 1000


def nodes_of(sources: Iterable[NetworkSource], branches: Iterable[NetworkBranch]) -> list[NodeName]:
    """Node names without ref, in order of first mention: sources, then branches."""
    seen = dict.fromkeys(s.node for s in sources)
    for b in branches:
        seen.setdefault(b.from_)
        seen.setdefault(b.to)
    seen.pop(REF, None)
    return list(seen)


def reached(sources: Iterable[NetworkSource], ways: Iterable[tuple[NodeName, NodeName]]) -> set[NodeName]:
    """Nodes joined to ref through sources and the given ways, with ref."""
    beside: dict[str, list[str]] = {}
    for a, b in [*((REF, s.node) for s in sources), *ways]:
        beside.setdefault(a, []).append(b)
        beside.setdefault(b, []).append(a)
    found, todo = {REF}, deque([REF])
    while todo:
        for n in beside.get(todo.popleft(), []):
            if n not in found:
                found.add(n)
                todo.append(n)
    return found


class _Solved(NamedTuple):
    """Voltages by node (ref and dead nodes at 0), currents by load, steps taken; voltages None on collapse."""

    volts: dict[NodeName, float] | None
    load_a: dict[str, float]
    steps: int


def _solve(inp: DcNetworkIn, live: Sequence[NodeName], mohm: dict[str, float]) -> _Solved:
    """Fixed point from the unloaded network downwards: every step takes the load currents at the voltages before it."""
    index = {n: i for i, n in enumerate(live)}
    index[REF] = n = len(live)  # the row and column of ref are dropped at the end
    rows: list[int] = []
    cols: list[int] = []
    vals: list[float] = []

    def stamp(a: int, b: int, siemens: float) -> None:
        rows.extend((a, b, a, b))
        cols.extend((a, b, b, a))
        vals.extend((siemens, siemens, -siemens, -siemens))

    fed = np.zeros(n + 1)
    for s in inp.sources:
        g = 1000 / max(LEAST_MOHM, s.resistance_mohm)
        stamp(index[s.node], n, g)
        fed[index[s.node]] += s.voltage_v * g
    for b in inp.branches:
        if b.closed and b.from_ in index and b.to in index:
            stamp(index[b.from_], index[b.to], 1000 / mohm[b.id])
    active = [x for x in inp.loads if x.node in index and x.return_node in index]
    for x in active:
        if x.resistance_mohm is not None:
            stamp(index[x.node], index[x.return_node], 1000 / x.resistance_mohm)
    full = csc_array((vals, (rows, cols)), shape=(n + 1, n + 1))
    factored = splu(full[:n, :n].tocsc())
    drawing = [x for x in active if x.resistance_mohm is None]
    at = np.array([index[x.node] for x in drawing], dtype=int)
    back = np.array([index[x.return_node] for x in drawing], dtype=int)
    watts = np.array([x.power_w or 0.0 for x in drawing])
    steady = np.array([x.current_a or 0.0 for x in drawing])

    def volts_with(amps: Any) -> Any:
        j = fed.copy()
        np.subtract.at(j, at, amps)
        np.add.at(j, back, amps)
        return np.append(factored.solve(j[:n]), 0.0)

    volts = volts_with(np.zeros(len(drawing)))
    for step in range(1, MOST_STEPS + 1):
        across = volts[at] - volts[back]
        if np.any((watts > 0) & (across <= 0)):
            return _Solved(None, {}, step)
        amps = steady + np.divide(watts, across, out=np.zeros_like(watts), where=watts > 0)
        new = volts_with(amps)
        moved = float(np.max(np.abs(new - volts)))
        volts = new
        if moved < STILL_V:
            break
    else:
        return _Solved(None, {}, MOST_STEPS)
    out = {x: float(volts[i]) for x, i in index.items()}
    load_a = dict(zip((x.id for x in drawing), (float(a) for a in amps), strict=True))
    for x in active:
        v = out[x.node] - out[x.return_node]
        if x.resistance_mohm is not None:
            load_a[x.id] = 1000 * v / x.resistance_mohm
        if v <= 0 and (x.resistance_mohm is not None or (x.current_a or 0) > 0):
            return _Solved(None, {}, step)
    return _Solved(out, load_a, step)


def _branch_violations(b: NetworkBranch, current_a: float) -> list[Code]:
    amps = abs(current_a)
    out: list[Code] = []
    if b.ampacity_a is not None and amps > b.ampacity_a + EPS:
        out.append("over_ampacity")
    if b.fuse_a is not None:
        if amps > b.fuse_a + EPS:
            out.append("fuse_over_rating")
        elif 1.25 * amps > b.fuse_a + EPS:
            out.append("fuse_margin")
        if b.ampacity_a is not None and b.fuse_a > b.ampacity_a + EPS:
            out.append("fuse_above_ampacity")
    return out


def _load_violations(inp: DcNetworkIn, x: NetworkLoad, volts: float, drop_frac: float) -> list[Code]:
    out: list[Code] = []
    if x.min_voltage_v is not None and volts < x.min_voltage_v - EPS:
        out.append("load_undervoltage")
    limit = x.max_drop_frac if x.max_drop_frac is not None else inp.max_drop_frac
    if limit is not None and drop_frac > limit + EPS:
        out.append("drop_over_limit")
    return out


class State(NamedTuple):
    """A network solved: its branches' resistances in mΩ, the nodes that ref reaches as switched, and the solution."""

    mohm: dict[str, float]
    joined: set[NodeName]
    names: list[NodeName]
    solved: _Solved

    @property
    def converged(self) -> bool:
        """False when no voltage satisfies the network."""
        return self.solved.volts is not None

    def volts(self, node: NodeName) -> float:
        """Voltage of a node in V; 0 for ref and for dead nodes."""
        return (self.solved.volts or {}).get(node, 0.0)

    def node_figure(self, node: NodeName) -> Figure:
        """Voltage of a node as a figure."""
        return given("node_voltage_v", self.volts(node), "computed", says("solved-with-all-other"), source=Method("wiring.network"))

    def current(self, b: NetworkBranch) -> Figure:
        """Current of a branch in A, positive from→to."""
        on = b.closed and b.from_ in self.joined and b.to in self.joined
        a, z, r = self.volts(b.from_), self.volts(b.to), self.mohm[b.id]
        return derived(
            "current_a",
            "(V_from − V_to)/R",
            1000 * (a - z) / r if on else 0.0,
            Method("wiring.network", "all nodes solved at once"),
            from_voltage_v=a,
            to_voltage_v=z,
            resistance_mohm=r,
        )

    def loss(self, heat: dict[str, Figure]) -> Figure:
        """Heat of all branches in W."""
        return derived(
            "total_loss_w", "Σ I²·R of the branches", sum(f.value for f in heat.values()), Method("wiring.network", "not inside the sources"), **heat
        )


def solve(inp: DcNetworkIn) -> State:
    """Solve a network; see :func:`dc_network`."""
    names = nodes_of(inp.sources, inp.branches)
    joined = reached(inp.sources, [(b.from_, b.to) for b in inp.branches if b.closed])
    mohm = {b.id: b.mohm(inp.conductor_temp_c) for b in inp.branches}
    return State(mohm, joined, names, _solve(inp, [n for n in names if n in joined], mohm))


def dc_network(inp: DcNetworkIn, sources: dict[str, Figure] | None = None) -> DcNetworkOut:
    """Voltages, currents, losses and violations of a network at one moment. Method: wiring.network.

    ``branches`` are resistors between named nodes, ``ref`` is the battery's negative post; currents in A are positive from→to.
    A network that no voltage can satisfy is not an error: ``converged`` is false and the one violation says ``voltage_collapse``.
    """
    state = solve(inp)
    names, joined, mohm, solved = state.names, state.joined, state.mohm, state.solved
    steps = derived("iteration_count", says("steps-until-no-voltage"), solved.steps, Method("wiring.network"))
    if solved.volts is None:
        return DcNetworkOut.of(
            converged=False,
            iteration_count=steps,
            node_voltage_v={},
            branch_current_a={},
            branch_drop_v={},
            branch_heat_w={},
            load_voltage_v={},
            load_current_a={},
            load_drop_frac={},
            source_current_a={},
            total_loss_w=None,
            dead_nodes=[],
            violations=[Violation.of(code="voltage_collapse", subject="network")],
        )
    v = {**dict.fromkeys(names, 0.0), **solved.volts}
    amps: dict[str, Figure] = {}
    drops: dict[str, Figure] = {}
    heat: dict[str, Figure] = {}
    violations: list[tuple[Code, str]] = []
    for b in inp.branches:
        amps[b.id] = state.current(b)
        drops[b.id] = branch_drop(amps[b.id], mohm[b.id])
        heat[b.id] = cable_heat(amps[b.id], mohm[b.id])
        violations += [(code, b.id) for code in _branch_violations(b, amps[b.id].value)]
    top = max(v[s.node] for s in inp.sources)
    load_v: dict[str, Figure] = {}
    load_a = {
        x.id: given("load_current_a", solved.load_a.get(x.id, 0.0), "computed", says("or-as-given-at"), source=Method("wiring.network")) for x in inp.loads
    }
    load_drop: dict[str, Figure | None] = {}
    for x in inp.loads:
        if x.id not in solved.load_a:
            load_v[x.id], load_drop[x.id] = given("load_voltage_v", 0.0, "computed", says("no-source-reaches-as"), source=Method("wiring.network")), None
            continue
        across = load_voltage(v[x.node], v[x.return_node])
        load_v[x.id] = across
        load_drop[x.id] = part = drop_fraction(
            derived(
                "drop_v",
                "V_source − V_load",
                top - across.value,
                Method("wiring.network", "from the source's own terminals"),
                source_voltage_v=top,
                load_voltage_v=across,
            ),
            inp.nominal_voltage_v,
        )
        violations += [(code, x.id) for code in _load_violations(inp, x, across.value, part.value)]
    return DcNetworkOut.of(
        converged=True,
        iteration_count=steps,
        node_voltage_v={n: state.node_figure(n) for n in names},
        branch_current_a=amps,
        branch_drop_v=drops,
        branch_heat_w=heat,
        load_voltage_v=load_v,
        load_current_a=load_a,
        load_drop_frac=load_drop,
        source_current_a={
            s.node: derived(
                "source_current_a",
                "(E − V)/R",
                1000 * (s.voltage_v - v[s.node]) / max(LEAST_MOHM, s.resistance_mohm),
                Method("wiring.network", "positive: it delivers"),
                voltage_v=s.voltage_v,
                node_voltage_v=v[s.node],
                resistance_mohm=s.resistance_mohm,
            )
            for s in inp.sources
        },
        total_loss_w=state.loss(heat),
        dead_nodes=[n for n in names if n not in joined],
        violations=[Violation.of(code=c, subject=s) for c, s in violations],
    )
