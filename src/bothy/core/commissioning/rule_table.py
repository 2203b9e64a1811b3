"""The rules of commissioning: severity and sources; what they say stands in core/words/rules."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice, Standard

ORDER = Method("prove.commissioning")
MAINS = ORDER + Standard("IEC 60364-6")

rules(
    "prove",
    (
        ("test-order", "danger", ORDER),
        ("test-step-fail", "danger", ORDER),
        ("test-short", "danger", ORDER),
        ("test-reversed", "danger", ORDER),
        ("test-negative-bypass", "fault", Method("prove.shunt")),
        ("test-shunt-reversed", "fault", Method("prove.shunt")),
        ("test-shunt-scale", "fault", Method("prove.shunt")),
        ("test-shunt-zero", "advice", Method("prove.shunt")),
        ("test-precharge", "fault", ORDER),
        ("test-insulation-low", "danger", MAINS),
        ("test-earth-open", "danger", MAINS),
        ("test-rcd-slow", "danger", MAINS + Standard("IEC 61008")),
        ("test-rcd-missing", "danger", MAINS),
        ("test-ac-polarity", "danger", MAINS),
        ("test-no-licence", "danger", ORDER + OwnChoice("law of the region")),
        ("test-meter-category", "danger", ORDER + Standard("IEC 61010")),
        ("test-gas-record", "danger", ORDER + Standard("EN 1949")),
        ("test-co-inside", "danger", ORDER + Standard("EN 50291-2")),
        ("test-alarm", "danger", ORDER + Standard("EN 50291-2")),
        ("test-solar", "fault", Method("prove.solar")),
        ("test-fridge-slow", "advice", Method("prove.fridge")),
        ("test-retorque", "fault", ORDER + OwnChoice("practice")),
        ("test-excess-joint", "fault", Method("prove.excess")),
        ("test-below-prediction", "note", Method("prove.excess")),
        ("test-in-service", "note", ORDER),
        ("test-again", "advice", ORDER),
    ),
)
DANGER_STAGES = ("s1", "s2", "s4", "s7", "s10", "s11")
"""A failure there is a danger whatever it is."""
