# What the pages of data say. A quantity’s name ends in its unit.

## chemistries
lithium-iron-phosphate = lithium iron phosphate
lithium-nmc = lithium NMC
lead-agm = lead-acid, AGM
lead-gel = lead-acid, gel
lead-flooded = lead, flooded

## client
bothy-does-not-answer = Bothy does not answer. What you typed is kept here and sent again; if it was saved already, it is not made twice.
server-answered = The server answered { $status }.

## findings
severity-danger = danger
severity-advice = advice
severity-question = question
severity-note = note
problem = problem

## items
removed = removed { $name }
moved = moved { $name }
another = another { $name }
added = added a { $word }

## show
jan = Jan
feb = Feb
mar = Mar
apr = Apr
may-short = May
jun = Jun
jul = Jul
aug = Aug
sep = Sep
oct = Oct
nov = Nov
dec = Dec
january = January
february = February
march = March
april = April
may = May
june = June
july = July
august = August
september = September
october = October
november = November
december = December

## units
an-a = { $word ->
        [yes] an
       *[no] a
    } { $word_2 }
write-example = “{ $text }” { $why }; write for example { $dimension }
has-unknown-part = has the unknown part “{ $b } { $ub }”
not-number = is not a number
has-after-whole-which = has { $b } { $small } after whole { $large }, which is more than one of them
has-part-too = has a part of a { $large } and { $small } too
unknown-kind-quantity = unknown kind of quantity “{ $dimension }”
too-long-quantity = is too long for a quantity
empty = is empty
over-meters-range-open = over the meter’s range: open
not-awg-size-sold = is not an AWG size that is sold (20 to 4/0)
has-no-number-start = has no number at its start
not = is { $other }, not { $dimension }
has-unknown-unit = has the unknown unit “{ $unit }”
not-finite-number = is not a finite number

## variant
no-variant-hand = no variant in hand
removed-2 = removed
item-change-belongs-no = The item this change belongs to is no longer there.
proposals = proposals
browser-keeps-nothing-leave = { $trouble } This browser keeps nothing: leave the tab open until all is saved.

## worklist
say = Say it
press = Press it
build = Build it
call-licensed-trade = Call a licensed trade
good-know = Good to know
accepted-reason = Accepted with a reason
nobody-has-said-yet = not entered yet; it counts once it is known
definite-change-ready-applied = a definite change, ready to be applied
decided-measured-made-hand = to be decided, measured or made by hand
mains-gas-shown-here = mains and gas: shown here, done and signed by those who may
nothing-done = nothing is to be done
answered-can-opened-again = answered; it can be opened again
not-entered = not entered
yes = yes
no = no
them = { $value_count } of them
proposed = as proposed
of-thing = { $what } of “{ $name }”
change-of = { $label } { $was } → { $becomes }