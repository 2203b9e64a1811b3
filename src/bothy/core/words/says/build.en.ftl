# What build says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## boards
by = by the m²

## buying
so-small-that-more = are so small that more than 100,000 would be bought; give the larger packs too
holds-every-length-more = holds { SHORT($x) }; every length is more than 0 m
holds-piece-longest-stock = holds a piece of { SHORT($x_m) } m; the longest stock is { SHORT($longest_m) } m, and pieces aren’t joined
holds-more-pieces-over = holds more pieces over { SHORT($stock_length_m) } m than there are offcuts that long
first-fit-longest-first = first fit, longest first
offcuts-that-used = offcuts that are used
not-write-like = “{ $text }” is not a day; write it like 2027-03-14
order-by-today = order by − today

## durations
must-be-at-least = must be at least the hours at best (optimistic_h: { SHORT($optimistic_h) } h)
must-be-at-least-likely = must be at least the likely hours (likely_h: { SHORT($likely_h) } h)

## findings
more-tasks-wait-for = {" "}{ $blocked } more { $blocked ->
        [one] task waits
       *[other] tasks wait
    } for it.
one-person = One person is
too-few-people = Too few people are
tasks-have = { $lifts_count } { $lifts_count ->
        [one] task has
       *[other] tasks have
    }
one-task-has = one task has
entered-and-lift-for = { $who } entered, and { $what } a lift for more: { $template_names }. No plan of Bothy has a lone lift; it plans help for those days.
from-about-there-tasks = From about { $in_words } there are { $mine_count } { $mine_count ->
        [one] task
       *[other] tasks
    }
from-about-there-one = From about { $in_words } there is one task
for-and-no-visit = { $work } for { $words }, and no visit is entered; the plan takes the first working days.
in-doesnt-cure-within = { $names }: in { $end } it doesn’t cure within forty days at the place of the build.
at-least = at least { SHORT($min_c) } °C
at-most = at most { SHORT($max_c) } °C
planned-at-needs = “{ $names }” is planned at { SHORT($air_c) } °C; { $c_name } needs { $wants }.
by-plan-build-done = By the plan the build is done on { $in_words }, { $late } { $late ->
    [one] day
   *[other] days
 } after the deadline of { $in_words_2 }.
these-could-wait-until = {" "}These could wait until after moving in: { $listed }; { FIX($hs_h, digits: 0) } h in all. Tests, closings, alarms and licensed work stay.
build = Build
and-more-lines = , and { $late_lines_count } more { $late_lines_count ->
        [one] line
       *[other] lines
    }
should-have-been-ordered = { $x_name } should have been ordered { $days_left } { $days_left ->
        [one] day
       *[other] days
    } ago{ $more }; it is needed on { $need_by }.
came-instead = The order “{ $p_name }” came with { SHORT($received) } instead of { SHORT($expected) }.
came-damaged = The order “{ $p_name }” came with { SHORT($damaged) } damaged.
one-thing-behind-open = one thing behind it is open: { $bad_name }
things-behind-open = { $bad_count } { $bad_count ->
        [one] thing
       *[other] things
    } behind it are open: { $x_names }
closed-and = { $g_name } is closed, and { $what }.
behind-which-closed = Behind { $g_name }, which is closed: { $lacking_names }.
order-that-you-set = The order that you set for { $circle } goes in a circle; the plan leaves that order out.
tasks-that-done-no = Of the tasks that are done { $strays_count } are no longer in the design: { $strays }.
by-log-task-done = By the log the task is done; { $x_names }{ $left_count_over ->
    [yes] {" "}and more
   *[no] {""}
 } wasn’t ticked.
log-says-hours-for = The log says { FIX($factor, digits: 2) } hours for each of the library ({ FIX($low, digits: 2) } to { FIX($high, digits: 2) }): { $word }.
forecast-budget-open-lines = The forecast is { FIX($forecast_pc, digits: 0) } % of the budget, open lines with 15 % on top.
budget = { FIX($forecast_pc, digits: 0) } % of its budget
more-than-budget-nothing = more than its budget of nothing
forecast-for = The forecast for { $service } is { $over }.

## from_design
left-wall = Left wall
right-wall = Right wall
equipment-box = Equipment box
cabinets = Cabinets
doors = Doors
ceiling = Ceiling
floor = Floor

