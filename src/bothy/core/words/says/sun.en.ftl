# What sun says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## curved
must-be-more-than = must be more than the panel’s far edge from the crown; the panel would stand past the side
must-divide-strips-evenly = must divide the { $strip_count } strips evenly
and-dhi-both-there = and the diffuse light (dhi_w_m2) are both 0: there is no light
light-on-flat = light on the flat
mean-strips-flat = mean of the strips/flat
best-current-that-bypassed = best current that bypassed groups leave/flat
worst-strip-flat = worst strip/flat

## draws
not-place-in-climate = “{ $value }” is not a place in the climate table
largest-clearness-month-not = largest clearness of the month, not above a cloudless day
truncated-exponential-that-has = of the truncated exponential that has this mean

## month
not-place-in-climate-table = “{ $place }” is not a place in the climate table
give-place-climate-table = give a place of the climate table, or the latitude (lat_deg) with the light on the flat a day (ghi_kwh_m2_day)
must-not-be-below = must not be below the lowest temperature of the day (tmin_c)
more-than-that-reach = is more than 78 % of the { FIX($h0, digits: 2) } kWh/m² that reach the top of the air there; check the unit
months-mean = H₀ of the month’s mean day
ghi-polar-night-taken = GHI/H₀, polar night taken as 0.35
mean-light-on-plane = mean light on the plane
first-with-most-light = first of 0, 5 … 90° with the most light
as-many-hours-as = as many hours of 1000 W/m² as the day’s light on the plane
light-at-best-tilt = light at the best tilt
required-with-pwm-controller = is required with a pwm controller
mean-light-through-glass = mean of the days: light through glass, cell temperature, wiring, controller
stay-under = { SHORT($part) } of the days stay under it
above-controllers-power = above the controller’s power
largest-any-step-and = largest of any step, day and heading

## position
not-time-write-for = is not a time; write for example 2026-06-21T12:00:00Z
has-no-zone-end = has no zone; end it with Z for UTC or with an offset such as +01:00
must-lie-in-years = must lie in the years 1900 to 2100
year = of the day of the year
true-without-refraction = true, without refraction
as-seen-lifted-by = as seen, lifted by refraction
clockwise-from-north = clockwise from north
utc-eot-mod = UTC + λ/15 + EoT/60, mod 24
relative-kasten-and-young = relative, Kasten and Young
not-date-write-for = is not a date; write for example 2026-06-21
largest = largest of the day

## weather_fit
holds-at-least-nearly = holds { $days } { $days ->
        [one] day
       *[other] days
    }; at least { $least_days }, nearly a year, are needed for twelve monthly means
lacks-hours-at-most = lacks { PER_CENT($missing, digits: 0) } of its hours; at most { PER_CENT($most_missing, digits: 0) } may be missing. The longest gap has { $longest } { $longest ->
        [one] hour
       *[other] hours
    }
has-too-few-whole = has too few whole days in month { $m }; every month needs at least twenty
weather-file = Weather file
on-most-on-times = On { $sum } of { $sum_2 } { $sum_2 ->
        [one] day
       *[other] days
    }, most on { $date }: { FIX($day, digits: 1) } times a clear sky.
files-sun-fits-best = The file’s sun fits best { $best_h } h { $best_over ->
    [yes] later
   *[no] earlier
 } than it should stand.
files-hours-missing-longest = Of the file’s hours { PER_CENT($missing, digits: 1) } are missing; the longest gap has { $longest } { $longest ->
        [one] hour
       *[other] hours
    }.
