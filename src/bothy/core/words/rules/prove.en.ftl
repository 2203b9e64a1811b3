# What the rules of prove say, in English: the title, and the remedy, which begins with a verb; asked: the title while nobody has said how it is.

## commissioning/rule_table.py
test-order = Power before the dead tests
    .remedy = Isolate, then do the open steps.
test-step-fail = A safety test fails
    .remedy = Isolate, find the cause, mend it, and test again.
test-short = Short circuit before power
    .remedy = Leave the main fuse out and find it.
test-reversed = Plus and minus are swapped
    .remedy = Leave the main fuse out and swap them.
test-negative-bypass = A negative bypasses the shunt
    .remedy = Move it to the load side of the shunt.
test-shunt-reversed = The shunt counts backwards
    .remedy = Turn the shunt round, or swap its sense leads.
test-shunt-scale = The monitor is set to another shunt
    .remedy = Set the shunt’s millivolts and amps in the monitor.
test-shunt-zero = Current with everything off
    .remedy = Zero the monitor, or find what draws.
test-precharge = The inverter isn’t pre-charged
    .remedy = Charge it through a resistor before the fuse goes in.
test-insulation-low = Mains insulation too low
    .remedy = Leave mains off; the licensed person mends it.
test-earth-open = Earth connection not good
    .remedy = Leave mains off; the licensed person mends it.
test-rcd-slow = Residual-current device too slow
    .remedy = Leave mains off; have it changed by the licensed person.
test-rcd-missing = No residual-current protection
    .remedy = Leave mains off; have one fitted by the licensed person.
test-ac-polarity = Line and neutral are swapped
    .remedy = Leave mains off; have it put right by the licensed person.
test-no-licence = Licensed work without a licence
    .remedy = Have it done and signed by the licensed person.
test-meter-category = The meter isn’t made for mains
    .remedy = Use a meter of CAT III.
test-gas-record = The gas isn’t proved tight
    .remedy = Shut the bottle and have it tested by the licensed person.
test-co-inside = Carbon monoxide inside
    .remedy = Get everybody out into the air, shut everything off if that is safe, then air the vehicle and find the cause.
test-alarm = An alarm is missing or doesn’t sound
    .remedy = Fit an alarm that is within its date.
test-solar = Panel voltage not what it should be
    .remedy = Look for shade, a panel the wrong way round, an open string.
test-fridge-slow = The fridge takes too long
    .remedy = Check the air at its condenser, its door seal and its voltage.
test-retorque = A joint has come loose
    .remedy = Tighten it, mark it, and find out why.
test-excess-joint = A joint has resistance
    .remedy = Find the leg with the largest drop, make that joint anew.
test-below-prediction = Less resistance than the cable can have
    .remedy = Check where the points were, and the cable against the drawing.
test-in-service = In use before it was proved here
    .remedy = Do the dead tests when it is next isolated.
test-again = To be proved again
    .remedy = Do the step again.

## proving/outdated.py
test-outdated = Reading is older than the design
    .remedy = Measure it again.

## proving/sheet.py
test-fail = Reading fails
    .remedy = Find the cause before going on.
test-marginal = Reading is marginal
    .remedy = Repeat the reading with a better meter, or accept it with a note.
test-current-band = Current outside what the design predicts
    .remedy = Check which appliances are on, then the joints.
test-cable-overload = Current above the cable or its fuse
    .remedy = Switch off, then fit another fuse or cable.
test-meter-weak = Meter too coarse for this reading
    .remedy = Use a better meter.

## wiring/loop_test.py
wire-test-failed = The loop test fails
    .remedy = Find the joint, crimp it anew, measure again.
