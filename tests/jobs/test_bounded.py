"""Work in processes of its own: it ends when it takes too long or too much, and what it stumbles over is said."""

from __future__ import annotations

import gc
import os
import random
from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.units import parse
from bothy.formats import appliances_csv, circuits_table, itinerary, log_files, project_file, weather_files, workbook
from bothy.jobs.bounded import BOUNDED, Bounded
from tests.api.test_hostile import GPX
from tests.api.test_hostile import workbook as a_workbook
from tests.designs import blank, made


def for_ever() -> None:
    while True:
        pass


def much() -> int:
    return len([bytearray(10_000_000) for _ in range(1000)])


def deep(n: int) -> int:
    return deep(n + 1) + 1


def stumbles() -> float:
    return 1 / 0


def dies() -> None:
    os._exit(7)


def unsendable() -> Any:
    return lambda: 1


PATIENCE_S = 120
"""For work that is to end by itself: what it loads may be slow on a busy machine, and isn't what is tried."""
KEPT: list[bytearray] = []


def keeps(megabytes: int) -> int:
    """Takes memory and keeps it, as a library does that is loaded at its first use."""
    KEPT.append(bytearray(megabytes * 1_000_000))
    return len(KEPT)


def test_what_is_loaded_is_not_looked_through_after_every_piece() -> None:
    """A sum of a millisecond took a tenth of a second, nearly all of it in the collector: what is loaded is put aside from it."""
    for _ in range(4):  # either process of the pool
        assert BOUNDED.run("input", gc.get_freeze_count) > 20_000


def takes(megabytes: int) -> int:
    return len(bytearray(megabytes * 1_000_000))


def test_what_earlier_work_keeps_is_not_taken_from_the_next() -> None:
    """Each piece has the whole of its memory, however often something was loaded before it, and no piece has more."""
    pool = Bounded()

    def run(work: Any, megabytes: int) -> Any:
        return pool.run("file", work, megabytes, most_s=PATIENCE_S)

    try:
        for _ in range(4):
            run(keeps, 150)
        assert run(takes, 200) == 200_000_000
        with pytest.raises(BadInput, match="more memory"):
            run(takes, 400)
        assert run(takes, 200) == 200_000_000
    finally:
        pool.close()


@pytest.mark.parametrize(
    ("work", "args", "key", "words"),
    [
        (for_ever, (), "file", "takes longer than 1 s"),
        (much, (), "file", "more memory"),
        (deep, (0,), "file", "nested too deeply"),
        (stumbles, (), "file", "ZeroDivisionError"),
        (dies, (), "file", "more memory"),
        (unsendable, (), "file", "can’t be worked through"),
        (parse, ("many", "power"), "text", "write for example"),
        (appliances_csv.preview, ("",), "file", "is empty"),
    ],
)
def test_what_takes_too_much_is_ended_and_said(work: Any, args: tuple[Any, ...], key: str, words: str) -> None:
    with pytest.raises(BadInput) as caught:
        BOUNDED.run("file", work, *args, most_s=1 if work is for_ever else PATIENCE_S)
    assert caught.value.key == key
    assert words in caught.value.message
    assert BOUNDED.run("file", parse, "5 W", "power").value == 5.0, "the next one is answered"


def test_what_cannot_be_sent_is_refused_before_it_is() -> None:
    value: Any = 1
    for _ in range(5000):
        value = [value]
    with pytest.raises(BadInput, match="nested too deeply"):
        BOUNDED.run("file", parse, value)


def test_a_closed_pool_starts_again() -> None:
    pool = Bounded()
    pool.warm()
    assert pool.run("x", abs, -2) == 2
    pool.close()
    assert pool.run("x", abs, -3) == 3
    pool.close()


