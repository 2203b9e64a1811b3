"""Build as files: the shopping list as CSV and XLSX, the plan as CSV and as an iCalendar."""

from __future__ import annotations

import csv
import io
from collections.abc import Callable, Sequence

from bothy.core.build.part import BuildPart
from bothy.core.words.said import IN_US, METRIC_UK, Reader, said
from bothy.core.words.says import formats_says as says
from bothy.formats.tables import plain
from bothy.formats.workbook import to_xlsx

SHOPPING = (
    "what",
    "service",
    "amount",
    "unit",
    "packs",
    "price",
    "order by",
    "needed by",
    "status",
    "for",
    "key",
    "quoted price",
    "days to deliver",
    "supplier",
)
PLAN = ("task", "phase", "hours", "people", "licence", "starts", "ends", "cured", "done %", "why", "id")


def _amount(amount: float, unit: str, reader: Reader) -> tuple[float, str]:
    if reader.units != "us" or unit not in IN_US:
        return amount, unit
    to, turn = IN_US[unit]
    return float(f"{turn(amount):.4g}"), to


def _shopping_rows(b: BuildPart, reader: Reader) -> list[list[str | float | int | None]]:
    return [
        [
            *(
                plain(x.name),
                x.service,
                *_amount(x.amount, x.unit, reader),
                said(x.packs, reader),
                x.price,
                x.order_by,
                x.need_by,
                x.status,
                plain("; ".join(x.of))[:400],
                x.key,
            ),
            *((x.quote.price, x.quote.lead_days, plain(x.quote.supplier)) if x.quote is not None else (None, None, None)),
        ]
        for x in b.shopping
    ]


def _csv(headings: tuple[str, ...], rows: list[list[str | float | int | None]]) -> str:
    out = io.StringIO()
    w = csv.writer(out)
    w.writerow(headings)
    w.writerows(rows)
    return "\ufeff" + out.getvalue()


def _plan_rows(b: BuildPart, reader: Reader) -> list[list[str | float | int | None]]:
    return [
        [
            plain(t.name),
            t.phase,
            t.hours,
            t.people,
            t.licence,
            t.start,
            t.end,
            t.ready,
            round(100 * t.done),
            plain(said(" ".join(t.reasons), reader, "build")),
            t.id,
        ]
        for t in b.tasks
    ]


def _text(value: str) -> str:
    """A value of an iCalendar line (RFC 5545, 3.3.11)."""
    return value.replace("\\", "\\\\").replace(";", "\\;").replace(",", "\\,").replace("\n", "\\n")


def _folded(line: str) -> str:
    """A line of at most 75 octets, the rest on lines that begin with a space."""
    data, out = line.encode(), []
    while len(data) > 73:
        cut = 73
        while cut and (data[cut] & 0xC0) == 0x80:
            cut -= 1
        out.append(data[:cut].decode())
        data = data[cut:]
    out.append(data.decode())
    return "\r\n ".join(out)


def ics_text(name: str, today: str, events: Sequence[tuple[str, str, str | None, str, str]]) -> str:
    """An iCalendar of events (id, begin, end, summary, description): local time without a zone, or (``end`` None) a whole day."""
    lines = ["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//Bothy//Build//EN", f"X-WR-CALNAME:{_text(name)}"]
    stamp = today.replace("-", "") + "T000000Z"
    for id, begin, end, summary, about in events:
        at = begin.replace("-", "").replace(":", "")
        when = [f"DTSTART;VALUE=DATE:{at}"] if end is None else [f"DTSTART:{at}00", f"DTEND:{end.replace('-', '').replace(':', '')}00"]
        lines += ["BEGIN:VEVENT", f"UID:{id}", f"DTSTAMP:{stamp}", *when, f"SUMMARY:{_text(summary)}", f"DESCRIPTION:{_text(about)}", "END:VEVENT"]
    lines.append("END:VCALENDAR")
    return "\r\n".join(_folded(x) for x in lines) + "\r\n"


def to_ics(b: BuildPart, name: str, reader: Reader = METRIC_UK) -> str:
    """Each piece of each task as an appointment in floating local time."""
    events = []
    for t in b.tasks:
        for n, (start, end) in enumerate(t.pieces):
            more = f" ({n + 1} of {len(t.pieces)})" if len(t.pieces) > 1 else ""
            about = " ".join([*t.reasons, t.note, says("ask", ask=t.ask) if t.ask else ""]).strip()
            events.append((f"{t.id}-{n}@bothy", start, end, t.name + more, said(about, reader, "build")))
    return ics_text(name, b.today, events)


XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
WRITERS: dict[str, Callable[[BuildPart, str, Reader], tuple[str | bytes, str]]] = {
    "shopping.csv": lambda b, _, r: (_csv(SHOPPING, _shopping_rows(b, r)), "text/csv; charset=utf-8"),
    "shopping.xlsx": lambda b, name, r: (to_xlsx([(says("shopping"), SHOPPING, _shopping_rows(b, r))], name), XLSX),
    "plan.csv": lambda b, _, r: (_csv(PLAN, _plan_rows(b, r)), "text/csv; charset=utf-8"),
    "plan.ics": lambda b, name, r: (to_ics(b, name, r), "text/calendar; charset=utf-8"),
}
"""What each file is made with: of Build, by the vehicle's name, for its reader."""
