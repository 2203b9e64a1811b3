"""Testing: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.proving import expected, verdict

TABLE = (
    Calculator(
        "expected-circuit-current",
        "proving",
        "Expected current",
        "What should the ammeter read on this circuit?",
        expected.ExpectedCircuitCurrentIn,
        expected.ExpectedCircuitCurrentOut,
        expected.expected_circuit_current,
        {"supply_voltage_v": 13.2, "loads": [{"kind": "constant_power", "power_w": 48}]},
    ),
    Calculator(
        "expected-load-voltage",
        "proving",
        "Expected voltage",
        "What should the voltmeter read at the load?",
        expected.ExpectedLoadVoltageIn,
        expected.ExpectedLoadVoltageOut,
        expected.expected_load_voltage,
        {"source_voltage_v": 13.2, "loop_resistance_mohm": 48, "kind": "constant_power", "power_w": 60},
    ),
    Calculator(
        "verdict",
        "proving",
        "Verdict on a reading",
        "Does this reading pass, with this meter?",
        verdict.VerdictIn,
        verdict.VerdictOut,
        verdict.verdict,
        {"measured": 4.75, "expected": 5, "tolerance_frac": 0.1, "accuracy_frac": 0.02, "digits_count": 3, "resolution": 0.01},
    ),
)
