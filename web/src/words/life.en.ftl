# What the pages of life say. A quantity’s name ends in its unit.

## AddAppliance
added = added { $fields }
say-what = Say what it is.
give-power-label-example = Give its power as on the label, for example “60 W”, “5 A @ 12 V” or “350 Wh/24 h”; or take one from the list.
new-appliance = New appliance
what = What is it?
what-e-g-fridge = what is it? e.g. fridge
power = Power
use = Use
add = Add
close = Close
catalogue = From the catalogue
add-2 = Add { $name }
fetching-catalogue = Fetching the catalogue…
catalogue-could-not-fetched = The catalogue could not be fetched; give the label’s values instead.
nothing-like-catalogue-give = Nothing like it in the catalogue: give its label’s power and use.

## BringInAppliances
start-multiple = start multiple
label-energy = label energy
charge-day = charge a day
charge-energy = charge energy
mains = mains?
brought-appliances = brought in { $fields_count } { $fields_count ->
        [one] appliance
       *[other] appliances
    }

## DayRibbon
to = { $from_h } to { $to_h }
runs = runs { $windows }
runs-any-time = runs at any time
when-each-appliance-runs = When each appliance runs
any-time-day = { $name }: any time of the day
runs-arrows-move-shift = { $name } runs { $from_h } to { $to_h }. Arrows move it, Shift and arrows change its end
drag-move-drag-end = { $name }: { $from_h } to { $to_h }; drag to move, drag an end to change it
load-bank-hour-most = Load at the bank by the hour in { $season }, at most { $top } in an hour
bank = at the bank,
each-hour = { $season }, each hour
to-2 = { $h } to { $h_2 }: { $wh }

## Life
people = people
one-person = One person
people-2 = { $people } people
nights-between-hook-ups = nights between hook-ups
nights = { SHORT($nights) } { $nights ->
        [one] night
       *[other] nights
    }
between-hook-ups = between hook-ups,{ " " }
first-month = first month
to-3 = to
last-month = last month
around = around
place = place
driving = , driving
driving-per-day = driving per day
day = a day.
appliance = appliance
name = name
how-many = how many
number = number
power-each = power, each
power-2 = power
use-day = use a day
use-2 = use
supply = supply
value = value from
trust = trust
bank-2 = at the bank, { $worst }
add-appliance-n = Add an appliance (n)
paste-import = Paste or import…
export-csv = Export CSV
curve = curve of
daily-use = Daily use
appliances = Appliances
what-will-run-vehicle = What will run in the vehicle? Everything later follows from this list: the bank, the sun, each cable and fuse, and the tests.
press = Press
add-appliance = Add an appliance
type-fridge-light-pump = and type “fridge”, “light” or “pump” to take it from the catalogue, or give the watts and hours of your own. A list in a spreadsheet can be pasted right here.

## LifeSlate
in-zone-of-catalogue = { $kind }, { $where }{ $catalogue ->
    [yes] , from the catalogue
   *[no] {""}
 }
in-kitchen = in the kitchen
in-living-area = in the living area
at-bed = at the bed
in-washroom = in the washroom
in-garage = in the garage
in-cab = in the cab
on-roof = on the roof
outside-2 = outside
kitchen = kitchen
living-area = living area
bed = bed
washroom = washroom
garage = garage
cab = cab
roof = roof
light = light
cooling = cooling
heating = heating
pump = pump
fan = fan
electronics = electronics
socket = socket
cooking = cooking
tool = tool
alarm-safety = alarm, safety
medical = medical
other = other
what-day-takes = { FIX($share_frac) } % of what a { $worst } day takes.
label-says = As its label says
hours-day = hours of the day
where-value = where the value is from
kind = kind
standby = standby
start-current = start current
times-running-current = times its running current
start = start
own-largest-fuse = its own largest fuse
manual = from its manual
largest-fuse = largest fuse
lowest-voltage-runs = lowest voltage it runs at
lowest-voltage = lowest voltage
mass-each = mass, each
mass = mass
fresh-water-each-use = fresh water, each use
washing-machine-dishwasher = washing machine, dishwasher
usual-kind = usual of its kind
water-one-use = water of one use
must-run-isolator-off = must run with the isolator off
bilge-pump = bilge pump
always = always on
works-harder-when-warm = works harder when it is warm round it
fridges-freezers = fridges and freezers
ambient = ambient
needs-pure-sine-wave = needs a pure sine wave
sine = sine
more-less = More or less of it
day-2 = on a { $d } day
note = note
appliance-appliances = { $list_count } { $list_count ->
        [one] appliance
       *[other] appliances
    }; { $place_name }
not-plan = (not in the plan)
day-margin = a { $design_day_type } day, with margin
without-margin = without margin
same-v = the same at { $system_voltage_v } V
peak-bank = peak at the bank
what-takes-most = What takes most, in { $worst }

## edit
removed = removed { $name }
another = another { $name }
moved = moved { $name }
day-3 = { $value } % of the day
bothy-away-only-plain = Bothy is away, and only a plain power or time can be read without it; it stays here, press Enter again when it answers

## words
in-winter = winter
in-summer = summer
dc = DC
adapter = adapter
mains-2 = mains
measured = measured
label = label
label-duty = label, duty
catalogue-2 = catalogue
spring-autumn = spring or autumn
battery-wh = battery { $charge_energy_wh } Wh
charge-charges = { $charges } { $is_1 ->
        [yes] charge
       *[no] charges
    }
label-2 = by its label
