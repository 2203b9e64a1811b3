# What the pages of trips say. A quantity’s name ends in its unit.

## Adopt
make-variant-beside-one = Make it a variant beside this one
put-into-variant = Put it into this variant
cables-fuses-follow-parts = Cables and fuses follow the parts: look at Wiring afterwards. Fixing on the roof, weight and mains work have rules of their own; mains and gas by licensed trades where the law says so.

## BringInItinerary
takes-place-legs-there = It takes the place of the { $legs_count } { $legs_count ->
        [one] leg
       *[other] legs
    } there are; undo brings them back.
mean-speed-track-without = mean speed of a track without times
motorway-km-h = motorway, 87 km/h
road-km-h = road, 60 km/h
mountain-km-h = mountain, 40 km/h
track-km-h = track, 20 km/h
csv-xlsx-gpx = CSV, XLSX or GPX
brought-legs = brought in { $lines_count } { $lines_count ->
        [one] leg
       *[other] legs
    }

## BringInWeather
time = time
global-radiation-w-m = global radiation, W/m²
air-temperature-c = air temperature, °C
relative-humidity-may-missing = relative humidity (may be missing)
import-weather-file = Import a weather file
file-epw-tmy3-csv = a file, EPW, TMY3 or CSV
weather-file = Weather file
weather-file-2 = a weather file
year-hour-finer-monthly = A year by the hour or finer. Its monthly means and spells replace the table’s.
add-place = Add as a place
still-told = Still to be told: { $asks }.
latitude-n = latitude °N
longitude-e = longitude °E
height-m = height m
standard-time-h-utc = standard time, h from UTC
time-marks = a time marks the
start-hour = start of its hour
end-hour = end of its hour
nothing-odd-no-gaps = Nothing odd: no gaps, no more than a clear sky, and the sun where it should stand.

## FindParts
set = set
as-it-is = as it is:
found = found:
price = price
mass = mass
days-short = days short
least-charge = least charge
trips = Trips
which-parts-last-trip = Which parts last the trip? Bothy tries every set of panels, controller, bank and driving charge that the vehicle and the rules allow, in the same simulated trips, for { $goal }.
revision-before-later-changes = Of revision { $revision }, before later changes.
short-days = For { $goal }: { $words }. { $price }, { $mass_kg }, short on { $short_days_frac } of the days.
no-set-keeps-days = No set keeps to { $target_frac } of the days. { $binding }
search-again = Search again
search = Search
search-2 = search
show-all-best-trade = show all { $front_count } best trade-offs
simulated-trips = { " " }simulated trips
sets = { GROUPED($set_count) } { $set_count ->
        [one] set
       *[other] sets
    }, { $draw_count }{ $simulated_trips }
sets-parts = Sets of parts
say-slate-what-may = Enter under Details what it may cost and weigh, then press Search. It takes some seconds, on long trips a minute.
first-trip-add-places = First the trip: add its places in the view Trip. The parts are searched for it.

## Lanes
charge = charge
sun-use = sun and use
toilet = toilet
gas = gas
generator = generator
cabin = cabin
humidity = humidity
moment-trip = Moment of the trip
none = none
charge-half-simulated-trips = { $run }: charge { $at } % in half of the simulated trips
hooked-up = , hooked up
days-h-driving-first = { $name }, { $days_count } { $days_count ->
        [one] day
       *[other] days
    }{ $hooked_up }{ $has_drive_h ->
        [yes] , { $drive_h } h of driving first
       *[no] { "" }
    }
floor = floor { $floor } %
short-simulated-trips = { $date }: short in { $short_frac } % of the simulated trips
first-short-half-trips = first short in half of the trips
band-simulated-trips-line = Band: 8 of 10 simulated trips; line: half of them; thin: three of them. Point at a moment, or use the arrows. Black line under “sun and use”: what is used.
red-measured-charge-use = { " " }Red: measured charge and use; heather, dashed: measured sun.
charge-sun-other-sources = { $run } · charge { $soc } · sun { $sun_w } · other sources { $value } W · use { $load_w } · { $run_2 } · cabin { $cabin_c }{ $has_rh ->
        [yes] { " " }at { $rh }
       *[no] { "" }
    }{ $rows }
