"""Appliances as CSV: out in Bothy's columns, in from any table, line by line with what was understood.

Nothing is refused silently: every line of the file comes back as taken, or with what is wrong and what would be right.
"""

from __future__ import annotations

import csv
import io
import re
from typing import Any, Literal

from pydantic import BaseModel, ValidationError

from bothy.core.contract import BadInput, explain, whole
from bothy.core.design.life import Appliance
from bothy.core.recognise import adapter_of, kind_of, mains_of, usual_start, usual_use, usual_windows
from bothy.core.units import NotUnderstood, parse, show
from bothy.core.words.said import IN_US, UnitSystem
from bothy.core.words.says import formats_says as says
from bothy.formats.tables import MAX_ROWS, plain, rows_of, unplain

COLUMNS = ("name", "count", "power", "use", "supply", "kind", "zone", "windows", "standby", "start multiple", "label energy", "charge energy", "mass", "note")

WORDS: dict[str, tuple[str, ...]] = {
    "name": ("name", "appliance", "item", "device", "what", "load", "description", "gerät", "appareil"),
    "count": ("count", "number", "qty", "quantity", "no", "pcs", "units", "how many", "anzahl", "n"),
    "power": (
        "power",
        "watts",
        "watt",
        "w",
        "running power",
        "wattage",
        "load w",
        "rated power",
        "power draw",
        "leistung",
        "puissance",
        "amps",
        "amp",
        "current",
        "a",
        "draw",
    ),
    "voltage": ("voltage", "volts", "v", "volt"),
    "use": (
        "use",
        "hours",
        "hours per day",
        "h",
        "time",
        "h/day",
        "hrs",
        "hours/day",
        "hrs/day",
        "hr/day",
        "daily hours",
        "hours daily",
        "hours a day",
        "daily use",
        "hours used",
        "run time",
        "runtime",
        "usage",
        "duty",
        "stunden",
        "heures",
        "running time",
    ),
    "supply": ("supply", "ac/dc", "type", "system"),
    "kind": ("kind", "category", "group"),
    "zone": ("zone", "where", "place", "room", "area"),
    "windows": ("windows", "when", "hours of the day"),
    "standby": ("standby", "idle"),
    "start multiple": ("start multiple", "start", "inrush"),
    "label energy": ("label energy", "energy 24 h", "kwh/24h", "wh/day", "wh per day", "daily wh", "wh", "energy", "energy per day"),
    "charge a day": ("ah/day", "ah per day", "daily ah", "ah", "amp hours", "amp-hours"),
    "charge energy": ("charge energy", "battery", "battery wh"),
    "mass": ("mass", "weight", "kg"),
    "note": ("note", "notes", "remark", "comment"),
}
KINDS = ("light", "cooling", "heating", "pump", "fan", "electronics", "socket", "cooking", "tool", "safety", "medical", "other")
ZONES = ("kitchen", "living", "bed", "washroom", "garage", "cab", "roof", "outside")


class Line(BaseModel):
    """What was understood of one line of the file."""

    number: int
    status: Literal["taken", "wrong", "empty"]
    text: str
    understood: str
    problem: str | None
    appliance: dict[str, Any] | None
    mains: bool | None = None
    """Whether it was taken for a mains appliance, where the table doesn't say and it must be asked."""


class Preview(BaseModel):
    """The whole file, line by line, before anything is changed; ``asks`` names columns that have to be told before a line can be read."""

    separator: str
    columns: dict[str, str]
    ignored_columns: list[str]
    lines: list[Line]
    taken: int
    wrong: int
    asks: list[str] = []


def _clean(text: str) -> tuple[str, str]:
    """A column name without its unit, and the unit: ``Power (W)`` -> ``power``, ``W``."""
    m = re.match(r"^(.*?)\s*[\[(]([^\])]*)[\])]\s*$", text)
    name, unit = (m[1], m[2].strip()) if m else (text, "")
    return re.sub(r"[\s_]+", " ", name).strip().lower(), unit


_TURNED = re.compile(r"(.+) (ft|in|mm|cm|lb)")


