## Rahmen
to-content = Zum Inhalt
nav-shop = Laden
nav-foot = Laden, am Ende der Seite
cart-link = Warenkorb
language = Sprache

## Produktseite
see-cart = Zum Warenkorb
added = Es liegt im Warenkorb.
gone-choice = „{ $value }“ gibt es hier nicht mehr. Das hier ist da.
where-you-are = Wo Sie sind
show-choice = Diese Auswahl zeigen
state-sold-out = ausverkauft
state-not-made = gibt es so nicht
choice-moved = { $option } ist jetzt { $value }.
offer-late = Der Shop antwortet gerade nicht. Ihre Auswahl bleibt und wird wieder angefragt.

pictures = Bilder
picture-of = Bild { $number } von { $count }: { $shows }
gallery-kind = Bildergalerie
gallery-slide = Bild
gallery-back = Vorheriges Bild
gallery-on = Nächstes Bild
gallery-rest = Bilder anhalten
gallery-whole = Ganzer Bildschirm
whole-close = Schließen
whole-zoom = Näher oder weiter weg
whole-broken = Dieses Bild lässt sich nicht laden.

price-before = Vorher:
save-amount = { $amount } gespart

hint-only-left = { $count ->
    [one] Davon ist nur noch 1 da.
   *[other] Davon sind nur noch { $count } da.
}
hint-most = Eine Bestellung fasst davon höchstens { $count }.
hint-sum = { $count } für { $amount }

stars = { $stars } von 5 Sternen
review-count = { $count ->
    [one] 1 Bewertung
   *[other] { $count } Bewertungen
}
review-by = { $who }, { $day }
stars-share = { $stars ->
    [one] 1 Stern
   *[other] { $stars } Sterne
}

share-mail = E-Mail
share-message = Nachricht
share-address = Adresse dieser Seite

slide-region = Lässt sich seitwärts schieben

mark-coming-soon = Kommt bald
mark-sold-out = Ausverkauft
mark-saving = −{ $percent } %
card-from = ab { $amount }
quick-look = Kurzer Blick
quick-close = Schließen
quick-more = Alles über { $product }

listing-all = Alles, was wir machen
listing-search = Suchen
listing-searched = „{ $words }“
listing-search-placeholder = Name, Art oder Artikelnummer
listing-none-found = Nichts hat diese Wörter. Versuchen Sie es mit weniger Wörtern oder nur dem Anfang von einem.
listing-about = { $title }: { $count ->
    [one] 1 Produkt
   *[other] { $count } Produkte
} von { $shop }
listing-empty = Hier ist noch nichts.
listing-pages = Seiten
listing-before = Vorige Seite
listing-more = Mehr zeigen
listing-next = Nächste Seite
listing-page-of = Seite { $number } von { $count }
listing-products = { $count ->
    [one] 1 Produkt
   *[other] { $count } Produkte
}
listing-sift = Reihenfolge und Filter
listing-order = Reihenfolge
listing-filters = Filter
listing-order-arranged = Wie von uns geordnet
listing-order-fit = Was am besten passt zuerst
listing-order-newest = Neueste zuerst
listing-order-cheapest = Günstigste zuerst
listing-order-dearest = Teuerste zuerst
listing-order-name = Nach Namen
listing-order-rating = Bestbewertete zuerst
listing-stock = Jetzt zu haben
listing-sale = Jetzt günstiger
listing-types = Familie
listing-tags = Art
listing-price-from = Ab { $currency }
listing-price-to = bis { $currency }
listing-show = Zeigen
listing-all-again = Ohne Filter
listing-nothing-fits = Nichts hier ist all das.
listing-without-tags = Ohne die Art: { $count }
listing-without-types = Aus allen Familien: { $count }
listing-without-values = { $option } beliebig: { $count }
listing-without-sale = Auch was kostet wie zuvor: { $count }
listing-without-price = Zu jedem Preis: { $count }
listing-without-stock = Auch was ausverkauft ist oder noch kommt: { $count }

message-nothing = Hier ist nichts
message-wrong = Etwas ist schiefgegangen
message-not = Das ging nicht
message-to-shop = Zum Laden
preview-over = Diese Vorschau ist abgelaufen. Bitten Sie um einen neuen Link.
preview-over-title = Nicht mehr zu sehen
preview-bar = Vorschau, noch nicht im Laden. Zu sehen bis { $until }.

