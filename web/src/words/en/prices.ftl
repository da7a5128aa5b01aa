### What an owner reads: prices.

## LadderChart
ladder-chart-unit-price-quantity = Unit price by quantity
ladder-chart-each-number-pieces = Each, by the number of pieces

## MovesDialog
moves-dialog-what-moves-once = What moves at once
moves-dialog-publish = Publish
moves-dialog-no-price-moves-moment = No price moves at this moment. Rules that are planned take effect by themselves at their time.
moves-dialog-prices = { $count ->
    [one] 1 price
   *[other] { $count2 } prices
}
moves-dialog-variant-moves-most = Variant that moves most
moves-dialog-from = From
moves-dialog-to = To
moves-dialog-from-pieces = , from { $pieces } pieces
moves-dialog-first-what-changes-where = The first { $count }; what changes where tells all.

## PlanList
plan-list-plans = Plans
plan-list-just-once = or just once
plan-list-only-plan = only by plan
plan-list-no-plans-yet-one = No plans yet. With one, shoppers can have the same thing sent every few weeks or months, for less.

## PlanPanel
plan-panel-what = what it is for
plan-panel-how-often = how often
plan-panel-weeks-months = weeks or months
plan-panel-what-saves = what it saves
plan-panel-which-deliveries = on which deliveries
plan-panel-whether-can-bought-just = whether it can be bought just once
plan-panel-chosen-plan = The chosen plan
plan-panel-every = every
plan-panel-every-so-many = Every so many
plan-panel-weeks-months-b = Weeks or months
plan-panel-weeks = weeks
plan-panel-months = months
plan-panel-saves = saves
plan-panel-saves-percent = Saves, in percent
plan-panel-which-deliveries-b = On which deliveries
plan-panel-every-time = every time
plan-panel-first-time = the first time
plan-panel-can-bought-just-once = Can be bought just once, too
plan-panel-save = Save
plan-panel-remove = Remove

## PriceBench
price-bench-test-bench = Test bench
price-bench-product = Product
price-bench-variant = Variant
price-bench-pieces = Pieces
price-bench-also-cart = Also in the cart
price-bench-nothing = nothing
price-bench-pieces-b = Pieces of it
price-bench-plan = Plan
price-bench-once = once
price-bench-text = With a text
price-bench-when = When
price-bench-now = now
price-bench-lowest-30-days-before = lowest in the 30 days before: { $amount }, from { $lowest_at }
price-bench-more-each = { $more } more: { $unit } each (−{ $percent } %)
price-bench-price-variant = Price of the variant
price-bench-writing-onto = Writing onto it
price-bench-nothing-lowers = nothing lowers it
price-bench-other-rules-arent = { $others ->
    [one] 1 other rule isn't
   *[other] { $others } other rules aren't
} for this

## PriceWays
price-ways-smallest-coin = the smallest coin
price-ways-pages = on pages
price-ways-cards = on cards
price-ways-quick-looks = in quick looks
price-ways-number-rises = as the number rises
price-ways-shopper-raises-number = as the shopper raises the number
price-ways-once-earned = once earned
price-ways-once-cart-has-earned = once the cart has earned it
price-ways-once = at once
price-ways-once-condition = at once, with the condition
price-ways-mend = To mend
price-ways-shows-old-price-30-n = shows { $typed } as its old price. In the 30 days before { $since } it cost { $amount }.
price-ways-old-prices = Old prices
price-ways-taken-from = are taken from
price-ways-what-typed-before-rule = what is typed, or before a rule
price-ways-lowest-price-30-days = the lowest price of 30 days
price-ways-rule-makes-present-price = A rule makes the present price the old one
price-ways-vat = VAT
price-ways-rate = Rate, %
price-ways-none = none
price-ways-prices-shown = Prices are shown
price-ways-with-it = with it
price-ways-without = without it
price-ways-rate-percent = Rate of { $kind }, in percent
price-ways-no-rate-own = No rate of its own for { $kind }
price-ways-remove = Remove
price-ways-another-rate-type = Another rate for a type
price-ways-another-rate-type-b = Another rate for a type …
price-ways-amounts = Amounts
price-ways-written = Written
price-ways-sign = with the sign
price-ways-with = with { $currency }
price-ways-plain-number = as a plain number
price-ways-whole-amounts = Whole amounts
price-ways-zeros = with zeros
price-ways-without-zeros = without zeros
price-ways-percentages-round = Percentages round
price-ways-nearest = to the nearest
price-ways-down = down
price-ways-to = to
price-ways-shops-clocks = The shop's clocks: { $now }.