def match_columns(header: list[str], words: dict[str, tuple[str, ...]] = WORDS) -> tuple[dict[str, int], dict[str, str], list[str]]:
    """Field -> column number, field -> unit of the header, and the names that mean nothing to Bothy."""
    found: dict[str, int] = {}
    units: dict[str, str] = {}
    ignored: list[str] = []
    for i, cell in enumerate(header):
        name, unit = _clean(cell)
        field = next((f for f, known in words.items() if name in known and f not in found), None)
        if field is None and not unit and (turned := _TURNED.fullmatch(name)):  # “x ft” is Bothy's own “x m” to who reads feet
            of, unit = turned[1], turned[2]
            field = next((f for f, known in words.items() if (f"{of} m" in known or f"{of} kg" in known) and f not in found), None)
        if field is None:
            if cell.strip():
                ignored.append(cell.strip())
            continue
        found[field] = i
        if unit:
            units[field] = unit
        elif name in ("watts", "watt", "w", "wattage"):
            units[field] = "W"
        elif name in ("amps", "amp", "current", "a"):
            units[field] = "A"
        elif name == "kwh/24h":
            units[field] = "kWh"
    return found, units, ignored


def _quantity(text: str, dimension: str, unit: str = "") -> float:
    bare = re.fullmatch(r"[\d\s.,'’/+-]+", text.strip()) is not None
    return parse(text, dimension, unit or None if bare else None).value


def _power(text: str, unit: str, volts: str, system_v: float | None = None) -> dict[str, Any]:
    if unit.upper() in ("A", "MA") or re.search(r"\d\s*m?A\s*$", text):
        if volts:
            return {"current_a": _quantity(text, "current", unit), "voltage_v": _quantity(volts, "voltage", "V")}
        if system_v is not None:
            return {"current_a": _quantity(text, "current", unit), "voltage_v": system_v}
        raise NotUnderstood(says("current-give-voltage-too", text=text))
    if "@" in text:
        amps, at = text.split("@", 1)
        return {"current_a": parse(amps, "current").value, "voltage_v": parse(at, "voltage").value}
    return {"power_w": _quantity(text, "power", unit)}


def _use(text: str, unit: str) -> dict[str, Any]:
    """Hours per day, part of the time (30 %), or uses (4 x 5 min)."""
    if m := re.match(r"^\s*([\d.,]+)\s*[x×*]\s*(.+)$", text):
        return {"uses_per_day": parse(m[1], "count").value, "minutes_per_use": _quantity(m[2], "time", "min") * 60}
    if "%" in text or unit == "%":
        return {"duty_frac": _quantity(text.replace("%", ""), "count") / 100}
    return {"hours_per_day": _quantity(text, "time", unit if unit in ("h", "min") else "h")}


def _windows(text: str) -> list[dict[str, float]]:
    out = []
    for piece in re.split(r"[;,\s]+(?=\d)", text.strip()):
        m = re.fullmatch(r"(\d{1,2}(?:[:.]\d{1,2})?)\s*(?:-|–|to)\s*(\d{1,2}(?:[:.]\d{1,2})?)", piece.strip())
        if not m:
            raise NotUnderstood(says("not-time-write-for", piece=piece))
        hours = [float(h) + float(mm or 0) / 60 for h, _, mm in (t.replace(".", ":").partition(":") for t in m.groups())]
        out.append({"from_h": hours[0], "to_h": hours[1]})
    return out


def _choice(text: str, allowed: tuple[str, ...], what: str) -> str:
    value = text.strip().lower()
    if value not in allowed:
        raise NotUnderstood(says("not-one", text=text[:30], what=what, allowed=", ".join(allowed)))
    return value


