"""What is in stock isn't bought again: offcuts with their place, pieces cut from them and from packs; pipes, fittings and boards by the design; quotes."""

from __future__ import annotations

import datetime as dt
from collections import Counter
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.designs import BANK, LAMP, blank

from bothy.core.build.cuts import Piece, cuts_of
from bothy.core.build.part import BuildPart, BuyPart
from bothy.core.build.piping import PACKS_M
from bothy.core.build.worked import build_part
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import Stock
from bothy.core.report import report
from bothy.demo import curlew, fiddlehead, saltbush

DAY = dt.date(2027, 3, 6)
CURLEW = curlew.design()
REPORT = report(CURLEW)


def shop(facts: dict[str, Any] | None = None, d: Design = CURLEW, today: dt.date = DAY) -> BuildPart:
    return build_part(d, REPORT if d is CURLEW else report(d), Facts.model_validate(facts or {}), today)


def line(b: BuildPart, key: str) -> BuyPart:
    return next(x for x in b.shopping if x.key == key)


def offcut(id: str, key: str, amount: float, unit: str = "m", place: str = "") -> dict[str, Any]:
    return {"id": id, "line": key, "name": key, "amount": amount, "unit": unit, "place": place}


LENGTHS = st.lists(st.floats(0.05, 9.0).map(lambda x: round(x, 2)), min_size=1, max_size=12)


@settings(deadline=None, max_examples=200)
@given(pieces=LENGTHS, have=st.lists(st.floats(0.1, 9.0).map(lambda x: round(x, 2)), max_size=6), pack=st.sampled_from([None, 5.0, 10.0]))
def test_each_piece_is_cut_once_without_a_joint_and_no_offcut_is_used_twice(pieces: list[float], have: list[float], pack: float | None) -> None:
    stock = [Stock(id=f"s{i}", line="c", name="c", amount=x, place=f"box {i}") for i, x in enumerate(have)]
    cuts = cuts_of([Piece(f"p{i}", x) for i, x in enumerate(pieces)], pack, stock)
    assert sorted(p.of for c in cuts for p in c.pieces) == sorted(f"p{i}" for i in range(len(pieces)))
    by_id = {s.id: s for s in stock}
    for c in cuts:
        assert sum(p.length_m for p in c.pieces) <= c.length_m + 1e-6 and c.pieces
        if c.source == "offcut":
            assert c.length_m == by_id[c.stock].amount and c.place == by_id[c.stock].place
        if c.source == "pack":
            assert c.length_m == pack
    used = Counter(c.stock for c in cuts if c.source == "offcut")
    assert all(n == 1 for n in used.values())
    assert sum(c.source == "reel" for c in cuts) <= 1
    if pack is not None and max(pieces) <= pack:
        assert not any(c.source == "reel" for c in cuts)
    without = cuts_of([Piece(f"p{i}", x) for i, x in enumerate(pieces)], None, [])
    bought = sum(c.length_m for c in cuts if c.source == "reel")
    assert bought <= sum(c.length_m for c in without) + 1e-6, "what is in stock never makes one buy more off the reel"


def test_an_offcut_takes_its_piece_off_the_list_and_says_where_it_lies() -> None:
    key = "cable-2-5-mm-red"
    before, after = line(shop(), key), line(shop({"stock": [offcut("a", key, 7.0, place="Box under the bench")]}), key)
    assert [c.source for c in before.cuts] == ["pack", "pack"] and before.packs == "2 × 10 m" and before.in_stock == 0
    taken = next(c for c in after.cuts if c.source == "offcut")
    assert (taken.place, [p.length_m for p in taken.pieces]) == ("Box under the bench", [pytest.approx(6.461, abs=0.01)])
    assert after.packs == "1 × 10 m" and after.in_stock == pytest.approx(6.461, abs=0.01)
    assert taken.left_m == pytest.approx(7.0 - taken.pieces[0].length_m) and taken.keep
    assert before.amount == after.amount, "what the design needs stays"


def test_a_piece_is_never_made_of_two_offcuts() -> None:
    key = "cable-2-5-mm-red"
    found = line(shop({"stock": [offcut("a", key, 5.0), offcut("b", key, 5.0)]}), key)
    assert found.packs == "2 × 10 m" and found.in_stock == 0, "8.55 and 6.46 m go into neither"


def test_what_lies_there_whole_is_not_bought_and_needs_no_order() -> None:
    key = "insulation-xps-30"
    whole = line(shop({"stock": [offcut("a", key, 20.0, "m²")]}), key)
    assert (whole.status, whole.packs, whole.order_by) == ("stock", "in stock", None)
    some = line(shop({"stock": [offcut("a", key, 3.0, "m²")]}), key)
    assert some.status == "planned" and some.packs == f"{some.amount - 3:g} m², 3 in stock"
    assert some.price is None and whole.price == 0.0, "what is there costs nothing more, whatever its price was"
    other = line(shop({"stock": [offcut("a", key, 20.0, "m")]}), key)
    assert other.in_stock == 0, "metres are no square metres"


