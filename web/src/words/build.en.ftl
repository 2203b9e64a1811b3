# What the pages of build say. A quantity’s name ends in its unit.

## Ahead
forecast-days = the forecast of { $days_count } { $days_count ->
        [one] day
       *[other] days
    }
day-forecast = a day of the forecast
forecast = the forecast of { $day }
days-ahead = The days ahead
forecast-days-ahead = Forecast of the days ahead
day = day
low = low
high = high
rain = rain
low-2 = Low of { $day }
high-2 = High of { $day }
wet = Wet on { $day }
remove = Remove { $day }
removed-day-forecast = removed a day of the forecast
what-usual-each-month = What is usual of each month counts. With a forecast, cures, warm hours and dry days of the days ahead go by it.
after-what-usual-month = By: { $coming_from }. After it what is usual of the month.
asking = Asking…
take-forecast = Take the forecast
add-day = Add a day
forgot-forecast = forgot the forecast
forget-forecast = Forget the forecast

## AirFields
humidity-number-like = Humidity: a number from 1 to 100, like 65
temperature-give-too-like = Temperature: give it too, like 14 °C
cures-air-now = It cures; the air now:
temperature = Temperature at { $name }
humidity = Humidity at { $name }, %
humidity-2 = humidity %

## AsBuilt
length = length
inside-diameter = inside diameter
fuse = fuse
size-cable = size of the cable
diameter = diameter
built-otherwise = Built otherwise
designed = { " " }(designed { $designed })
longer-cable-another-fuse = A longer cable, another fuse, a wider pipe: say so, look at what it changes, and the design follows.
what-was-built-otherwise = What was built otherwise
which = which…
which-values = Which of its values
built = { $field } as built
built-2 = as built
why = Why
why-2 = why
what-does-change = What does it change?
no-danger-fault-comes = This change brings no danger or problem.
ends = It ends: { $goes }.
was-built-all-same = It was built so all the same
was-built = It was built so

## Better
day-days = { $n } { $n ->
        [one] day
       *[other] days
    }
tasks-go-order-was = The tasks go in an order that was searched for.
tasks-their-urgency-again = tasks by their urgency again
go-urgency-again = Go by urgency again
could-done-sooner = Could it be done sooner?
trying-other-orders-up = Trying other orders, up to twenty seconds…
cancel = cancel
could-not-searched = It could not be searched{ $has_error ->
        [yes] : { $message }
       *[no] { "" }
    }.
whatever-order-isnt-done = { " " }Whatever the order, it isn’t done before { $bound }.
done = Done on
sooner-another-order-tasks = , { $saved_days } sooner, by another order: { $moved } { $moved ->
        [one] task begins
       *[other] tasks begin
    } on another day.{ $bound }
order-ends-sooner = an order that ends { $saved_days } sooner
use-order = Use this order
all = all
no-order-ends-sooner = No order of { $tries } ends sooner.
nothing-left-plan = Nothing is left to plan.
kept-plan-compare = kept this plan to compare with
kept-done = Kept on { $day }, to be done on { $end }
now = : now
later = later
sooner = sooner
was = : as it was
keep-todays-instead = Keep today’s instead
no-plan-compare = no plan to compare with
forget = Forget it
keep-plan-compare = Keep this plan to compare with

## Build
shopping-list-csv = Shopping list (CSV)
shopping-list-xlsx = Shopping list (XLSX)
plan-csv = Plan (CSV)
plan-calendar-ics = Plan for a calendar (ICS)
added = added { $name }
task-your-own = A task of your own
task-your-own-2 = a task of your own…
add = Add
build = Build
could-not-planned = It could not be planned: { $message }
planning = Planning…
open-larger-screen-plan = open it on a larger screen to plan
people-places-days-stand = People, places and days stand in the plan.
print-week = Print the week
take-file = Take a file
export = export…
planning-2 = planning…

## BuildSlate
builder = Builder
visit = Visit
away = Away
who-works-when = Who works when
assumed-one-builder-weekends = Assumed: one builder, at weekends.
name = name
works = works
licensed = is a licensed { $word }
remove-2 = remove
add-person = Add a person
licensed-visits-days-off = Licensed visits, days off
is-the = is the
comes = comes on
to = { $name }: { $first } to { $last }
from = from
to-2 = to
add-visit = Add a visit
add-days-off = Add days off
when-done-worst = When is it done, at worst?
simulating-your-people = Simulating it with your people…
could-not-simulated = It could not be simulated{ $has_error ->
        [yes] : { $message }
       *[no] { "" }
    }.
