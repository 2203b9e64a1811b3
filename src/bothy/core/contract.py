"""Contracts of the calculators: strict input, output with working, and one kind of error.

Input errors name the leaf key and the path, in words that say what would be right. ``null`` means absent.
"""

from __future__ import annotations

import math
import re
from collections.abc import Iterable, Mapping
from functools import cache
from typing import Annotated, Any, ClassVar, Self, TypeVar

from pydantic import BaseModel, BeforeValidator, ConfigDict, GetJsonSchemaHandler, PrivateAttr, ValidationError
from pydantic.json_schema import JsonSchemaValue
from pydantic_core import CoreSchema, PydanticCustomError

from bothy.core.figure import Figure, given, label_of
from bothy.core.words.says import core_says as says

EPS = 1e-9


_KEY = re.compile(r" \((?:[a-z0-9]+_)+[a-z0-9]+\)|(?<=\()(?:[a-z0-9]+_)+[a-z0-9]+: ")

_VERB = re.compile(r"(?:must|is|are|has|holds|needs|goes|would|can)\b")
_PLACED = re.compile(r"(?!(?:variants|evidence)\[)[\w.\[\]-]+: (.*)", re.DOTALL)
"""A message after its path; in a file the path is the place to look at, and stays."""


def plainly(key: str, message: str) -> str:
    """A refusal for people: the field by its name; paths and keys in brackets, “(cut_in_kpa: 140)”, are for machines."""
    plain = _KEY.sub("", message)
    label, placed = label_of(key), _PLACED.fullmatch(plain)
    if not label or placed is None:
        return plain
    return f"{label[0].upper()}{label[1:]}{'' if _VERB.match(placed[1]) else ':'} {placed[1]}"


class BadInput(ValueError):
    """An input that can't be worked with. ``key`` is the offending leaf key, ``message`` holds the path."""

    def __init__(self, key: str, message: str, path: str = "") -> None:
        key = key or "“”"  # a key of no letters is a key too, and is named
        super().__init__(f"{path or key}: {message}")
        self.key = key
        self.message = f"{path or key}: {message}"

    @property
    def plainly(self) -> str:
        """The message for people: the field by its name; paths and keys in brackets are for machines."""
        return plainly(self.key, self.message)


def wrong(key: str, message: str) -> PydanticCustomError:
    """The error to raise inside a model validator when ``key`` of that model is at fault."""
    return PydanticCustomError("contract", "{message}", {"key": key, "message": message})


def rising_box(box: object) -> None:
    """Refuses a box (``x0_m`` to ``z1_m``, m) of which an upper side isn't above its lower, naming the side and by how much."""
    for axis in "xyz":
        low, high = getattr(box, f"{axis}0_m"), getattr(box, f"{axis}1_m")
        if high <= low:
            raise wrong(f"{axis}1_m", says("must-be-above-and", axis=axis, high_m=high, low_m=low, low_mm=1000 * (low - high)))


def whole(value: Any) -> Any:
    """A whole number written with a point (2.0) counts as whole."""
    if isinstance(value, float) and not isinstance(value, bool) and math.isfinite(value) and value == int(value):
        return int(value)
    return value


Whole = Annotated[int, BeforeValidator(whole)]


@cache
def _defaults(model: type[BaseModel]) -> dict[str, Any]:
    return {k: f.default for k, f in model.model_fields.items() if not f.is_required()}


def _fill(model: BaseModel, values: dict[str, Any], said: set[str], private: dict[str, Any] | None) -> None:
    """Set up a model that was made without validation, as pydantic's own model_construct does, only quicker."""
    put = object.__setattr__
    put(model, "__dict__", values)
    put(model, "__pydantic_fields_set__", said)
    put(model, "__pydantic_extra__", None)
    put(model, "__pydantic_private__", private)


M = TypeVar("M", bound=BaseModel)


@cache
def _said(names: tuple[str, ...]) -> set[str]:
    """Names of fields that were given: one set for all models that were given the same, for a report has some thousand and they would be a third of it."""
    return set(names)


def quick(model: type[M], **fields: Any) -> M:
    """A model from values that are known to be right (computed here, or checked before); checking them again would cost as much as the sum."""
    made = model.__new__(model)
    _fill(made, {**_defaults(model), **fields}, _said(tuple(fields)), None)
    return made


