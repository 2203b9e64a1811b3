"""Build as it is shown: tasks with their dates and reasons, gates, shopping, log, pace and money."""

from __future__ import annotations

from pydantic import BaseModel

from bothy.core.finding import Finding


class ItemPart(BaseModel):
    """One of the things that a task does, ticked or not."""

    id: str
    name: str
    done: bool


class TaskPart(BaseModel):
    """A task: hours of the team (likely, and as planned at the pace), what is done of it, its days and why; pieces as [from, to] in local time."""

    id: str
    name: str
    phase: str
    service: str
    zone: str
    licence: str
    people: int
    likely_h: float
    hours: float
    spent_h: float
    done: float
    state: str
    start: str | None
    end: str | None
    ready: str | None
    pieces: list[list[str]]
    reasons: list[str]
    ask: str
    critical: bool
    pinned: str | None
    waits: list[str]
    hard: list[str]
    cure: str | None
    outdoor: bool
    conditions: str
    tools: list[str]
    parts: list[str]
    ppe: list[str]
    record: str
    note: str
    impossible: str
    items: list[ItemPart]


class TodayPart(BaseModel):
    """What can be done on the day: task ids in the order of urgency, with what each still lacks; hours that are there, and the weather of the day."""

    day: str
    hours: float
    people: int
    weather: str
    tasks: list[str]
    lacks: dict[str, list[str]]


class BehindPart(BaseModel):
    """A thing behind a surface with its evidence, and what is missing."""

    id: str
    name: str
    kind: str
    layer: int
    done: bool
    tested: bool
    labelled: bool
    photo: bool
    waived: str
    missing: list[str]
    severity: str
    wants: list[bool]


class GatePart(BaseModel):
    """A surface that is closed: by which tasks, what is behind it, whether it may be closed, and whether it is."""

    zone: str
    name: str
    wall: str | None
    closes: list[str]
    verdict: str
    blocking: int
    items: list[BehindPart]
    closed_on: str | None
    closed_by: str


class CutPiece(BaseModel):
    """A piece to be cut in one: what it is for."""

    of: str
    length_m: float


class CutFrom(BaseModel):
    """A length that pieces are cut from: ``source`` offcut (with its id in the stock and where it lies), pack, or reel. ``keep``: what is left is worth it."""

    source: str
    stock: str
    place: str
    length_m: float
    pieces: list[CutPiece]
    left_m: float
    keep: bool


class QuotePart(BaseModel):
    """What a supplier asks; ``holds``: still on the day."""

    supplier: str
    price: float
    lead_days: int | None
    until: str
    holds: bool


class BuyPart(BaseModel):
    """A line of the shopping list; price in the region's money (None: not known): as it was paid, else as it is quoted, else ``guide``, about what it costs.
    ``in_stock``: how much of the amount needn't be bought."""

    key: str
    name: str
    service: str
    amount: float
    unit: str
    packs: str
    price: float | None
    guide: float | None
    quote: QuotePart | None
    of: list[str]
    task: str | None
    need_by: str | None
    order_by: str | None
    days_left: int | None
    urgency: str
    status: str
    bench: bool
    in_stock: float
    return_by: str | None
    warranty_until: str | None
    joined: bool
    """A piece of it is longer than any length that is sold."""
    cuts: list[CutFrom]


class PacePart(BaseModel):
    factor: float
    low: float
    high: float
    logs: int
    weight: float


class MoneyRow(BaseModel):
    """Money of a service; ``forecast``: spent, ordered and what is open with 15 % on top; ``budget``: None where none was set."""

    service: str
    budget: float | None
    forecast: float
    planned: float
    ordered: float
    spent: float
    open: float


class MoneyPart(BaseModel):
    rows: list[MoneyRow]
    planned: float
    ordered: float
    spent: float
    forecast: float
    budget: float | None
    unknown: int


class CurvePart(BaseModel):
    """Hours by day: planned, earned by what is done, and spent."""

    days: list[str]
    planned: list[float]
    earned: list[float]
    spent: list[float]


class SchoolPart(BaseModel):
    """The other school of a setting beside the chosen one: hours and days more (negative: fewer)."""

    setting: str
    other: str
    hours: float
    days: float


class MonthSky(BaseModel):
    """Usual weather of a month at the place of the build."""

    month: int
    low_c: float
    high_c: float
    rain_days: float


class ThenPart(BaseModel):
    """The plan that was kept to compare with: when, its end, and the days that the end moved since (more: later)."""

    day: str
    end: str | None
    days: float | None
    tasks: dict[str, list[str]]


class BuildPart(BaseModel):
    """All of Build on a day."""

    begun: bool
    today: str
    start: str
    end: str | None
    bound: str | None
    work_h: float
    done_h: float
    tasks: list[TaskPart]
    now: TodayPart
    gates: list[GatePart]
    shopping: list[BuyPart]
    pace: PacePart
    money: MoneyPart
    curve: CurvePart
    sky: list[MonthSky]
    padded: bool
    baseline: ThenPart | None
    ordered: bool
    asks: list[str]
    strays: list[str]
    findings: list[Finding]


class FanPart(BaseModel):
    """The finish by simulation with people: days by which it is done in so many of 100 runs, the chance of the deadline, and how often each task governed.
    ``reserve_days``: from an even chance to four in five, what is kept free at the end."""

    runs: int
    p10: str | None
    p50: str | None
    p80: str | None
    p95: str | None
    reserve_days: float
    chance: float | None
    late: dict[str, float]
