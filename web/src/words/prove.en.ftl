# What the pages of prove say. A quantity’s name ends in its unit.

## Bands
expected-read = { $low } to { $high } expected{ $has_read ->
        [yes] , { $read } read
       *[no] { "" }
    }
readings-against-what-expected = Readings against what is expected
current-expected-between-bars = current, expected between the bars
voltage-load = voltage at the load
not-read-yet = { $code } { $name }{ $has_verdict ->
        [yes] : { $verdict }
       *[no] : not read yet
    }
read = to read

## CircuitDrawing
r-b-probe = { $is_red ->
    [yes] R { $name }, red probe
   *[no] B { $name }, black probe
}
probe-colour = { $is_red ->
    [yes] red
   *[no] black
}

## Drawing
bank = bank
inverter = inverter
mains = mains

## FinderView
circuits = Circuits
water = Water
gas = Gas
heating = Heating
power = Power
appliances = Appliances
drawn-doubt-each-part = { $title }, drawn with the doubt on each part
mv = 90 mV
sound = sound: { $sound }
looking-what-can-searched = Looking what can be searched…
what-wrong = What is wrong?
search-what-wrong = Search what is wrong
fridge-no-hot-water = fridge, no hot water, weak flame…
nothing-like-take-nearest = Nothing like that; take the nearest, or prove the circuit step by step on the ladder.
mended = Mended?
what-was-mended = What was mended
mended-2 = Mended by
by = by
note-repair = Note on the repair
what-was-done = what was done
record-prove-again = Record it, prove again
thinking = Thinking…
search-something-else = Search something else
test-your-own-choice = or a test of your own choice
another-test = Another test
choose = choose…
take-last-answer-back = Take the last answer back
i-hold-licence = I hold the licence for it
causes = Causes
what-was-told = What was told
ruled-out-more = . Ruled out: { $out }{ $out_count_more ->
        [yes] ; and { $out_count } more
       *[no] { "" }
    }
min-far-bits-doubt = { $some_minutes ->
        [yes] { $minutes } min so far:{ " " }
       *[no] So far:{ " " }
    }{ $alike ->
        [one] hardly any doubt is left
       *[other] in doubt between about { $alike } causes
    }. A suggestion: isolate before you touch.

## InService
use-already-says = In use already, says { $in_service }
strike = strike it
has-been-use-already = It has been in use already…
who-says = Who says so?
what-shows-few-words = What shows it? A few words more.
then-circuits-charging-water = Then circuits, charging, water, heat and air may be measured without the dead tests first. Mains, hook-up and gas may not.
who-says-2 = Who says so
your-name = your name
what-shows = What shows it
lived-since-inspected-may = lived in since 2019, inspected in May
say = Say so
leave = Leave it

## Ladder
not-aboard = not aboard
locked = locked
open = open
proved = proved
failed = failed
of = { $passed } of { $total }
mains-2 = Mains
heat = Heat
air = Air
cooling = Cooling
alarms = Alarms
road = Road
boards = Boards
main-cables = Main cables
bank-busbars-shunt = Bank, busbars, shunt
seals-roof = Seals on the roof
stages-commissioning = Stages of commissioning
what-proved-drawn = What is proved, drawn
what-proved = What is proved

## LiveView
ten-minutes = ten minutes
day = day
expected = as expected
silent = silent
stuck = stuck
noisy = noisy
drifts = drifts
off = off
last = { $name }, the last { $word }, { $state }
simulated = simulated
expected-2 = expected { $expected } ({ $low } to { $high }),
simulated-2 = , simulated
spoil = Spoil { $name }
spoil-2 = spoil it…
reckoning-what-should-said = Working out what should be said today…
nobody-answers-port-terminal = Nobody answers on port { $port }. In a terminal:
bothy-devices = ./bothy devices
starts-stand-ins-vehicles = starts stand-ins for this vehicle’s devices; an adapter for real ones speaks the same protocol (docs/devices.md).
seen = Seen
time-shown = Time shown
listen-although-nobody-looks = listen although nobody looks
values-table = Values as a table
forget-all-kept-values = Forget all kept values
keep-them = Keep them
forget = Forget…
take-all-failures-out = Take all failures out
what-was-said-wrongly = Wrong answers ({ $told_count })
screen-no-alarm-only = A screen is no alarm: only certified alarms warn of CO, smoke and gas. { $simulated ->
        [yes] What is marked simulated proves nothing and nobody may rely on it.
       *[no] { "" }
    }