even-chance = Even chance by
four-times-five = ; with a chance of 80 % by
hardly-later-than-keep = ; hardly later than { $p95 }.{ $padded ->
        [yes] { "" }
       *[no] { " " }Keep { $value } { $value ->
        [one] day
       *[other] days
    } free at the end before you promise a day.
    }
deadline-met-runs = The deadline is met in { $chance } % of the runs.
runs-each-one-pace = { $runs } runs, each with one pace and its own hours, planned with the same people and cures. What governs most often: { $late }.
working-out-what-other = Working out what the other ways cost…
what-other-ways-cost = What the other ways cost could not be worked out: { $message }
what-other-way-costs = What the other way costs
days = { $days } days
done-not-before = done { $end }, not before { $bound }
ask = Ask: { $asks }.
when-where = When and where
begins = begins on
first-day = first day
must-done = must be done by
deadline = deadline
built-under-roof = built under a roof
heated = heated to
unheated = unheated
cables-go = cables go
floor = floor
behind-lining = behind the lining
build-up = by its build-up
decked-lined = decked and lined
insulated = insulated
proved = proved
reserve = reserve
hours-reckoned = hours estimated
hours-each-library = hours for each of the library
delivery-takes-working-days = delivery takes, working days
budget = budget
gets-too = It gets, too
left-out-plan = Left out of the plan
took-again = took { $replace_all } in again
take-again = take it in again

## GatesView
done-2 = done
tested = tested
labelled = labelled
photographed = photographed
not = { $name }: { $checked ->
        [yes] { "" }
       *[no] not{ " " }
    }{ $word }
all-there = all there
waived = waived: { $waived }
test = test it
waive-reason = waive it, with a reason
waived-2 = waived for { $name }
reason = Reason
why-closed-all-same = why it is closed all the same
name-2 = Name
your-name = your name
waive = Waive
leave = Leave it
no-surface-closed-build = No surface is closed in this build.
surface = Surface
closed = · closed
open = · { $blocking } open
ready = · ready
nobody-named = nobody named
closed-2 = Closed { $closed_on } by { $closed_by }.
opened-again = { $gate } opened again
was-opened-again = It was opened again
dont-close-thing-things = Don’t close it: { $blocking } { $blocking ->
        [one] thing is
       *[other] things are
    } open behind it{ $some_danger ->
        [yes] , { $danger } of them a danger that nobody can waive
       *[no] { "" }
    }.
closed-3 = { $gate } closed
may-closed = It may be closed.
may-closed-read-notes = It may be closed; read the notes first.
closed-4 = Closed by
close = Close the { $gate }
where-each-runs = Where each of it runs
behind = Behind { $gate }
behind-2 = behind it
still = still
nothing-known-lie-behind = Nothing is known to lie behind it. Runs get their ways when both ends are placed in Layout and weight.

## Items
one-one-ticked = One by one: { $done } of { $items_count } ticked

## LogView
curve-begins-first-entry = The curve begins with the first entry of the log.
hours-done-spent-ahead = Hours done, spent and ahead
dashed-planned = (dashed: planned),
spent = spent
budget-2 = Budget of { $service }
budget-3 = budget of { $service }
log = Log
librarys-hours-done-were = { $done_h } of the library’s hours are done, { $reduce } were spent
each = : { FIX($factor, digits: 2) } for each ({ FIX($low, digits: 2) } to { FIX($high, digits: 2) })
done-no-longer-design = Done, and no longer in the design: { $strays }.
strike = strike
nothing-written-down-yet = Nothing is written down yet: begin a task under Today.
money = Money
forecast-spent-ordered-rest = Forecast { $forecast }: { $spent } spent, { $ordered } ordered, the rest open with 15 % on top{ $has_budget ->
        [yes] ; budget { $budget }
       *[no] { "" }
    }. { $some_unknown ->
        [yes] { $unknown } { $unknown ->
        [one] line has
       *[other] lines have
    } no price yet.
       *[no] { "" }
    }
service = service
spent-ordered-open-budget = spent, ordered, open; its budget as a mark
forecast-2 = forecast
spent-ordered-open = { $service }: { $spent } spent, { $ordered } ordered, { $open } open

## Moved
what-moved = What moved
finish-stays = The finish stays
finish-moved = The finish moved from { $end } to
task-begins-tasks-begin = { $moves_count } { $moves_count ->
        [one] task begins
       *[other] tasks begin
    } on another day
close-2 = Close

