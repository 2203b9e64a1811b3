"""Appliances from tables that people bring: understood line by line, nothing refused silently."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.life import Appliance
from bothy.core.recognise import kind_of
from bothy.core.units import NotUnderstood
from bothy.demo import curlew
from bothy.formats.appliances_csv import COLUMNS, preview, read_cell, write

HEAD = "name;power;use\n"


def lines(text: str) -> list[Any]:
    return preview(text).lines


def only(text: str) -> dict[str, Any]:
    made = lines(text)
    assert len(made) == 1, made
    assert made[0].status == "taken", made[0].problem
    assert made[0].appliance is not None
    return dict(made[0].appliance)


@pytest.mark.parametrize("sep", [";", ",", "\t", "|"])
def test_any_common_separator(sep: str) -> None:
    a = only(f"name{sep}power{sep}use\nFridge{sep}45 W{sep}30 %\n")
    assert (a["name"], a["power_w"], a["duty_frac"], a["kind"]) == ("Fridge", 45, 0.3, "cooling")
    assert preview(f"name{sep}power\nFridge{sep}45 W\n").separator == sep


@pytest.mark.parametrize(
    ("cell", "fields"),
    [
        ("45 W", {"power_w": 45.0}),
        ("0,5 kW", {"power_w": 500.0}),
        ("5 A @ 12 V", {"current_a": 5.0, "voltage_v": 12.0}),
        ("45", {"power_w": 45.0}),
    ],
)
def test_power_as_people_write_it(cell: str, fields: dict[str, float]) -> None:
    a = only(f"{HEAD}Thing;{cell};2 h")
    assert {k: a[k] for k in fields} == fields


@pytest.mark.parametrize(
    ("cell", "fields"),
    [
        ("2 h", {"hours_per_day": 2.0}),
        ("2", {"hours_per_day": 2.0}),
        ("90 min", {"hours_per_day": 1.5}),
        ("30 %", {"duty_frac": 0.3}),
        ("4 x 5 min", {"uses_per_day": 4.0, "minutes_per_use": 5.0}),
        ("4 × 5", {"uses_per_day": 4.0, "minutes_per_use": 5.0}),
        ("", {"hours_per_day": 1.0}),
    ],
)
def test_use_as_people_write_it(cell: str, fields: dict[str, float]) -> None:
    a = only(f"{HEAD}Thing;45 W;{cell}")
    assert {k: pytest.approx(a[k]) for k in fields} == fields


@pytest.mark.parametrize(
    ("head", "row", "fields"),
    [
        ("Item,Qty,Watts,Hours per day", "Lamp,3,5,4", {"count": 3, "power_w": 5, "hours_per_day": 4}),
        ("Device,Amps,Volts,h/day", "Pump,4,12,0.5", {"current_a": 4, "voltage_v": 12, "hours_per_day": 0.5}),
        ("Gerät;Anzahl;Leistung (W);Stunden", "Lampe;2;7,5;3", {"count": 2, "power_w": 7.5, "hours_per_day": 3}),
        ("Appareil;Puissance [kW];Heures", "Bouilloire;1,2;0,25", {"power_w": 1200, "hours_per_day": 0.25}),
        ("Appliance,Power (W),Duty", "Freezer,50,45 %", {"power_w": 50, "duty_frac": 0.45, "kind": "cooling"}),
        ("name,kWh/24h", "Fridge,0.4", {"energy_24h_wh": 400}),
        ("name,label energy", "Fridge,400 Wh", {"energy_24h_wh": 400}),
        ("name,battery wh", "Phone,15", {"charge_energy_wh": 15}),
        ("name,power,supply", "Kettle,1 kW,230V", {"supply": "ac"}),
        ("name,power,supply", "Lamp,5 W,12 V", {"supply": "dc"}),
        ("name,power,supply", "Phone,5 W,usb", {"supply": "converter"}),
        ("name,power,when", 'Lamp,5 W,"7-9, 16:30-22"', {"windows": [{"from_h": 7, "to_h": 9}, {"from_h": 16.5, "to_h": 22}]}),
        ("name,power,where,weight", "Lamp,5 W,bed,300 g", {"zone": "bed", "mass_kg": 0.3}),
        ("name,power,start", "Saw,600 W,4x", {"start_multiple": 4}),
    ],
)
def test_the_columns_people_use(head: str, row: str, fields: dict[str, Any]) -> None:
    a = only(f"{head}\n{row}")
    assert {k: a[k] for k in fields} == fields


@pytest.mark.parametrize(
    ("row", "words"),
    [
        (";45 W;2 h", "name is missing"),
        ("Kettle;;2 h", "power is missing"),
        ("Kettle;40 kW;2 h", "Power must be at most 15000"),
        ("Kettle;-5 W;2 h", "at least 0"),
        ("Kettle;12 V;2 h", "is a voltage, not a power"),
        ("Kettle;hot;2 h", "has no number"),
        ("Kettle;5 A;2 h", "give its voltage too"),
        ("Kettle;45 W;25 h", "Hours a day must be at most 24"),
        ("Kettle;45 W;often", "has no number"),
        ("x" * 200 + ";45 W;1 h", "Name must have at most 120"),
        ("Kettle;45 W;1 h;more;still", "this line has 5 cells"),
    ],
)
def test_a_wrong_line_says_what_would_be_right_and_the_others_stay(row: str, words: str) -> None:
    made = preview(f"{HEAD}Lamp;5 W;4 h\n{row}\nFan;9 W;2 h\n")
    assert [x.status for x in made.lines] == ["taken", "wrong", "taken"]
    assert words in (made.lines[1].problem or "")
    assert (made.taken, made.wrong) == (2, 1)
    assert made.lines[1].number == 3
    assert made.lines[1].appliance is None


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "is empty"),
        ("  \n \n", "is empty"),
        ("colour\nred", "are not those of an appliance list"),
        ("name\nLamp", "power"),
        ("name;power\x00\nLamp;5", "is not text"),
        ("name;power\n" + "Lamp;5 W\n" * 2001, "at most 2000"),
        ("name;power\n" + "x" * 2_000_001, "at most 2,000,000"),
    ],
)
def test_a_file_that_is_no_list_is_refused_with_a_reason(text: str, words: str) -> None:
    with pytest.raises(BadInput) as caught:
        preview(text)
    assert words in caught.value.message


def test_unknown_columns_are_named_and_left_aside() -> None:
    made = preview("name,power,colour,price\nLamp,5 W,red,3\n")
    assert made.ignored_columns == ["colour", "price"]
    assert made.columns == {"name": "name", "power": "power"}


def test_empty_lines_keep_their_numbers() -> None:
    made = preview(f"{HEAD}Lamp;5 W;1 h\n;;\nFan;9 W;2 h\n")
    assert [(x.number, x.status) for x in made.lines] == [(2, "taken"), (3, "empty"), (4, "taken")]


def test_a_byte_order_mark_and_windows_line_ends_are_no_trouble() -> None:
    assert only("\ufeffname;power\r\nLamp;5 W\r\n")["power_w"] == 5


def test_html_and_formulas_are_plain_text() -> None:
    a = only(f"{HEAD}<script>alert(1)</script>;5 W;1 h")
    assert a["name"] == "<script>alert(1)</script>"
    out = write([Appliance.model_validate({"id": "x", "name": "=cmd()", "power_w": 5.0, "hours_per_day": 1.0})])
    assert "'=cmd()" in out
    assert only(out)["name"] == "=cmd()"


def test_curlews_ledger_goes_out_and_comes_back_the_same() -> None:
    ours = curlew.design().life.appliances
    made = preview(write(list(ours)))
    assert made.wrong == 0
    assert len(made.lines) == len(ours)
    same = (
        "name",
        "count",
        "kind",
        "zone",
        "supply",
        "power_w",
        "current_a",
        "voltage_v",
        "energy_24h_wh",
        "charge_energy_wh",
        "hours_per_day",
        "uses_per_day",
    )
    for old, line in zip(ours, made.lines, strict=True):
        new = Appliance.model_validate({**(line.appliance or {}), "id": old.id})
        for key in same:
            assert getattr(new, key) == pytest.approx(getattr(old, key)) if isinstance(getattr(old, key), float) else getattr(new, key) == getattr(old, key), (
                old.name,
                key,
            )
        assert len(new.windows) == len(old.windows)
    assert set(COLUMNS) >= set(made.columns)


@settings(deadline=None)
@given(st.text(max_size=300))
def test_any_text_is_previewed_or_refused_never_a_crash(text: str) -> None:
    try:
        made = preview(text)
    except BadInput as bad:
        assert bad.message
    else:
        assert made.taken + made.wrong <= len(made.lines)


@settings(deadline=None)
@given(st.lists(st.lists(st.text(st.characters(codec="utf-8", exclude_characters="\x00"), max_size=12), min_size=3, max_size=3), max_size=6))
def test_every_line_comes_back_as_taken_wrong_or_empty(rows: list[list[str]]) -> None:
    import csv
    import io

    file = io.StringIO()
    csv.writer(file, delimiter=";").writerows([["name", "power", "use"], *rows])
    made = preview(file.getvalue())
    assert all(x.status in ("taken", "wrong", "empty") for x in made.lines)
    assert all(x.problem for x in made.lines if x.status == "wrong")


@pytest.mark.parametrize(
    ("name", "kind"),
    [
        ("LED spot", "light"),
        ("Chest freezer", "cooling"),
        ("Diesel heater", "heating"),
        ("Water pump", "pump"),
        ("Roof fan", "fan"),
        ("USB socket", "socket"),
        ("Induction hob", "cooking"),
        ("CO alarm", "safety"),
        ("Laptop", "electronics"),
        ("Sewing thing", "other"),
    ],
)
def test_a_name_suggests_its_kind(name: str, kind: str) -> None:
    assert kind_of(name) == kind


LAMP_NOW = {"power_w": 12.0, "hours_per_day": 4.0}


@pytest.mark.parametrize(
    ("field", "text", "now", "changed"),
    [
        ("power", "60 W", LAMP_NOW, {"power_w": 60.0, "current_a": None, "hours_per_day": 4.0}),
        ("power", "5 A @ 12 V", LAMP_NOW, {"power_w": None, "current_a": 5.0, "voltage_v": 12.0}),
        ("power", "350 Wh/24 h", LAMP_NOW, {"power_w": None, "energy_24h_wh": 350.0, "hours_per_day": None}),
        ("power", "0.4 kWh per day", LAMP_NOW, {"energy_24h_wh": 400.0}),
        ("power", "battery 15 Wh", LAMP_NOW, {"charge_energy_wh": 15.0, "hours_per_day": None}),
        ("power", "60 W", {"energy_24h_wh": 400.0}, {"power_w": 60.0, "energy_24h_wh": None, "hours_per_day": 1.0}),
        ("use", "30 %", LAMP_NOW, {"duty_frac": 0.3, "hours_per_day": None, "power_w": 12.0}),
        ("use", "3 x 5 min", LAMP_NOW, {"uses_per_day": 3.0, "minutes_per_use": 5.0, "hours_per_day": None}),
        ("use", "2 charges", {"charge_energy_wh": 15.0}, {"charges_per_day": 2.0}),
        ("windows", "7-9, 16:30-22", LAMP_NOW, {"windows": [{"from_h": 7.0, "to_h": 9.0}, {"from_h": 16.5, "to_h": 22.0}]}),
        ("windows", "", LAMP_NOW, {"windows": []}),
    ],
)
def test_one_cell_changes_the_form_as_a_whole(field: Any, text: str, now: dict[str, Any], changed: dict[str, Any]) -> None:
    fields, understood = read_cell(field, text, now)
    assert {k: fields[k] for k in changed} == changed
    assert understood
    if field != "windows":
        base = {"id": "x", "name": "x", **now, **fields}
        assert Appliance.model_validate(base)


@pytest.mark.parametrize(
    ("field", "text", "now", "words"),
    [
        ("use", "4 h", {"energy_24h_wh": 400.0}, "holds its own time"),
        ("power", "5 A", LAMP_NOW, "give its voltage"),
        ("power", "tea", LAMP_NOW, "has no number"),
        ("windows", "noon", LAMP_NOW, "not a time of day"),
        ("power", "9" * 201, LAMP_NOW, "at most 200"),
    ],
)
def test_a_cell_that_is_not_understood_says_what_would_be(field: Any, text: str, now: dict[str, Any], words: str) -> None:
    with pytest.raises(NotUnderstood, match=words):
        read_cell(field, text, now)


def brought(text: str, **said: Any) -> list[dict[str, Any]]:
    made = preview(text, **said)
    assert made.wrong == 0, [x.problem for x in made.lines]
    return [x.appliance for x in made.lines if x.appliance]


def test_a_kettle_is_never_silently_on_12_volts() -> None:
    made = preview("appliance,watts,hours/day\nKettle,2000,0.1\nWinch thing,900,0.1\nTravel kettle 12 V,150,0.2\nGas hob,5,1\nFridge,45,8\n")
    assert [(x.appliance or {}).get("supply", "dc") for x in made.lines] == ["ac", "ac", "dc", "dc", "dc"]
    assert [x.mains for x in made.lines] == [True, True, None, None, None]
    assert "mains, 75 A at 12 V is more than a cable should carry" in made.lines[1].understood
    no = preview("appliance,watts,hours/day\nKettle,2000,0.1\nWinch thing,900,0.1\n", mains={3: False}).lines
    assert (no[1].appliance or {}).get("supply", "dc") == "dc"
    assert no[1].mains is False


@pytest.mark.parametrize(
    ("heading", "cell", "hours"), [("Hours/day", "3", 3.0), ("hrs", "3", 3.0), ("daily hours", "0.5", 0.5), ("Hours a day", "30 min", 0.5)]
)
def test_columns_as_people_write_them(heading: str, cell: str, hours: float) -> None:
    [a] = brought(f"Item;qty;watts;{heading}\nLamp;2;6;{cell}\n")
    assert a["hours_per_day"] == hours
    assert a["count"] == 2


def test_amps_and_amp_hours_are_at_the_systems_voltage_and_say_so() -> None:
    [fan] = brought("name;amps;hrs\nFan;2;3\n", system_v=24.0)
    assert (fan["current_a"], fan["voltage_v"]) == (2.0, 24.0)
    assert "assumed: at 24 V" in preview("name;amps;hrs\nFan;2;3\n", system_v=24.0).lines[0].understood
    assert brought("name;Ah/day\nFridge;30\n")[0]["energy_24h_wh"] == 360.0


def test_the_usual_hours_start_and_adapter_of_a_kind_are_assumed() -> None:
    light, kettle, laptop, heater, fridge = brought("name;power;hours\nReading light;5;3\nKettle;2000;0.2\nLaptop;60;4\nDiesel heater;30;8\nFridge;45;8\n")
    assert light["windows"] == [{"from_h": 18.0, "to_h": 23.0}]
    assert kettle["windows"][0] == {"from_h": 7.0, "to_h": 9.0}
    assert laptop["supply"] == "converter"
    assert heater["start_multiple"] == 4.0
    assert "windows" not in fridge
    assert fridge["start_multiple"] == 1.2
    assert "windows" not in brought("name;power;hours\nNight light;1;10\n")[0], "longer than an evening"
    assert brought("name;power;hours;when\nLight;5;1;6-8\n")[0]["windows"] == [{"from_h": 6.0, "to_h": 8.0}]


def test_a_column_that_is_not_known_can_be_said() -> None:
    text = "thing;Zugleistung;hrs\nLamp;6 W;3\n"
    assert preview(text).asks
    assert brought(text, columns={"thing": "name", "Zugleistung": "power"})[0]["power_w"] == 6.0
    with pytest.raises(BadInput, match="no column"):
        preview(text, columns={"thing": "nonsense"})


def test_the_first_column_is_the_name_where_the_others_are_understood() -> None:
    made = preview("Thing;Watts;Hours/day;Farbe\nKettle;2000;0.1;red\n")
    assert made.columns["name"] == "Thing"
    assert made.ignored_columns == ["Farbe"]
    assert made.lines[0].mains is True


@pytest.mark.parametrize(
    ("text", "asks", "columns"),
    [
        ("Ding;Zahl\nLamp;20\nFridge;45\n", ["the name", "the power, or the energy of its label"], {"Ding": "name", "Zahl": "power"}),
        ("name;Zahl\nLamp;20\nFridge;45\n", ["the power, or the energy of its label"], {"Zahl": "power"}),
    ],
)
def test_columns_that_mean_nothing_are_asked_for_and_then_read(text: str, asks: list[str], columns: dict[str, str]) -> None:
    asked = preview(text)
    assert (asked.asks, asked.taken, asked.lines) == (asks, 0, [])
    told = preview(text, columns=columns)
    assert (told.asks, [x.appliance["power_w"] for x in told.lines if x.appliance]) == ([], [20.0, 45.0])


@pytest.mark.parametrize(
    ("name", "use", "words"),
    [
        ("Fridge", {"duty_frac": 0.35}, "35% of the time, as is usual"),
        ("Freezer", {"duty_frac": 0.45}, "45% of the time"),
        ("Reading light", {"hours_per_day": 4.0}, "4 h a day"),
        ("Kettle", {"uses_per_day": 4.0, "minutes_per_use": 4.0}, "4 × 4 min"),
        ("CO alarm", {"hours_per_day": 24.0}, "24 h a day"),
        ("Water pump", {"hours_per_day": 0.5}, "0.5 h a day"),
        ("Thing", {"hours_per_day": 1.0}, "1 h a day, as is usual"),
    ],
)
def test_a_table_without_use_takes_what_is_usual_and_says_so(name: str, use: dict[str, float], words: str) -> None:
    line = preview(f"name,watts\n{name},40\n").lines[0]
    assert line.appliance is not None
    assert {k: line.appliance[k] for k in ("hours_per_day", "duty_frac", "uses_per_day", "minutes_per_use") if k in line.appliance} == use
    assert line.appliance["trust"] == "duty"
    assert words in line.understood.split("assumed: ")[1]
    told = preview(f"name,watts,hours\n{name},40,2\n").lines[0]
    assert told.appliance is not None
    assert told.appliance["hours_per_day"] == 2.0
    assert "trust" not in told.appliance
