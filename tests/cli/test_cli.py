"""The command line: one sum, a batch, and errors as one line of JSON with exit code 2."""

from __future__ import annotations

import io
import json
import os
import subprocess
import sys
from typing import Any

import pytest

from bothy.cli import main
from bothy.core.calculators import CALCULATORS


def call(monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str], args: list[str], stdin: str = "") -> tuple[int, str, str]:
    monkeypatch.setattr("sys.stdin", io.StringIO(stdin))
    code = main(args)
    out = capsys.readouterr()
    return code, out.out, out.err


@pytest.fixture
def run(monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]) -> Any:
    return lambda args, stdin="": call(monkeypatch, capsys, args, stdin)


def test_the_names(run: Any) -> None:
    code, out, _ = run(["calc", "--list"])
    assert code == 0
    assert out.split() == list(CALCULATORS)


@pytest.mark.parametrize("name", list(CALCULATORS))
def test_a_sum(run: Any, name: str) -> None:
    code, out, err = run(["calc", name], json.dumps(CALCULATORS[name].example))
    assert (code, err) == (0, "")
    assert isinstance(json.loads(out), dict)


@pytest.mark.parametrize(
    ("args", "stdin", "key"),
    [
        (["calc", "wire-size"], '{"current_a": -1, "length_m": 3}', "current_a"),
        (["calc", "wire-size"], '{"current_a": NaN, "length_m": 3}', "current_a"),
        (["calc", "wire-size"], '{"current_a": 1, "length_m": 3, "colour": 2}', "colour"),
        (["calc", "wire-size"], "", "input"),
        (["calc", "wire-size"], "[" * 100000, "input"),
        (["calc", "teapot"], "{}", "calc"),
        (["calc"], "{}", "calc"),
    ],
)
def test_bad_input_is_one_line_of_json_and_exit_code_two(run: Any, args: list[str], stdin: str, key: str) -> None:
    code, out, err = run(args, stdin)
    assert (code, out) == (2, "")
    assert err.count("\n") == 1
    assert json.loads(err)["error"]["key"] == key


def test_a_batch_answers_line_by_line_in_order(run: Any) -> None:
    lines = [
        {"calc": "voltage-drop", "input": {"area_mm2": 2.5, "length_m": 5, "current_a": 6}},
        {"calc": "teapot", "input": {}},
        {"calc": "voltage-drop", "input": {"area_mm2": 2.5, "length_m": 5, "current_a": -6}},
        {"calc": "verdict", "input": CALCULATORS["verdict"].example},
        {"calc": "verdict", "extra": 1, "input": {}},
        [1, 2],
    ]
    text = "\n".join(json.dumps(x) for x in lines) + "\n\nnot json\n"
    code, out, _ = run(["calc", "--batch"], text)
    answers = [json.loads(x) for x in out.splitlines()]
    assert code == 0
    assert ["output" in a for a in answers] == [True, False, False, True, False, False, False]
    assert [a["error"]["key"] for a in answers if "error" in a] == ["calc", "current_a", "extra", "calc", "input"]


def test_an_unknown_command_is_refused(run: Any) -> None:
    with pytest.raises(SystemExit):
        run(["boil"])


@pytest.mark.parametrize("words", [["units"], ["calc", "--list"]])
def test_a_reader_who_has_seen_enough_is_no_error(words: list[str]) -> None:
    """``bothy units | head -1``: nothing is complained of."""
    unread, written = os.pipe()
    os.close(unread)
    try:
        done = subprocess.run([sys.executable, "-m", "bothy.cli", *words], stdout=written, stderr=subprocess.PIPE, text=True, check=False)
    finally:
        os.close(written)
    assert (done.returncode, done.stderr) == (0, "")