def _line(cells: dict[str, str], units: dict[str, str], system_v: float, mains: bool | None) -> tuple[dict[str, Any], list[str], bool | None]:
    """Fields of an appliance from the cells of one line, what was assumed, and whether it was taken for a mains one where that must be asked.

    Raises NotUnderstood or BadInput.
    """
    name = unplain(cells.get("name", ""))
    if not name:
        raise NotUnderstood(says("name-missing"))
    out: dict[str, Any] = {"name": name, "kind": kind_of(name)}
    if count := cells.get("count"):
        out["count"] = whole(_quantity(count, "count"))
    if energy := cells.get("label energy"):
        out["energy_24h_wh"] = _quantity(energy, "energy", units.get("label energy", ""))
    elif ah := cells.get("charge a day"):
        out["energy_24h_wh"] = _quantity(ah, "charge", "Ah") * (_quantity(cells["voltage"], "voltage", "V") if cells.get("voltage") else system_v)
    elif battery := cells.get("charge energy"):
        out["charge_energy_wh"] = _quantity(battery, "energy", units.get("charge energy", ""))
    else:
        if not cells.get("power"):
            raise NotUnderstood(says("power-missing-write-for"))
        out |= _power(cells["power"], units.get("power", ""), cells.get("voltage", ""), None if mains_of(name, 0.0, system_v) else system_v)
        if cells.get("use"):
            out |= _use(cells["use"], units.get("use", ""))
    if supply := cells.get("supply"):
        low = supply.strip().lower()
        alias = {"12v": "dc", "12 v": "dc", "24v": "dc", "24 v": "dc", "230v": "ac", "230 v": "ac", "120v": "ac", "mains": "ac", "usb": "converter"}
        out["supply"] = alias.get(low) or _choice(supply, ("dc", "converter", "ac"), "supply")
    if cells.get("kind"):
        out["kind"] = _choice(cells["kind"], KINDS, "kind")
    needs_use = not ({"energy_24h_wh", "charge_energy_wh"} & set(out)) and not cells.get("use")
    if needs_use:
        out |= {**usual_use(name, out["kind"]), "trust": "duty"}
    if cells.get("zone"):
        out["zone"] = _choice(cells["zone"], ZONES, says("place-in-vehicle"))
    if cells.get("windows"):
        out["windows"] = _windows(cells["windows"])
    if cells.get("standby"):
        out["standby_w"] = _quantity(cells["standby"], "power", units.get("standby", ""))
    if cells.get("start multiple"):
        out["start_multiple"] = _quantity(cells["start multiple"].rstrip("×xX "), "count")
    if cells.get("mass"):
        out["mass_kg"] = _quantity(cells["mass"], "mass", units.get("mass", ""))
    if cells.get("note"):
        out["note"] = unplain(cells["note"])
    assumed, asks = _assume(out, cells, system_v, mains)
    if needs_use:
        assumed.insert(0, says("as-usual", use_words=use_words(out)))
    return out, assumed, asks


def _assume(out: dict[str, Any], cells: dict[str, str], system_v: float, mains: bool | None) -> tuple[list[str], bool | None]:
    """Puts in what the table has no column for and the name tells: mains or not, adapter, start, hours of the day; in words, and whether mains must
    be asked."""
    assumed: list[str] = []
    name, watts = out["name"], out.get("power_w", out.get("current_a", 0.0) * out.get("voltage_v", 0.0))
    if "current_a" in out and not cells.get("voltage") and "@" not in cells.get("power", ""):
        assumed.append(f"at {system_v:g} V")
    asks: bool | None = None
    if "supply" not in out and "supply" not in cells and out.get("voltage_v", 0.0) < 100:
        why = mains_of(name, watts, system_v)
        if mains if mains is not None else why is not None:
            out["supply"] = "ac"
            assumed += [says("mains", why=why)] if mains is None else []
        elif "power_w" in out and adapter_of(name):
            out["supply"] = "converter"
            assumed.append(says("through-adapter"))
        asks = (mains if mains is not None else why is not None) if why is not None or mains is not None else None
    elif "supply" not in out and out.get("voltage_v", 0.0) >= 100:
        out["supply"] = "ac"
    supply = out.get("supply", "dc")
    if "start multiple" not in cells and (start := usual_start(name, out["kind"], supply, watts)) > 1:
        out["start_multiple"] = start
        assumed.append(says("starts-with-times-power", start=start))
    if "windows" not in cells and "hours_per_day" in out and (windows := usual_windows(name, out["kind"], out["hours_per_day"])):
        out["windows"] = windows
        assumed.append(" and ".join(f"{w['from_h']:g} to {w['to_h']:g} h" for w in windows))
    return assumed, asks


def use_words(a: dict[str, Any]) -> str:
    """How long an appliance runs on a day, in words; empty where its energy says it."""
    if a.get("hours_per_day") is not None:
        return f"{show(a['hours_per_day'], 'h')} a day"
    if a.get("duty_frac") is not None:
        return says("time", a=a["duty_frac"])
    return f"{a['uses_per_day']:g} × {a['minutes_per_use']:g} min" if a.get("uses_per_day") is not None else ""