class Contract(BaseModel):
    """Base of every calculator input: unknown keys, booleans as numbers, NaN and infinity are refused."""

    model_config = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, frozen=True)
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = ()
    """Groups of keys of which exactly one is given: a choice in a form."""

    @classmethod
    def __get_pydantic_json_schema__(cls, core_schema: CoreSchema, handler: GetJsonSchemaHandler) -> JsonSchemaValue:
        schema = handler(core_schema)
        if cls.ONE_OF:
            handler.resolve_ref_schema(schema)["x-one-of"] = [list(group) for group in cls.ONE_OF]
        return schema

    @classmethod
    def trusted(cls, **fields: Any) -> Self:
        """An input from values that were checked before (the design's own)."""
        return quick(cls, **fields)

    def exactly_one(self, *keys: str) -> str:
        """The one key of ``keys`` that is given; otherwise an error that names the first."""
        present = [k for k in keys if getattr(self, k) is not None]
        if len(present) != 1:
            raise wrong(keys[0], says("give-exactly-one", label_ofs=", ".join(label_of(k) for k in keys)))
        return present[0]


@cache
def _whole_keys(model: type[BaseModel]) -> frozenset[str]:
    """Fields of a model that are whole numbers (or absent), or maps to them."""
    return frozenset(k for k, f in model.model_fields.items() if f.annotation in (int, int | None, dict[str, int]))


class Outcome(BaseModel):
    """Base of every calculator output. Built by :meth:`of`, it keeps the working of each figure."""

    model_config = ConfigDict(extra="forbid")
    ABSENT_WHEN_NULL: ClassVar[tuple[str, ...]] = ()
    _working: dict[str, Figure] = PrivateAttr(default_factory=dict)

    @classmethod
    def of(cls, **fields: Any) -> Self:
        """Build from plain values and figures, also in maps; figures become floats and are kept as working (``key/entry`` for a map's)."""
        working: dict[str, Figure] = {}
        plain = dict(_defaults(cls))
        whole = _whole_keys(cls)
        for key, value in fields.items():
            if type(value) is Figure:
                working[key] = value
                plain[key] = int(value.value) if key in whole else value.value
            elif type(value) is dict:
                plain[key] = {k: (int(v.value) if key in whole else v.value) if isinstance(v, Figure) else v for k, v in value.items()}
                working.update((f"{key}/{k}", v) for k, v in value.items() if isinstance(v, Figure))
            else:
                plain[key] = value
        out = cls.__new__(cls)
        _fill(out, plain, _said(tuple(fields)), {"_working": working})
        return out

    def dump(self) -> dict[str, Any]:
        """The output as plain data; keys that a contract leaves out when they do not apply are left out."""
        data = self.model_dump()
        return {k: v for k, v in data.items() if v is not None or k not in self.ABSENT_WHEN_NULL}

    @property
    def working(self) -> dict[str, Figure]:
        """Output key (``key/entry`` in a map) -> figure with its working, for the outputs that are formulas."""
        return self._working

    def figure(self, key: str) -> Figure:
        """The figure behind an output; a plain given figure when it has no formula."""
        private = self.__pydantic_private__  # the plain way through pydantic costs more than the sum itself
        found: Figure | None = private["_working"].get(key) if private else None
        return found or given(key, getattr(self, key), "computed")


class Given:
    """Looks inputs up as figures, so that the working reaches back to what the caller knows of them."""

    def __init__(self, model: Contract, sources: Mapping[str, Figure] | None) -> None:
        self.model = model
        self.sources = sources or {}

    def __call__(self, key: str, fallback: float | None = None, why: str = "") -> Figure:
        if key in self.sources:
            return self.sources[key]
        value = getattr(self.model, key)
        if value is None:
            assert fallback is not None, key
            return given(key, fallback, "default", why or says("default-calculator"))
        said = key in self.model.model_fields_set
        return given(key, value, "input" if said else "default", "" if said else says("default-calculator"))


def strip_nulls(value: Any) -> Any:
    """``null`` is the same as an absent key, at any depth."""
    if isinstance(value, dict):
        return {k: strip_nulls(v) for k, v in value.items() if v is not None}
    if isinstance(value, list):
        return [strip_nulls(v) for v in value]
    return value


