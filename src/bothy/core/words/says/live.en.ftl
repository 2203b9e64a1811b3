# What live says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## alarms
silent = { $device } is silent
look-at-supply-and = Look at its supply and its cable. No value is never a good one.
bank-below = Bank below 20 %
charge-or-switch-off = Charge it, or switch off what can wait.
bank-below-2 = Bank below 10 %
charge-now-what-keeps = Charge it now; what keeps people safe comes first.
battery-voltage-too-high = Battery voltage too high
switch-every-charger-off = Switch every charger off, cover the panels.
battery-too-hot = Battery too hot
isolate-go-out-call = Isolate it, go out, call if it smokes.
fresh-water-low = Fresh water low
fill-up-pump-must = Fill up; the pump must not run dry.
frost-with-water-aboard = Frost with water aboard
heat-or-drain-water = Heat, or drain the water.
co-shown = CO is shown
out-all-off-air = Out, all off, air, call. Only the certified alarm decides.
current-near-main-fuse = Current near the main fuse
switch-largest-load-off = Switch the largest load off.
charging-below-freezing = Charging below freezing
stop-charge-until-above = Stop the charge until it is above 3 °C.
gas-low = Gas low
have-full-bottle-ready = Have a full bottle ready.

## kept
hold-no-volts-and = hold no volts and amps of the bank yet; let the battery monitor be listened to for some hours
span-at-most = span { GROUPED($hours, digits: 0) } { $hours ->
        [one] day
       *[other] days
    }; at most { $most_hours }

## scene
bank-volts = Bank, volts
bank-amps-in-and = Bank, amps in (+) and out (−)
bank-charge = Bank, charge
bank-warmth = Bank, warmth
sun-watts = Sun, watts
sun-amps-into-bank = Sun, amps into the bank
driving-charge-amps = Driving charge, amps
inverter-amps-from-bank = Inverter, amps from the bank
level = { $t_name }, level
cabin-warmth = Cabin, warmth
set-to = { $h_name }, set to
gas-aboard = Gas aboard
