"""Every input and result has a label written by a person: one for each key that the program writes, and no label for a key that is gone."""

from __future__ import annotations

import ast
import re
import typing
from collections.abc import Iterator

from fluent.syntax import FluentParser
from fluent.syntax.ast import Message
from pydantic import BaseModel

from bothy.core.calculators import CALCULATORS
from bothy.core.design.fields import field_keys
from bothy.core.figure import LABELS, UNIT_BY_SUFFIX, label_of
from tests.catalogued import SRC

MADE = {"p_mm", "od_mm", "sd_m", "run_w", "surface_w", "propane_mbar", "isobutane_mbar", "n_butane_mbar", "spare_x_m", "spare_y_m", "spare_z_m"}
"""One of several: their keys are made with a number, a gas, an axis."""
FIGURES = {"derived", "given", "pick", "total", "fig", "g", "formula"}
KEY = re.compile(r"[a-z][a-z0-9_]*")


def _fields(model: type[BaseModel], seen: set[type]) -> Iterator[str]:
    if model in seen:
        return
    seen.add(model)
    for name, field in model.model_fields.items():
        yield name
        inside: list[object] = [field.annotation]
        while inside:
            kind = inside.pop()
            if isinstance(kind, type) and issubclass(kind, BaseModel):
                yield from _fields(kind, seen)
            inside += typing.get_args(kind)


def keys() -> set[str]:
    """Every key of a design, of a sum's input and output, and every one that a figure is made with."""
    seen: set[type] = set()
    out = set(field_keys())
    out |= {k for c in CALCULATORS.values() for model in (c.input, c.output) for k in _fields(model, seen)}
    for path in (SRC / "core").rglob("*.py"):
        for n in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            name = (n.func.attr if isinstance(n.func, ast.Attribute) else getattr(n.func, "id", "")) if isinstance(n, ast.Call) else ""
            if isinstance(n, ast.Call) and name in FIGURES:
                out |= {k.arg for k in n.keywords if k.arg}
                if n.args and isinstance(n.args[0], ast.Constant) and KEY.fullmatch(str(n.args[0].value)):
                    out.add(str(n.args[0].value))
    return out


TEXTS = {m.id.name: "".join(e.value for e in m.value.elements) for m in FluentParser().parse(LABELS.source()).body if isinstance(m, Message)}  # type: ignore
WANTED = keys()


def test_every_key_has_a_label_and_every_label_a_key() -> None:
    assert WANTED - set(TEXTS) == set(), "keys without a label"
    written = set(re.findall(r"[a-z][a-z0-9_]*", "".join(p.read_text(encoding="utf-8") for p in (SRC / "core").rglob("*.py"))))
    assert set(TEXTS) - WANTED - MADE - written == set(), "labels of keys that are gone"


def test_a_label_is_written_for_a_reader() -> None:
    for key, label in TEXTS.items():
        assert label == label.strip(), key
        assert "_" not in label, key
        assert not re.search(r"\b(min|max|temp|frac|soc|voc|isc|vmp|pmp|rh|poa|ghi|dni|dhi|cg)\b", label), f"{key}: {label}"
        for suffix in UNIT_BY_SUFFIX.values():
            assert suffix in ("", "s", "L", "days") or not re.search(rf"(?<!\bin)(?<![\d,]) {re.escape(suffix)}$", label), f"{key} names its unit"


def test_one_of_several_carries_its_number_and_a_name_stays() -> None:
    assert label_of("sd_3_m") == f"{TEXTS['sd_m']}, 3"
    assert label_of("Hob, two burners_g_day") == "Hob, two burners"
