# What jobs says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## bounded
needs-more-memory-than = needs more memory than it may take; make it smaller
nested-too-deeply = is nested too deeply
cant-be-worked-through = can’t be worked through ({ $name }: { $exc })
nested-too-deeply-or = is nested too deeply, or too large
takes-longer-than-to = takes longer than { SHORT($most_s) } s to work through and was stopped; make it smaller