def in_words(a: dict[str, Any]) -> str:
    """What was understood, in one line."""
    power = (
        f"{show(a['power_w'], 'W')}"
        if "power_w" in a
        else f"{show(a['current_a'], 'A')} at {show(a['voltage_v'], 'V')}"
        if "current_a" in a
        else f"{show(a['energy_24h_wh'], 'Wh')} in 24 h"
        if "energy_24h_wh" in a
        else says("battery", show=show(a["charge_energy_wh"], "Wh"))
    )
    use = f", {told}" if (told := use_words(a)) else ""
    return f"{a.get('count', 1):g} × {a['name']}: {power}{use}, {a.get('supply', 'dc')}, {a['kind']}"


def preview(text: str, system_v: float = 12.0, columns: dict[str, str] | None = None, mains: dict[int, bool] | None = None) -> Preview:
    """Understand a table of appliances. Raises :class:`BadInput` only where no line can be read at all.

    Currents and charges without a voltage are taken at ``system_v`` volts. ``columns`` says what headings mean that Bothy doesn't know (heading -> field),
    ``mains`` which lines are mains appliances (number of the line -> yes or no).
    """
    rows, separator = rows_of(text)
    start = next((i for i, r in enumerate(rows) if any(r)), 0)
    found, units, ignored = match_columns(rows[start])
    for heading, field in (columns or {}).items():
        if field not in WORDS:
            raise BadInput("columns", says("no-column-appliance-list", field=field[:40], words=", ".join(WORDS)))
        if heading in ignored:
            found[field] = next(i for i, c in enumerate(rows[start]) if c.strip() == heading)
            units[field] = _clean(heading)[1]
            ignored.remove(heading)
    if "name" not in found and found and ignored and not columns:
        # what stands first beside columns that are understood is what the lines are called
        found["name"] = next(i for i, c in enumerate(rows[start]) if c.strip() == ignored[0])
        ignored = ignored[1:]
    asks = ([] if "name" in found else [says("name")]) + (
        [] if {"power", says("label-energy"), says("charge-energy"), says("charge")} & set(found) else [says("power-or-energy-label")]
    )
    if asks and len(ignored) >= len(asks) and any(any(r) for r in rows[start + 1 :]):
        return Preview(
            separator=separator, columns={f: rows[start][i] for f, i in found.items()}, ignored_columns=ignored, lines=[], taken=0, wrong=0, asks=asks
        )
    if asks:
        raise BadInput(
            "columns",
            says("not-those-appliance-list", cs=", ".join(c for c in rows[start] if c)[:200] or "none", columns=", ".join(COLUMNS)),
        )
    if len(rows) - start - 1 > MAX_ROWS:
        raise BadInput("file", says("has-lines-at-most", rows_count=len(rows) - start - 1, max_rows=MAX_ROWS))
    lines: list[Line] = []
    for n, row in enumerate(rows[start + 1 :], start + 2):
        cells = {f: row[i] if i < len(row) else "" for f, i in found.items()}
        shown = separator.join(row)[:200]
        if not any(row):
            if n < len(rows):
                lines.append(Line(number=n, status="empty", text="", understood="", problem=None, appliance=None))
            continue
        try:
            if len(row) > len(rows[start]):
                raise NotUnderstood(says("this-line-has-cells", row_count=len(row), rows_count=len(rows[start])))
            fields, assumed, on_mains = _line(cells, units, system_v, (mains or {}).get(n))
            Appliance.model_validate({**fields, "id": "x"})
            told = in_words(fields) + (says("assumed", assumed=", ".join(assumed)) if assumed else "")
            lines.append(Line(number=n, status="taken", text=shown, understood=told, problem=None, appliance=fields, mains=on_mains))
        except ValidationError as exc:
            lines.append(Line(number=n, status="wrong", text=shown, understood="", problem=explain(exc).plainly, appliance=None))
        except (NotUnderstood, BadInput) as exc:
            lines.append(Line(number=n, status="wrong", text=shown, understood="", problem=str(exc), appliance=None))
    taken = sum(1 for x in lines if x.status == "taken")
    return Preview(
        separator=separator,
        columns={f: rows[start][i] for f, i in found.items()},
        ignored_columns=ignored,
        lines=lines,
        taken=taken,
        wrong=sum(1 for x in lines if x.status == "wrong"),
    )


def _mass(kg: float, units: UnitSystem) -> str:
    unit, turn = IN_US["kg"]
    return f"{turn(kg):.4g} {unit}" if units == "us" else f"{kg:g} kg"