## Loops
passes = passes
too-high = too high
too-low = too low
power-off-fuse-out = Power off, fuse out, appliances unplugged, far ends twisted together; part them again afterwards.
k = { $v } kΩ
m = { $v } mΩ
ohm-meter-shows-steps = { $how } The ohm-meter shows steps of
ohm-meters-last-digit = ohm-meter’s last digit
leads-have = , its leads have
resistance-meters-leads = resistance of the meter’s leads
and-it-is = , and it is
temperature-test = temperature at the test
there = in there.
code = code
circuit = circuit
expect = expect
from-to = from, to
to = { $low_mohm } to { $high_mohm }
meter = this meter
resolves = resolves it
loaded-test-design-current = Loaded test: at design current no more than { $loaded_drop_v } may be lost
not-open-only = “not open” only
read-2 = read
verdict = verdict
loop-test-could-not = The loop test could not be fetched: { $message }
drawing-up-loop-test = Drawing up the loop test…
loop-test = Loop test
prove = prove
no-circuit-has-cable = No circuit has its cable yet (key 5), so there is no loop to measure.
loop = Loop of { $code } { $name }
loop-2 = Loop, { $code }

## PipeDrawing
shut-open = { $name }{ $has_turn ->
        [yes] { $off ->
            [yes] : shut
           *[no] : open
        }
       *[no] { "" }
    }
gauge-here = gauge at { $name }{ $here ->
        [yes] : here
       *[no] { "" }
    }

## PlanPicture
what-proved-plan = What is proved, on the plan
front = front
rear = rear

## PracticeView
practice-nothing-here-proves = PRACTICE, nothing here proves anything
two-probes = { $title }, with two probes
gauge = { $title }, with a gauge
shut-now = , shut now
open-now = , open now
which = { $title }: which
where = { $title }: where
rig = Rig
another-fault = Another fault
seed = seed
seed-2 = Seed
probe = { $is_red ->
    [yes] red probe
   *[no] black probe
}
press-drawing-moves-one = a press on the drawing moves the { $next } one
drawing-press-turns-tap = On the drawing a press turns a tap, a valve or the source, and moves the gauge.
meter-2 = The meter
what-seen = What is seen
acts = Acts
it-is = It is
which-part = Which part
which-part-2 = which part…
score = Score
right-right-part-another = of 100: { $right ->
        [one] right
       *[other] { $some_right ->
            [yes] the right part, another fault
           *[no] not it
        }
    }. It was { $truth }.
min-min-best-policy = { $minutes } min, { $best_minutes } min by the best policy{ $some_unsafe ->
        [yes] , { $unsafe } unsafe { $unsafe ->
            [one] act
           *[other] acts
        }
       *[no] { "" }
    }. { $repair }
and = { " " }and{ " " }
rules-out-causes = , rules out { $out_count_less ->
        [yes] { $out }
       *[no] { $out_count } { $out_count ->
        [one] cause
       *[other] causes
    }
    }
same-again = The same again
what-was-done-2 = What was done,
unsafe = , { $unsafe } unsafe
to-2 = { " " }to { $i }
training-real-thing-not = Training for the real thing, and not it: a real one can have more faults than one. { $r }{ $is_wires ->
        [yes] { " " }A blown fuse stays blown until it is replaced.
       *[no] { "" }
    }

## Prove
locked-until-dead-tests = Locked until the dead tests are passed
circuits-read-passed = { $read } of { $testable } { $testable ->
        [one] circuit
       *[other] circuits
    } read, { $passed } passed.