## PunchList
small-things-mend = Small things to mend
before-handed-over = { " " }· before it is handed over
strike-2 = Strike { $name }
nothing-write-down-what = Nothing. Write down what rattles, drips or sits askew when you see it.
something-mend = Something to mend
what-mended = what is to be mended
where = Where it is
where-2 = where
before-handed-over-2 = before it is handed over

## QuotesView
what-quoted-price-days = what	quoted price	days to deliver	supplier{ "\u000A" }Water pump 10 L/min	84.50	3	The shop{ "\u000A" }
table-quotes = Table of quotes
table = a table
quotes = Quotes
ask-supplier = Ask the supplier
table-2 = From a table…
keep-quotes = Keep { $taken } { $taken ->
        [one] quote
       *[other] quotes
    }
suppliers-service-machine-asked = Bothy sends all that is still to buy to the supplier’s service on this machine. Or export the list, let it be filled in, and bring it back. Nothing is kept before you confirm it; a price that was paid stays.
nothing-left-buy = Nothing is left to buy
lines-lines-without-quote = { $source }: { $sum } for { $taken } { $taken ->
        [one] line
       *[other] lines
    }{ $some_left_count ->
        [yes] ; { $left_count } { $left_count ->
        [one] line
       *[other] lines
    } without a quote
       *[no] { "" }
    }.
what-offered = What is offered
what = what
about = about
offered = offered
here = here in
days-2 = days
ordered = , to be ordered in

## Sentence
all-tasks-done = All { $tasks_count } { $tasks_count ->
        [one] task is
       *[other] tasks are
    } done, in
what-left-prove-hand = ; what is left is to prove it and hand it over.
tasks-left-about = { $left } of { $tasks_count } { $tasks_count ->
        [one] task is
       *[other] tasks are
    } left, about
librarys-time = at { FIX($factor, digits: 2) } of the library’s time
done-3 = ; done on
plan = by the plan
surface-surfaces-cant-closed = ; { $open } { $open ->
        [one] surface
       *[other] surfaces
    } can’t be closed yet
thing-things-ordered-once = ; { $late } { $late ->
        [one] thing is
       *[other] things are
    } to be ordered at once

## ShoppingView
buy = to buy
packs = packs
price = price
order = order by
needed = needed
status = status
service-2 = Service
all-services = all services
status-2 = Status
whatever-status = whatever its status
order-2 = In the order of
service-3 = by service
day-order = by the day to order
day-needed = by the day it is needed
shop = by shop
lines-where-price-known = { $rows_count } { $rows_count ->
        [one] line
       *[other] lines
    }, { $reduce } where the price is known
quotes-2 = Quotes…
stock = In stock{ $some_stock_count ->
        [yes] { " " }({ $stock_count })
       *[no] { "" }
    }…
shopping = Shopping
nothing-list = Nothing of that is on the list.
today-last-day = today is the last day
one-day-more = one day more
days-more = { $n } { $n ->
        [one] day
       *[other] days
    } more
cut-like = Cut it like this
offcut-m = Offcut of { FIX($length_m, digits: 2) } m
new-m = New, { $length_m } m
off-reel = Off the reel
left = ; left { $m }
where-offcuts-lie = Where the offcuts lie
where-offcuts-lie-2 = where the offcuts lie
all-cut-keep-offcut = All cut: keep { $kept_count } offcut{ $several_kept ->
        [yes] s
       *[no] { "" }
    }
all-cut-fitted = All cut and fitted
about-2 = { $service }, { $packs }{ $has_price ->
        [yes] , about { $price }
       *[no] { "" }
    }
test-bench-soon-here = Test it on the bench as soon as it is here: after the return period nobody takes it back.
no-task-plan-takes = No task of the plan takes it.
for = For “{ $task }”, { $need_by }.
which-done = For “{ $task }”, which is done.
which-has-no-day = For “{ $task }”, which has no day yet.
counts-spent-about-price = { " " }It counts as spent at about its price; say below what it cost.
order-day-days-ago = { " " }Order it by { $order_by }{ $has_days_left ->
        [yes] { $days_left_less ->
            [yes] , { $days_ago } { $days_ago ->
                [one] day
               *[other] days
            } ago
           *[no] , in { $days_left } { $days_left ->
                [one] day
               *[other] days
            }
        }
       *[no] { "" }
    }.
for-2 = For: { $of }
here-day-days = , here in { $lead_days } { $lead_days ->
        [one] day
       *[other] days
    }
