# What proving says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## diagnosis
no-fault-can-bring = no fault can bring this result of “{ $t_id }”
required-for-categorical-test = is required for a categorical test
must-lie-between-and = of “{ $fault }” must lie between 0 and 1 and add to 1
required-for-numeric-test = is required for a numeric test
must-rise = must rise
required-for-numeric-test-range = is required for a numeric test: the range of the meter
must-be-above-for = must be above 0 for at least one fault
test-says-nothing-fault = of test “{ $t_id }” says nothing of the fault “{ $f_id }”
no-test-this-list = “{ $test }” is no test of this list
required-for = is required for “{ $test }”
must-be-one = of “{ $test }” must be one of { $outcomes }

## excess
give-drop-or-source = give the voltage drop (drop_v), or the source voltage (source_voltage_v) and the voltage at the load (load_voltage_v)
required-beside-source-voltage = is required beside the source voltage (source_voltage_v)
heat-spot = Heat at the spot
what-allowed = What is allowed
excess-resistance = Excess resistance
measured-resistance = Measured resistance

## expected
load = load { $i }
expected-current = Expected current
lowest-expected = Lowest expected
highest-expected = Highest expected
give-exactly-one-segments = give exactly one of segments and the resistance of the loop (loop_resistance_mohm)
voltage-collapse-at-most = voltage collapse: at most { SHORT($source_voltage_w, digits: 4) } W can pass this cable
segment = segment { $i }
loop-resistance-with-joints = Loop resistance with joints
source-and-loop = source and loop
uses-up-whole-source = uses up the whole source voltage in this cable
current = Current
voltage-load = Voltage at the load
voltage-resistive-loads-current = Voltage at a resistive load’s current
resistance-segment = Resistance of a segment
widest-deviation = Widest deviation
current-motor-constant-current = Current of a motor or constant-current load
current-constant-power-load = Current of a constant-power load
current-resistive-load = Current of a resistive load

## fridge
give-cooling-or-power = give the cooling (cooling_w), or the power (power_w) with cop
part-time-runs = Part of the time that it runs
time-constant = Time constant
coldest-gets = The coldest it gets

## live_check
required-where-quality-isnt = is required where the quality isn’t bad
must-rise-from-sample = must rise from sample to sample
lies-before-last-sample = lies before the last sample ({ SHORT($times) })
samples-that-arent-bad = samples that aren’t bad
longest-step-between-samples = longest step between samples, and to now
equal-values-in-row = equal values in a row
mean-value-expected = mean of value − expected
slope-value-expected = slope of value − expected

## outdated
were-expected-today = { SHORT($then, digits: 3) } { $unit } were expected, { SHORT($now, digits: 3) } { $unit } today
this-was-read-on = This was read on revision { $revision }: { $moved }. The circuit was changed since.

## probe
required-for-2 = is required for a { $kind }
must-be-another-node = must be another node than a
required-for-bridge = is required for a bridge
required-what-has-fault = is required: what has the fault
required-for-high-resistance = is required for high_resistance
required-through-which-element = is required: through which element
required-both-points-probe = is required: both points of the probe
there-twice-every-id = “{ $one }” is there twice; every id must be unique
no-node-circuit = “{ $ground }” is no node of the circuit
no-element-circuit = “{ $element }” is no element of the circuit
only-source-can-be = only a source can be reversed
no-node-circuit-2 = “{ $getattr }” is no node of the circuit
volts-from-to-over = volts of 1 mA from a to b, over it
this-circuit-has-no = this circuit has no answer

## sheet
switch-everything-on-this = Switch everything on this circuit on. Volts at the last appliance, amps at the board, at the same moment.
no-appliance-on = no appliance on it
no-cable-chosen-yet = no cable chosen yet
read-at-same-moment = read at the same moment
banks-nominal-voltage-type = the bank’s nominal voltage; type what you read at the bank
fuse-holder-switch-terminals = fuse, holder, switch, terminals; typical
expected-voltage-at-load = Expected voltage at the load
engine-running-bank-under = Engine running, bank under 80 %. Amps into the busbar; with the engine off it must be 0.
hooked-up-bank-under = Hooked up, bank under 80 %. Amps into the busbar, below absorption voltage.
expected-charge-current = Expected charge current
meter-read-cable-carries = The meter read { SHORT($current_a) } A; the cable carries { FIX($ampacity_a, digits: 1) } A, the fuse is { SHORT($fuse_a) } A.
meter-read-to-expected = The meter read { SHORT($current_a) } A; { FIX($low_a, digits: 2) } to { FIX($high_a, digits: 2) } A expected (± { FIX($expanded_uncertainty_a, digits: 2) } A of the meter).
loop-has-more-than = The loop has { FIX($excess_mohm, digits: 0) } mΩ more than it should: { FIX($measured_mohm, digits: 0) } mΩ between bank and load, { FIX($loop_mohm, digits: 0) } mΩ is right (good to ± { FIX($uncertainty_mohm, digits: 0) } mΩ). In one joint that is { FIX($heat_w, digits: 1) } W of heat.
loop-measured-cable-and = The loop measured { FIX($measured_mohm, digits: 0) } mΩ; the cable and its joints have { FIX($loop_mohm, digits: 0) } mΩ by the design.
bad-joint-or-thinner = {" "}A bad joint or a thinner cable than planned loses voltage under load.
check-voltage-at-bank = {" "}Check the voltage at the bank at the same moment.
meter-read-at-load = The meter read { SHORT($load_voltage_v) } V at the load; { FIX($low_v, digits: 2) } to { FIX($high_v, digits: 2) } V expected (± { FIX($expanded_uncertainty_v, digits: 2) } V of the meter).{ $hint }
reading-inside-limits-only = The reading is inside its limits only if the meter is exact, or outside only if it is not.
band-only-times-meters = The band is only { FIX($uncertainty_ratio, digits: 1) } times the meter’s own uncertainty.

## shunt_check
must-be-at-least = must be at least 0.5 A either way: with less the clamp says nothing of the shunt

## solar_check
give-ambient-temp-or = give the air temperature round it (ambient_temp_c), or the temperature of the cells (cell_temp_c)
power-array = Power of the array
short-circuit-current = Short-circuit current
open-circuit-voltage = Open-circuit voltage
temperature-cells = Temperature of the cells

## verdict
required-where-no-limit = is required where no limit is given
required-or-tolerance-abs = is required (or the tolerance (tolerance_abs)) where no limit is given
must-be-at-least-limit = must be at least the lower limit (limit_low: { SHORT($limit_low) })
distance-to-nearer-limit = Distance to the nearer limit
positive-inside = positive inside
expanded-uncertainty = Expanded uncertainty
standard-uncertainty-reading = Standard uncertainty of the reading
