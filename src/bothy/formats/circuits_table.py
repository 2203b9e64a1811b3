"""Circuits from a table that somebody brings: line by line what was understood, and which circuit of the design it is.

Reads Bothy's own schedule back, and any table with a name and one of length, cable, rating or appliances.
"""

from __future__ import annotations

import re
from typing import Any, Literal, get_args

from pydantic import BaseModel, ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.design.document import Design
from bothy.core.design.wiring import Circuit, CircuitKind
from bothy.core.units import NotUnderstood, parse, show
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.fuses import FAMILIES
from bothy.core.wiring.other_cables import CODES
from bothy.core.words.says import formats_says as says
from bothy.formats.appliances_csv import match_columns
from bothy.formats.tables import MAX_ROWS, rows_of, unplain

WORDS: dict[str, tuple[str, ...]] = {
    "name": ("circuit", "name", "what", "description", "stromkreis"),
    "code": ("code", "no", "number", "way", "id"),
    "kind": ("kind", "type of circuit"),
    "board": ("board", "from", "fed from", "fuse box", "panel"),
    "feeds": ("feeds", "appliances", "appliance", "load", "loads", "device"),
    "length": ("length one way m", "length", "one way", "length one way", "run", "distance"),
    "cable": ("cable", "size", "wire", "cross section", "area", "gauge", "awg", "mm²", "mm2"),
    "protection": ("protection", "by", "device kind"),
    "rating": ("rating a", "rating", "fuse", "fuse a", "breaker", "amps", "a"),
    "family": ("type", "fuse family", "family", "fuse type"),
    "note": ("note", "notes", "remark", "comment"),
}
OTHER_CODE = re.compile(rf"({'|'.join(CODES.values()).lower()})(-.*)?")
READ = ("length", "cable", "rating", "feeds")


class CircuitLine(BaseModel):
    """What was understood of one line; ``match`` is the circuit of the design that it changes, None for a new one."""

    number: int
    status: Literal["taken", "wrong", "empty"]
    text: str
    understood: str
    problem: str | None
    match: str | None
    fields: dict[str, Any] | None


class CircuitPreview(BaseModel):
    """The whole table, line by line, before anything is changed."""

    separator: str
    columns: dict[str, str]
    ignored_columns: list[str]
    lines: list[CircuitLine]
    taken: int
    wrong: int


def _cable(text: str, unit: str) -> dict[str, Any]:
    """``6 mm²``, ``10 AWG``, ``2 × 95 mm²``; a bare number is in the unit of the heading, else mm²."""
    m = re.match(r"^\s*(\d)\s*[x×*]\s*(.+)$", text)
    count, size = (int(m[1]), m[2]) if m else (1, text)
    bare = re.fullmatch(r"[\d\s.,/]+", size.strip()) is not None
    q = parse(size, "area", ("awg" if unit.lower() == "awg" else "mm²") if bare else None)
    return {"area_mm2": None if q.awg else q.value, "awg": q.awg, "parallel_count": count}


def _board(text: str, design: Design) -> str | None:
    low = text.strip().lower()
    if low in ("busbar", "bus", "-"):
        return None
    for b in design.wiring.boards:
        if low in (b.name.lower(), b.letter.lower(), f"{b.letter} {b.name}".lower()):
            return b.id
    known = ", ".join(f"{b.letter} {b.name}" for b in design.wiring.boards) or says("none-yet")
    raise NotUnderstood(says("there-no-board-boards", text=text[:40], known=known))


def _feeds(text: str, design: Design) -> list[str]:
    """Ids of the appliances named, apart by commas or semicolons; a name may itself hold a comma."""
    names = sorted(((a.name.lower(), a.id) for a in design.life.appliances), key=lambda x: -len(x[0]))
    rest = text.strip().lower()
    out: list[str] = []
    while rest:
        hit = next(((n, i) for n, i in names if rest.startswith(n) and (len(rest) == len(n) or rest[len(n)] in ",;") and i not in out), None)
        if hit is None:
            raise NotUnderstood(says("no-appliance-called-name", split=re.split("[,;]", rest)[0].strip()[:40]))
        out.append(hit[1])
        rest = rest[len(hit[0]) :].lstrip(",; ")
    return out


def _family(text: str) -> str:
    low = text.strip().lower()
    found = next((f.key for f in FAMILIES.values() if low in (f.key, f.name.lower())), None)
    if found is None:
        raise NotUnderstood(says("not-fuse-family-one", text=text[:30], f_names=", ".join(f.name for f in FAMILIES.values())))
    return found


def _number(text: str, dimension: str, unit: str) -> float:
    bare = re.fullmatch(r"[\d\s.,'’/]+", text.strip()) is not None
    return parse(text, dimension, unit if bare else None).value


