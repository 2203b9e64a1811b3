# What the pages of later say. A quantity’s name ends in its unit.

## Later
unknown-stage = Unknown stage
there-no-such-stage = There is no such stage
stage-not-built-yet = { $has_known ->
        [yes] This stage is not built yet. Nothing on it is computed, and nothing elsewhere pretends to know its answer.
       *[no] Bothy has twelve stages.
    } Built so far:
