# What the pages of sums say. A quantity’s name ends in its unit.

## Answer
none = none
yes = yes
no = no

## Form
none-given = none
default = { $standard } (default)
yes-default = yes (default)
no-default = no (default)
not-entered = not entered
needed = needed
each-name-number-between = each a name and a number, with “;” between: blade mini 10; class t 1
name-name = name 10; name 5
numbers-blanks-between = numbers, with blanks between
remove = Remove { $label } { $i }
remove-2 = remove
add-one = Add one
fewer-values = fewer values
more-each-usual-value = { $rest_count } more, each with its usual value
given = given by
or = { " " }or{ " " }
given-2 = given by: { $keys }

## Sums
power = Power
sun = Sun
trips = Trips
sizing = Sizing
wiring = Wiring
heat-air = Heat and air
water = Water
gas = Gas
fit = Fit
build = Build
hand-over = Hand over
test = Test
caution = Caution.
values = Values
example-stands-here-write = An example stands here; write your own values over it. The answer follows as you type.
back-example = Back to the example
copy-json = Copy as JSON
details = Details
answer = Answer
working-out = Working it out…
bothy = Bothy
quick-calculations-quick-answer = Quick calculations: a quick answer without a project
how-calculated = How it’s calculated
calculators = Calculators
fetching = Fetching…
there-no-sum-called = There is no sum called “{ $name }”.