## gate
findings-that = findings that are { $severity }
things-below-layer-that = things below the layer that closes

## gates
rust-treated-and-painted = Rust treated and painted
sound-deadening = Sound deadening
vapour-barrier = Vapour barrier
opening = Opening of { $thing_name }
insulation = Insulation

## line
from-offcuts-in-stock = from offcuts in stock
off-reel = { FIX($bought_m, digits: 1) } m off the reel
in-stock = in stock
in-stock-2 = { SHORT($left) }{ $unit }, { SHORT($there) } in stock

## log_rules
foam-in-walls = foam in the walls
insulation-in-walls = insulation in the walls
insulation-in-ceiling = insulation in the ceiling
connected-battery = a connected battery
gas-on-board = gas on board
done-and = { $names } is { $done ->
    [yes] done
   *[no] begun
 }, and { $words }.
no-hose-was-held = no hose was held at the openings yet
not-done = not done: { $open_ones }
cut-edges-not-painted = the cut edges are not painted: they rust under the seal
dead-tests-not-short = the dead tests are not: a short would be found by its fire
ducts-not-on-heater = the ducts are not on the heater
was-left-out-faulty = “{ $names }” was left out: a faulty one comes out again
not-within-forty-in = not within forty days in that air
was-begun-on-had = { $names } was begun on { $in_words }; “{ $names_2 }” had cured { $when }.
throws-sparks-or-hot = { $names } throws sparks or hot swarf and is still to come, with { $burns }.
and-stand-in-log = { $names } and { $other }{ $other_2 } stand in the log on the same day: fumes of one meet the sparks of the other.
entered-as-done-without = { $who } entered “{ $names }” as done, without a licence for it; it is for { $words }.
before = ; before it: { $wait }
comes-on-and-nothing = { $v_name } comes on { $in_words }, and nothing is ready: “{ $task }” begins on { $soonest } by the plan{ $why }.
may-go-back-until = { $x_name } may go back until { $last }; its test on the bench is planned for { $planned }.
piece-longer-than-any = { $x_name }: a piece of { FIX($longest_m, digits: 1) } m is longer than any that is sold in one length.
comes-in-through-bare = { $names } comes in through the bare shell, and not past { $blocking }, which stands or is planned before it.
and-more = {" "}and { $left_count } more
to-be-mended-before = To be mended before it is handed over: { $names }.

## network
waits-for-which-does = “{ $k }” waits for “{ $p }”, which does not exist
go-round-in-circle = go round in a circle: { $value }
latest-earliest-finishes = latest of the earliest finishes
deadline-else-makespan = deadline, else the makespan

## pace
tasks-log = tasks of the log
ratios-outside-to = ratios outside 0.2 to 5

## piping
elbow-by-half = Elbow 45°
tee = Tee
ball-valve = Ball valve
stop-valve = Stop valve
check-valve = Check valve
appliance-valve = Appliance valve
gas = , gas
water-pipe-inside-hot = Water pipe, { SHORT($bore_mm) } mm inside, { $hot ->
    [yes] hot
   *[no] cold
 }
water-pipe-hot = water pipe { SHORT($bore) } { $hot ->
    [yes] hot
   *[no] cold
 }
waste-pipe-inside = Waste pipe, { SHORT($bore_mm) } mm inside
waste-pipe = waste pipe { SHORT($bore) }
gas-pipe-inside-by = Gas pipe, { SHORT($bore_mm) } mm inside, by the fitter
gas-pipe = gas pipe { SHORT($bore) }
warm-air-duct = Warm-air duct, { SHORT($bore_mm) } mm
duct = duct { SHORT($bore) }
coolant-hose-inside = Coolant hose, { SHORT($pipe_inner_mm) } mm inside
coolant-hose = coolant hose { SHORT($pipe_inner_mm) }
strainer = Strainer
reducer = Reducer
coupling = Coupling
elbow = Elbow

## plan
electrician = the electrician
gas-fitter = the gas fitter
vehicle-engineer = the vehicle engineer
waits-for-which-finds = The task waits for { $template_name }, which finds no hours.
waits-for-something-else = The task waits for something else.
nothing-left-to-do = Nothing is left to do of it.
would-come-later-than = The task would come later than two and a half years from now.
more-person-to-help = { $others } more { $others ->
    [one] person
   *[other] persons
 } to help
