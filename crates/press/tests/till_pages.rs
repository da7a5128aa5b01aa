//! Listing, cart, checkout, receipt and message.
#![allow(clippy::unwrap_used)]

mod shop;

use compagina_core::cart::{Wanted, reckon};
use compagina_core::catalog::{Product, Stock};
use compagina_core::pay::{Payer, in_order, provider};
use compagina_core::price::Hindrance;
use compagina_core::price::Prices;
use compagina_press::say_hindrance;
use compagina_press::shop::{
    Bought, CartLine, CartPage, CheckoutForm, CheckoutPage, FIELDS, Listing, Paid, Receipt, Shelf, cart,
    checkout, listing, message, receipt,
};
use shop::{demo, nav, pounds};

/// The page of a cart that holds each product's first variant once, seen at these prices.
fn cart_of(products: &[Product], seen: &[i64], notice: Option<&str>) -> String {
    let wanted: Vec<_> = products
        .iter()
        .zip(seen)
        .map(|(product, seen)| Wanted {
            product,
            variant: &product.variants[0],
            quantity: 1,
            seen: pounds(*seen),
            plan: None,
            text: None,
        })
        .collect();
    let reckoning = reckon(&wanted, pounds(0).currency, &Prices::default()).unwrap();
    let line = |(product, line)| -> CartLine<'_> {
        let product: &Product = product;
        let (href, choice) = (format!("/shop/products/{}", product.handle), "Colour: <Ember>".to_owned());
        CartLine {
            id: product.id.0,
            name: &product.name,
            href,
            choice,
            picture: product.lead_picture(),
            product,
            line,
            text: None,
        }
    };
    let lines = products.iter().zip(&reckoning.lines).map(line).collect();
    let (total, vat, stands) = (reckoning.total, reckoning.vat, reckoning.stands());
    let (prices, notice) = (Prices::default(), notice.map(str::to_owned));
    let page = CartPage {
        lines,
        total,
        vat,
        prices: &prices,
        goes_with: vec![],
        lead: None,
        stands,
        notice,
        gone: None,
    };
    cart(&nav(), &page)
}

fn bought(what: &str, minor: i64) -> Bought {
    Bought { what: what.to_owned(), besides: vec![], line: pounds(minor) }
}

#[test]
fn a_cart_that_stands_leads_to_the_checkout() {
    let (products, _) = demo();
    let page = cart_of(&products[..2], &[6800, 4200], None);
    assert!(page.contains("£110.00") && page.contains("href=\"/shop/checkout\""));
    assert!(!page.contains("class=\"problem\"") && !page.contains("/shop/cart/accept"));
    assert!(page.contains("Colour: &lt;Ember&gt;"));
}

#[test]
fn a_cart_that_changed_says_where_and_does_not_lead_on() {
    let (mut products, _) = demo();
    products[1].variants[0].stock = Stock::Counted(0);
    let page = cart_of(&products[..2], &[6500, 4200], Some("Something <changed>."));
    assert!(page.contains("The price changed: it was £65.00, now it is £68.00."));
    assert!(page.contains("This choice is sold out.") && page.contains("Something &lt;changed&gt;."));
    assert!(page.contains("/shop/cart/accept") && !page.contains("href=\"/shop/checkout\""));
}

#[test]
fn an_empty_cart_says_so_and_shows_the_way() {
    let page = cart_of(&[], &[], None);
    assert!(page.contains("Your cart is empty.") && page.contains("href=\"/shop\""));
    assert!(!page.contains("Total"));
}

