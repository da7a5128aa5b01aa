### What an owner reads: listings.

## ListingsView
listings-view-everything = Everything
listings-view-shop = Front page
listings-view-types = Types
listings-view-tags = Tags
listings-view-find = Find a listing
listings-view-none-found = No listing is called so.
listings-view-own = Made by you
listings-view-as-seen = { $name }, as shoppers will see it
listings-view-wide = Wide
listings-view-phone = Phone

## ListingForm
listing-form-in-shop = In the shop
listing-form-title = Title
listing-form-words-above = Words above the products
listing-form-order = Order
listing-form-order-arranged = As arranged on the Shelf
listing-form-order-newest = Newest first
listing-form-order-cheapest = Cheapest first
listing-form-order-dearest = Dearest first
listing-form-order-name = By name
listing-form-order-rating = Best reviewed first
listing-form-front-page = The front page shows the first eight of each type in this order.
listing-form-first = Products that come first
listing-form-none-first = None: all stand in the order above.
listing-form-until-another-order = Until a shopper asks for another order.

## useListings
listings-listings = Listings