def _fields(cells: dict[str, str], units: dict[str, str], design: Design) -> dict[str, Any]:
    name = unplain(cells.get("name", ""))
    if not name:
        raise NotUnderstood(says("name-circuit-missing"))
    out: dict[str, Any] = {"name": name}
    if kind := cells.get("kind", "").strip().lower():
        if kind not in get_args(CircuitKind):
            raise NotUnderstood(says("not-kind-circuit-one", kind=kind[:30], get_args=", ".join(get_args(CircuitKind))))
        out["kind"] = kind
    if cells.get("board"):
        out["board"] = _board(unplain(cells["board"]), design)
    if cells.get("feeds"):
        out["appliances"] = _feeds(unplain(cells["feeds"]), design)
    if cells.get("length"):
        out["length_m"] = _number(cells["length"], "length", units.get("length") or "m")
    if cells.get("cable"):
        out |= _cable(cells["cable"], units.get("cable", ""))
    if protection := cells.get("protection", "").strip().lower():
        if protection not in ("fuse", "breaker", "none"):
            raise NotUnderstood(says("not-protection-one-fuse", protection=protection[:30]))
        out["protection"] = protection
    if cells.get("rating"):
        out["fuse_a"] = _number(cells["rating"], "current", units.get("rating") or "A")
    elif out.get("protection") == "none":
        out["fuse_a"] = None
    if cells.get("family"):
        out["fuse_family"] = _family(cells["family"])
    if cells.get("note"):
        out["note"] = unplain(cells["note"])
    return out


def _match(cells: dict[str, str], codes: dict[str, str], design: Design) -> str | None:
    """The circuit a line means: of its code where that is known and its name does not say another, else of its name."""
    name = unplain(cells.get("name", "")).lower()
    named = next((c.id for c in design.wiring.circuits if c.name.lower() == name), None)
    return named or codes.get(cells.get("code", "").strip().upper())


def _words(f: dict[str, Any], design: Design) -> str:
    board = design.board(f["board"]) if f.get("board") else None
    size = size_text(f.get("area_mm2"), f.get("awg"), f.get("parallel_count", 1))
    parts = [
        board.name if board else "",
        size,
        f"{f['fuse_a']:g} A" if f.get("fuse_a") else "",
        show(f["length_m"], "m") if f.get("length_m") else "",
        ", ".join(a.name for i in f.get("appliances", []) if (a := design.appliance(i)) is not None),
    ]
    return f"{f['name']}: {', '.join(p for p in parts if p) or 'nothing else'}"


def preview(text: str, design: Design, codes: dict[str, str]) -> CircuitPreview:
    """Understand a table of circuits against a design; ``codes`` are circuit ids by code. Raises :class:`BadInput` where no line can be read at all."""
    rows, separator = rows_of(text, "circuit")
    start = next((i for i, r in enumerate(rows) if any(r)), 0)
    found, units, ignored = match_columns(rows[start], WORDS)
    if "name" not in found or not set(READ) & set(found):
        raise BadInput(
            "columns",
            says("not-those-circuit-list", cs=", ".join(c for c in rows[start] if c)[:200] or "none"),
        )
    if len(rows) - start - 1 > MAX_ROWS:
        raise BadInput("file", says("has-lines-at-most", rows_count=len(rows) - start - 1, max_rows=MAX_ROWS))
    lines: list[CircuitLine] = []
    seen: set[str] = set()
    for n, row in enumerate(rows[start + 1 :], start + 2):
        shown = separator.join(row)[:200]
        if not any(row):
            continue
        cells = {f: row[i] if i < len(row) else "" for f, i in found.items()}
        if OTHER_CODE.fullmatch(cells.get("code", "").strip().lower()):  # of the schedule, but no circuit of a board
            lines.append(CircuitLine(number=n, status="empty", text=shown, understood=says("no-circuit-board-left"), problem=None, match=None, fields=None))
            continue
        match = _match(cells, codes, design)
        try:
            if len(row) > len(rows[start]):
                raise NotUnderstood(says("this-line-has-cells", row_count=len(row), rows_count=len(rows[start])))
            if match is not None and match in seen:
                raise NotUnderstood(says("earlier-line-means-same"))
            fields = _fields(cells, units, design)
            now = design.circuit(match) if match else None
            Circuit.model_validate({**(now.model_dump() if now else {"id": "x"}), **fields})
            seen |= {match} if match else set()
            words = f"{'changes' if match else 'new'}: {_words(fields, design)}"
            lines.append(CircuitLine(number=n, status="taken", text=shown, understood=words, problem=None, match=match, fields=fields))
        except ValidationError as exc:
            lines.append(CircuitLine(number=n, status="wrong", text=shown, understood="", problem=explain(exc).plainly, match=match, fields=None))
        except (NotUnderstood, BadInput) as exc:
            lines.append(CircuitLine(number=n, status="wrong", text=shown, understood="", problem=str(exc), match=match, fields=None))
    return CircuitPreview(
        separator=separator,
        columns={f: rows[start][i] for f, i in found.items()},
        ignored_columns=ignored,
        lines=lines,
        taken=sum(1 for x in lines if x.status == "taken"),
        wrong=sum(1 for x in lines if x.status == "wrong"),
    )
