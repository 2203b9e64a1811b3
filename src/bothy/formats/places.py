"""Places, masses and ways as tables, out and in again; plan and side as drawings to scale (SVG and DXF) with a check bar."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Sequence
from typing import Any, Literal
from xml.sax.saxutils import escape

from pydantic import BaseModel, ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.design.document import Design
from bothy.core.design.fit import PlaceDoc
from bothy.core.fit.geometry import geometry_of
from bothy.core.fit.part import FitPart, ThingPart
from bothy.core.units import NotUnderstood, parse
from bothy.core.words.said import METRIC_UK, Reader, said
from bothy.core.words.says import formats_says as says
from bothy.formats import workbook
from bothy.formats.appliances_csv import match_columns
from bothy.formats.tables import plain as _plain
from bothy.formats.tables import rows_of, unplain
from bothy.formats.turned import for_file

COLUMNS = (
    "thing",
    "key",
    "bay",
    "x m",
    "y m",
    "z m",
    "turned deg",
    "up",
    "open x m",
    "open y m",
    "open z m",
    "length m",
    "width m",
    "height m",
    "mass kg",
    "contents kg",
    "known by",
)
WORDS: dict[str, tuple[str, ...]] = {
    "name": ("thing", "name", "what", "part"),
    "key": ("key", "id"),
    "bay": ("bay", "space"),
    "x": ("x m", "x", "from the rear"),
    "y": ("y m", "y", "from the centre line", "left"),
    "z": ("z m", "z", "over the floor", "height over floor"),
    "yaw": ("turned deg", "turned", "yaw", "rotation"),
    "up": ("up", "face up"),
    "open_x": ("open x m", "open x"),
    "open_y": ("open y m", "open y"),
    "open_z": ("open z m", "open z"),
}
KEPT = {"fixing", "fixing_count", "tray", "shield", "hatch"}
"""What a table of places doesn't say."""


Row = list[str | float | int | None]


def _csv(columns: Sequence[str], table: Sequence[Row], reader: Reader) -> str:
    headings, rows = for_file(columns, table, reader)
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    for r in (headings, *rows):
        writer.writerow([_plain(str(c)) if isinstance(c, str) else "" if c is None else c for c in r])
    return out.getvalue()


def place_rows(design: Design, part: FitPart) -> list[Row]:
    """Every thing with its place."""
    docs = {p.of: p for p in design.fit.places}
    rows: list[Row] = []
    for t in part.things:
        p = docs.get(t.key)
        place: Row = [p.bay or "", p.x_m, p.y_m, p.z_m, p.yaw_deg, p.up] if p else [None] * 6
        then: Row = [p.open.x_m, p.open.y_m, p.open.z_m] if p and p.open else [None] * 3
        rows.append([t.name, t.key, *place, *then, *(round(v, 3) for v in t.size), round(t.mass_kg, 2), round(t.contents_kg, 1), t.mass_from])
    return rows


def places_csv(design: Design, part: FitPart, reader: Reader = METRIC_UK) -> str:
    """Every thing with its place; a table that can be brought in again."""
    return _csv(COLUMNS, place_rows(design, part), reader)


MASS_COLUMNS = ("what", "key", "mass kg", "x m", "y m", "z m", "group", "known by", "placed")
WAY_COLUMNS = ("run", "key", "service", "from", "to", "length m", "typed m", "kept", "bends", "holes", "rise m", "why")


def mass_rows(part: FitPart) -> list[Row]:
    """The list of masses: every kilogram once."""
    return [
        [r.name, r.key, round(r.kg, 2), round(r.x, 3), round(r.y, 3), round(r.z, 3), r.group, r.counted, "yes" if r.placed else "no"] for r in part.weight.rows
    ]


def way_rows(part: FitPart) -> list[Row]:
    """Every run with its length along the way."""
    names = {t.key: t.name for t in part.things} | {"engine": "engine"}
    return [
        [
            r.name,
            r.id,
            r.service,
            names.get(r.a, r.a),
            ", ".join(names.get(b, b) for b in r.b),
            None if r.length_m is None else round(r.length_m, 3),
            r.typed_m,
            "yes" if r.kept else "no",
            r.bends,
            r.holes,
            round(r.rise_m, 3),
            r.why,
        ]
        for r in part.routes
    ]