into-bank-w = into the bank { $w } W
out-bank-w = out of the bank { $w } W
to = { $mid } { $unit } ({ $low } to { $high })

## LegSlate
hour-day = hour of the day
place = place
days = days
driving-each-day = driving, each day
driving-first-day = driving, on its first day
setting-off = setting off at
driving-again = driving again
second-drive-day = a second drive that day
and-that-at = and that at
every-day = so every day of it
else-first-only = else on the first only
hooked-up-2 = hooked up
all-days = all its days
generator-day = generator, a day
not-while-hooked-up = not while hooked up
own-days = its own days
started = started at
days-2 = days of
nose-points-north = nose points to, ° from north
matters-tilted-panels = matters with tilted panels
unknown = unknown
people = people
daily-use = { $people }, as in Daily use
days-trip = { $days_count } { $days_count ->
        [one] day
       *[other] days
    } of the trip
filled-emptied = filled and emptied at
hour-first-day = hour of its first day
note = note
days-3 = Its days
day = day
sun-wh = sun Wh
used-wh = used Wh
least = least
short = short
remove-trip = Remove from the trip

## Live
month = month
sun-day = sun, a day
used-day = used, a day
missing-day = missing, a day
worst-week = worst week
month-month = Month by month
running-months = Running the months…
living-there = living there: { $what }
never = never
living-there-2 = Living there
working-days-week = working days a week
working-days = working days
hook-up-every-days = a hook-up every … days
drive-every-days = a drive every … days
for = for
hours-driving = hours of driving
back-planned-trip = back to the planned trip
back-planned-trip-2 = Back to a planned trip

## Measured
bank-voltage-v = bank voltage, V
bank-current = bank current, A
state-charge = state of charge
solar-power-w = solar power, W
other-charging-w = other charging, W
load-power-w = load power, W
cabin-c = cabin, °C
import-log = Import a log
csv-file = a CSV file
log-file = Log file
log = a log
times-standard-time-place = Times in standard time of the place; a line each minute or hour.
log-2 = log
import-lines = Import { GROUPED($lines) } { $lines ->
        [one] line
       *[other] lines
    }
import = Import
positive-current = a positive current
charges-bank = charges the bank
discharges-bank = discharges the bank
from-to = From { $first } to { $last }.
load-average-over-hours = load, on average over the hours that both know
base-what-runs-whatever = base: what runs whatever the temperature
fridge-c-cabin = fridge, at 25 °C in the cabin
more-than-can-draw = more than it can draw: something else runs with the warmth
time-2 = { FIX($duty_frac) } % of the time
spread-round-fit-run = spread round the fit, and of the run round the log
sun-measured-over-simulated = sun, measured over simulated, on days that never filled the bank
no-such-day = no such day
what = what
log-fit = log and fit
run-off = the run is off
after-moving-bring-log = After moving in: bring in the log of the battery monitor, and see how far the run is from the real thing.
kept-cant-laid-over = { $name } is kept. { $has_problem ->
        [yes] It can’t be laid over a run: { $problem }.
       *[no] { "" }
    }
runs-no-hour-lies = { $name } runs from { $first } to { $last }; no hour of it lies in the trip. Set the trip’s first day to the log’s.
hours-lie-trip = { $name }: { $overlap_h } { $overlap_h ->
        [one] hour lies
       *[other] hours lie
    } in the trip.
over-hours-run-uses = { $name }: over { $overlap_h } { $overlap_h ->
        [one] hour
       *[other] hours
    } the run uses { FIX($off) } % { $off_more ->
        [yes] more
       *[no] less
    } than was measured.