cart-title = Warenkorb
cart-empty = Ihr Warenkorb ist leer.
cart-look-around = Im Laden umsehen
cart-total = Summe
cart-before-vat = Summe ohne MwSt.
cart-vat-in-it = darin MwSt.
cart-vat = MwSt.
cart-to-pay = Zu zahlen
cart-rule = { $name }: −{ $amount }
cart-plan-saving = Ersparnis des Abos: −{ $amount }
cart-surcharge = Beschriften: +{ $amount }
cart-text = „{ $text }“
cart-goes-with = Passt dazu
cart-goes-add = Dazu für { $amount }
cart-goes-choose = Auswählen, ab { $amount }
hint-least = Eine Bestellung fasst davon mindestens { $count }.
hint-steps = Verkauft wird in Schritten von { $count }.
hint-least-steps = Mindestens { $least }, in Schritten von { $step }.
per-measure = { $amount } je { $unit }
vat-with = mit { $percent } % MwSt.
vat-without = zuzüglich { $percent } % MwSt.
plan-weeks = { $count ->
    [one] Jede Woche
   *[other] Alle { $count } Wochen
}
plan-months = { $count ->
    [one] Jeden Monat
   *[other] Alle { $count } Monate
}
plan-saves = { $percent } % günstiger
plan-saves-first = { $percent } % günstiger beim ersten Mal
plan-then = danach { $amount }
plan-gone = Dieses Abo gibt es nicht mehr.
text-surcharge = +{ $amount }
text-one-line = Bis zu { $most } Zeichen.
text-lines = Bis zu { $lines } Zeilen mit { $most } Zeichen.
text-letters = Nur Buchstaben.
text-letters-digits = Buchstaben und Ziffern.
text-count = { $count } von { $most }
text-missing = Bitte schreiben Sie, was darauf stehen soll.
text-too-many-lines = Es ist Platz für { $most } Zeilen.
text-too-long = Zeile { $line } ist länger als { $most } Zeichen.
text-sign = „{ $sign }“ lässt sich nicht darauf schreiben.
text-not-taken = Diese Beschriftung lässt sich nicht mehr machen.
wish-title = Merkliste
wish-link = Merkliste
wish-empty = Sie haben sich noch nichts gemerkt.
wish-kept = Es steht auf Ihrer Merkliste.
wish-failed = Das ließ sich gerade nicht merken. Bitte versuchen Sie es noch einmal.
wish-see = Zur Liste
wish-drop = Streichen
wish-drop-of = Streichen: { $name }
wish-to-page = Zur Seite
wish-to-cart = In den Warenkorb
mark-few = { $count ->
    [one] Nur noch 1
   *[other] Nur noch { $count }
}
payment-twice = Testzahlung, die zweimal beantwortet wird
payment-never = Testzahlung, die nie beantwortet wird
checkout-provider = Bezahlen mit
pay-card = Karte
pay-used-last = zuletzt benutzt
pay-device = am besten auf dem Telefon
pay-country = aus Ihrem Land
receipt-waiting-title = Wir warten auf die Zahlung
receipt-waiting = Bestellung { $number } liegt für Sie bereit. Die Zahlung mit { $provider } ist noch nicht bestätigt. Geschieht das nicht in fünfzehn Minuten, wird nichts abgebucht und Ihr Warenkorb kommt zurück.
receipt-refused-title = Nicht bezahlt
receipt-refused = Bestellung { $number } wurde nicht bezahlt. Nichts wurde abgebucht; Ihr Warenkorb ist, wie er war.
receipt-to-cart = Zum Warenkorb
plans-heading = Wie oft
plans-once = Nur dieses Mal
pay-shortcuts-words = Oder gleich zu
wish-button-words = Merken
wish-button-kept = Auf der Merkliste
card-wish-words = Merken
card-wish-kept = Auf der Merkliste
card-quick-look-words = Kurzer Blick
card-quantity-label = Anzahl
card-buy-words = In den Warenkorb
card-buy-choose = Bitte auswählen
card-buy-on-page = Ansehen
card-buy-sold-out = Ausverkauft
card-buy-coming = Kommt bald
card-buy-tell = Bescheid geben
card-buy-adding = Kommt in den Warenkorb …
card-buy-added = Im Warenkorb
cart-checkout = Zur Kasse
cart-changed = Seit Sie den Warenkorb gefüllt haben, hat sich etwas geändert. Sehen Sie die markierten Zeilen an; dann geht es weiter.
cart-accept = Den Warenkorb so nehmen, wie er jetzt ist
cart-price-changed = Der Preis hat sich geändert: vorher { $was }, jetzt { $now }.
cart-quantity-of = Anzahl von { $name }
cart-change = Ändern
cart-take-out = Entfernen
cart-take-out-of = Entfernen: { $name }
cart-each = je { $amount }
cart-bad-quantity = Bitte eine Anzahl von 1 bis 99 angeben.
cart-bad-change = Bitte eine Anzahl von 0 bis 99 angeben. Der Warenkorb ist wie zuvor.
cart-close = Schließen
cart-added = { $name } liegt im Warenkorb.
cart-gone = { $name } wurde herausgenommen.
cart-put-back = Wieder hinein
cart-choose-first = Bitte zuerst wählen: { $options }.