def masses_csv(part: FitPart, reader: Reader = METRIC_UK) -> str:
    """The list of masses as CSV."""
    return _csv(MASS_COLUMNS, mass_rows(part), reader)


def ways_csv(part: FitPart, reader: Reader = METRIC_UK) -> str:
    """The runs as CSV."""
    return _csv(WAY_COLUMNS, way_rows(part), reader)


def to_xlsx(design: Design, part: FitPart, title: str, reader: Reader = METRIC_UK) -> bytes:
    """Places, masses and ways as a workbook; its first sheet can be brought in again."""
    tables: list[workbook.Table] = [
        ("Places", *for_file(COLUMNS, place_rows(design, part), reader)),
        ("Masses", *for_file(MASS_COLUMNS, mass_rows(part), reader)),
        ("Ways", *for_file(WAY_COLUMNS, way_rows(part), reader)),
    ]
    return workbook.to_xlsx(tables, title)


class PlaceLine(BaseModel):
    """What was understood of one line."""

    number: int
    status: Literal["taken", "wrong", "empty"]
    text: str
    understood: str
    problem: str | None
    op: dict[str, Any] | None = None


class PlacesPreview(BaseModel):
    """A table of places line by line, each with the change that takes it."""

    separator: str
    columns: dict[str, str]
    ignored_columns: list[str]
    lines: list[PlaceLine]
    taken: int
    wrong: int


def preview(text: str, design: Design) -> PlacesPreview:
    """Read a table of places. Nothing is changed; a thing that the design doesn't have, or a place that is no place, is said on its line.

    Raises :class:`BadInput` when no column says which thing a line is about or where it stands.
    """
    rows, separator = rows_of(text, "thing")
    columns, units, ignored = match_columns(rows[0], WORDS)
    if "key" not in columns and "name" not in columns:
        raise BadInput("columns", says("no-column-names-thing"))
    if not {"x", "y"} <= set(columns):
        raise BadInput("columns", says("no-columns-say-where"))
    geo = geometry_of(design)
    by_key = {t.key: t for t in geo.things}
    by_name = {t.name.lower(): t.key for t in geo.things}
    index = {p.of: i for i, p in enumerate(design.fit.places)}
    bays = {b.id: b.id for b in design.fit.bays} | {b.name.lower(): b.id for b in design.fit.bays}
    lines, seen = list[PlaceLine](), set[str]()
    for n, row in enumerate(rows[1:], 2):
        cells = {k: (row[i].strip() if i < len(row) else "") for k, i in columns.items()}
        shown = "; ".join(c for c in row if c)[:200]
        if not any(cells.get(k) for k in ("x", "y")):
            lines.append(PlaceLine(number=n, status="empty", text=shown, understood=says("no-place-on-this"), problem=None))
            continue
        try:
            place = _place(cells, units, by_key, by_name, bays)
        except (NotUnderstood, BadInput) as e:
            lines.append(PlaceLine(number=n, status="wrong", text=shown, understood="", problem=str(e)))
            continue
        if place.of in seen:
            lines.append(
                PlaceLine(number=n, status="wrong", text=shown, understood="", problem=says("has-place-on-earlier", by_key_name=by_key[place.of].name))
            )
            continue
        seen.add(place.of)
        value = place.model_dump(mode="json")
        if place.of in index:
            kept = KEPT if "open_x" in columns else KEPT | {"open"}
            value |= design.fit.places[index[place.of]].model_dump(mode="json", include=kept)
            op = {"op": "replace", "path": f"/fit/places/{index[place.of]}", "value": value}
        else:
            op = {"op": "add", "path": "/fit/places/-", "value": value}
        words = says("at-from-rear-from", by_key_name=by_key[place.of].name, x_m=place.x_m, y_m=place.y_m, z_m=place.z_m)
        lines.append(PlaceLine(number=n, status="taken", text=shown, understood=words, problem=None, op=op))
    taken = sum(x.status == "taken" for x in lines)
    return PlacesPreview(
        separator=separator,
        columns={k: rows[0][i] for k, i in columns.items()},
        ignored_columns=ignored,
        lines=lines,
        taken=taken,
        wrong=sum(x.status == "wrong" for x in lines),
    )


