# What the rules of vehicle say, in English: the title, and the remedy, which begins with a verb; asked: the title while nobody has said how it is.

## report.py
vehicle-payload-exceeded = Payload exceeded
    .remedy = Use lighter parts, carry less water, or have the plate raised.
vehicle-payload-used = Payload is nearly used
    .remedy = Choose lighter parts, or have the plate raised.