#[test]
fn the_checkout_keeps_what_was_typed_and_ties_each_problem_to_its_field() {
    let mut form = CheckoutForm::default();
    form.values.insert("email".into(), "\"><script>".into());
    form.values.insert("payment".into(), "slow".into());
    form.problems.insert("email".into(), "No address <b>".into());
    let page = |form, problem| CheckoutPage {
        lines: vec![bought("1 × Whimbrel", 6800)],
        total: pounds(6800),
        vat: pounds(1133),
        form,
        problem,
        providers: in_order(Payer { used_last: Some("tern"), ..Payer::default() }),
        once: "00000000000000000000000000000000",
    };
    let html = checkout(&nav(), &page(&form, Some("Look again.")));
    assert!(html.contains("value=\"&quot;&gt;&lt;script&gt;\"") && html.contains("No address &lt;b&gt;"));
    assert!(html.contains("aria-invalid=\"true\" aria-describedby=\"email-problem\""));
    assert!(html.contains("id=\"email-problem\"") && html.contains("role=\"alert\""));
    assert!(html.contains("value=\"slow\" checked") && html.contains("Pay £68.00"));
    for field in &FIELDS {
        assert!(html.contains(&format!("autocomplete=\"{}\"", field.autocomplete)), "{}", field.name);
    }
    assert!(html.contains("value=\"tern\" checked") && html.contains("used last time"));
    assert!(html.contains("of which VAT") && html.contains("£11.33"));
    let html = checkout(&nav(), &page(&CheckoutForm::default(), None));
    assert!(html.contains("value=\"accept\" checked") && !html.contains("role=\"alert\""));
}

#[test]
fn the_receipt_tells_number_lines_and_sum() {
    let mut line = bought("2 × Whimbrel, Ember", 13_600);
    line.besides = vec!["Every <8> weeks".into()];
    let mut order = Receipt {
        number: 41,
        email: "jo@example.org".into(),
        provider: provider("tern").unwrap(),
        paid: Paid::Yes,
        lines: vec![line],
        total: pounds(13_600),
        vat: pounds(0),
    };
    let html = receipt(&nav(), &order);
    assert!(html.contains("Order 41 is paid") && html.contains("jo@example.org"));
    assert_eq!(html.matches("£136.00").count(), 2, "the line and the total");
    assert!(html.contains("Every &lt;8&gt; weeks") && !html.contains("VAT"));
    order.paid = Paid::Waiting;
    assert!(receipt(&nav(), &order).contains("The payment by Tern isn't confirmed yet"));
    order.paid = Paid::No;
    assert!(receipt(&nav(), &order).contains("href=\"/shop/cart\""));
}

#[test]
fn a_listing_marks_what_is_saved_and_what_is_gone() {
    let (mut products, _) = demo();
    products[2].variants.iter_mut().for_each(|v| v.stock = Stock::Counted(0));
    products[3].old_price = Some(pounds(4000));
    let shelf = |products: &[usize], all: &'_ [Product]| -> String {
        let chosen: Vec<&Product> = products.iter().map(|i| &all[*i]).collect();
        let shelves = [Shelf { kind: &all[0].kind, products: chosen }];
        listing(
            &nav(),
            &Listing {
                title: "Kites",
                words: &[],
                shelves: &shelves,
                leaf: None,
                sift: None,
                lead: None,
                sets: None,
                notice: None,
            },
        )
    };
    assert!(shelf(&[2], &products).contains("Sold out"));
    let saved = shelf(&[3], &products);
    assert!(saved.contains("−15 %") && saved.contains("£40.00</span></s>"));
    assert!(shelf(&[0], &products).contains("from £68.00"));
    assert!(shelf(&[], &products).contains("There is nothing here yet."));
    products[3].pictures.clear();
    assert!(shelf(&[3], &products).contains("class=\"no-picture\""));
}

#[test]
fn every_hindrance_is_a_sentence() {
    let all = [
        Hindrance::ComingSoon,
        Hindrance::Withdrawn,
        Hindrance::ChooseFirst(vec![0]),
        Hindrance::NotMade,
        Hindrance::SoldOut,
        Hindrance::OnlyLeft(1),
        Hindrance::OnlyLeft(2),
        Hindrance::MostPerOrder(1),
        Hindrance::LeastPerOrder(4),
        Hindrance::InSteps(2),
        Hindrance::PlanGone,
        Hindrance::TextNotTaken,
    ];
    for hindrance in all {
        let said = say_hindrance(&nav().words, &hindrance);
        assert!(said.ends_with('.') && said.len() > 15, "{said}");
    }
    let page = message(&nav(), "Nothing <here>", "It & more");
    assert!(page.contains("<h1>Nothing &lt;here&gt;</h1>") && page.contains("It &amp; more"));
}
