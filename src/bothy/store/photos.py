"""Repository of photographs: the only writer of their table. A photograph is stored once, however often it is taken down."""

from __future__ import annotations

import datetime as dt
import json
from collections.abc import Iterable

from sqlalchemy import Engine, delete, select
from sqlalchemy.dialects.mysql import insert
from sqlalchemy.orm import Session

from bothy.core.words.says import store_says as says
from bothy.store.projects import Missing
from bothy.store.tables import EvidenceRow, PhotoRow


class Photos:
    """Photographs on the database of an engine."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def put(self, sha256: str, data: bytes, thumb: bytes, width: int, height: int) -> None:
        """Keep a photograph; one that is there already stays as it is."""
        now = dt.datetime.now(dt.UTC).replace(tzinfo=None)
        with Session(self._engine) as s, s.begin():
            s.execute(insert(PhotoRow).values(sha256=sha256, data=data, thumb=thumb, width=width, height=height, created_at=now).prefix_with("ignore"))

    def purge(self, before: dt.datetime) -> int:
        """Delete photographs from before a time that no entry of any evidence names any more. How many went."""
        with Session(self._engine) as s, s.begin():
            payloads = s.scalars(select(EvidenceRow.payload).where(EvidenceRow.kind.in_(("photo", "paper")), EvidenceRow.payload.is_not(None)))
            named = {h for p in payloads if p for h in (json.loads(p).get("sha256"), json.loads(p).get("signature")) if h}
            old = s.scalars(select(PhotoRow.sha256).where(PhotoRow.created_at < before)).all()
            gone = [x for x in old if x not in named]
            for x in gone:
                s.execute(delete(PhotoRow).where(PhotoRow.sha256 == x))
            return len(gone)

    def get(self, sha256: str, thumb: bool = False) -> bytes:
        """The bytes of a photograph, or of its thumbnail. Raises :class:`Missing`."""
        with Session(self._engine) as s:
            found = s.execute(select(PhotoRow.thumb if thumb else PhotoRow.data).where(PhotoRow.sha256 == sha256)).scalar_one_or_none()
        if found is None:
            raise Missing(says("there-no-photograph", sha256=sha256[:12]))
        return bytes(found)

    def thumbs(self, hashes: Iterable[str]) -> dict[str, bytes]:
        """Thumbnails by hash; what is lost is left out."""
        wanted = list(dict.fromkeys(hashes))
        with Session(self._engine) as s:
            return {k: bytes(v) for k, v in s.execute(select(PhotoRow.sha256, PhotoRow.thumb).where(PhotoRow.sha256.in_(wanted)))} if wanted else {}
