### What an owner reads: app.

## App
app-server-doesnt-answer-asked = The server doesn’t answer. It is asked again until it does; nothing is lost meanwhile.

## router
router-shelf = Shelf
router-templates = Templates
router-cards = Cards
router-listings = Listings
router-desk = Desk
router-what-changes-where = What changes where
router-pictures = Pictures
router-texts-facts = Texts and facts
router-variants = Variants
router-swatch-book = Swatch book
router-prices = Prices
router-messages = Messages
router-house-style = House style
router-wording = Wording
router-sign = Sign in
