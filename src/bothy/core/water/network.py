"""The pressure side as a tree of runs: flow and pressure at every outlet for any set open (method water.taps, for a tree).

Unknown are the flows at the open outlets. Each must be what the pump's pressure leaves after every run on its
way: a Newton iteration with an exact Jacobian, its step halved until the error falls; an outlet that would
flow backwards is shut and opened again when it would flow.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from bothy.core.constants import G
from bothy.core.fluid import LAMINAR, SMOOTH_MM, TURBULENT, area_m2
from bothy.core.water.pipe import PumpPoint, pump_kpa
from bothy.core.water.properties import density, viscosity

TURNS, HALVES, ENOUGH = 60, 24, 1e-8
SHUT = 1e-6
"""L/min at and under which an outlet counts as shut."""
Array = np.ndarray


@dataclass(frozen=True, slots=True)
class Run:
    """A run: bore in mm, length in m, Σ of local losses, rise in m; with an outlet, its rated flow in L/min at rated kPa."""

    id: str
    parent: str | None
    bore_mm: float
    length_m: float
    k: float
    rise_m: float
    rated_l_min: float | None = None
    rated_kpa: float = 30.0


@dataclass
class Solved:
    """Flow of each run in L/min, gauge pressure at its end and its velocity in m/s; at the pump, flow and pressure."""

    flow_l_min: dict[str, float]
    end_kpa: dict[str, float]
    velocity_m_s: dict[str, float]
    total_l_min: float
    pump_kpa: float


class Tree:
    """The runs in the order of the tree, with the path of each."""

    def __init__(self, runs: Sequence[Run]) -> None:
        self.runs = {r.id: r for r in runs}
        self.paths: dict[str, list[str]] = {}
        for r in runs:
            path, at = [r.id], r
            while at.parent is not None:
                at = self.runs[at.parent]
                path.append(at.id)
            self.paths[r.id] = path[::-1]

    def solve(self, points: Sequence[PumpPoint], open_: Sequence[str], filter_kpa_per_l_min: float = 0.0, lift_m: float = 0.0, temp_c: float = 15.0) -> Solved:
        """Flows with a set of outlets open; ``lift_m`` is from the tank's level to the pump."""
        rho, mu = density(temp_c), viscosity(temp_c)
        outs = [o for o in open_ if self.runs[o].rated_l_min is not None]
        index = {r: i for i, r in enumerate(self.runs)}
        on = np.zeros((len(outs), len(index)))
        for i, o in enumerate(outs):
            on[i, [index[r] for r in self.paths[o]]] = 1.0
        rated = np.array([self.runs[o].rated_l_min or 1.0 for o in outs])
        rated_kpa = np.array([self.runs[o].rated_kpa for o in outs])
        static = rho * G / 1000 * (on @ np.array([r.rise_m for r in self.runs.values()]) + lift_m)
        last = points[-1].flow_l_min

        bore = np.array([r.bore_mm for r in self.runs.values()])
        losses_of = _Losses(bore, np.array([r.length_m for r in self.runs.values()]), np.array([r.k for r in self.runs.values()]), rho, mu)

        def short(q: Array) -> Array:
            """Pressure left at each outlet, kPa."""
            total = float(q.sum())
            head = pump_kpa(points, total) if total <= last else _slope(points, total) * (total - last)
            return np.asarray(head - filter_kpa_per_l_min * total - on @ losses_of(on.T @ q) - static - rated_kpa * (q / rated) ** 2)

        q = np.full(len(outs), min(0.5 * last / max(1, len(outs)), float(rated.min(initial=last))))
        f = short(q)
        for _ in range(TURNS):
            act = ~((q <= SHUT) & (f < 0))  # an outlet that would flow backwards stays shut
            if not act.any() or float(np.abs(f[act]).max()) < ENOUGH:
                break
            flows = on.T @ q
            step = np.maximum(flows * 1e-6, 1e-7)
            slope = (losses_of(flows + step) - losses_of(flows)) / step
            jac = -(on * slope) @ on.T + _slope(points, float(q.sum())) - filter_kpa_per_l_min - np.diag(2 * rated_kpa * q / rated**2)
            ids = np.flatnonzero(act)
            move = np.zeros_like(q)
            move[ids] = np.linalg.solve(jac[np.ix_(ids, ids)] - 1e-9 * np.eye(len(ids)), -f[ids])
            share, now = 1.0, float(np.linalg.norm(f[act]))
            for _ in range(HALVES):
                trial = np.maximum(q + share * move, SHUT)
                g = short(trial)
                still = act & ~((trial <= SHUT) & (g < 0))
                if float(np.linalg.norm(g[still])) < now:
                    break
                share /= 2
            q, f = trial, g
        q = np.where(q <= SHUT, 0.0, q)
        flows = on.T @ q
        total = float(q.sum())
        p = pump_kpa(points, total) if len(outs) else points[0].pressure_kpa
        losses = losses_of(flows)
        start = p - filter_kpa_per_l_min * total - rho * G / 1000 * lift_m
        ends = {}
        for r in self.runs.values():
            ends[r.id] = start - sum(losses[index[x]] + rho * G / 1000 * self.runs[x].rise_m for x in self.paths[r.id])
        return Solved(
            flow_l_min={k: float(flows[i]) for k, i in index.items()},
            end_kpa=ends,
            velocity_m_s={k: float(flows[i]) / 60000 / area_m2(self.runs[k].bore_mm) for k, i in index.items()},
            total_l_min=total,
            pump_kpa=p,
        )


class _Losses:
    """Friction and fittings of all runs at once, kPa; the same law as :func:`bothy.core.fluid.loss_pa`."""

    def __init__(self, bore_mm: Array, length_m: Array, k: Array, rho: float, mu: float) -> None:
        self.d = bore_mm / 1000
        self.per_l_min = 1 / 60000 / (np.pi * self.d**2 / 4)
        self.reynolds = rho * self.d / mu
        self.over_d, self.k, self.half_rho = length_m / self.d, k, rho / 2000
        self.rough = SMOOTH_MM / bore_mm / 3.7

    def __call__(self, flow_l_min: Array) -> Array:
        v = np.maximum(flow_l_min, 0.0) * self.per_l_min
        re = np.maximum(v * self.reynolds, 1e-9)
        high = 0.25 / np.log10(self.rough + 5.74 / np.maximum(re, TURBULENT) ** 0.9) ** 2
        low = 64 / LAMINAR
        between = low + (high - low) * (re - LAMINAR) / (TURBULENT - LAMINAR)
        f = np.where(re <= LAMINAR, 64 / re, np.where(re >= TURBULENT, high, between))
        return np.asarray((f * self.over_d + self.k) * self.half_rho * v * v)


def _slope(points: Sequence[PumpPoint], flow: float) -> float:
    """kPa for a L/min more, on the pump's curve; beyond its end as on its last piece."""
    for a, b in pairwise(points):
        if flow < b.flow_l_min:
            return (b.pressure_kpa - a.pressure_kpa) / (b.flow_l_min - a.flow_l_min)
    a, b = points[-2], points[-1]
    return (b.pressure_kpa - a.pressure_kpa) / (b.flow_l_min - a.flow_l_min)