until = , until { $until }
ended-ask-again = ; it ended on { $until }, ask again
about-was-reckoned = . About { $guide } was expected.
may-go-back-until = It may go back until { $return_by }, { $day }.
under-warranty-until = Under warranty until { $warranty_until }.
ordered-2 = ordered
ordered-3 = Ordered
received = received
here-2 = It is here
sent-back = sent back
sent-back-2 = Sent back
spare = a spare
spare-2 = Spare
cost = it cost
expected = expected
came = came
them-damaged = of them damaged
serial-number = serial number
warranty-months = warranty, months
goes-back-within-days = goes back within, days
rest-promised = the rest is promised for
promised = promised for
promised-another-day = promised for another day
short-claim-them-order = { $expected } short: claim them, and order again.

## StockView
stock-2 = In stock of { $name }
where-lies = Where it lies
where-lies-2 = where it lies
add-stock = Add to stock
nothing-now = nothing now
nothing-long-enough = nothing that it is long enough for
counted = counted
stock-3 = In stock
how-much = how much
used = used for
amount = Amount of { $name }
place = Place of { $name }
nothing-yet-offcuts-come = Nothing yet. Offcuts come here when a line is cut; add what you have lying about, and it isn’t bought again.
line-shopping-list = Line of the shopping list
add-something = add something of…

## TaskSlate
left-wall-what-runs = Left wall, what runs behind it
right-wall-what-runs = Right wall, what runs behind it
ceiling-what-runs-behind = Ceiling, what runs behind it
floor-what-runs = Floor, what runs in it
roof-plan-templates = Roof plan and templates
wiring-cables-fuses = Wiring: cables and fuses
wiring-mains-side = Wiring: mains side
roof-plan = Roof plan
water-runs-taps = Water: runs and taps
gas-pipes = Gas: pipes
heat-air = Heat and air
air = Air
hours-number-like = Hours: a number from 0 to 200, like 1.5
hours = Hours of { $name }
hours-2 = hours
note = Note on { $name }
note-2 = note
done-4 = Done
half-done = Half done
done-begun-not-begun = { $is_done ->
        [yes] done
       *[no] { $is_begun ->
            [yes] begun
           *[no] not begun
        }
    } · { $hours }, { $people } { $people ->
        [one] person
       *[other] people
    }
why-date = Why this date
to-3 = { $start } to { $end }
cured = ; cured { $ready }
end-hangs = The end hangs on it.
only-where-local-rules = Only by a { $licence }, where local rules say so; keep the certificate.
write-down = Write it down
not-before = not before
c = at { $temp_c } °C{ " " }
takes = It takes
waits = waits for
left-out = left out { $name }
leave-out-plan = Leave it out of the plan

## TasksView
state = state
task = task
phase = phase
people = people
begins-2 = begins
no-hours = no hours
done-5 = done { $end }
who = who
ask-2 = ask { $ask }
tasks = Tasks
nothing-left-do = Nothing is left to do.
there-nothing-do-yet = There is nothing to do yet: a design comes first.

## TodayView
people-2 = , { $people } people
wear = wear { $ppe }
lacks = It lacks: { $lacks }.
pause = Pause
go = Go on
start = Start
write-hours-down = Write hours down
work-people = { $hours } of work{ $several_people ->
        [yes] { " " }by { $people } people
       *[no] { "" }
    }
nobody-works-today-plan = nobody works today by the plan; what is ready can be begun all the same
everything-done = Everything is done.
nothing-can-begun-today = Nothing can be begun today: something cures, or waits. Next: { $next }, { $start }.

## Weeks
whole-plan = whole plan
four-weeks = four weeks
week-day = a week, by day
earlier = Earlier
to-4 = { $from } to { $to }
later-2 = Later
nothing-planned-these-days = Nothing is planned in these days.
plan-zones-weeks = The plan by zones and weeks
c-2 = { $low_c } to { $high_c } °C
wet-2 = { $c }, { $rain_days } wet
not-before-2 = { $name }, { $start } to { $end }{ $has_pinned ->
        [yes] , not before { $pinned }
       *[no] { "" }
    }
kept = as kept on { $day }
not-before-3 = not before { $day }
plan-2 = plan { $end }
even-chance-four-five = a chance of 50 % to 80 %

## data
done-worked = { $name }: { $done_more ->
        [yes] done
       *[no] worked on
    }
done-6 = { $name }: { $item } done
open-again = { $name }: { $item } open again
goods = Goods
cut-fitted = { $name }: cut and fitted
mend = to mend: { $fields }
mended-open-again = { $name }: { $done ->
        [yes] mended
       *[no] open again
    }