EMPTY = made(blank())
READERS: dict[str, Any] = {
    "appliances": lambda data: (appliances_csv.preview, data.decode("utf-8", "replace")),
    "circuits": lambda data: (circuits_table.preview, data.decode("utf-8", "replace"), EMPTY, {}),
    "itinerary": lambda data: (itinerary.preview, data.decode("utf-8", "replace"), EMPTY),
    "log": lambda data: (log_files.understand, log_files.LogText(text=data.decode("utf-8", "replace"), positive="charges")),
    "weather": lambda data: (weather_files.read, weather_files.WeatherText(text=data.decode("utf-8", "replace"), lat_deg=50, lon_deg=0, marks="end")),
    "workbook": lambda data: (workbook.from_xlsx, data),
    "project": lambda data: (project_file.read, data.decode("utf-8", "replace")),
}
SEEDS = {
    "appliances": b"name;power;use;kind\nLamp;5 W;4 h;light\nFridge;45 W;30 %;cooling\n",
    "circuits": b"circuit;length;cable\nFridge;3 m;2.5 mm2\n",
    "itinerary": GPX.format(
        '<trkseg><trkpt lat="50" lon="-3"><time>2026-10-12T08:30:00Z</time></trkpt><trkpt lat="51" lon="-3"><time>2026-10-12T10:30:00Z</time></trkpt></trkseg>'
    ).encode(),
    "log": b"time,voltage,current,soc\n2026-10-12 08:00,13.1,-4,80\n2026-10-12 09:00,13.0,-5,78\n",
    "weather": b"time,ghi,temp_air\n" + b"".join(b"2025-06-%02dT%02d:00,%d,15\n" % (1 + h // 24, h % 24, 40 * (h % 24)) for h in range(72)),
    "workbook": a_workbook(),
    "project": project_file.write("x", [("as planned", EMPTY)]).encode(),
}


def spoilt(data: bytes, chance: random.Random) -> bytes:
    """The file with some of it flipped, cut, doubled or filled with what no file holds."""
    out = bytearray(data)
    for _ in range(chance.randint(1, 6)):
        at = chance.randrange(len(out) or 1)
        match chance.randrange(6):
            case 0:
                out[at : at + 1] = bytes([chance.randrange(256)])
            case 1:
                del out[at : at + chance.randint(1, 40)]
            case 2:
                out[at:at] = out[at : at + chance.randint(1, 60)] * chance.randint(1, 30)
            case 3:
                out[at:at] = chance.choice(
                    [
                        b"1e308",
                        b"-",
                        b"\x00",
                        b"\xff\xfe",
                        b'"',
                        b"9" * 400,
                        b"nan",
                        "\u202e²".encode(),
                        b"9999-12-31T23:59",
                        b"0001-01-01",
                        b"<!--",
                        b"\r",
                        b";;;,,,\t",
                    ]
                )
            case 4:
                out += out[-chance.randint(1, 200) :] * chance.randint(1, 50)
            case _:
                out[at:at] = bytes(chance.randrange(256) for _ in range(chance.randint(1, 30)))
    return bytes(out)


@pytest.mark.parametrize("reader", sorted(READERS))
def test_random_files_are_read_or_refused_in_words(reader: str, caplog: pytest.LogCaptureFixture) -> None:
    """Each within the memory and the time of a bounded process; nothing that a reader itself did not expect."""
    chance = random.Random(reader)
    read = 0
    for _ in range(60):
        data = spoilt(SEEDS[reader], chance)
        try:
            BOUNDED.run("file", *READERS[reader](data))
            read += 1
        except BadInput as exc:
            assert exc.key
            assert len(exc.message) > 8
    assert read or reader in ("workbook", "itinerary", "project")
    assert [r.getMessage()[-600:] for r in caplog.records if "stumbled" in r.getMessage()] == []


def test_a_pool_that_broke_down_is_made_anew() -> None:
    pool = Bounded()
    try:
        assert pool.run("input", abs, -3, most_s=PATIENCE_S) == 3
        assert pool._pool is not None
        pool._pool.stop()  # type: ignore[no-untyped-call]
        assert pool.run("input", abs, -4, most_s=PATIENCE_S) == 4, "its work is done by new processes"
    finally:
        pool.close()
