### What an owner reads: changes.

## ChangedPages
changed-pages-wide = Wide
changed-pages-phone = Phone
changed-pages-what-changes-where = What changes where
changed-pages-compare-again = Compare again
changed-pages-compared = Compared
changed-pages-kinds-change = Kinds of change
changed-pages-mend = To mend: { $fault }
changed-pages-more = and { $count } more
changed-pages-pages = { $count ->
    [one] 1 page
   *[other] { $count } pages
}
changed-pages-cards = { $count ->
    [one] 1 card
   *[other] { $count } cards
}
changed-pages-choose-these = Choose these
changed-pages-show-all = Show all { $count }
changed-pages-before-after = { $name }, before and after
changed-pages-screen = Screen
changed-pages-shoppers-see-now = As shoppers see it now
changed-pages-they-will-see = As they will see it

## ChangesView
changes-view-no-card-changes-what = No card changes: what differs in the draft has nothing to show for any product that it serves.
changes-view-no-page-changes-what = No page changes: what differs in the draft has nothing to show for any product that it serves.

## PageLine
page-line-publish = Publish for { $name }

## PublishBar
publish-bar-publish-these-only = Publish for { $count ->
    [one] this 1
   *[other] these { $count }
} only
publish-bar-publish-then = Publish then
publish-bar-publish-all = Publish for all
publish-bar-apart = { $name }, apart
publish-bar-name-their-template = Name of their template
publish-bar-name-history = Name in the history
publish-bar-at = at
publish-bar-when = When
publish-bar-shops-clocks = by the shop’s clocks
publish-bar-once-instead = At once instead
publish-bar-time = At a time

## ShopChangesView
shop-changes-view-house-style = House style
shop-changes-view-listings-cart-checkout-dressed = Listings, cart and checkout are dressed by it too.
shop-changes-view-prices = Prices
shop-changes-view-moment-rules-planned-take = As it is at this moment; rules that are planned take effect by themselves at their time.
shop-changes-view-no-page-changes-now = No page changes by it now.
shop-changes-view-nothing-waits-published = Nothing waits to be published.
shop-changes-view-publish = Publish

## SwatchChangesView
swatch-changes-view-no-page-shows-value = No page shows this value as a swatch.
swatch-changes-view-choose-other-colours-pages = Choose other colours, and the pages they change stand here.
swatch-changes-view-colours-tried = Colours that are tried
swatch-changes-view-another-colour = Another colour
swatch-changes-view-publish = Publish

## useImpact
impact-comparing = Comparing …
impact-pages-change = { $count ->
    [one] 1 page changes
   *[other] { $count } pages change
}
impact-cards-change = { $count ->
    [one] 1 card changes
   *[other] { $count } cards change
}
impact-so-far-compared = {" "}so far, { $done } of { $of } compared
impact-of = {" "}of { $of }
