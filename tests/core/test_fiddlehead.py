"""The second demo: another region's terms, sizes and colours, and its honest mistakes."""

from __future__ import annotations

from bothy.core.design.edit import apply_patch
from bothy.core.report import report
from bothy.core.wiring.lists import bench_lists
from bothy.demo import fiddlehead
from bothy.demo.load import demo_of


def test_fiddlehead_has_its_six_honest_mistakes() -> None:
    """The shared breaker shows as three findings of one circuit; the bond as one of the mains side; the narrow gas pipe as one of gas; the stock on the
    bench behind the axles as a light nose; the pad under the grey tank as one of water and the element as one of warmth that nobody counted."""
    serious = {(f.rule, f.subject) for f in demo_of(fiddlehead)[0].report.findings if f.severity in ("danger", "fault")}
    shared = next(c.id for c in fiddlehead.design().wiring.circuits if "roof-ac" in c.appliances)
    assert serious == {
        ("wire-ac-ne-bond", "mains"),
        ("wire-over-ampacity", shared),
        ("wire-fuse-below-load", shared),
        ("wire-split-circuit", shared),
        ("gas-pipe-drop-high", "gas-run:to-heater"),
        ("fit-nose-light", "fit"),
        ("water-heater-uncounted", "tank:grey"),
        ("warm-heater-uncounted", "heater:element"),
    }


def test_splitting_bonding_by_relay_and_a_wider_pipe_clear_them() -> None:
    one, evidence = demo_of(fiddlehead)
    design = one.design
    for rule in ("wire-split-circuit", "wire-ac-ne-bond", "gas-pipe-drop-high", "water-heater-uncounted", "warm-heater-uncounted"):
        f = next(f for f in report(design, evidence).findings if f.rule == rule)
        assert f.fix is not None
        design = apply_patch(design, f.fix.patch)
    stock = next(i for i, o in enumerate(design.fit.own) if o.id == "loaded")
    design = apply_patch(design, [{"op": "replace", "path": f"/fit/own/{stock}/mass_kg", "value": 25.0}])  # the rest travels in the towing vehicle
    # the wider pipe was never tested: that it must be is all that is left
    assert [f.rule for f in report(design, evidence).findings if f.severity in ("danger", "fault")] == ["gas-test-missing"]


def test_everything_is_in_the_regions_sizes_voltage_and_colours() -> None:
    design = fiddlehead.design()
    r = report(design)
    assert (r.wire_series, design.region) == ("awg", "us")
    assert all(c.awg is not None and c.area_mm2 is None for c in design.wiring.circuits)
    assert {c.nominal_v for c in r.wiring.circuits.values() if c.ac} == {120.0}
    assert {c.fuse_a for c in design.wiring.circuits if c.kind == "ac"} <= {15.0, 20.0, 30.0}
    lists = bench_lists(design, r.wiring.circuits, r.wiring.raceways, r.wiring.others)
    assert {c.colour for c in lists.cables} == {"red", "black", "black/white/green", "green"}
    assert all("AWG" in c.size for c in lists.cables)
    assert design.wiring.mains is not None
    assert design.wiring.mains.poles == "single"
    assert "licensed electrician" in r.licensed