not-yet-sold = Das gibt es noch nicht zu kaufen.
no-longer-sold = Das wird nicht mehr verkauft.
choose-first = Bitte zuerst auswählen.
not-made = Das gibt es in dieser Auswahl nicht.
is-sold-out = Diese Auswahl ist ausverkauft.
only-left = { $count ->
    [one] Es ist nur noch 1 da.
   *[other] Es sind nur noch { $count } da.
}

checkout-title = Kasse
checkout-where = Wohin dürfen wir liefern?
checkout-payment = Wie die Zahlung endet
checkout-no-money = Dieser Laden nimmt kein echtes Geld. Wählen Sie, wie die Zahlung ausgehen soll.
checkout-pay = { $amount } zahlen
checkout-order = Ihre Bestellung
checkout-along = Was schon in Ihrem Warenkorb lag, gehört zu dieser Bestellung.
checkout-along-look = Warenkorb ansehen
checkout-back = Zurück zum Warenkorb
field-email = E-Mail
field-name = Name
field-street = Straße und Hausnummer
field-town = Ort
field-postcode = Postleitzahl
payment-accept = Testkarte, die angenommen wird
payment-refuse = Testkarte, die abgelehnt wird
payment-slow = Testkarte, die einige Sekunden braucht
checkout-missing = Es fehlt noch etwas. Bestellt ist noch nichts.
checkout-not-as-seen = Diese Bestellung ging nicht: In Ihrem Warenkorb hat sich etwas geändert oder fehlt. Abgebucht wurde nichts.
checkout-refused = Die Zahlung wurde abgelehnt. Abgebucht wurde nichts; Ihr Warenkorb ist wie zuvor.
field-missing = { $field } fehlt.
field-too-long = { $field } darf höchstens { $most } Zeichen haben.
field-bad-email = Das sieht nicht nach einer E-Mail-Adresse aus: Es braucht einen Namen, ein @ und einen Ort.
payment-missing = Bitte eine Zahlung wählen.

receipt-title = Vielen Dank
receipt-paid = Bestellung { $number } ist bezahlt. Wir schreiben an { $email }, wenn sie die Werkstatt verlässt.
receipt-back = Zurück zum Laden

## Worte der Stücke
breadcrumb-home = Laden
price-from = ab
stock-line-in-stock = Auf Lager
stock-line-low = Nur noch { $count } da
stock-line-out = In dieser Auswahl ausverkauft
stock-line-out-wholly = Ausverkauft
options-ask = bitte wählen
quantity-label = Anzahl
buy-button-words = In den Warenkorb
buy-button-sold-out = Ausverkauft
buy-button-choose = Bitte auswählen
buy-button-coming = Kommt bald
buy-button-gone = Nicht mehr im Verkauf
related-heading = Das könnte auch gefallen
sticky-bar-words = In den Warenkorb
questions-heading = Fragen
reviews-heading = Was Käufer sagen
reviews-none = Noch keine Bewertungen
facts-heading = Fakten
sku-line-label = Artikelnummer
size-chart-heading = Größen
share-links-label = Teilen
neighbours-before = Zurück
neighbours-after = Weiter

ladder-pieces = Stück
ladder-each = Je Stück
ladder-saving = Ersparnis
ladder-from = { $count ->
    [one] 1 Stück
   *[other] ab { $count }
}
ladder-next = { $count ->
    [one] 1 mehr, und jedes kostet { $amount } (−{ $percent } %)
   *[other] { $count } mehr, und jedes kostet { $amount } (−{ $percent } %)
}
promise-pieces = ab { $count } Stück
promise-total = ab einem Warenkorb von { $amount }
price-ladder-heading = Preis nach Anzahl
buy-button-adding = Kommt in den Warenkorb …
buy-button-added = Im Warenkorb

interest-label = Sagt mir, wenn es zu haben ist
interest-button = Vormerken
interest-noted = Wir schreiben an { $email }, sobald es zu haben ist.
interest-here = Das ist jetzt zu haben.
mail-back-subject = { $product } ist zu haben
mail-back-body = Sie wollten es wissen: { $product } ist jetzt zu haben.
mail-order-subject = Ihre Bestellung { $number }
mail-order-body = Danke, { $name }. Das haben Sie bestellt:
