"""Testing: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.proving import diagnosis, excess, expected, fridge, live_check, probe, shunt_check, solar_check, verdict

TABLE = (
    Calculator(
        "expected-circuit-current",
        "proving",
        expected.ExpectedCircuitCurrentIn,
        expected.ExpectedCircuitCurrentOut,
        expected.expected_circuit_current,
        {"supply_voltage_v": 13.2, "loads": [{"kind": "constant_power", "power_w": 48}]},
    ),
    Calculator(
        "expected-load-voltage",
        "proving",
        expected.ExpectedLoadVoltageIn,
        expected.ExpectedLoadVoltageOut,
        expected.expected_load_voltage,
        {"source_voltage_v": 13.2, "loop_resistance_mohm": 48, "kind": "constant_power", "power_w": 60},
    ),
    Calculator(
        "verdict",
        "proving",
        verdict.VerdictIn,
        verdict.VerdictOut,
        verdict.verdict,
        {"measured": 4.75, "expected": 5, "tolerance_frac": 0.1, "accuracy_frac": 0.02, "digits_count": 3, "resolution": 0.01},
    ),
    Calculator(
        "excess-resistance",
        "proving",
        excess.ExcessResistanceIn,
        excess.ExcessResistanceOut,
        excess.excess_resistance,
        {
            "source_voltage_v": 13.18,
            "load_voltage_v": 12.31,
            "current_a": 9.8,
            "predicted_resistance_mohm": 40,
            "legs": [{"name": "plus", "drop_v": 0.22, "predicted_mohm": 21}, {"name": "minus", "drop_v": 0.65, "predicted_mohm": 19}],
        },
        "excess-resistance",
    ),
    Calculator(
        "solar-check",
        "proving",
        solar_check.SolarCheckIn,
        solar_check.SolarCheckOut,
        solar_check.solar_check,
        {"voc_stc_v": 22.6, "isc_stc_a": 6.1, "pmp_stc_w": 105, "irradiance_w_m2": 640, "ambient_temp_c": 18, "measured_voc_v": 20.4},
        "solar-check",
    ),
    Calculator(
        "shunt-check",
        "proving",
        shunt_check.ShuntCheckIn,
        shunt_check.ShuntCheckOut,
        shunt_check.shunt_check,
        {
            "zero_current_a": 0.02,
            "steps": [
                {"circuit": "lights", "clamp_a": -4.1, "shunt_before_a": -0.3, "shunt_after_a": -4.4},
                {"circuit": "inverter", "clamp_a": -42.0, "shunt_before_a": -0.3, "shunt_after_a": -0.5},
            ],
        },
    ),
    Calculator(
        "fridge-pulldown",
        "proving",
        fridge.FridgePulldownIn,
        fridge.FridgePulldownOut,
        fridge.fridge_pulldown,
        {"ambient_temp_c": 25, "setpoint_temp_c": 4, "power_w": 45, "cop": 1.4, "contents_mass_kg": 6, "measured_time_h": 4.2},
    ),
    Calculator(
        "circuit-probe",
        "proving",
        probe.CircuitProbeIn,
        probe.CircuitProbeOut,
        probe.circuit_probe,
        {
            "ground": "neg",
            "elements": [
                {"id": "battery", "kind": "source", "a": "pos", "b": "neg", "emf_v": 12.8, "resistance_ohm": 0.01},
                {"id": "F1", "kind": "fuse", "a": "pos", "b": "n1", "rating_a": 10},
                {"id": "lamp", "kind": "load", "a": "n1", "b": "n2", "power_w": 48},
                {"id": "minus", "kind": "resistor", "a": "n2", "b": "neg", "resistance_ohm": 0.03},
            ],
            "faults": [{"element": "minus", "mode": "high_resistance", "resistance_ohm": 1.0}],
            "probe": {"mode": "voltage", "a": "n2", "b": "neg"},
        },
        "circuit-probe",
    ),
    Calculator(
        "posterior",
        "proving",
        diagnosis.PosteriorIn,
        diagnosis.PosteriorOut,
        diagnosis.posterior,
        {"faults": [{"id": "airlock", "prior_frac": 0.2}, {"id": "tank_empty", "prior_frac": 0.2}, {"id": "filter_blocked", "prior_frac": 0.1}]},
        "posterior",
    ),
    Calculator(
        "next-test",
        "proving",
        diagnosis.NextTestIn,
        diagnosis.NextTestOut,
        diagnosis.next_test,
        {
            "faults": [{"id": "fuse", "prior_frac": 0.5}, {"id": "lamp", "prior_frac": 0.5}],
            "tests": [{"id": "behind the fuse", "likelihoods": {"fuse": {"no": 1}, "lamp": {"yes": 1}}, "time_min": 2}],
        },
        "next-test",
    ),
    Calculator(
        "live-check",
        "proving",
        live_check.LiveCheckIn,
        live_check.LiveCheckOut,
        live_check.live_check,
        {
            "now_s": 2,
            "noise_limit": 0.3,
            "offset_limit": 0.5,
            "samples": [
                {"t_s": 0, "value": 5.0, "expected": 5.0},
                {"t_s": 1, "value": 5.1, "expected": 5.0},
                {"t_s": 2, "value": 5.0, "expected": 5.0},
            ],
        },
        "live-check",
    ),
)