def _path(parts: Iterable[str | int]) -> str:
    out = ""
    for p in parts:
        out += f"[{p}]" if isinstance(p, int) else (f".{p}" if out else str(p))
    return out


_WORDS = {
    "greater_than_equal": "must be at least {ge}",
    "greater_than": "must be more than {gt}",
    "less_than_equal": "must be at most {le}",
    "less_than": "must be less than {lt}",
    "missing": says("required"),
    "extra_forbidden": says("not-known-key"),
    "finite_number": says("must-be-finite-number"),
    "float_type": says("must-be-number"),
    "int_type": says("must-be-whole-number"),
    "bool_type": says("must-be-true-or"),
    "string_type": says("must-be-text"),
    "literal_error": "must be one of {expected}",
    "list_type": says("must-be-list"),
    "dict_type": says("must-be-object"),
    "model_type": says("must-be-object"),
    "model_attributes_type": says("must-be-object"),
    "too_short": "must have at least {min_length} entries",
    "too_long": "must have at most {max_length} entries",
    "string_too_long": "must have at most {max_length} characters",
    "string_too_short": "must have at least {min_length} characters",
    "int_parsing": says("must-be-whole-number"),
    "int_from_float": says("must-be-whole-number"),
    "float_parsing": says("must-be-number"),
    "bool_parsing": says("must-be-true-or"),
    "uuid_parsing": says("must-be-an-id"),
    "uuid_type": says("must-be-an-id"),
    "dict_attributes_type": says("must-be-object"),
    "string_pattern_mismatch": says("not-of-this-form"),
    "date_from_datetime_parsing": says("must-be-a-day"),
    "date_parsing": says("must-be-a-day"),
    "date_type": says("must-be-a-day"),
    "datetime_parsing": says("must-be-a-time"),
    "datetime_from_date_parsing": says("must-be-a-time"),
    "union_tag_invalid": says("none-of-the-kinds"),
    "union_tag_not_found": says("none-of-the-kinds"),
}


def in_words(error: Mapping[str, Any]) -> str:
    """What one error of a validation says, in our words where there are some for its kind."""
    ctx = {k: f"{v:g}" if isinstance(v, float) else v for k, v in (error.get("ctx") or {}).items()}
    if ctx.get("min_length") == 1:
        return says("must-have-one-character") if error["type"] == "string_too_short" else says("must-have-one-entry")
    if error["type"] == "value_error" and "error" in ctx:
        return str(ctx["error"])  # what a check of ours says, without the framework's words before it
    template = _WORDS.get(error["type"])
    return str(error["msg"]) if template is None else template.format(**ctx)


def explain(error: ValidationError) -> BadInput:
    """The first validation error as a :class:`BadInput` in plain words."""
    first = error.errors(include_url=False)[0]
    loc = [p for p in first["loc"] if isinstance(p, int) or not p.endswith("]")]
    message = in_words(first)
    if first["type"] == "contract":
        ctx = first.get("ctx", {})
        loc, message = [*loc, ctx["key"]], str(ctx["message"])
    key = next((p for p in reversed(loc) if isinstance(p, str)), "input")
    return BadInput(key, message, _path(loc) or "input")


def parse(model: type[Contract], data: Any) -> Contract:
    """Validate raw JSON data. Raises :class:`BadInput` naming the key."""
    if not isinstance(data, dict):
        raise BadInput("input", says("must-be-json-object"))
    try:
        return model.model_validate(strip_nulls(data))
    except ValidationError as exc:
        raise explain(exc) from None


def unique_ids(ids: Iterable[str], key: str = "id") -> None:
    """Raise at ``key`` when an id comes twice."""
    seen: set[str] = set()
    for one in ids:
        if one in seen:
            raise wrong(key, says("used-twice-every-must", one=one, key=key))
        seen.add(one)


def next_size(sizes: Iterable[float], at_least: float) -> float | None:
    """The smallest standard size >= ``at_least`` (tolerance 1e-9), or None above the list."""
    fitting = [s for s in sizes if s >= at_least - EPS]
    return min(fitting) if fitting else None