def _corner(cells: dict[str, str], units: dict[str, str], before: str) -> dict[str, float]:
    """Least corner of a thing, m, from the cells of x, y and z (``open_``: where it is when the vehicle stands open). Raises :class:`NotUnderstood`."""
    out = {}
    for axis in "xyz":
        if text := cells.get(before + axis):
            bare = all(c in "0123456789.,-+− " for c in text)
            out[f"{axis}_m"] = parse(text.replace("−", "-"), "length", (units.get(before + axis) or "m") if bare else None).value
    for axis in "xy":
        if f"{axis}_m" not in out:
            raise NotUnderstood(says("missing", replace=before.replace("_", " "), axis=axis))
    return out


def _place(cells: dict[str, str], units: dict[str, str], by_key: dict[str, Any], by_name: dict[str, str], bays: dict[str, str]) -> PlaceDoc:
    key = unplain(cells.get("key", "")) or by_name.get(unplain(cells.get("name", "")).lower(), "")
    if key not in by_key:
        named = unplain(cells.get("key") or cells.get("name") or "")[:40]
        raise NotUnderstood(says("design-has-no-name", named=named))
    out: dict[str, Any] = {"of": key}
    out |= _corner(cells, units, "")
    if any(cells.get(f"open_{axis}") for axis in "xyz"):
        out["open"] = _corner(cells, units, "open_")
    if cells.get("yaw"):
        turned = parse(cells["yaw"], "count", None).value % 360
        if turned not in (0, 90, 180, 270):
            raise NotUnderstood(says("turned-by-things-stand", turned=turned))
        out["yaw_deg"] = int(turned)
    if cells.get("up"):
        out["up"] = cells["up"].lower()
    if cells.get("bay"):
        bay = bays.get(unplain(cells["bay"]).lower()) or bays.get(unplain(cells["bay"]))
        if bay is None:
            raise NotUnderstood(says("there-no-bay", cells=cells["bay"][:40]))
        out["bay"] = bay
    try:
        return PlaceDoc.model_validate(out)
    except ValidationError as e:
        raise explain(e) from None


SCALE_MM = 50.0
"""A metre on the drawing, mm: 1 to 20."""
MARGIN_MM, BAR_MM = 12.0, 100.0


def _outline(part: FitPart) -> tuple[list[tuple[float, float]], list[tuple[float, float]]]:
    """Plan (x, y at the belt) and side (x, z) of the inside, m."""
    s = part.body.stations
    k = min(1, len(part.body.levels) - 1)
    plan = [(a.x, a.left[k]) for a in s] + [(a.x, -a.right[k]) for a in reversed(s)]
    side = [(s[0].x, 0.0), *((a.x, a.height) for a in s), (s[-1].x, 0.0)]
    return plan, side


def _drawn(part: FitPart) -> list[ThingPart]:
    return [t for t in part.things if t.box is not None and not t.small]


