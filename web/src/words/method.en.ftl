# What the pages of method say. A quantity’s name ends in its unit.

## Method
worked-example = Worked example: { $example }
try-your-own-values = try your own values
given = given
found = found
symbols = Symbols
where-holds = Where it holds
after = After
typical = Typical
address = Address of { $title }
how-calculated = { $page }: how it’s calculated
bothy = Bothy
how-calculated-2 = How it’s calculated
back = Back
print = Print
sections = Sections
find-section = Find a section
find-voltage-drop-iso = find: voltage drop, ISO 6946…
fetching = Fetching…
sections-found = Sections found
no-section-speaks = No section speaks of that.
method = Method
there-no-page-method = There is no page “{ $field }” of the method.

## Sources
open-how-calculated = Open how it’s calculated
