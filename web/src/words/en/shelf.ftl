### What an owner reads: shelf.

## AddressDialog
address-dialog-another-address = Another address for { $name }
address-dialog-move-page = Move the page
address-dialog-links-where-page-stands = Links to where its page stands today lead on to the new address.
address-dialog-shop-products = /shop/products/
address-dialog-address = Address
address-dialog-these-lead-too = These lead on to it too:
address-dialog-let-go = Let it go: { $old }
address-dialog-let-go-b = Let it go

## ChosenBar
chosen-bar-chosen-products = Chosen products
chosen-bar-chosen = { $count ->
    [one] 1 product chosen
   *[other] { $count } products chosen
}
chosen-bar-make-siblings = Make siblings
chosen-bar-let-go = Let them go

## CopyDialog
copy-dialog-copy = A copy of { $name }
copy-dialog-copy-b = Copy it
copy-dialog-copy-c = { $name } copy
copy-dialog-begins-same-texts-pictures = It begins with the same texts, pictures, options and prices, with none in stock and SKUs of its own. Shoppers don’t see it until you put it on sale.

## FoundProducts
found-products-products-found = Products found
found-products-nothing-shelf-fits-name = Nothing on the shelf fits. A name is found by the beginning of any of its words.
found-products-more-their-way = More are on their way

## ProductActs
product-acts-make-siblings = Make siblings …
product-acts-put-sale = Put it on sale
product-acts-announce-coming-soon = Announce it as coming soon
product-acts-take-off-sale = Take it off sale
product-acts-more-about = More about { $name }
product-acts-earlier-among-type = Earlier among its type
product-acts-later-among-type = Later among its type
product-acts-copy = Copy …
product-acts-change-address = Change its address …
product-acts-change-type = Change its type …
product-acts-remove = Remove …
product-acts-becomes-one = { $name } becomes one of
product-acts-another-type = Another type for { $name }
product-acts-page-then-laid-out = Its page is then laid out by the template that serves that type.
product-acts-go = { $variants ->
    [one] 1 variant
   *[other] { $variants } variants
}, { $pictures ->
    [one] 1 picture
   *[other] { $pictures } pictures
} and { $reviews ->
    [one] 1 review
   *[other] { $reviews } reviews
} go with it.
product-acts-goes-out = It goes out of { $carts ->
    [one] 1 cart
   *[other] { $carts } carts
}.
product-acts-for-it = { $waiting ->
    [one] 1 shopper waits
   *[other] { $waiting } shoppers wait
} for it.
product-acts-what-they-sold = { $orders ->
    [one] 1 order keeps
   *[other] { $orders } orders keep
} what they sold of it.
product-acts-named = Named in { $templates }.
product-acts-price-rules-name = { $count ->
    [one] The price rule
   *[other] The price rules
} { $rules } { $count ->
    [one] names
   *[other] name
} it.

## ProductCard
product-card-choose = Choose { $name }
product-card-template-because = This template because { $why }
product-card-page = Page of { $name }
product-card-no-template = no template
product-card-served = served by { $served_by }
product-card-values-differ-from-template = { $departures } values differ from its template
product-card-departures = { $departures ->
    [one] 1 departure
   *[other] { $departures } departures
}
product-card-variants = { $variants ->
    [one] 1 variant
   *[other] { $variants } variants
}
product-card-of = { $variants ->
    [one] 1 variant
   *[other] { $variants } variants
} of { $name }
product-card-pictures = Pictures of { $name }
product-card-pictures-b = Pictures
product-card-texts-facts = Texts and facts of { $name }
product-card-texts = Texts

## ShelfSearch
shelf-search-they-stand = as they stand
shelf-search-name = by name
shelf-search-cheapest-first = cheapest first
shelf-search-dearest-first = dearest first
shelf-search-keys-shelf = Keys on the shelf
shelf-search-find-product = find a product
shelf-search-all-types = all types
shelf-search-any-template = any template
shelf-search-sale-not = on sale or not
shelf-search-no-product-fits = No product fits
shelf-search-products = { $count ->
    [one] 1 product
   *[other] { $number } products
}
shelf-search-find-product-b = Find a product
shelf-search-type = Type
shelf-search-template = Template
shelf-search-how-stands = How it stands
shelf-search-order = Order
shelf-search-show-whole-shelf = Show the whole shelf

## ShelfSection
shelf-section-add-product = Add a product to { $name }
shelf-section-add = Add
shelf-section-listing = Listing
shelf-section-listing-of = Listing of { $name }
shelf-section-served = served by
shelf-section-draft-not-live = Draft not live
shelf-section-live = Live
shelf-section-sample-drawn-small = Sample of { $name }, drawn small
shelf-section-no-products-yet-sample = No products yet: a sample
shelf-section-what-they-have = What they have
shelf-section-add-first-product = Add the first product
shelf-section-all = All { $count } of { $name }

## ShelfView
shelf-view-shelf = Shelf
shelf-view-every-product-page-shoppers = Every product with its page as shoppers see it now. Open one to look at it on the desk.
shelf-view-shelf-b = the shelf
shelf-view-new-product-type = New product type
shelf-view-there-no-products-yet = There are no products yet.

## useShelf
shelf-shelf = Shelf

## ProductSiblings
product-siblings-one = { $count } siblings
product-siblings-of = { $count } siblings of { $product }: { $name }

## SiblingSwatch
sibling-swatch-shows = What { $name } shows
sibling-swatch-by-itself = By itself
sibling-swatch-picture = cut from its picture
sibling-swatch-book = as the swatch book has its label
sibling-swatch-nothing = its label, for want of a picture
sibling-swatch-colour = A colour
sibling-swatch-another = Another colour
sibling-swatch-label = Its label

## SiblingsDialog
siblings-dialog-siblings = Siblings
siblings-dialog-make-siblings = Make siblings
siblings-dialog-sold-apart-shown-as = They are sold apart and shown as if they were values of one option: from each page one goes to the others, with what is chosen kept.
siblings-dialog-what-they-differ = What they differ by
siblings-dialog-label = Label of { $name }
siblings-dialog-another-product = Another product
siblings-dialog-one-card = One card for all of them in listings
siblings-dialog-part-them = Let them be single products
siblings-dialog-join-products = { $count ->
    [one] Join 1 product
   *[other] Join { $count } products
}
siblings-dialog-keep-them-so = Keep them so

## useSiblings
use-siblings-model = Model