question-questions-not-answered = { $unanswered } { $unanswered ->
        [one] question is
       *[other] questions are
    } not answered and counted as missing.
voltmeter-good = Voltmeter good to
voltmeters-accuracy = voltmeter’s accuracy
showing = showing
voltmeters-last-digit = voltmeter’s last digit
ammeter-good = , ammeter good to
ammeters-accuracy = ammeter’s accuracy
ammeters-last-digit = ammeter’s last digit
making-ladder = Making the ladder…
nothing-prove-yet = Nothing to prove yet.
all-steps-proved = All { $total } { $total ->
        [one] step is
       *[other] steps are
    } proved.
steps-proved-failed-prove = { $passed } of { $total } { $total ->
        [one] step
       *[other] steps
    } proved{ $has_failed ->
        [yes] , { $failed } failed
       *[no] { "" }
    }{ $has_again ->
        [yes] , { $again } to prove again
       *[no] { "" }
    }.
next = Next:
which-failed-find-cause = , which failed: find the cause.
test = Test
by-2 = by { $who }
one-stage-after-other = one stage after the other, the dead tests first
stop-if = Stop if:{ " " }
before-first-power-main = Before first power: main fuse out, every loop checked, polarity right, a second person there. Mains and gas are licensed work.{ " " }
nothing-simulated-ever-proves = { $before_first_power }{ $licensed } Nothing simulated ever proves a step.
not-read = not read
loop-3 = loop { $verdict }
loop-design-says = Its loop is as the design says.
one-circuit-time-order = one circuit at a time, in the order of the sheet
before-first-power-main-fuse = Before first power: main fuse out, every loop checked, polarity right, a second person there. Mains tests are licensed work.{ " " }
no-reading-fails = No reading fails.
not-read-yet-2 = not read yet
cant-tested-yet = Can’t be tested yet: { $missing }.
volts-load = Volts at the load:
to-3 = { $low_v } to { $high_v }
m-2 = { " " }mΩ,{ " " }
loop-before-power = Its loop before power: { $measured_mohm }{ $m }{ $verdict }.
reading = Reading
taken = taken { $taken_at }
by-3 = by { $taken_by }
judged-against-revision = , judged against revision { $judged_revision }
what-expected-has-changed = : what is expected has changed since
note = note
strike-reading = Strike this reading
type-what-meter-shows = Type what the meter shows: “120 mohm”, “0.3 ohm”.
volts-bank-load-same = “4.1 A”, “12.6”. Volts at bank and load in the same moment, load on.
all-was-taken-down = All that was taken down, newest first. Undo never takes it back.
not-yet = not yet
amps-read = amps read
volts-bank = volts at bank
volts-load-2 = volts at load
older = , older
all-stages = All stages
marks = As marks
drawing = As a drawing
print-ladder = Print { $has_rung ->
        [yes] { $to_upper_case }
       *[no] the ladder
    }
print-test-sheet = Print the test sheet
test-sheet = Test sheet
nothing-test-yet-sheet = Nothing to test yet: the sheet follows from the circuits in Wiring (key 5).
by-4 = { $to_upper_case } { $title }, by { $who }

## Record
no = no.
when = when
what = what
of-2 = of
says = says
revision = revision
corrects-r = { $has_corrects ->
        [yes] corrects { $corrects },{ " " }
       *[no] { "" }
    }r{ $revision }
record-could-not-fetched = The record could not be fetched: { $message }
looking-up-record = Looking up the record…
record = Record
nothing-was-measured-yet = Nothing was measured yet. What you type on the test sheet, in Water’s and in Gas’ tests stands here, and stays.

## SiteLadder
nothing-prove-yet-steps = Nothing to prove yet: the steps follow from what is in the design.
proved-failed = { $passed } of { $total } proved{ $has_failed ->
        [yes] , { $failed } failed
       *[no] { "" }
    }