what-devices-test-live = Readings of the devices in Test, Live, as they were kept
devices = From the devices
forget-log = Forget this log
measured-against-run = Measured against the run
no-fit = No fit: { $no_fit }.
csv-volts-amps-loads = A CSV of volts and amps, or of the load’s watts, with times. A week is enough; Bothy asks which column is which.
measured = Measured
no-log-yet = no log yet
simulated-stand-ins-said = Simulated by stand-ins: the readings are shown, and none is taken over.
what-fit-would-change = What the fit would change in Daily use
took-fit-over = took the fit of { $name } over
use-fitted-values = Use the fitted values
load-power-solar-other = Load power is solar and other charging less what goes into the bank. The fridge shows by how the load follows the cabin’s warmth: without a measured cabin the run’s is taken. A short or even log can’t tell them apart, and says so.

## OwnParts
battery = battery
panel = panel
controller = controller
dc-dc-charger = DC-DC charger
voltage = voltage
discharge-most = discharge at most
charge-most = charge at most
heater = its heater
power-stc = power (STC)
voltage-best-power = voltage at best power
current-best-power = current at best power
length-mm = length
width-mm = width
open-circuit-voltage = open-circuit voltage
short-circuit-current = short-circuit current
panel-voltage-most = panel voltage at most
charge-current-most = charge current at most
charge-current = charge current
my = My { $word }
my-search = my { $word } for the search
parts-your-own = Parts of your own ({ $own_count })
search-these-only = search these only
not-catalogue = not the catalogue
only-my-parts = only my parts
your-own-search = a { $word } of your own, for the search
back-search = back to the search
name = name
price-2 = price, { $currency }
chemistry = chemistry
kind = kind
mppt = MPPT
pwm = PWM
stops-charging-cold-itself = stops charging in the cold by itself
cut-off-cold = cut-off in the cold
removed = removed { $part }
remove-part = Remove this part

## ParetoPicture
short-days-2 = { $words }: { $price }, { $mass_kg }, short on { $short_days_frac } of the days
found-2 = found
sets-parts-price-days = Sets of parts by price and by days that run short
days-run-short = days that run short
price-panels-controller-bank = price of panels, controller, bank and driving charge; larger dots weigh more
most-asked = target: at most { $target_frac }
as-it-is-2 = as it is

## PartsSlate
no-room-roof = no room on the roof
too-heavy = too heavy
too-dear = too dear
no-controller-takes-string = no controller takes the string
bank-too-weak-largest = bank too weak for the largest current
cells-would-freeze-while = cells would freeze while charging
alternator-bank-too-small = alternator or bank too small for the charger
as-it-is-3 = As it is
set-parts = A set of parts
part-without-price = a part without a price
panels = panels
bank-label = bank, on its label
least-charge-trip = least charge, 1 trip in 10
against-what-there-now = against what is there now
what-may-use = what it may use
best = best is
days-without-enough-power = days without enough power: limit
days-short-most = days short at most
budget = budget, { $currency }
no-limit = no limit
budget-2 = budget
mass-most = mass, at most
payload = payload, { $allowed }
mass-most-2 = mass at most
roof-panels = roof for panels
inside = 60 % of the inside
panels-most = panels, at most
panels-most-2 = panels at most
system-voltage = system voltage
v = 12 or 24 V
v-2 = 12, 24 or 48 V
system-voltage-search = system voltage of the search
batteries-some-kinds-all = Batteries of { $has_chemistries ->
        [yes] some kinds
       *[no] all kinds
    }
kinds-batteries = kinds of batteries
parts-some-makers-all = Parts of { $has_makers ->
        [yes] some makers
       *[no] all makers
    }
makers = makers
what-limits = What limits it
left-out = { $count } left out: { $reason }
inverter-hook-up-charger = Inverter, hook-up charger and panels with a controller of their own stay as they are. Prices are the catalogue’s, without cables, fuses and fixings.
runs-days = { $inverter_hook_up } { GROUPED($simulated_count) } { $simulated_count ->
        [one] run
       *[other] runs
    } of { $day_count } { $day_count ->
        [one] day
       *[other] days
    }.

