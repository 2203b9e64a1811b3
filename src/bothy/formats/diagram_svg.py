"""The single-line diagram as a standing SVG picture, black on white, for print and for other programs."""

from __future__ import annotations

from textwrap import wrap
from xml.sax.saxutils import escape

from bothy.core.wiring.diagram import Diagram, DiagramLine, DiagramMark, DiagramNode

FONT = "font-family='Instrument Sans, Inter, DejaVu Sans, sans-serif'"
DASH = {"dc": "", "ac": " stroke-dasharray='9 3'", "return": " stroke-dasharray='2 2'", "earth": " stroke-dasharray='1 2'"}
WIDTH = {"dc": 1.6, "ac": 1.6, "return": 1.0, "earth": 1.2}
INK = "#20261F"
LETTERS = {"shunt": "S", "rcd": "RD", "transfer": "CO"}
HEAD, KEY = 34.0, 26.0
SQUEEZE = 1.3
KEY_TEXT = (
    "solid: positive · dotted: return · long dashes: mains, licensed work · double bar: fuse · with a stroke: breaker · ring with a stroke: isolator · "
    "ring: switch · square: relay · S: shunt · RD: residual-current device · CO: change-over"
)


def _short(text: str, room: float, size: float, part: float = 0.54) -> str:
    """A text cut to a width, with a dot-dot-dot where it was longer; a letter takes ``part`` of its size."""
    most = max(3, int(room / (size * part)))
    return escape(text if len(text) <= most else text[: most - 1] + "…")


def _text(x: float, y: float, size: float, text: str, *, bold: bool = False, anchor: str = "start") -> str:
    weight = " font-weight='600'" if bold else ""
    end = f" text-anchor='{anchor}'" if anchor != "start" else ""
    return f"<text x='{x:g}' y='{y:g}' font-size='{size:g}'{weight}{end} fill='{INK}' {FONT}>{text}</text>"


def _node(n: DiagramNode) -> str:
    box = f"x='{n.x:g}' y='{n.y:g}' width='{n.w:g}' height='{n.h:g}'"
    if n.kind in ("bus", "negative"):
        return f"<rect {box} fill='{INK if n.kind == 'bus' else 'white'}' stroke='{INK}'><title>{escape(n.title)} {escape(n.sub)}</title></rect>"
    middle = n.y + n.h / 2
    one = n.kind in ("circuit", "folded")
    room = n.w - 10 - (len(n.note) * 5.6 if n.note else 0)
    parts = [f"<rect {box} fill='white' stroke='{INK}'/>"]
    if one:
        parts.append(_text(n.x + 5, n.y + 10, 10, _short(n.title, room, 10, 0.58), bold=True))
        parts.append(_text(n.x + 5, n.y + 20.5, 8.5, _short(n.sub, n.w - 10, 8.5)))
    else:
        titles = wrap(n.title, max(4, int(room / 6.1)), max_lines=2, placeholder="…")
        top = middle - 3 - 6 * (len(titles) - 1)
        parts += [_text(n.x + 5, top + 12 * i, 11, escape(t), bold=True) for i, t in enumerate(titles)]
        parts.append(_text(n.x + 5, top + 12 * len(titles) + 1, 8.5, _short(n.sub, n.w - 10, 8.5)))
    if n.note:
        parts.append(_text(n.x + n.w - 5, n.y + 10, 9, escape(n.note), anchor="end"))
    return "".join(parts)


def _line(line: DiagramLine) -> str:
    points = " ".join(f"{x:g},{y:g}" for x, y in line.points)
    out = [f"<polyline points='{points}' fill='none' stroke='{INK}' stroke-width='{WIDTH[line.service]:g}'{DASH[line.service]}/>"]
    x, y = line.points[0]
    if line.label and line.service == "return":
        out.append(_text(x + 3, y - 3, 7.5, escape(line.label)))
    elif line.label:
        out.append(_text(x + 12, y - 3.5, 8.5, escape(line.label)))
    if line.flow:
        out.append(_text(x + 12, y + 9.5, 7.5, escape(line.flow)))
    return "".join(out)