def to_svg(part: FitPart, title: str, reader: Reader = METRIC_UK) -> str:
    """Plan above side at 1 to 20, front to the left, with a bar of 100 mm to check the print by."""
    body = part.body
    boxes = [t.box for t in _drawn(part) if t.box]
    low, high = min([0.0, *(b[4] for b in boxes)]), max([body.height, *(b[5] for b in boxes)])
    x_max = max([part.body.stations[-1].x + 0.1, *(b[1] for b in boxes)])
    x_min = min([part.body.stations[0].x, *(b[0] for b in boxes)])
    w = (x_max - x_min) * SCALE_MM + 2 * MARGIN_MM
    plan_h = 2 * body.half * SCALE_MM
    h = plan_h + (high - low) * SCALE_MM + 4 * MARGIN_MM

    def px(x: float) -> float:
        return MARGIN_MM + (x_max - x) * SCALE_MM

    def py(y: float) -> float:
        return MARGIN_MM + (body.half + y) * SCALE_MM

    def pz(z: float) -> float:
        return plan_h + 2 * MARGIN_MM + (high - z) * SCALE_MM

    plan, side = _outline(part)

    def line(points: Iterable[tuple[float, float]]) -> str:
        return " ".join(f"{a:.2f},{b:.2f}" for a, b in points)

    out = [
        f"<svg xmlns='http://www.w3.org/2000/svg' width='{w:.1f}mm' height='{h:.1f}mm' viewBox='0 0 {w:.1f} {h:.1f}'>",
        f"<title>{escape(title)}</title>",
        "<g fill='none' stroke='#20261f' stroke-width='0.4'>",
        f"<polygon id='plan' points='{line((px(x), py(y)) for x, y in plan)}'/>",
        f"<polygon id='side' points='{line((px(x), pz(z)) for x, z in side)}'/>",
        f"<line x1='{px(x_min):.2f}' x2='{px(x_max):.2f}' y1='{py(0):.2f}' y2='{py(0):.2f}' stroke-width='0.15' stroke-dasharray='6 1.5 1 1.5'/>",
        "</g>",
        "<g id='things' fill='none' stroke='#2c6e86' stroke-width='0.25' font-family='Instrument Sans, sans-serif' font-size='2.6'>",
    ]
    for t in _drawn(part):
        assert t.box is not None
        x0, x1, y0, y1, z0, z1 = t.box
        out += [
            f"<rect x='{px(x1):.2f}' y='{py(y0):.2f}' width='{(x1 - x0) * SCALE_MM:.2f}' height='{(y1 - y0) * SCALE_MM:.2f}'/>",
            f"<rect x='{px(x1):.2f}' y='{pz(z1):.2f}' width='{(x1 - x0) * SCALE_MM:.2f}' height='{(z1 - z0) * SCALE_MM:.2f}'/>",
            f"<text x='{px(x1) + 0.6:.2f}' y='{py((y0 + y1) / 2):.2f}' fill='#20261f' stroke='none'>{escape(t.name[:34])}</text>",
        ]
    bar = h - 4
    out += [
        "</g>",
        f"<g stroke='#a8391f' stroke-width='0.3' id='bar'><line x1='{MARGIN_MM}' x2='{MARGIN_MM + BAR_MM}' y1='{bar:.2f}' y2='{bar:.2f}'/></g>",
        f"<text x='{MARGIN_MM + BAR_MM + 2}' y='{bar + 1:.2f}' font-size='2.6'>{escape(said(says('bar-when-printed-true'), reader))}</text>",
        "</svg>",
        "",
    ]
    return "\n".join(out)


def to_dxf(part: FitPart) -> bytes:
    """Plan and side in mm of the vehicle, x forwards: layers BODY, THINGS, TEXT and BAR; the side stands above the plan."""
    from ezdxf import units
    from ezdxf.filemanagement import new

    doc = new("R2010", setup=False)
    doc.units = units.MM
    for name, colour in (("BODY", 7), ("THINGS", 4), ("TEXT", 8), ("BAR", 1)):
        doc.layers.add(name, color=colour)
    space = doc.modelspace()
    up = 1000 * (2 * part.body.half + 0.5)
    plan, side = _outline(part)
    space.add_lwpolyline([(1000 * x, 1000 * y) for x, y in plan], close=True, dxfattribs={"layer": "BODY"})
    space.add_lwpolyline([(1000 * x, up + 1000 * z) for x, z in side], close=True, dxfattribs={"layer": "BODY"})
    for t in _drawn(part):
        assert t.box is not None
        x0, x1, y0, y1, z0, z1 = (1000 * v for v in t.box)
        space.add_lwpolyline([(x0, y0), (x1, y0), (x1, y1), (x0, y1)], close=True, dxfattribs={"layer": "THINGS"})
        space.add_lwpolyline([(x0, up + z0), (x1, up + z0), (x1, up + z1), (x0, up + z1)], close=True, dxfattribs={"layer": "THINGS"})
        space.add_text(t.name[:60], height=30, dxfattribs={"layer": "TEXT"}).set_placement((x0 + 10, (y0 + y1) / 2))
    space.add_line((0, -1000 * part.body.half - 200), (BAR_MM, -1000 * part.body.half - 200), dxfattribs={"layer": "BAR"})
    out = io.StringIO()
    doc.write(out)
    return out.getvalue().encode()
