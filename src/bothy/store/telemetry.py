"""Repository of what devices said: the only writer of its tables. By the minute for two weeks, by the hour for three years."""

from __future__ import annotations

import datetime as dt
import uuid
from collections.abc import Sequence

from sqlalchemy import Engine, delete, select
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from bothy.core.live.kept import HOUR_S, MINUTE_S, Kept, hours_of
from bothy.core.words.says import store_says as says
from bothy.store.projects import Missing
from bothy.store.tables import Listening, TelemetryRow, Variant

MINUTES_DAYS, HOURS_DAYS = 14, 3 * 366
BATCH = 1000


def _row(variant: uuid.UUID, k: Kept) -> dict[str, object]:
    return {"variant_id": variant, **k._asdict()}


class Telemetry:
    """What devices said, on the database of an engine."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def put(self, variant: uuid.UUID, rows: Sequence[Kept]) -> None:
        """Keep spans; one that is there already stays."""
        with Session(self._engine) as s, s.begin():
            if s.get(Variant, variant) is None:
                raise Missing(says("there-no-variant", variant=variant))
            for i in range(0, len(rows), BATCH):
                s.execute(insert(TelemetryRow).prefix_with("ignore"), [_row(variant, k) for k in rows[i : i + BATCH]])

    def get(self, variant: uuid.UUID, since: dt.datetime | None = None) -> list[Kept]:
        """What was kept of a variant since a time (UTC, without zone), in the order of time."""
        columns = [getattr(TelemetryRow, f) for f in Kept._fields]
        wanted = select(*columns).where(TelemetryRow.variant_id == variant).order_by(TelemetryRow.at, TelemetryRow.device, TelemetryRow.key)
        if since is not None:
            wanted = wanted.where(TelemetryRow.at >= since)
        with Session(self._engine) as s:
            return [Kept(*r) for r in s.execute(wanted)]

    def drop(self, variant: uuid.UUID) -> None:
        """Forget what was kept of a variant."""
        with Session(self._engine) as s, s.begin():
            s.execute(delete(TelemetryRow).where(TelemetryRow.variant_id == variant))

    def thin(self, now: dt.datetime) -> tuple[int, int]:
        """Make hours of the minutes that are older than two weeks, whole hours alone, and delete hours after three years. How many minutes and hours went."""
        old = (now - dt.timedelta(days=MINUTES_DAYS)).replace(minute=0, second=0, microsecond=0)
        gone = 0
        with Session(self._engine) as s, s.begin():
            aged = (TelemetryRow.span_s == MINUTE_S, TelemetryRow.at < old)
            for variant in s.scalars(select(TelemetryRow.variant_id).where(*aged).distinct()).all():
                columns = [getattr(TelemetryRow, f) for f in Kept._fields]
                minutes = [Kept(*r) for r in s.execute(select(*columns).where(TelemetryRow.variant_id == variant, *aged))]
                made = [_row(variant, k) for k in hours_of(minutes)]
                for i in range(0, len(made), BATCH):
                    s.execute(insert(TelemetryRow).prefix_with("ignore"), made[i : i + BATCH])
                gone += len(minutes)
            s.execute(delete(TelemetryRow).where(*aged))
            ended = s.execute(delete(TelemetryRow).where(TelemetryRow.span_s == HOUR_S, TelemetryRow.at < now - dt.timedelta(days=HOURS_DAYS)))
        return gone, int(getattr(ended, "rowcount", 0))

    def listen(self, variant: uuid.UUID, on: bool) -> None:
        """Say whether the devices of a variant are listened to although nobody looks."""
        with Session(self._engine) as s, s.begin():
            if s.get(Variant, variant) is None:
                raise Missing(says("there-no-variant", variant=variant))
            s.execute(delete(Listening).where(Listening.variant_id == variant))
            if on:
                s.add(Listening(variant_id=variant))

    def listening(self) -> list[uuid.UUID]:
        """The variants whose devices are listened to all the time."""
        with Session(self._engine) as s:
            return list(s.scalars(select(Listening.variant_id)))
