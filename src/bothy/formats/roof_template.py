"""Templates of cut-outs as files, 1 to 1: SVG in mm, DXF by layers, and HTML in tiles of a paper size for a PDF."""

from __future__ import annotations

import io
from html import escape
from math import ceil
from typing import Literal

from bothy.core.roof.template import BAR_MM, PILOT_MM, Layer, Stroke, Template

PaperSize = Literal["A4", "letter"]
PAPERS: dict[PaperSize, tuple[float, float]] = {"A4": (210.0, 297.0), "letter": (215.9, 279.4)}
MARGIN_MM, OVERLAP_MM, HEAD_MM = 12.0, 10.0, 14.0
LOOK: dict[Layer, str] = {
    "CUT": "stroke='#20261f' stroke-width='0.35'",
    "CENTRE": "stroke='#2c6e86' stroke-width='0.2' stroke-dasharray='7 1.5 1 1.5'",
    "RIB": "stroke='#77588a' stroke-width='0.25' stroke-dasharray='3 1.5'",
    "PILOT": "stroke='#a8391f' stroke-width='0.25'",
    "BAR": "stroke='#a8391f' stroke-width='0.35'",
    "TEXT": "stroke='#566152' stroke-width='0.25'",
}
COLOURS: dict[Layer, int] = {"CUT": 7, "CENTRE": 5, "RIB": 6, "PILOT": 1, "BAR": 1, "TEXT": 8}
"""DXF colours of the layers, whose names are the same."""


def _inner(t: Template, x0: float, y0: float) -> str:
    """The drawing with its rear right corner at a point of the sheet, front to the right, mm."""

    def at(x: float, y: float) -> str:
        return f"{x - x0:.2f},{y0 - y:.2f}"

    out = []
    for s in t.strokes:
        tag = "polygon" if s.closed else "polyline"
        out.append(f"<{tag} class='{s.layer}' fill='none' {LOOK[s.layer]} points='{' '.join(at(x, y) for x, y in s.points)}'/>")
    for w in t.words:
        out.append(
            f"<text x='{w.x - x0:.2f}' y='{y0 - w.y:.2f}' font-size='4' font-family='Instrument Sans, sans-serif' fill='#20261f'>{escape(w.text)}</text>"
        )
    return "".join(out)


def to_svg(t: Template) -> str:
    """One drawing at its true size."""
    w, h = 2 * t.half_x, 2 * t.half_y
    return (
        f"<svg xmlns='http://www.w3.org/2000/svg' width='{w:.2f}mm' height='{h:.2f}mm' viewBox='0 0 {w:.2f} {h:.2f}'>"
        f"<title>{escape(t.name)}</title><desc>{escape(' '.join(t.laid_by))}</desc>{_inner(t, -t.half_x, t.half_y)}</svg>\n"
    )


def to_dxf(t: Template) -> bytes:
    """Closed lines and layers CUT, CENTRE, RIB, PILOT, BAR and TEXT, in mm about the middle of the cut."""
    from ezdxf import units
    from ezdxf.filemanagement import new

    doc = new("R2010", setup=False)
    doc.units = units.MM
    for name, colour in COLOURS.items():
        doc.layers.add(name, color=colour)
    space = doc.modelspace()
    for s in t.strokes:
        space.add_lwpolyline(list(s.points), close=s.closed, dxfattribs={"layer": s.layer})
    for x, y in _pilots(t.strokes):
        space.add_circle((x, y), PILOT_MM / 2, dxfattribs={"layer": "PILOT"})
    for word in t.words:
        space.add_text(word.text[:80], height=4, dxfattribs={"layer": "TEXT"}).set_placement((word.x, word.y))
    for k, text in enumerate(t.laid_by):
        space.add_text(text[:120], height=4, dxfattribs={"layer": "TEXT"}).set_placement((-t.half_x, -t.half_y - 8 - 7 * k))
    out = io.StringIO()
    doc.write(out)
    return out.getvalue().encode()


def _pilots(strokes: tuple[Stroke, ...]) -> list[tuple[float, float]]:
    level = [s.points for s in strokes if s.layer == "PILOT" and s.points[0][1] == s.points[1][1]]
    return [((a[0] + b[0]) / 2, a[1]) for a, b in level]


def tiles(t: Template, size: PaperSize) -> tuple[int, int, float, float]:
    """Columns and rows of sheets, and what of the drawing each shows, mm; neighbours overlap by 10 mm."""
    w, h = PAPERS[size]
    show_w, show_h = w - 2 * MARGIN_MM, h - 2 * MARGIN_MM - HEAD_MM
    step_w, step_h = show_w - OVERLAP_MM, show_h - OVERLAP_MM
    cols = max(1, ceil((2 * t.half_x - OVERLAP_MM) / step_w))
    rows = max(1, ceil((2 * t.half_y - OVERLAP_MM) / step_h))
    return cols, rows, show_w, show_h


def to_html(t: Template, size: PaperSize, project: str) -> str:
    """Sheets to be glued together at their crosses, each with its row and column, at 100 %."""
    cols, rows, show_w, show_h = tiles(t, size)
    w, h = PAPERS[size]
    pages = []
    for r in range(rows):
        for c in range(cols):
            x0, y0 = -t.half_x + c * (show_w - OVERLAP_MM), t.half_y - r * (show_h - OVERLAP_MM)
            marks = []
            for k in range(2):
                for n in range(2):
                    mx, my = OVERLAP_MM / 2 + k * (show_w - OVERLAP_MM), OVERLAP_MM / 2 + n * (show_h - OVERLAP_MM)
                    marks.append(f"<path d='M{mx - 4:.2f} {my:.2f}h8M{mx:.2f} {my - 4:.2f}v8' stroke='#a8391f' stroke-width='0.2'/>")
            head = (
                f"<p><b>{escape(t.name)}</b>, {escape(project)} · sheet {chr(65 + r)}{c + 1} of {chr(64 + rows)}{cols} · print at 100 %, "
                f"then measure the {BAR_MM:.0f} mm bar{'s' if (r, c) == (rows - 1, 0) else ' on the sheet that shows it'}</p>"
                f"<p>{escape(' '.join(t.laid_by))}</p>"
            )
            pages.append(
                f"<section><header>{head}</header><svg width='{show_w:.2f}mm' height='{show_h:.2f}mm' viewBox='0 0 {show_w:.2f} {show_h:.2f}'>"
                f"{_inner(t, x0, y0)}{''.join(marks)}<rect x='0' y='0' width='{show_w:.2f}' height='{show_h:.2f}' fill='none' stroke='#566152' "
                f"stroke-width='0.1'/></svg></section>"
            )
    style = (
        f"@page {{ size: {w}mm {h}mm; margin: {MARGIN_MM}mm }} body {{ margin: 0; font: 8.5pt sans-serif }} "
        f"section {{ break-after: page; height: {h - 2 * MARGIN_MM - 0.5}mm }} section:last-child {{ break-after: auto }} "
        f"header {{ height: {HEAD_MM}mm; overflow: hidden }} p {{ margin: 0 }} svg {{ display: block; overflow: hidden }}"
    )
    head = f"<meta charset='utf-8'><title>{escape(t.name)}</title><style>{style}</style>"
    return f"<!doctype html><html lang='en'><head>{head}</head><body>{''.join(pages)}</body></html>"
