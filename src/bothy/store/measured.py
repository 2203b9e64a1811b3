"""Repository of measured logs: the only writer of their table."""

from __future__ import annotations

import datetime as dt
import uuid
from typing import Any

import numpy as np
import orjson
from sqlalchemy import Engine, delete
from sqlalchemy.orm import Session

from bothy.core.trips.measured import Log
from bothy.core.words.says import store_says as says
from bothy.store.projects import Missing
from bothy.store.tables import Measured, Variant

LANES = ("volts", "soc", "load_w", "solar_w", "cabin_c")


def _plain(log: Log) -> str:
    lanes: dict[str, Any] = {k: [None if np.isnan(v) else round(float(v), 4) for v in getattr(log, k)] for k in LANES}
    return orjson.dumps({"start": log.start.isoformat(), "simulated": log.simulated, **lanes}).decode()


class MeasuredLogs:
    """Logs on the database of an engine."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def put(self, variant: uuid.UUID, name: str, log: Log) -> None:
        """Keep a log, in place of the one that was there. Raises :class:`Missing` when there is no such variant."""
        with Session(self._engine) as s, s.begin():
            if s.get(Variant, variant) is None:
                raise Missing(says("there-no-variant", variant=variant))
            s.execute(delete(Measured).where(Measured.variant_id == variant))
            s.add(Measured(variant_id=variant, name=name, data=_plain(log), created_at=dt.datetime.now(dt.UTC).replace(tzinfo=None)))

    def get(self, variant: uuid.UUID) -> tuple[str, Log] | None:
        """Name and log of a variant."""
        with Session(self._engine) as s:
            row = s.get(Measured, variant)
            if row is None:
                return None
            data = orjson.loads(row.data)
            lanes = {k: np.array([np.nan if v is None else v for v in data[k]], dtype=float) for k in LANES}
            return row.name, Log(dt.datetime.fromisoformat(data["start"]), **lanes, simulated=bool(data.get("simulated")))

    def drop(self, variant: uuid.UUID) -> None:
        """Forget the log of a variant."""
        with Session(self._engine) as s, s.begin():
            s.execute(delete(Measured).where(Measured.variant_id == variant))