## PricesView
prices-view-prices = Prices
prices-view-rules = Rules
prices-view-where-several-one-thing = where several are for one thing:
prices-view-where-several-rules-one = Where several rules are for one thing
prices-view-one-lowest-price = the one with the lowest price
prices-view-one-after-another-order = one after another, in this order
prices-view-new-rule = New rule
prices-view-plans = Plans
prices-view-new-plan = New plan
prices-view-rule = Rule
prices-view-close = Close
prices-view-plan = Plan

## ReachPick
reach-pick-variants-sku = variants, by SKU
reach-pick-for = For
reach-pick-what = For what
reach-pick-skus = SKUs
reach-pick-lin-25-lin-50-n = LIN-25, LIN-50
reach-pick-which = Which
reach-pick-none-yet = none yet
reach-pick-everything = everything
reach-pick-types = types
reach-pick-tags = tags
reach-pick-products = products

## RulePanel
rule-panel-name = the name
rule-panel-what = what it is for
rule-panel-what-takes-off = what it takes off
rule-panel-how-pieces-counted = how pieces are counted
rule-panel-carts-total = the cart's total
rule-panel-what-must-cart = what must be in the cart
rule-panel-beginning = its beginning
rule-panel-end = its end
rule-panel-whether = whether it is on
rule-panel-chosen-rule = The chosen rule
rule-panel-name-carts-show = Name, as carts show it
rule-panel-spring-sale = Spring sale
rule-panel-steps = Steps
rule-panel-takes-off = It takes off
rule-panel-from = from
rule-panel-step-from-so-many = Step { $index }: from so many pieces
rule-panel-step-what-does = Step { $index }: what it does
rule-panel-less = % less
rule-panel-less-b = { $currency } less
rule-panel-each = { $currency } each
rule-panel-step-how-much = Step { $index }: how much
rule-panel-remove-step = Remove step { $index }
rule-panel-another-step = Another step
rule-panel-pieces-counted = Pieces are counted
rule-panel-one-variant = of one variant
rule-panel-one-product = of one product
rule-panel-everything = of everything that it is for
rule-panel-only-carts-least = Only in carts of at least, { $currency }
rule-panel-any = any
rule-panel-only-one-these-cart = Only with one of these in the cart
rule-panel-anything = anything
rule-panel-offered-once-one-them = It is offered once one of them is added.
rule-panel-from-b = From
rule-panel-once = at once
rule-panel-until = Until
rule-panel-good = for good
rule-panel-on = On
rule-panel-save = Save
rule-panel-earlier-order = Earlier in the order
rule-panel-later-order = Later in the order
rule-panel-remove = Remove

## TimeLine
time-line-force = in force
time-line-to = { $from } to { $until }
time-line-from = from { $from }
time-line-until = until { $until }
time-line-rules-time-line = Rules on a time line
time-line-now = now
time-line-products = { $products ->
    [one] 1 product
   *[other] { $products } products
}
time-line-overlaps = overlaps with { $meets }
time-line-reaches-nothing = reaches nothing
time-line-there-no-rules-yet = There are no rules yet: every product costs what stands with it. A rule lowers prices by a percentage, an amount or to a fixed price, for some products, at some time, or from some number on.
time-line-planned = planned
time-line-over = over
time-line-off = off
time-line-always = always

## usePrices
prices-prices = Prices
