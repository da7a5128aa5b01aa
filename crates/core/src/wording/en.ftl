### Every word that a shopper reads which is neither product data nor set on a piece. The words that pieces have of
### their own stand with their settings.

## Frame of every page
to-content = To the content
nav-shop = Shop
nav-foot = Shop, at the end of the page
cart-link = Cart
language = Language

## Product page
see-cart = See the cart
added = It is in your cart.
gone-choice = We have no “{ $value }” here any more. This is what there is.
where-you-are = Where you are
show-choice = Show this choice
state-sold-out = sold out
state-not-made = not made in this choice
choice-moved = { $option } is now { $value }.
offer-late = The shop doesn’t answer just now. Your choice is kept and asked for again.

## Gallery
pictures = Pictures
picture-of = Picture { $number } of { $count }: { $shows }
gallery-kind = picture gallery
gallery-slide = picture
gallery-back = Picture before
gallery-on = Next picture
gallery-rest = Stop the pictures
gallery-whole = Full screen
whole-close = Close
whole-zoom = Nearer or farther
whole-broken = This picture can't be loaded.

## Price
price-before = Before:
save-amount = Save { $amount }

## Price ladder
ladder-pieces = Pieces
ladder-each = Each
ladder-saving = Saving
ladder-from = { $count ->
    [one] 1 piece
   *[other] from { $count }
}
ladder-next = { $count ->
    [one] 1 more, and each costs { $amount } (−{ $percent } %)
   *[other] { $count } more, and each costs { $amount } (−{ $percent } %)
}

## Promised prices
promise-pieces = from { $count } pieces
promise-total = from a cart of { $amount }

## Buy button
hint-only-left = { $count ->
    [one] There is only 1 left of this choice.
   *[other] There are only { $count } left of this choice.
}
hint-most = One order can hold { $count } of these.
hint-sum = { $count } for { $amount }

hint-least = One order holds at least { $count } of these.
hint-steps = These are sold in steps of { $count }.
hint-least-steps = At least { $least }, in steps of { $step }.

## Measures and tax
per-measure = { $amount } per { $unit }
vat-with = with { $percent } % VAT
vat-without = plus { $percent } % VAT

## Plans
plan-weeks = { $count ->
    [one] Every week
   *[other] Every { $count } weeks
}
plan-months = { $count ->
    [one] Every month
   *[other] Every { $count } months
}
plan-saves = { $percent } % less
plan-saves-first = { $percent } % less the first time
plan-then = then { $amount }
plan-gone = This plan is no longer offered.

## Personal text
text-surcharge = +{ $amount }
text-one-line = Up to { $most } characters.
text-lines = Up to { $lines } lines of { $most } characters.
text-letters = Letters only.
text-letters-digits = Letters and digits.
text-count = { $count } of { $most }
text-missing = Please write what shall stand on it.
text-too-many-lines = There is room for { $most } lines.
text-too-long = Line { $line } is longer than { $most } characters.
text-sign = “{ $sign }” can't be written onto it.
text-not-taken = What is written on it can no longer be made.

## Wish list
wish-title = Wish list
wish-link = Wish list
wish-empty = You keep nothing for later yet.
wish-kept = It is on your wish list.
wish-failed = This couldn’t be kept just now. Please try again.
wish-see = See the list
wish-drop = Take off
wish-drop-of = Take off: { $name }
wish-to-page = To its page
wish-to-cart = Put into the cart

## Reviews
stars = { $stars } of 5 stars
review-count = { $count ->
    [one] 1 review
   *[other] { $count } reviews
}
review-by = { $who }, { $day }
stars-share = { $stars ->
    [one] 1 star
   *[other] { $stars } stars
}

## Share links
share-mail = Mail
share-message = Message
share-address = Address of this page

## Pieces that scroll
slide-region = Slides sideways

## Cards and marks
mark-coming-soon = Coming soon
mark-sold-out = Sold out
mark-saving = −{ $percent } %
mark-few = { $count ->
    [one] Only 1 left
   *[other] Only { $count } left
}
card-from = from { $amount }
quick-look = Quick look
quick-close = Close
quick-more = All about { $product }

## Listings
listing-all = Everything we make
listing-search = Search
listing-searched = “{ $words }”
listing-search-placeholder = Name, kind or SKU
listing-none-found = Nothing has these words. Try fewer of them, or only the beginning of one.
listing-about = { $title }: { $count ->
    [one] 1 product
   *[other] { $count } products
} of { $shop }
listing-empty = There is nothing here yet.
listing-pages = Pages
listing-before = Page before
listing-more = Show more
listing-next = Next page
listing-page-of = Page { $number } of { $count }
listing-products = { $count ->
    [one] 1 product
   *[other] { $count } products
}
listing-sift = Order and filters
listing-order = Order
listing-filters = Filters
listing-order-arranged = As we arranged it
listing-order-fit = Best fit first
listing-order-newest = Newest first
listing-order-cheapest = Cheapest first
listing-order-dearest = Dearest first
listing-order-name = By name
listing-order-rating = Best reviewed first
listing-stock = Can be bought now
listing-sale = Costs less now
listing-types = Type
listing-tags = Kind
listing-price-from = From { $currency }
listing-price-to = to { $currency }
listing-show = Show
listing-all-again = Without filters
listing-nothing-fits = Nothing here is all of that.
listing-without-tags = Without the kind: { $count }
listing-without-types = Of any type: { $count }
listing-without-values = { $option }, any: { $count }
listing-without-sale = Also what costs as before: { $count }
listing-without-price = At any price: { $count }
listing-without-stock = Also what is sold out or still to come: { $count }

