//! Messages to shoppers: the confirmation of an order, and that something can be bought again.

use crate::state::State;
use compagina_core::catalog::page_path;
use compagina_core::wording::{Arg, Language, Words};
use compagina_press::{Nav, besides, whole};
use compagina_storage::{Message, Order};

/// Writes to everybody who waited for something that can be bought by now.
pub async fn tell_those_who_wait(state: &State) -> compagina_storage::Result<()> {
    let words = Words::of(Language::default());
    for news in state.store.news().await? {
        let name = [("product", Arg::Text(&news.name))];
        let body = format!("{}\n\n{}", words.say_with("mail-back-body", &name), page_path(&news.address));
        let subject = words.say_with("mail-back-subject", &name);
        state.store.tell(news.interest, &Message { address: news.email, subject, body }).await?;
    }
    Ok(())
}

/// The confirmation of an order: what was bought, at what price.
pub fn confirmation(nav: &Nav, order: &Order) -> Message {
    let words = &nav.words;
    let money = |amount| whole(&nav.shop, &nav.prices, amount);
    let number = order.id.to_string();
    let mut body = words.say_with("mail-order-body", &[("name", Arg::Text(&order.contact.name))]);
    body.push('\n');
    for line in &order.lines {
        body.push_str(&format!("\n{} × {}: {}", line.quantity, line.what, money(line.line)));
        for one in besides(words, line.plan.as_ref(), &line.text) {
            body.push_str(&format!("\n    {one}"));
        }
    }
    body.push_str(&format!("\n\n{}: {}", words.say("cart-total"), money(order.total)));
    if order.vat.minor > 0 {
        body.push_str(&format!("\n{}: {}", words.say("cart-vat-in-it"), money(order.vat)));
    }
    let subject = words.say_with("mail-order-subject", &[("number", Arg::Text(&number))]);
    Message { address: order.contact.email.clone(), subject, body }
}