def test_the_price_falls_by_what_is_in_stock() -> None:
    key = "water-pipe-9-cold"
    dear, cheap = line(shop(), key), line(shop({"stock": [offcut("a", key, 9.5)]}), key)
    assert dear.price == pytest.approx(17.1, abs=0.3) and dear.packs == "1 × 10 m"
    assert cheap.price == 0.0 and cheap.packs == "from offcuts in stock" and cheap.status == "stock"
    fewer = shop({"stock": [offcut("a", "power-array-roof", 1, "")]})
    assert line(fewer, "power-array-roof").price == pytest.approx(0.75 * line(shop(), "power-array-roof").price)
    assert fewer.money.planned == pytest.approx(shop().money.planned - 0.25 * line(shop(), "power-array-roof").price)


def test_what_is_cut_and_fitted_is_not_cut_again() -> None:
    key = "cable-2-5-mm-red"
    fitted = line(shop({"purchases": [{"id": key, "name": "Cable", "status": "fitted"}], "stock": [offcut("a", key, 1.4)]}), key)
    assert (fitted.status, fitted.cuts, fitted.order_by) == ("fitted", [], None)


# --- pipes, fittings, ducts, boards


def test_pipes_and_fittings_follow_from_the_runs() -> None:
    b = shop()
    cold = line(b, "water-pipe-9-cold")
    assert cold.amount == pytest.approx(2.4 + 3.4 + 3.1) and {p.of for c in cold.cuts for p in c.pieces} == {
        "Galley tap",
        "Branch to the washroom",
        "Outside tap, boots",
    }
    assert line(b, "water-pipe-9-hot").amount == pytest.approx(0.8 + 1.9)
    assert line(b, "water-elbow-9").amount == 3 + 4 + 2 + 3 + 2 + 1, "and one to carry"
    assert line(b, "water-tee-11-6").amount == 2 + 1 + 1, "three runs part from the main, two from the branch"
    assert line(b, "water-stop-valve-9").amount == 1
    assert line(b, "gas-pipe-6").amount == pytest.approx(3.2 + 0.6 + 0.9) and line(b, "gas-pipe-6").price is None, "the fitter brings it"
    assert line(b, "duct-75").packs == "1 × 5 m" and line(b, "duct-75").amount == pytest.approx(0.9 + 1.3 + 1.8)
    keys = {x.key for x in b.shopping}
    assert "goods-pipe" not in keys and "goods-fittings" not in keys and "goods-waste-pipe" not in keys, "nothing stands there twice"


def test_without_runs_a_pack_stands_in_their_place() -> None:
    d = apply_patch(CURLEW, [{"op": "replace", "path": "/water/runs", "value": []}])
    keys = {x.key for x in shop(d=d).shopping}
    assert "goods-pipe" in keys and "goods-fittings" in keys and not any(k.startswith("water-pipe") for k in keys)


def test_boards_go_to_the_tasks_of_their_surface() -> None:
    b = shop()
    at = {k: line(b, k).task for k in ("insulation-birch-plywood-12", "insulation-vinyl-floor-2", "insulation-butyl-deadening-2", "insulation-xps-30")}
    assert at == {
        "insulation-birch-plywood-12": "floor-ply",
        "insulation-vinyl-floor-2": "floor-finish",
        "insulation-butyl-deadening-2": "sound-deadening",
        "insulation-xps-30": "floor-insulation",
    }
    assert (line(b, "insulation-plywood-4").task or "").startswith("line-")


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_every_line_has_a_task_that_takes_it_and_stands_there_once(demo: Any) -> None:
    b = shop(demo.facts().model_dump(mode="json"), demo.design())
    keys = [x.key for x in b.shopping]
    assert len(keys) == len(set(keys))
    known = {t.id for t in b.tasks}
    assert [x.key for x in b.shopping if x.task not in known] == []
    for x in b.shopping:
        assert x.amount > 0
        for c in x.cuts:
            assert c.source != "pack" or c.length_m in {m for packs in PACKS_M.values() for m in packs} | {1.0, 2.5, 5.0, 10.0, 25.0, 50.0, 100.0}


# --- quotes


def test_a_quote_gives_price_and_days_while_it_holds() -> None:
    d = load_design({**blank(vehicle={"preset": "panel_van"}, life={"appliances": [LAMP]}, power={"bank": BANK}), "build": {"start_day": DAY.isoformat()}})
    quote = {"id": "power-bank", "supplier": "A shop", "price": 777.0, "lead_days": 40, "until": "2027-03-20"}
    plain, quoted = line(shop(d=d), "power-bank"), line(shop({"quotes": [quote]}, d), "power-bank")
    assert quoted.price == 777.0 and quoted.guide == plain.price and quoted.quote is not None and quoted.quote.holds
    assert quoted.order_by is not None and plain.order_by is not None and quoted.order_by < plain.order_by, "forty days are longer than usual"
    old = line(shop({"quotes": [{**quote, "until": "2027-03-05"}]}, d), "power-bank")
    assert old.price == plain.price and old.order_by == plain.order_by and old.quote is not None and not old.quote.holds
    paid = line(shop({"quotes": [quote], "purchases": [{"id": "power-bank", "name": "Bank", "status": "ordered", "price": 700.0}]}, d), "power-bank")
    assert paid.price == 700.0
    b = shop({"quotes": [quote]}, d)
    assert b.money.planned == pytest.approx(sum(x.price for x in b.shopping if x.price is not None))