## PlacesView
sun-air-month = Sun and air of { $name } by month
sun = sun
air-c = air { $unit }
place-2 = Place { $items_count }
where = where
weather = weather
nearest-place-table = of the nearest place of the table
trip = in the trip
yes = yes
no = no
place-places-your-own = { $items_count } { $items_count ->
        [one] place
       *[other] places
    } of your own{ $has_legs ->
        [yes] , beside those of the climate table
       *[no] { "" }
    }. Their weather is a file’s, or that of the nearest place of the table, cooler with height.
places-your-own-where = Places of your own: where no town of the climate table is near, or where you have a weather file of a year.
add-place-n = Add a place (n)
places = Places
none-yet-climate-table = None yet. The climate table has 92 towns; add a place by its latitude and longitude, or bring in a weather file.
weather-nearest-place-table = weather of the nearest place of the table
latitude-n-2 = latitude, °N
latitude = latitude
longitude-e-2 = longitude, °E
longitude = longitude
height-above-sea = height above the sea
neighbour = as its neighbour
height = height
standard-time = standard time
day-like-one-before = A day is { FIX($kt_autocorr, digits: 2) } like the one before in clearness and { FIX($temp_autocorr, digits: 2) } in warmth; daily means spread { FIX($spread_k, digits: 1) } K round the average. From { $day_count } { $day_count ->
        [one] day
       *[other] days
    }. A typical year has no bad year in it: the weather of the simulated trips has.
trip-take-legs-out = In the trip: take its legs out first
remove-place = Remove this place
sun-air-trip = sun and air of the trip
pick-place-change-leg = Pick a place to change it. A leg of the trip names it like a town of the table.
weather-file-replaces-twelve = A weather file replaces twelve monthly means and how long good and bad spells last; the weather of the simulated trips is then drawn from it. Files are checked for gaps, for more sun than a clear sky gives, and for a sun that stands at another hour.

## Schools
sun-first = the sun
hook-up-first = the hook-up
comfort-shed-first = comfort is shed first
nothing-shed = nothing is shed
water = water
asphalt-forest = asphalt or forest
grass = grass
dry-soil = dry soil
concrete = concrete
sand = sand
old-snow = old snow
fresh-snow = fresh snow
drawn-all-kinds-luck = drawn: all kinds of luck
files-years-they-were = the files’ years as they were
replay-says-most-ten = replay says most with ten years and more
day-like-one-before-2 = a day is like the one before
files = 0.29, or the file’s
west-coasts-longer-dull = 0.4 to 0.5 on west coasts: longer dull spells
which-goes-first = which goes first
hook-up-says-whose = on a hook-up; says whose energy it is, not how much
dc-dc-only-under = DC-DC only under a charge of
always-driving = always, driving
when-bank-gets-low = when the bank gets low
times-summer-time = times are in summer time
habits-hours-legs-sun = habits and hours of the legs; the sun keeps standard time
trip-2 = Trip: { $what }
modelling-choices = Modelling choices
ground-around = ground around
what-throws-back-onto = what it throws back onto tilted panels

## SideBySide
no-difference = no difference
points = { $value }{ FIX($change_frac, digits: 1) } points
days-short-price-mass = Days short, price and mass of each supply
side-side = Side by side
what-held-equal = what is held equal
pick-row-what-what = Pick a row: what it is, what it risks, and the button that makes it a variant.
difference-counts-only-when = A difference counts only when it is more than twice its error; luck cancels out because all have the same weather.
cant-run = It can’t be run: { $problem }
against-variant = against this variant
first-short-half-trips-2 = first short, half of the trips
sun-left-unused-day = sun left unused, a day
sun-2 = of the sun
generator-trip = generator, the trip
full-cycles-year = full cycles, a year
dangers-problems-power = dangers and problems in Power
generator-runs-outdoors-exhaust = A generator runs outdoors, its exhaust away from every opening, never beside a sleeping place, with a working carbon monoxide alarm; no back-feed into a hook-up.
supply = supply
what-2 = what it is
against = against this
dangers-problems = dangers, problems
ways-supply-trip-none = Of { $rows_count } { $rows_count ->
        [one] way
       *[other] ways
    } to supply this trip, none runs short less often than this variant, as far as can be told: { $short_days_frac } of the days.
