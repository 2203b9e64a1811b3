"""The distribution tree as a standing SVG picture, black on white, for print and for other programs."""

from __future__ import annotations

from xml.sax.saxutils import escape

from bothy.core.wiring.tree import Tree, TreeNode

FONT = "font-family='Instrument Sans, DejaVu Sans, sans-serif'"
DASH = {"dc": "", "ac": " stroke-dasharray='7 3'"}


def _short(text: str, room: float, size: float) -> str:
    """A text cut to a width, with a dot-dot-dot where it was longer."""
    most = max(3, int(room / (size * 0.54)))
    return escape(text if len(text) <= most else text[: most - 1] + "…")


def _node(n: TreeNode) -> str:
    if n.kind == "bus":
        return f"<rect x='{n.x:g}' y='{n.y:g}' width='{n.w:g}' height='{n.h:g}' fill='#20261F'><title>{escape(n.title)} {escape(n.sub)}</title></rect>"
    middle = n.y + n.h / 2
    one = n.kind == "circuit"
    first = f"<text x='{n.x + 6:g}' y='{n.y + 10 if one else middle - 3:g}' font-size='{10 if one else 11}' font-weight='600' {FONT}>{_short(n.title, n.w - 10, 11)}</text>"
    second = f"<text x='{n.x + 6:g}' y='{n.y + 20.5 if one else middle + 11:g}' font-size='9' {FONT}>{_short(n.sub, n.w - 10, 9)}</text>"
    return f"<rect x='{n.x:g}' y='{n.y:g}' width='{n.w:g}' height='{n.h:g}' fill='white' stroke='#20261F'/>{first}{second}"


def to_svg(tree: Tree, title: str) -> str:
    """The whole picture as an SVG document."""
    parts = [
        f"<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 {tree.width:g} {tree.height + 34:g}' width='{tree.width:g}' height='{tree.height + 34:g}' role='img'>",
        f"<title>{escape(title)}</title><rect width='100%' height='100%' fill='white'/>",
        f"<text x='12' y='20' font-size='14' font-weight='600' {FONT}>{escape(title[:120])}</text>",
        f"<text x='{tree.width - 12:g}' y='20' font-size='9' text-anchor='end' {FONT}>solid: direct current · dashed: mains (licensed work) · double bar: fuse</text>",
        "<g transform='translate(0 30)'>",
    ]
    for line in tree.lines:
        points = " ".join(f"{x:g},{y:g}" for x, y in line.points)
        parts.append(f"<polyline points='{points}' fill='none' stroke='#20261F' stroke-width='1.4'{DASH[line.service]}/>")
        x, y = line.points[0]
        if line.fused:
            parts.append(f"<path d='M{x + 2:g} {y - 4:g}v8M{x + 5:g} {y - 4:g}v8' stroke='#20261F' stroke-width='1.2'/>")
        parts.append(f"<text x='{line.label_x:g}' y='{line.label_y:g}' font-size='8.5' {FONT}>{escape(line.label)}</text>")
    parts += [_node(n) for n in tree.nodes]
    parts.append("</g></svg>")
    return "\n".join(parts) + "\n"
