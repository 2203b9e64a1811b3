"""What devices said, as a table: a line for each quantity and span."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable

from bothy.core.live.kept import Kept

HEADINGS = ("utc", "seconds", "device", "kind", "quantity", "mean", "least", "greatest", "values", "simulated")


def write(rows: Iterable[Kept]) -> str:
    """The table as CSV, times in UTC."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\n")
    table.writerow(HEADINGS)
    for k in rows:
        at = k.at.isoformat() + "Z"
        table.writerow([at, k.span_s, k.device, k.kind, k.key, f"{k.mean:.6g}", f"{k.low:.6g}", f"{k.high:.6g}", k.value_count, "yes" if k.simulated else "no"])
    return out.getvalue()