ways-supply-trip-runs = Of { $rows_count } { $rows_count ->
        [one] way
       *[other] ways
    } to supply this trip, “{ $best }” runs short least often: on { $short_days_frac } of the days.
schools-side-side-lead = Approaches side by side: lead or lithium, PWM or MPPT, relay or DC-DC. First a bank is needed: choose one in Power (key 3).
schools-side-side-lead-lithium = Approaches side by side: lead or lithium, PWM or MPPT, relay or DC-DC, a portable station, on the same days and in the same weather. First the trip needs a place.
running-them = Running them…
days-simulated-trips-each = { $day_count } { $day_count ->
        [one] day
       *[other] days
    }, { $draw_count } simulated trips each
supplies-side-side = Supplies side by side
nothing-compare-yet-trip = Nothing to compare yet: the trip needs a first day, a place and a bank.

## TripSlate
thorough-run = Thorough run
more-simulated-trips = More simulated trips
simulate-trips = Simulate { $draw_count } { $draw_count ->
        [one] trip
       *[other] trips
    }
run = run
simulated-trips-short = { " " }simulated trips: short on{ " " }
days-least-charge-half = { $draw_count }{ $simulated_trips_short }{ $short_days_frac }{ $error_frac } of the days; least charge { $least_soc_p10 } in 1 of 10, { $least_soc_p50 } in half.
year-year = Year by year
year-year-worst-first = Year by year, the worst first
short-days-nothing-short = : { $has_short_days ->
        [yes] short on { $short_days } of { $day_count } { $day_count ->
        [one] day
       *[other] days
    }
       *[no] nothing short
    }, least charge
generator-way = Generator on the way
runs = It runs
of = of
makes = and makes
about = from about
half-simulated-trips-fuel = ; in half of the simulated trips the fuel is out on { $run }
simulated-trips-runs-dry = ; in { $short_frac } of the simulated trips it runs dry
fuel-not-limited-until = of { $fuel }{ $half_simulated_trips }.{ $no_store_and_short_frac_is_0 ->
        [yes] { " " }Its fuel is not limited until you enter its fuel can in Power.
       *[no] { "" }
    }
trip-3 = Trip
days-simulated-trips = { $day_count } { $day_count ->
        [one] day
       *[other] days
    }, { $draw_count } simulated trips
not-run-yet = not run yet
forecast-approximate-climate-assumed = A forecast from approximate climate and assumed habits. Carry a plan B for heat, water and medical devices; do not stake health on it.
nothing-runs-short = Nothing runs short.
days-without-what-needed = days without what is needed
driving-day = driving, a day
hook-up-day = hook-up, a day
banks-own-heater-day = the bank’s own heater, a day
days-snow-panels = days with snow on the panels
sun-lost-day = sun lost to it, a day
full-bank-no-source = a full bank with no source at all
least-charge-half = least charge: 1 in 10, half, 9 in 10
what-one-more-part = What one more part would gain
same-weather-luck-cancels = In the same weather, so that luck cancels out.
short-2 = With { $what }{ $has_price ->
        [yes] { " " }({ $price }{ $has_mass_kg ->
            [yes] , { $mass_kg }
           *[no] { "" }
        })
       *[no] { "" }
    }: short on
