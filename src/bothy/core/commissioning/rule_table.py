"""The rules of commissioning: severity, words and sources."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice, Standard

ORDER = Method("prove.commissioning")
MAINS = ORDER + Standard("IEC 60364-6")

rules(
    "prove",
    (
        ("test-order", "danger", "Power before the dead tests", "Isolate, then do the open steps.", ORDER),
        ("test-step-fail", "danger", "A safety test fails", "Isolate, find the cause, mend it, and test again.", ORDER),
        ("test-short", "danger", "A short before power", "Leave the main fuse out and find it.", ORDER),
        ("test-reversed", "danger", "Plus and minus are swapped", "Leave the main fuse out and swap them.", ORDER),
        ("test-negative-bypass", "fault", "A negative passes the shunt by", "Move it to the load side of the shunt.", Method("prove.shunt")),
        ("test-shunt-reversed", "fault", "The shunt counts backwards", "Turn the shunt round, or swap its sense leads.", Method("prove.shunt")),
        ("test-shunt-scale", "fault", "The monitor is set to another shunt", "Set the shunt’s millivolts and amps in the monitor.", Method("prove.shunt")),
        ("test-shunt-zero", "advice", "Current with everything off", "Zero the monitor, or find what draws.", Method("prove.shunt")),
        ("test-precharge", "fault", "The inverter isn’t pre-charged", "Charge it through a resistor before the fuse goes in.", ORDER),
        ("test-insulation-low", "danger", "Insulation of the mains is low", "Leave mains off; the licensed person mends it.", MAINS),
        ("test-earth-open", "danger", "The earth isn’t good", "Leave mains off; the licensed person mends it.", MAINS),
        (
            "test-rcd-slow",
            "danger",
            "The residual-current device is slow",
            "Leave mains off; have it changed by the licensed person.",
            MAINS + Standard("IEC 61008"),
        ),
        ("test-rcd-missing", "danger", "No protection by residual current", "Leave mains off; have one fitted by the licensed person.", MAINS),
        ("test-ac-polarity", "danger", "Line and neutral are swapped", "Leave mains off; have it put right by the licensed person.", MAINS),
        (
            "test-no-licence",
            "danger",
            "Licensed work without a licence",
            "Have it done and signed by the licensed person.",
            ORDER + OwnChoice("law of the region"),
        ),
        ("test-meter-category", "danger", "The meter isn’t made for mains", "Use a meter of CAT III.", ORDER + Standard("IEC 61010")),
        ("test-gas-record", "danger", "The gas isn’t proved tight", "Shut the bottle and have it tested by the licensed person.", ORDER + Standard("EN 1949")),
        ("test-co-inside", "danger", "CO inside", "Shut everything off, go out, air, find the cause.", ORDER + Standard("EN 50291-2")),
        ("test-alarm", "danger", "An alarm is missing or doesn’t sound", "Fit one within its date.", ORDER + Standard("EN 50291-2")),
        (
            "test-solar",
            "fault",
            "The panels give another voltage than they should",
            "Look for shade, a panel the wrong way round, an open string.",
            Method("prove.solar"),
        ),
        ("test-fridge-slow", "advice", "The fridge takes too long", "Look at the air at its condenser, its door seal and its voltage.", Method("prove.fridge")),
        ("test-retorque", "fault", "A joint has come loose", "Tighten it, mark it, and look why.", ORDER + OwnChoice("practice")),
        ("test-excess-joint", "fault", "A joint has resistance", "Find the leg with the largest drop, make that joint anew.", Method("prove.excess")),
        (
            "test-below-prediction",
            "note",
            "Less resistance than the cable can have",
            "Check where the points were, and the cable against the drawing.",
            Method("prove.excess"),
        ),
        ("test-in-service", "note", "In use before it was proved here", "Do the dead tests when it is next isolated.", ORDER),
        ("test-again", "advice", "To be proved again", "Do the step again.", ORDER),
    ),
)
DANGER_STAGES = ("s1", "s2", "s4", "s7", "s10", "s11")
"""A failure there is a danger whatever it is."""