## Messages
message-nothing = Nothing here
message-wrong = Something went wrong
message-not = That didn't work
message-to-shop = To the shop
preview-over = This preview has run out. Ask whoever sent it for a new link.
preview-over-title = No longer to be seen
preview-bar = Preview, not yet in the shop. It can be seen until { $until }.

## Cart
cart-title = Cart
cart-empty = Your cart is empty.
cart-look-around = Look around the shop
cart-total = Total
cart-before-vat = Total before VAT
cart-vat-in-it = of which VAT
cart-vat = VAT
cart-to-pay = To pay
cart-rule = { $name }: −{ $amount }
cart-plan-saving = Saving of the plan: −{ $amount }
cart-surcharge = Writing it on: +{ $amount }
cart-text = “{ $text }”
cart-goes-with = Goes with it
cart-goes-add = Add for { $amount }
cart-goes-choose = Choose, from { $amount }
cart-checkout = To the checkout
cart-changed = Something changed since you filled the cart. Look at the marked lines; then go on.
cart-accept = Take the cart as it is now
cart-price-changed = The price changed: it was { $was }, now it is { $now }.
cart-quantity-of = Quantity of { $name }
cart-change = Change
cart-take-out = Remove
cart-take-out-of = Remove: { $name }
cart-each = { $amount } each
cart-bad-quantity = Please give a quantity from 1 to 99.
cart-bad-change = Please give a quantity from 0 to 99. The cart is as it was.
cart-close = Close
cart-added = { $name } is in the cart.
cart-gone = { $name } was taken out.
cart-put-back = Put it back
cart-choose-first = Please choose first: { $options }.

## Why not
not-yet-sold = This isn't sold yet.
no-longer-sold = This is no longer sold.
choose-first = Please make your choice first.
not-made = This isn't made in that choice.
is-sold-out = This choice is sold out.
only-left = { $count ->
    [one] There is only 1 left.
   *[other] There are only { $count } left.
}

## Checkout
checkout-title = Checkout
checkout-where = Where shall we send it?
checkout-payment = How the payment ends
checkout-no-money = This shop doesn't take real money. Choose how the payment shall end.
checkout-pay = Pay { $amount }
checkout-order = Your order
checkout-along = What was in your cart before is part of this order.
checkout-along-look = Look at the cart
checkout-back = Back to the cart
field-email = Email
field-name = Name
field-street = Street and number
field-town = Town
field-postcode = Postcode
payment-accept = A test payment that is accepted
payment-refuse = A test payment that is refused
payment-slow = A test payment that takes a few seconds
payment-twice = A test payment that is answered twice
payment-never = A test payment that is never answered
checkout-provider = Pay with
pay-card = Card
pay-used-last = used last time
pay-device = at its best on a phone
pay-country = from your country
checkout-missing = Something is missing. Nothing was ordered yet.
checkout-not-as-seen = We could not take this order: something in your cart changed or is gone. Nothing was charged.
checkout-refused = The payment was refused. Nothing was charged; your cart is as it was.
field-missing = { $field } is missing.
field-too-long = { $field } can have { $most } characters at the most.
field-bad-email = This doesn't look like an email address: it needs a name, an @ and a place.
payment-missing = Please choose a payment.

## Waiting for something
interest-label = Tell me when it can be had
interest-button = Note it
interest-noted = We write to { $email } once it can be had.
interest-here = This can be had now.

## Messages to shoppers
mail-back-subject = { $product } can be had
mail-back-body = You asked us to tell you: { $product } can be had now.
mail-order-subject = Your order { $number }
mail-order-body = Thank you, { $name }. This is what you ordered:

## Receipt
receipt-title = Thank you
receipt-paid = Order { $number } is paid. We write to { $email } when it leaves the workshop.
receipt-back = Back to the shop
receipt-waiting-title = We wait for the payment
receipt-waiting = Order { $number } is put aside for you. The payment by { $provider } isn't confirmed yet. If it isn't within fifteen minutes, nothing is charged and your cart comes back.
receipt-refused-title = Not paid
receipt-refused = Order { $number } wasn't paid. Nothing was charged; your cart is as it was.
receipt-to-cart = To the cart