days-4 = of the days (
points-2 = { FIX($change_frac, digits: 1) } points
no-measurable-difference = no measurable difference
day-missing = a day missing.
how-run = How it is run
simulated-trips-2 = simulated trips
quick-run-takes-fewer = the quick run takes fewer on long trips
charge-start = charge at the start
snow-lies-panels = snow lies on the panels
after-dull-frosty-days = after dull frosty days, until it thaws, slides off steep ones or is swept
leave-off-where-nobody = leave it off where nobody expects snow
snow-panels = with snow on the panels
without-snow = without snow
swept-off = swept off at
hour-day-soft-broom = hour of the day; with a soft broom, from the ground
nobody-sweeps = nobody sweeps
when-snow-swept-off = when the snow is swept off
forecast-coming-days = forecast for the coming days
taken-days = taken for { $forecast_days } { $forecast_days ->
        [one] day
       *[other] days
    }
no-day-trip-near = no day of the trip is near, or no forecast service answers
service-machine-when-one = from a service on this machine, when one is there
forecast = with the forecast
without-forecast = without the forecast
what-happens-three-simulated = What happens in three of the simulated trips
weather-2 = (weather { $draw })

## Trips
has-hook-up = hook-up
from = from
driving = driving
kind-day = kind of day
short-days-3 = short days
of-2 = { FIX($short, digits: 1) } of { $days_count }
bank-missing-choose-one = A bank is missing: choose one in Power (key 3), or take Bothy’s.
living = Living at { $place } from
first-day = first day
day-said = day not entered
days-5 = on, { $days_count } { $days_count ->
        [one] day
       *[other] days
    }. { $run }
from-2 = From
day-days-place-places = on, { $day } { $day ->
        [one] day
       *[other] days
    } at { $legs_count } { $legs_count ->
        [one] place
       *[other] places
    }. { $run }
no-trip-yet-add = No trip yet. Add the first place and how long you stay; Bothy simulates the trip many times, with different weather, and says what runs out first.
itinerary-table-csv-xlsx = An itinerary: a table, CSV or XLSX, or a GPX track
import-2 = Import…
export-csv = Export, CSV
no-plan-month-month = No plan: month by month at one place
just-living-there = just living there
back-plan = Back to a plan
just-live-there = Just live there
itinerary = Itinerary
will-last-press = Will it last? Press
add-place-2 = Add a place
week-then-change-where = for a week at { $home } from { $start }; then change it to where you go.

## WarmTrip
diesel-petrol = diesel or petrol
gas-bottle = gas bottle
fresh-water = fresh water
grey-tank-emptied = grey tank emptied
toilet-emptied = toilet emptied
heat-heater = heat from the heater
liquid-fuel = its liquid fuel
gas-2 = its gas
fuel-out-half-them = fuel out, in half of them
heaters-electricity-day = heater’s electricity, a day
coolers-electricity-day = cooler’s electricity, a day
coldest-inside = coldest inside, 1 in 10
hottest-inside = hottest inside, 9 in 10
over-c-day = over 30 °C, a day
over-humidity-day = over 80 % humidity, a day
water-coldest-face = water on the coldest face
bay-under-c = a bay under 0 °C, in
them = { $bay_frac } % of them
heat-air-way = Heat and air on the way
frost-way = Frost on the way
stays-over-c-simulated = stays over 0 °C in 9 of 10 simulated trips; { $coldest_p10_c } at the coldest.
under-c-nights-w = under 0 °C on { $nights_count } of { $day_count } { $day_count ->
        [one] night
       *[other] nights
    }: { $nights }{ $value }. { $hold } would hold it.
arrival-counts-once-there = on arrival{ $has_burns_or_has_tanks_or_has_generator ->
        [yes] { "" }
       *[no] ; counts once there is a heater or a tank
    }

## adopt
took-over = took over { $name }

## edit
took-out-trip = took { $place } out of the trip
moved = moved { $place }
again = { $place } again
trip-4 = { $place } on the trip

## places
removed-place = removed the place { $name }
place-3 = the place { $place }
own = { $name } (own)

## run
trips-like-bank-never = In 9 of 10 trips like this the bank never falls below { $least_soc_p10 }.
everything-runs-all-simulated = { $least } Everything runs in all of { $draw_count } simulated trips.
more = { " " }and more
first = , first on { $run }
least-needed-loads = the least needed loads
what-must-run-always = { $least } What must run always runs; { $names }{ $more } are switched off when it gets low{ $from }: { $missing_wh_day } Wh a day are missing.
half-them = in half of them
worst-them = in the worst of them
power-runs-short-days = { $least } Power runs short on { $short_days_frac } of the days{ $has_first ->
        [yes] , { $often } first on { $run }
       *[no] { "" }
    }.

## views
find-parts = Find parts

## words
rest = rest
work = work
least-money = the least money
least-mass = the least mass
fewest-days-short = the fewest days short