def _mark(m: DiagramMark) -> str:
    x, y, ink = m.x, m.y, f"stroke='{INK}' stroke-width='1.3'"
    title = f"<title>{escape(m.title)}</title>"
    if m.kind in ("fuse", "breaker"):
        stroke = f"M{x - 4:g} {y + 5:g}L{x + 4:g} {y - 5:g}" if m.kind == "breaker" else ""
        return f"<path d='M{x - 2:g} {y - 5:g}v10M{x + 2:g} {y - 5:g}v10{stroke}' fill='none' {ink}>{title}</path>"
    if m.kind in ("isolator", "switch"):
        ring = f"<circle cx='{x:g}' cy='{y:g}' r='4' fill='white' {ink}>{title}</circle>"
        return ring + (f"<path d='M{x - 4:g} {y + 4:g}L{x + 4:g} {y - 4:g}' {ink}/>" if m.kind == "isolator" else "")
    if m.kind == "relay":
        return f"<rect x='{x - 4:g}' y='{y - 4:g}' width='8' height='8' fill='white' {ink}>{title}</rect>"
    if m.kind == "chassis":
        return f"<path d='M{x - 6:g} {y:g}h12M{x - 4:g} {y + 3:g}h8M{x - 2:g} {y + 6:g}h4' fill='none' {ink}>{title}</path>"
    letters = LETTERS[m.kind]
    return f"<rect x='{x - 9:g}' y='{y - 7:g}' width='18' height='14' fill='white' {ink}>{title}</rect>" + _text(
        x, y + 3.2, 8.5, letters, bold=True, anchor="middle"
    )


def drawing(d: Diagram) -> str:
    """All lines, boxes and marks as SVG elements in the units of the diagram."""
    return "\n".join([*map(_line, d.lines), *map(_node, d.nodes), *map(_mark, d.marks)])


def to_svg(d: Diagram, title: str) -> str:
    """The whole picture as an SVG document with its title and key."""
    height = d.height + HEAD + KEY
    return "\n".join(
        [
            f"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 {d.width:g} {height:g}' width='{d.width:g}' height='{height:g}' role='img'>",
            f"<title>{escape(title)}</title><rect width='100%' height='100%' fill='white'/>",
            _text(8, 21, 14, escape(title[:120]), bold=True),
            f"<g transform='translate(0 {HEAD:g})'>",
            drawing(d),
            "</g>",
            _text(8, height - 9, 8.5, KEY_TEXT),
            "</svg>",
            "",
        ]
    )


def _cuts(d: Diagram, top: float, bottom: float) -> list[float]:
    """Where a page may end: between groups, else between two circuits; never through a bank, a source or an inverter."""
    solid = [n for n in d.nodes if n.kind in ("bank", "source", "origin", "inverter", "circuit", "folded")]

    def free(y: float) -> bool:
        return top < y <= bottom and all(not n.y < y < n.y + n.h for n in solid)

    lower = [y for y in d.breaks if free(y) and y > (top + bottom) / 2]
    return lower or [n.y - 3 for n in d.nodes if n.kind == "circuit" and free(n.y - 3)]


def pages(d: Diagram, most: float) -> list[tuple[float, float]]:
    """Heights from and to of the pages of a diagram, none higher than ``most``; a little more than one page is set smaller on one."""
    if d.height <= SQUEEZE * most:
        return [(0.0, d.height)]
    out: list[tuple[float, float]] = []
    y = 0.0
    while d.height - y > most:
        end = max(_cuts(d, y, y + most), default=y + most)
        out.append((y, end))
        y = end
    return [*out, (y, d.height)]


def page_svg(d: Diagram, top: float, bottom: float) -> str:
    """One page of the picture as SVG without a title, as wide as its page."""
    return (
        f"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 {top:g} {d.width:g} {bottom - top:g}' style='width:100%' preserveAspectRatio='xMidYMin meet'>"
        f"{drawing(d)}</svg>"
    )
