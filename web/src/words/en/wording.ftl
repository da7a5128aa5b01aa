### What an owner reads: wording.

## WordRow
word-row-changed-you = Changed by you
word-row-say-again = Say “{ $under }” again
word-row-rejoin = Rejoin { $place }
word-row-rejoin-b = Rejoin

## WordingView
wording-view-whole-shop = the whole shop
wording-view-template = the template { $name }
wording-view-wording = Wording
wording-view-language = Language
wording-view-words = Words of
wording-view-find-word-where-appears = Find a word or where it appears
wording-view-only-those-i-changed = only those I changed
wording-view-of = { $count } of { $count2 }
wording-view-every-word-shopper-reads = Every word that a shopper reads
wording-view-where-appears = Where it appears
wording-view-what-said = What is said
wording-view-changed-you = Changed by you
wording-view-you-have-changed-no = You have changed no words here yet.
wording-view-no-words-have-them = No words have that in them.
wording-view-numbers-names-stand-brackets = Numbers and names stand in brackets, as in
wording-view-they-filled-page = ; they are filled in on the page.

## useWording
wording-wording = Wording