struck = struck { $name }
built-otherwise-2 = { $fields }: built otherwise
stock-4 = in stock: { $fields }
stock-5 = in stock: { $name }
no-longer-stock = no longer in stock: { $name }
quotes-3 = { $lines_count } { $lines_count ->
        [one] quote
       *[other] quotes
    } of { $from }
struck-entry-log = struck an entry of the log: { $name }
not-before-4 = { $name } not before { $day }
no-longer-pinned = { $name }: no longer pinned
sun = Sun
mon = Mon
tue = Tue
wed = Wed
thu = Thu
fri = Fri
sat = Sat

## words
service-of-power = power
service-of-wiring = wiring
service-of-warmth = warmth
service-of-water = water
service-of-gas = gas
service-of-body = body
service-of-furniture = furniture
service-of-appliances = appliances
service-of-workshop = workshop
service-of-vehicle = vehicle
service-of-fit = fit
service-of-paper = paper
state-open = open
state-begun = begun
state-done = done
today = Today
weeks = Weeks
gates = Gates
log-money = Log and money
evenings-saturdays = evenings and Saturdays
weekends = weekends
full-time = full time
hours-their-own = hours of their own
electrician = electrician
gas-fitter = gas fitter
vehicle-engineer = vehicle engineer
licensed-electrician = licensed electrician
licensed-gas-fitter = licensed gas fitter
behind-linings = behind the linings
trunking-after-furniture = in trunking, after the furniture
one-sheet-before-furniture = one sheet, before the furniture
round-furniture-after = round the furniture, after it
vapour-barrier = a vapour barrier
none = none
floor-first = the floor first
walls-first = the walls first
after-cables-pipes = after cables and pipes
before-them-whole-boards = before them, in whole boards
their-long-tail = with their long tail
close-likely = close to the likely
one-end = one, at the end
every-task = in every task
each-service-when-built = each service when it is built
all-end = all at the end
cables-behind-linings = cables behind the linings
cables-trunking = cables in trunking
floor-before-furniture = floor before the furniture
floor-after-furniture = floor after the furniture
vapour-barrier-2 = with a vapour barrier
without-vapour-barrier = without a vapour barrier
floor-before-walls = the floor before the walls
walls-before-floor = the walls before the floor
insulation-after-cables-pipes = insulation after cables and pipes
insulation-before-cables-pipes = insulation before cables and pipes
hours-their-long-tail = hours with their long tail
hours-close-likely = hours close to the likely
one-reserve-end = one reserve at the end
reserve-every-task = a reserve in every task
proving-each-service-when = proving each service when it is built
proving-all-end = proving all at the end
awning = an awning
roof-rack = a roof rack
swivel-seats = swivel seats
belted-seat-living-space = a belted seat in the living space
cushions = cushions
carpet-walls = carpet on the walls
cavity-wax = cavity wax
aerial = an aerial
registration-camper = registration as a camper
plan-3 = plan
strip = strip
openings = openings
roof = roof
shell = shell
first-fix = first fix
insulate-line = insulate and line
furniture = furniture
second-fix = second fix
water = water
gas = gas
commissioning = commissioning
finish = finish
roof-2 = Roof
ceiling = Ceiling
left-wall = Left wall
right-wall = Right wall
floor-2 = Floor
doors = Doors
equipment = Equipment
cabinets = Cabinets
vehicle = Vehicle
glasses = glasses
gloves = gloves
dust-mask = dust mask
ear-protection = ear protection
full-face-mask = full-face mask
suit = suit
not-done = not done
not-tested = not tested
joint-out-reach = joint out of reach
no-label = no label
no-photograph = no photograph
stock-6 = in stock
here-3 = here
here-log = here, by the log
cut-fitted-2 = cut and fitted
spare-3 = spare
rings-watches-off-near = Rings and watches off near batteries; the main fuse stays out until the dead tests are passed. No flame and no glow heater near solvents. Axle stands, never a jack alone. An extinguisher within reach from the first cut. Mains, gas, seats and belts: by whom your region allows.
behind-ac-cable = mains cable
behind-dc-cable = cable of direct current
behind-data-cable = data cable
behind-conduit = conduit
behind-gas-pipe = gas pipe
behind-flue = flue
behind-water-pipe = water pipe
behind-waste-pipe = waste pipe
behind-duct = air duct
behind-sensor = sensor
behind-anchor = anchor
behind-rust-treatment = rust treatment
behind-sealed-opening = sealed opening
behind-insulation = insulation
behind-vapour-barrier = vapour barrier
behind-deadening = deadening
behind-fuel-line = fuel line
behind-coolant-hose = coolant hose
behind-heating-mat = heating mat
behind-aerial-lead = aerial lead
