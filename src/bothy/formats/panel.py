"""The switch panel at 1:1 for the saw and the engraver: SVG and DXF, a layer for cutting and one for engraving, in millimetres."""

from __future__ import annotations

import io
from collections.abc import Collection
from xml.sax.saxutils import escape

from bothy.core.wiring.panel_design import TEXT_MM, PanelPart, PanelShape

CORNER_MM = 3.0


def _outline(s: PanelShape, size: list[float], height_mm: float) -> str:
    x, y = s.x_mm, height_mm - s.y_mm
    if len(size) == 1:
        return f"<circle cx='{x:g}' cy='{y:g}' r='{size[0] / 2:g}'/>"
    return f"<rect x='{x - size[0] / 2:g}' y='{y - size[1] / 2:g}' width='{size[0]:g}' height='{size[1]:g}'/>"


LAYERS = ("cut", "engrave", "fronts")


def to_svg(part: PanelPart, title: str, layers: Collection[str] = LAYERS) -> str:
    """The plate as SVG, one unit a millimetre: groups ``cut``, ``engrave`` and, for the eye only, ``fronts``; or some of them."""
    w, h = part.width_mm, part.height_mm
    texts = [
        f"<text x='{s.x_mm:g}' y='{h - s.label_y_mm + n * TEXT_MM * 1.25:.2f}'>{escape(line)}</text>" for s in part.shapes for n, line in enumerate(s.lines)
    ]
    drawn = {
        "cut": [
            "<g id='cut' fill='none' stroke='#d00000' stroke-width='0.1'>",
            f"<rect x='0' y='0' width='{w:g}' height='{h:g}' rx='{CORNER_MM:g}'/>",
            *(_outline(s, s.cut_mm, h) for s in part.shapes),
            "</g>",
        ],
        "engrave": [
            f"<g id='engrave' fill='#000000' font-family='Inter, Instrument Sans, sans-serif' font-size='{TEXT_MM / 0.72:.3f}' text-anchor='middle'>",
            *texts,
            "</g>",
        ],
        "fronts": [
            "<g id='fronts' fill='none' stroke='#888888' stroke-width='0.1' stroke-dasharray='1 1'>",
            *(_outline(s, s.front_mm, h) for s in part.shapes),
            "</g>",
        ],
    }
    return "\n".join(
        [
            f"<svg xmlns='http://www.w3.org/2000/svg' width='{w:g}mm' height='{h:g}mm' viewBox='0 0 {w:g} {h:g}'>",
            f"<title>{escape(title)}</title>",
            *(x for name in LAYERS if name in layers for x in drawn[name]),
            "</svg>",
            "",
        ]
    )


def to_dxf(part: PanelPart) -> bytes:
    """The plate as DXF R2010 in millimetres: layers CUT, ENGRAVE and FRONTS; the origin is the plate's lower left corner."""
    from ezdxf import units
    from ezdxf.enums import TextEntityAlignment
    from ezdxf.filemanagement import new

    doc = new("R2010", setup=False)
    doc.units = units.MM
    for name, colour in (("CUT", 1), ("ENGRAVE", 7), ("FRONTS", 8)):
        doc.layers.add(name, color=colour)
    space = doc.modelspace()

    def outline(s: PanelShape, size: list[float], layer: str) -> None:
        if len(size) == 1:
            space.add_circle((s.x_mm, s.y_mm), size[0] / 2, dxfattribs={"layer": layer})
        else:
            x, y, dx, dy = s.x_mm, s.y_mm, size[0] / 2, size[1] / 2
            space.add_lwpolyline([(x - dx, y - dy), (x + dx, y - dy), (x + dx, y + dy), (x - dx, y + dy)], close=True, dxfattribs={"layer": layer})

    w, h = part.width_mm, part.height_mm
    space.add_lwpolyline([(0, 0), (w, 0), (w, h), (0, h)], close=True, dxfattribs={"layer": "CUT"})
    for s in part.shapes:
        outline(s, s.cut_mm, "CUT")
        outline(s, s.front_mm, "FRONTS")
        for n, line in enumerate(s.lines):
            space.add_text(line, height=TEXT_MM, dxfattribs={"layer": "ENGRAVE"}).set_placement(
                (s.x_mm, s.label_y_mm - n * TEXT_MM * 1.25), align=TextEntityAlignment.MIDDLE_CENTER
            )
    out = io.StringIO()
    doc.write(out)
    return out.getvalue().encode("utf-8")
