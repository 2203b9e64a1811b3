# What sizing says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## compare
no-controller = , no controller
no-panels = no panels
no-bank = no bank
no-charging-by-driving = no charging by driving
no-inverter = no inverter
this-variant = This variant
this-variants-itinerary-through = { $n } { $n ->
        [one] day
       *[other] days
    } of this variant’s itinerary, through the same { $clear_count } simulated trips
appliances-habits-and-people = appliances, habits and people of this variant
another-vehicles-alternator-and = another vehicle’s alternator and roof come along with its supply

## pareto
designs-that-none-beats = designs that none beats in cost, mass and lack of supply at once

## schools
half-label-usable-fewer = Half of its label is usable, fewer cycles, must be brought to full every week or two; stands charging in frost.
no-charging-below-management = No charging below 0 °C; its management may switch off without warning, and fuses must stop a large short circuit.
lead-instead-lithium = Lead instead of lithium
lithium-instead-lead = Lithium instead of lead
pwm-instead-mppt = PWM instead of MPPT
holds-panels-at-banks = Holds the panels at the bank’s voltage: 30 % or more of { FIX($watts_w, digits: 0) } W is lost with high-voltage panels, 10 to 20 % with 12 V ones.
mppt-instead-pwm = MPPT instead of PWM
dearer-needs-string-voltage = Dearer; needs a string voltage well above the bank’s.
one-battery-more = One battery more
same-make-type-and = Same make, type and age only; it empties later, and fills no sooner.
panels-on-ground = Panels on the ground, { FIX($tilt, digits: 0) }°
out-only-while-somebody = Out only while somebody is there and it stands still: theft, wind, a live cable to trip over.
panels-lifted = Panels lifted, { FIX($lifted_deg, digits: 0) }°
helps-only-where-nose = Helps only where the nose is turned to the sun: say on the legs how it stands, else all headings count alike. Down above 10 m/s of wind and before every drive.
stations-inverter = the station’s inverter
stations-solar-input = the station’s solar input
stations-vehicle-input = the station’s vehicle input
stations-charger = the station’s charger
portable-station = A portable station: { $part_name }
no-more-than-at = No more than { FIX($d_w, digits: 0) } W at 12 V and { FIX($d_w_2, digits: 0) } W from the vehicle; no charging below 0 °C; when one thing in it fails, all of it does.
relay-instead-dc-dc = Relay instead of a DC-DC charger
straight-from-alternator-unlimited = Straight from the alternator: unlimited current into lithium, little or nothing behind a smart alternator (not counted on here).
dc-dc-charger-instead = A DC-DC charger instead of a { $school_relay ->
    [yes] relay
   *[no] second alternator
 }
dearer-limited-to-rating = Dearer; limited to its rating, and kind to battery and alternator.

## search
panel-on = { $panels } { $panels ->
    [one] panel
   *[other] panels
 } on { $controller_name }
leaves-no-set-at = leaves no set at all:{" "}
no-batteries-wished-makers = no batteries of the wished makers and kinds
if-were-no-limit = If { $reasons } were no limit: { $words }, { $money }, { FIX($mass_kg, digits: 0) } kg.
nothing-that-you-could = Nothing that you could lift would give a better set.
no-single-limit-keeps = No single limit keeps a set out that would do.
nearest-short-on = The nearest is short on { PER_CENT($short_days_frac, digits: 1) } of the days: { $words }, { $money }.{" "}
no-set-at-all = No set at all is left.{" "}
parts = Parts
and-less-short-on = { $words }: { $money } and { FIX($mass_kg, digits: 1) } kg less, short on { PER_CENT($short_days_frac, digits: 1) } instead of { PER_CENT($short_days_frac_2, digits: 1) } of the days.

## space
roof-has-no-room = the roof has no room for the panels
weighs-more-than-may = it weighs more than may be loaded
costs-more-than-budget = it costs more than the budget
no-controller-takes-string = no controller takes the string
bank-does-not-give = the bank does not give the largest current
cells-freeze-while-charging = the cells freeze while charging, and nothing keeps them warm
bank-does-not-take = the bank does not take what the panels charge with
alternator-or-bank-does = the alternator or the bank does not allow that charger
