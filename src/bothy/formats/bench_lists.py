"""The lists for the bench as an XLSX workbook."""

from __future__ import annotations

from bothy.core.wiring.lists import BenchLists
from bothy.core.words.said import METRIC_UK, Reader
from bothy.core.words.says import formats_says as says
from bothy.formats.tables import plain
from bothy.formats.turned import for_reader
from bothy.formats.workbook import Table, to_xlsx


def tables(lists: BenchLists) -> list[Table]:
    """One table a list."""
    return [
        ("Labels", ("code", says("board-label"), says("wire-labels-each-on")), [[x.code, plain(x.board), plain("; ".join(x.wires))] for x in lists.labels]),
        (
            "Cable",
            ("size", "colour", says("needed"), says("longest-cut"), says("pack"), "packs"),
            [[x.size, x.colour, round(x.need_m, 2), round(x.longest_m, 2), x.pack_m, x.pack_count] for x in lists.cables],
        ),
        (
            "Terminals",
            ("size", "kind", "studs", "strip", says("pull-test"), "number"),
            [[x.size, x.kind, x.stud, x.strip, x.pull_n, x.count] for x in lists.terminals],
        ),
        ("Fuses", ("family", says("rating"), "fitted", "spare"), [[x.family, x.rating_a, x.fitted, x.spare] for x in lists.fuses]),
        (
            "Relays",
            ("code", "circuit", says("contacts-or-more"), says("control-wire")),
            [[x.code, plain(x.name), x.rating_a, says("fuse-suppression-diode")] for x in lists.relays],
        ),
        (
            "Conduits",
            ("raceway", "kind", "inside", says("length"), "circuits", "cables", "full %", says("at-most"), says("inside-to-buy")),
            [
                [
                    plain(x.name),
                    x.kind,
                    x.inside,
                    x.length_m,
                    ", ".join(x.codes),
                    x.cable_count,
                    round(100 * x.fill_frac, 1) if x.fill_frac is not None else None,
                    round(100 * x.limit_frac) if x.limit_frac is not None else None,
                    x.suggested_mm,
                ]
                for x in lists.conduits
            ],
        ),
        (
            "Loops",
            (
                "code",
                "circuit",
                says("expected"),
                says("least"),
                says("most"),
                says("ohm-meter-will-do"),
                says("fall-at-design-current"),
                says("read"),
                "verdict",
            ),
            [
                [
                    x.code,
                    plain(x.name),
                    round(x.expected_mohm, 1),
                    round(x.low_mohm, 1),
                    round(x.high_mohm, 1),
                    "yes" if x.resolvable else says("no-loaded-test"),
                    round(x.loaded_drop_v, 3),
                    x.measured_mohm,
                    x.verdict or "",
                ]
                for x in lists.loops
            ],
        ),
    ]


def write(lists: BenchLists, title: str, reader: Reader = METRIC_UK) -> bytes:
    """The workbook."""
    return to_xlsx([for_reader(t, reader, digits=4) for t in tables(lists)], title)
