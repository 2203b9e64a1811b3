"""Whatever a layout holds, its report is made: odd bodies, places, ways and loadings are findings, never an error, and the same again gives the same."""

from __future__ import annotations

from typing import Any

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.fit.propose import propose_places
from bothy.core.report import report
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.formats.places import masses_csv, places_csv, to_dxf, to_svg, ways_csv

BASES = [d.design().model_dump(mode="json") for d in (curlew, fiddlehead, saltbush)]
KEYS = [*sorted({p["of"] for b in BASES for p in b["fit"]["places"]}), "own:thing", "life:gone"]
METRE, SIDE, UP = st.floats(-6, 25), st.floats(-3, 3), st.floats(-1.5, 5)
HALF = st.floats(0.001, 3)
NODE = st.sampled_from(["n1", "n2", "d-left-low-0", "w-left-low-1", "engine", "g-left-up-0", "nowhere"])


@st.composite
def body(draw: Any) -> dict[str, Any]:
    levels = sorted(draw(st.lists(st.floats(0, 4), min_size=1, max_size=4, unique=True)))
    xs = sorted(draw(st.lists(METRE, min_size=2, max_size=5, unique=True)))
    row = st.lists(HALF, min_size=len(levels), max_size=len(levels))
    stations = [{"x_m": x, "left_m": draw(row), "right_m": draw(row), "height_m": draw(st.floats(0.01, 5))} for x in xs]
    running = draw(
        st.fixed_dictionaries(
            {},
            optional={
                "rear_axle_x_m": METRE,
                "front_axle_x_m": METRE,
                "second_axle_x_m": METRE,
                "coupling_x_m": METRE,
                "track_m": st.floats(0.5, 3),
                "floor_height_m": st.floats(0, 2),
                "empty_front_kg": st.floats(0, 4000),
                "empty_rear_kg": st.floats(0, 4000),
                "gross_limit_kg": st.floats(100, 6000),
                "roof_limit_kg": st.floats(0, 200),
                "tow_limit_kg": st.floats(50, 3000),
                "nose_limit_kg": st.floats(1, 300),
            },
        )
    )
    door = {"id": "d", "side": draw(st.sampled_from(["left", "right", "rear", "front", "roof"])), "x0_m": 0.5, "x1_m": 1.4}
    door |= {"clear_width_m": draw(st.floats(0.001, 5)), "clear_height_m": draw(st.floats(0.001, 4)), "sill_z_m": draw(UP)}
    out: dict[str, Any] = {"levels_z_m": levels, "stations": stations, "running": running}
    return out if draw(st.booleans()) else {"running": running, "doors": [door]}


@st.composite
def fit(draw: Any) -> dict[str, Any]:
    keys = draw(st.lists(st.sampled_from(KEYS), max_size=8, unique=True))
    places = [
        {
            "of": k,
            "x_m": draw(METRE),
            "y_m": draw(SIDE),
            "z_m": draw(UP),
            "yaw_deg": draw(st.sampled_from([0, 90, 180, 270])),
            "up": draw(st.sampled_from(["top", "front", "rear", "left", "right", "bottom"])),
            "bay": draw(st.sampled_from([None, "bay"])),
            "fixing": draw(st.sampled_from([None, "insert_m6", "wood_screw_ply"])),
            "fixing_count": draw(st.sampled_from([None, 2, 5])),
        }
        for k in keys
    ]
    bay = {
        "id": "bay",
        "kind": draw(st.sampled_from(["living", "gas_locker", "underfloor", "garage"])),
        "x0_m": 0,
        "x1_m": 1,
        "y0_m": -1,
        "y1_m": 0,
        "z0_m": -0.5,
        "z1_m": 1,
    }
    ways = [{"id": f"w{i}", "a": draw(NODE), "b": draw(NODE), "services": ["dc", "water"], "tags": ["heat"]} for i in range(draw(st.integers(0, 3)))]
    size = draw(st.floats(0.01, 12))
    own = {"id": "thing", "name": "Thing", "length_m": size, "width_m": min(4, size), "height_m": min(4, size), "mass_kg": draw(st.floats(0, 3000))}
    own |= {"kind": draw(st.sampled_from(["bed", "kitchen", "removed", "seat", "luggage", "wet_room"]))}
    factors = draw(st.dictionaries(st.sampled_from(["water", "people", "fixed", "nothing"]), st.floats(0, 2), max_size=3))
    return {
        "body": draw(body()),
        "places": places,
        "bays": [bay],
        "own": [own],
        "nodes": [{"id": n, "x_m": draw(METRE), "y_m": draw(SIDE), "z_m": draw(UP)} for n in ("n1", "n2")],
        "ways": ways,
        "closed": draw(st.lists(st.sampled_from(["d-left-low-0--d-left-low-1", "m-top-0", "?"]), max_size=2)),
        "pins": [{"run": "circuit:inverter-feed", "node": draw(NODE)}],
        "keep": draw(st.lists(st.sampled_from(["circuit:inverter-feed", "x"]), max_size=2)),
        "scenarios": draw(st.sampled_from([[], [{"id": "s", "factors": factors}]])),
        "sizes": [{"of": draw(st.sampled_from(KEYS)), "length_m": draw(st.floats(0.005, 12)), "mass_kg": draw(st.floats(0, 5000))}],
    }


@settings(max_examples=30, deadline=None, suppress_health_check=[HealthCheck.too_slow, HealthCheck.large_base_example, HealthCheck.data_too_large])
@given(st.sampled_from(range(3)), fit())
def test_a_report_is_made_of_any_layout(base: int, layout: dict[str, Any]) -> None:
    try:
        design = load_design({**BASES[base], "fit": layout})
    except BadInput:
        return  # refused with its field
    made = report(design)
    assert report(design).plain()["fit"] == made.plain()["fit"]
    for row in made.fit.weight.loadings:
        assert row.gross_kg == row.gross_kg
    assert places_csv(design, made.fit) and masses_csv(made.fit) and ways_csv(made.fit) and to_svg(made.fit, "x") and to_dxf(made.fit)


@settings(max_examples=6, deadline=None, suppress_health_check=list(HealthCheck))
@given(st.sampled_from(range(3)), body())
def test_places_are_searched_in_any_body(base: int, shape: dict[str, Any]) -> None:
    try:
        design = load_design({**BASES[base], "fit": {"body": shape}})
    except BadInput:
        return
    places = propose_places(design)
    assert len(places.places) + len(places.left) == sum(not t.on_roof for t in report(design).fit.things)