def _out(a: Appliance, units: UnitSystem = "metric") -> dict[str, str]:
    power = f"{a.power_w:g} W" if a.power_w is not None else f"{a.current_a:g} A @ {a.voltage_v:g} V" if a.current_a is not None else ""
    use = (
        f"{a.hours_per_day:g} h"
        if a.hours_per_day is not None
        else f"{a.duty_frac * 100:g} %"
        if a.duty_frac is not None
        else f"{a.uses_per_day:g} x {a.minutes_per_use:g} min"
        if a.uses_per_day is not None
        else ""
    )
    clock = ", ".join(f"{int(w.from_h)}:{round(w.from_h % 1 * 60):02d}-{int(w.to_h)}:{round(w.to_h % 1 * 60):02d}" for w in a.windows)
    return {
        "name": plain(a.name),
        "count": f"{a.count:g}",
        "power": power,
        "use": use,
        "supply": a.supply,
        "kind": a.kind,
        "zone": a.zone,
        "windows": clock,
        "standby": f"{a.standby_w:g} W" if a.standby_w else "",
        "start multiple": f"{a.start_multiple:g}" if a.start_multiple != 1 else "",
        "label energy": f"{a.energy_24h_wh:g} Wh" if a.energy_24h_wh is not None else "",
        "charge energy": f"{a.charge_energy_wh:g} Wh" if a.charge_energy_wh is not None else "",
        "mass": _mass(a.mass_kg, units) if a.mass_kg else "",
        "note": plain(a.note),
    }


POWER_FORMS = ("power_w", "current_a", "voltage_v", "energy_24h_wh", "charge_energy_wh")
USE_FORMS = ("hours_per_day", "duty_frac", "uses_per_day", "minutes_per_use")
Cell = Literal["power", "use", "windows"]


def _power_cell(text: str) -> dict[str, Any]:
    """A power as on the label: watts, amps at volts, energy in 24 h, or the energy of a device's own battery."""
    if m := re.match(r"^(.*?)\s*(?:/|in|per)\s*(?:24\s*h|d|day)\s*$", text, re.I):
        return {"energy_24h_wh": parse(m[1], "energy").value}
    if m := re.match(r"^(?:battery|charge)\s*(?:of)?\s*(.+)$", text, re.I):
        return {"charge_energy_wh": parse(m[1], "energy").value}
    return _power(text, "", "")


def read_cell(field: Cell, text: str, now: dict[str, Any]) -> tuple[dict[str, Any], str]:
    """What a text typed into one cell of the ledger changes on an appliance (``now``), and that in words.

    Returns every field of the form, so that the old form is cleared. Raises NotUnderstood.
    """
    if len(text) > 200:
        raise NotUnderstood(says("has-characters-cell-takes", text_count=len(text)))
    if field == "windows":
        found = _windows(text) if text.strip() else []
        return {"windows": found}, ", ".join(f"{w['from_h']:g} to {w['to_h']:g} h" for w in found) or says("any-time")
    if field == "use" and now.get("charge_energy_wh") is not None and (m := re.fullmatch(r"\s*([\d.,]+)\s*(?:charges?|x|×)?\s*", text)):
        charges = parse(m[1], "count").value
        return {"charges_per_day": charges}, says("charges", charges=charges)
    uses: dict[str, Any] = {k: now.get(k) for k in USE_FORMS}
    powers: dict[str, Any] = {k: now.get(k) for k in POWER_FORMS}
    if field == "power":
        powers = dict.fromkeys(POWER_FORMS) | _power_cell(text)
    else:
        uses = dict.fromkeys(USE_FORMS) | _use(text, "")
    by_energy = powers["energy_24h_wh"] is not None or powers["charge_energy_wh"] is not None
    if by_energy and field == "use":
        raise NotUnderstood(says("label-energy-holds-own"))
    if by_energy:
        uses = dict.fromkeys(USE_FORMS)
    elif all(v is None for v in uses.values()):
        uses["hours_per_day"] = 1.0
    fields = powers | uses
    words = in_words({"name": "", "kind": "", **{k: v for k, v in fields.items() if v is not None}})
    return fields, words.split(": ", 1)[1].removesuffix(", dc, ")


def write(appliances: list[Appliance], units: UnitSystem = "metric") -> str:
    """The appliance ledger as CSV in Bothy's columns, in its reader's units."""
    file = io.StringIO()
    writer = csv.DictWriter(file, COLUMNS, lineterminator="\r\n")
    writer.writeheader()
    writer.writerows(_out(a, units) for a in appliances)
    return file.getvalue()
