### What an owner reads: templates.

## ReachDialog
reach-dialog-only-products-named-below = named one by one
reach-dialog-products-some-types = of some types
reach-dialog-products-tag = with a tag
reach-dialog-products-price-span = in a price span
reach-dialog-products-have-something = that have something
reach-dialog-all-products = all
reach-dialog-options = Options
reach-dialog-pictures = Pictures
reach-dialog-plan = A plan
reach-dialog-name-reach = Name and reach
reach-dialog-reach-template = Reach of a template
reach-dialog-save = Save
reach-dialog-name = Name
reach-dialog-template-serves-every-product = This template serves every product that no other template reaches.
reach-dialog-serves = Serves products
reach-dialog-use = This template is in use
reach-dialog-card-use = This card is in use
reach-dialog-reach-card = Reach of a card
reach-dialog-stands = Stands
reach-dialog-listings = in listings
reach-dialog-related-products = among related products
reach-dialog-cart = beside the cart
reach-dialog-types = Types
reach-dialog-one-these-tags = With one of these tags
reach-dialog-what-they-have = What they have
reach-dialog-from = From, { $currency }
reach-dialog-up = Up to, { $currency }
reach-dialog-products = Products
reach-dialog-these-products = And these products
reach-dialog-but-not-these = But not these
reach-dialog-from-shops-clocks = From, by the shop’s clocks
reach-dialog-once = at once
reach-dialog-ends-itself = Ends by itself
reach-dialog-never = never

## ReachMatrix
reach-matrix-will-serve-products = { $where }: will serve its products
reach-matrix-not-reached = { $where }: not reached
reach-matrix-serves = serves { NUMBER($serves, useGrouping: "true") } of { NUMBER($products, useGrouping: "true") }
reach-matrix-more-served-closer-reach = { NUMBER($yields, useGrouping: "true") } more are served by a closer reach
reach-matrix-reached-another-same-way = { NUMBER($tied, useGrouping: "true") } reached by another in the same way, the order decides
reach-matrix-product-types = Product types
reach-matrix-product-type = Product type
reach-matrix-not-use-now = not in use now
reach-matrix-fallback = the fallback
reach-matrix-drag-onto-card-move = Drag it onto a card to move the type there
reach-matrix-drag-onto-template-move = Drag it onto a template to move the type there
reach-matrix-none-yet-sample = none yet, a sample
reach-matrix-tied = tied
reach-matrix-tied-key = tied:
reach-matrix-served-own-reach = served by its own reach
reach-matrix-served-rest = served as the rest
reach-matrix-reached-too-but-another = reached too, but another template is closer.
reach-matrix-reached-too-but-another-card = reached too, but another card is closer.
reach-matrix-only-order-cards-decides = only the order of the cards decides.
reach-matrix-only-order-templates-decides = only the order of the templates decides.
reach-matrix-will-serve-type-has = will serve a type that has no products yet.

## ServedDialog
served-dialog-products = Products of { $name }
served-dialog-close = Close
served-dialog-move-whole-type = Move the whole type to
served-dialog-move-whole-type-b = Move the whole type to …
served-dialog-find-among = Find among { $name }
served-dialog-none-called-like = None is called like this.
served-dialog-there-no-products-type = There are no products of this type yet.
served-dialog-template = Template of { $name }
served-dialog-because = because { $why }

## ShiftDialog
shift-dialog-what-moves = What moves
shift-dialog-remove = Remove
shift-dialog-move = Move

## ShiftList
shift-list-no-template = no template
shift-list-quiet-card = the quiet card
shift-list-products-change-their-card = { $count ->
    [0] No product changes its card.
    [one] 1 product changes its card at once, in the shop too.
   *[other] { $count } products change their card at once, in the shop too.
}
shift-list-no-product-changes-template = No product changes its template at once.
shift-list-no-product-changes-template-b = No product changes its template.
shift-list-products-change-their-template = { $count ->
    [one] 1 product changes its template
   *[other] { $count } products change their template
}
shift-list-once-shop-too = { $some } at once, in the shop too.
shift-list-isnt-live-yet-reach = It isn’t live yet: its reach counts once it is published.
shift-list-more = {" "}and { $count } more

## TemplateList
template-list-not-live = Not live
template-list-live = Live
template-list-changes-not-live = { $count ->
    [one] 1 change not live
   *[other] { $count } changes not live
}
template-list-templates = Templates
template-list-order = Order
template-list-template = Template
template-list-card = Card
template-list-cards = Cards
template-list-reach = Reach
template-list-serves-now = Serves now
template-list-departures = Departures
template-list-state = State
template-list-change = Change
template-list-place-alt-arrows-move = { $name }: place { $index } of { $count }. Alt and arrows move it.
template-list-drag-alt-arrows-upper = Drag, or Alt and arrows: the upper one wins where two reach a product in the same way
template-list-products = { NUMBER($products, useGrouping: "true") } { $products ->
    [one] product
   *[other] products
}
template-list-types = in { $types } { $types ->
    [one] type
   *[other] types
}
template-list-switched-off = switched off
template-list-nothing-now = nothing now
template-list-none = none
template-list-name-reach = Name and reach
template-list-save-file = Save { $name } as a file
template-list-file = File
template-list-copy = Copy { $name }
template-list-copy-b = Copy
template-list-remove = Remove { $name }
template-list-remove-b = Remove

## TemplatesView
templates-view-to = { $name } to “{ $name2 }”
templates-view-take-away = Take “{ $name }” away
templates-view-another-order = Another order
templates-view-types = Types
templates-view-products = Products
templates-view-tags = Tags
templates-view-pictures-films = Pictures and films
templates-view-shop-doesnt-have = { $what } that this shop doesn’t have: { $all }.
templates-view-templates = Templates
templates-view-cards = Cards
templates-view-what-cards-are = How products stand in listings, among related products and beside the cart. A product that no card reaches stands on a quiet one.
templates-view-new-card-called = A new card, called
templates-view-which-card-serves-which = Which card each product has
templates-view-copy = { $name }, copy
templates-view-removed = Removed:
templates-view-bring-back = bring it back: { $name }
templates-view-bring-back-b = bring it back
templates-view-new-template-called = A new template, called
templates-view-begin = Begin it
templates-view-bring-one-from-file = or bring one in from a file
templates-view-here-not-live-yet = is here, and not live yet.
templates-view-everything-names-shop = Everything it names is in this shop.
templates-view-was-fallback-shop-shop = It was the fallback of its shop; this shop has one, so it reaches nothing until you say what.
templates-view-which-template-serves-which = Which template serves which products
templates-view-drag-type-onto-template = Drag a type onto a template to move it there, or open a type to see each product with the reason.
templates-view-new-product-type = New product type

## TurnList
turn-list-from = From { $at }
turn-list-nothing-changes-other-templates = nothing changes: other templates go before it