for-from-about = { $words } for a day from about { $day } { $at }
nobody-there-on-any = Nobody is there on any day: enter who works when.
never-warm-or-light = The place is never warm or light enough while somebody is there: heat, or build in a hall.
no-hours-left = No hours are left.
you-pinned-to-or = You pinned it to { $pin } or later.
waits-for-promised-for = The task waits for { $comes }, promised for { $comes_2 }.
after-which-has-cured = After { $said }, which has cured by { $cured }.
after-done = After { $said }, done { $ready }.
nothing-must-be-done = Nothing must be done before it.
by-forecast = by the forecast
needs-dry-about-waiting = The task needs dry days: about { $days } { $days ->
    [one] day
   *[other] days
 } of waiting { $by }.
ask-planned-as-if = Ask { $ask }: the day is planned as if they came.
there-from = { $words } is there from { $at }.
somebody = somebody is
people = { $others } people are
free-from = { $who } free from { $at }.
warm-or-light-enough = Warm or light enough ({ $low }) from { $at }.

## shopping
toilet = Toilet, { $kind }
cable = Cable { $size }, { $colour }
for = { $kind }{ $kind_2 } for { $size }, { $stud }
heat-shrink-tube-for = Heat-shrink tube for lugs
by-2 = by the m
fuse = Fuse { $family } { SHORT($rating_a) } A
conduit-inside = Conduit, inside { $inside }, { $k_name }
off-reel-2 = off the reel
roof = { $name }, roof
carbon-monoxide = carbon monoxide

## small_schedule
has-give-to = “{ $name }” has { $n }; give 0 to 50
needs-which-not-among = “{ $t_id }” needs “{ $name }”, which is not among the resources
needs-and-there = “{ $t_id }” needs { $n } of “{ $name }”, and there are { $resources }
must-be-whole-hours = must be whole hours here
not-among-resources = “{ $resource }” is not among the resources
must-be-after-from = must be after the start of the session (from_h: { $from_h })
nothing-fits-into-with = nothing fits into { $horizon_h } h with these people
least-all-schedules-that = least of all schedules that keep people, waits and releases
as-if-there-were = as if there were people enough
earliest-in-that-makespan = earliest in that makespan, in the order of the list

## task_list
not-known-tags = “{ $t }” is not known; the tags are { $tags }
not-known-quantities = “{ $q }” is not known; the quantities are { $quantities }
rows-library-whose-trigger = rows of the library whose trigger and school hold
what-must-be-done = what must be done before, with the gates
tests-on-bench = tests on the bench
tasks-licensed-trade = tasks of a licensed trade

## templates
not-zone-layer = “{ $x }” is not zone@layer
not-tag = “{ $tag }” is not a tag
three-estimates-must-rise = the three estimates must rise
not-one = “{ $text }” is not one of { $phases }

## windows
must-be-at-least-temp = must be at least the lowest temperature (min_temp_c: { SHORT($min_temp_c) } °C)
first-hour-from-which = first hour from which all of it is good
hours-that-nothing-blocks = hours that nothing blocks
hours-that-blocks = hours that { $k } blocks

## worked
in-open = in the open
dry = , dry
from = from { FIX($min_c, digits: 0) } °C
by-daylight = by daylight
wind-up-to = up to { FIX($max_wind_m_s, digits: 0) } m/s of wind
not-here-yet-and = not here yet: { $missing } and { $missing_count } more
not-here-yet = not here yet: { $missing }
people-2 = { $people } people
usual-reaches = { FIX($min_c, digits: 0) } °C; a usual day reaches { FIX($max_c, digits: 0) } °C
dry-2 = a dry day
in-hall = in a hall of { FIX($hall_temp_c, digits: 0) } °C
by-forecast-to-rain = { $c_name }, by the forecast: { FIX($low_c, digits: 0) } to { FIX($high_c, digits: 0) } °C, { FIX($rain_pc, digits: 0) } % rain
usual-month-to-rain = { $c_name }, usual of the month: { FIX($tmin_c, digits: 0) } to { FIX($tmax_c, digits: 0) } °C, rain on { FIX($rain, digits: 0) } { $rain ->
        [one] day
       *[other] days
    } of it

## calendar
builder = Builder
