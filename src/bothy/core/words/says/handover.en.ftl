# What handover says, beside the titles and remedies of its rules. A quantity’s name ends in its unit.

## maintenance
give-interval-months-interval = give the interval in months (interval_months), the interval in kilometres (interval_km) or the interval in uses (interval_count)
required-beside-interval-odometer = is required beside the interval in kilometres (interval_km): the odometer when it was done
required-beside-interval-count = is required beside the interval in uses (interval_count)
required-where-item-has = is required where an item has an interval in kilometres (interval_km)
items-that = items that are { $replace }
never-done-overdue-and = never done, overdue and soon
