"""Keys of figures: which there are. A key that no table row allows is a slip of the keyboard, and would show nothing where a figure belongs."""

from __future__ import annotations

import logging
import re
from functools import cache, lru_cache

from bothy.core.catalogue.table import rows, shipped

log = logging.getLogger(__name__)
strict = False
"""Whether an unknown key raises (as in the tests) instead of being logged."""


class UnknownFigure(LookupError):
    """A key that no figure has."""


@cache
def shapes() -> dict[str, tuple[str, ...]]:
    """Prefix of the keys (``*`` stands for an item's id, or the rest of a name) -> names of the figures under it."""
    return {r.text("prefix"): tuple(r.text("names").split()) for r in rows("figures.csv", shipped("figures.csv"), "prefix")}


@cache
def _pattern() -> re.Pattern[str]:
    each = (re.escape(prefix).replace(r"\*", "[^/]*") + "/(?:" + "|".join(map(re.escape, names)) + ")" for prefix, names in shapes().items())
    return re.compile("|".join(each))


@lru_cache(65536)
def known(key: str) -> bool:
    """Whether figures have keys of this form; what stands behind a ``~`` names an input of one."""
    return _pattern().fullmatch(key.partition("~")[0]) is not None


def check(key: str) -> str:
    """The key, if there are such. Raises :class:`UnknownFigure` where ``strict``, else logs it."""
    if not known(key):
        if strict:
            raise UnknownFigure(f"no figure has a key like “{key}”; its form belongs into figures.csv")
        log.error("no figure has a key like %s", key)
    return key


HEAT_W = "W of heat"
"""Watts of heat: who reads US units has them in BTU/h, and watts of electricity in watts."""
OPENING_MM2 = "mm² of opening"
"""Free area of a vent: square inches to who reads US units; copper is read by its area in mm² or as a gauge."""
_HEAT = ("warmth", "surfaces", "heaters", "ducts", "loop", "loop-zones", "cabinets", "bays", "cool", "drying", "frost", "air", "water", "gas", "builds")
_ELECTRIC = re.compile(r"(?:draw|(?<!heater_)(?<!source_)power|power_(?:min|max)|electrical|fan|idle|surge|other_load)_w")
_OPENINGS = ("air", "builds", "cabinets", "gas", "ducts", "warmth")


@lru_cache(65536)
def read_unit(key: str, unit: str) -> str:
    """A figure's unit with what it is of, where readers have different units for it: watts of heat and openings, told by the figure's key.

    >>> read_unit("warmth/design_heat_w", "W"), read_unit("warmth/fan_w", "W"), read_unit("circuits/c1/heat_w", "W")
    ('W of heat', 'W', 'W')
    """
    part = key.partition("/")[0]
    if unit == "W" and part in _HEAT and not _ELECTRIC.search(key.rpartition("/")[2].rpartition("~")[2]):
        return HEAT_W
    return OPENING_MM2 if unit == "mm²" and part in _OPENINGS else unit


def typescript() -> str:
    """The same as a type of the front end."""
    each = [f"  | `{prefix.replace('*', '${string}')}/{name}`" for prefix, names in sorted(shapes().items()) for name in names]
    return "/** Keys of the report's figures. Written by `./bothy api`. */\nexport type FigureKey =\n" + "\n".join(each) + ";\n"