stage-ladder = Stage of the ladder
locked-2 = { $to_upper_case } { $title }: { $passed } of { $total }{ $is_locked ->
        [yes] , locked
       *[no] { "" }
    }
stop-if-2 = Stop if: { $stop }{ $stop_2 } By { $who }.
all-steps = All steps of { $to_upper_case }
before = Before
do = To do
next-2 = Next

## StepForm
enter-pressure-test-water = Enter the pressure test in Water
enter-leak-test-gas = Enter the leak test in Gas
enter-pressure-gas = Enter the pressure in Gas
enter-weighing-layout-weight = Enter the weighing in Layout and weight
done = Done by
both-names = both names
done-2 = done by
licence = Licence
licence-2 = licence
licensed-work-only-licensed = Licensed work: only the licensed person records it, with name and licence.
takes-two-people-write = It takes two people; write both names.
loop-4 = Loop
volts-bank-2 = Volts at the bank
volts-load-3 = Volts at the load
amps = Amps
shunt-changed = Shunt changed by
type-what-monitor-changed = Type what the monitor changed by at two circuits or more, in their own steps of S5.
light-panels-plane-w = Light in the panel’s plane, W/m²
air-c = Air temperature
should = As it should be
not-right = Not right
read-3 = Read
read-4 = Read, { $unit }
note-2 = Note
strike-record = Strike this record
number-like = A number, like 620
why-good-enough = Why { $title } is good enough
why-good-enough-2 = why it is good enough
take = Take it
right = Right:
expected-3 = · expected { $expected }
find-cause = Find the cause

## StepLedger
stage = stage
step = step
right-2 = right
state = state
licensed = licensed
steps = Steps

## data
who-anyone = anyone
who-two = two people
who-licensed = the licensed person
who-driver = the driver
over-range = over the range
ladder = Ladder
loops = Loops
power-2 = With power
find-fault = Find a fault
practice = Practice
live = Live
do-2 = to do
passed = passed
not-sure = not sure
prove-again = prove again
to-4 = { $low } to { $high } { $unit }
least = at least { $low } { $unit }
most = at most { $high } { $unit }
hasnt-been-use = it hasn’t been in use
use-already = in use already
struck = struck: { $title }
mended-3 = mended: { $cause }

## edit
marginal = marginal
fails = fails
reading-2 = reading of { $code } { $row }
struck-reading = struck the reading of { $code } { $row }

## record
entry-simulated = simulated
entry-axles = front { $front_kg }, rear { $rear_kg }
entry-done = done
entry-ticked = { $items } ticked
entry-damaged = { $damaged } damaged
entry-tested = tested
entry-labelled = labelled
entry-photographed = photographed
entry-waived = waived: { $waived }
entry-days = { $lead_days } { $lead_days ->
    [one] day
   *[other] days
}
entry-designed = designed { $designed }
entry-built = built { $built }
entry-number = number { $number }
entry-licence = licence { $licence }
entry-at = at { $odometer_km }
reading-3 = reading
pressure-test = pressure test
leak-test = leak test
reading-gas = reading of gas
look-before-trip = look before a trip
weighing = weighing
work = work
behind-wall = behind a wall
wall-closed = wall closed
purchase = purchase
stock = stock
quote = quote
small-thing-mend = small thing to mend
built-otherwise = built otherwise
paper = paper
maintenance = maintenance
test-step = test step
repair = repair
photograph = photograph
load = load
monitor = monitor
loop-5 = loop
all-burning = all burning
all-off = all off
flame-failure-after = flame failure after
to-in = { $start } to { $end } in { $duration_min }
should-2 = as it should be
not-should = not as it should be
left-side = left side { $left_kg }
came = { $received } of { $expected } came
nothing-ticked = nothing ticked
opened-again = opened again
closed = closed
mended-4 = mended
mend-before-driven = to mend before it is driven
mend = to mend
entered = entered
taken-2 = taken
struck-2 = struck
noted = noted
gas-2 = gas
