//! Messages to shoppers: the confirmation of an order, and that something can be bought again.

use crate::state::State;
use compagina_core::money::Locale;
use compagina_core::wording::{Arg, Language, Words};
use compagina_storage::{Message, Order};

/// Writes to everybody who waited for something that can be bought by now.
pub async fn tell_those_who_wait(state: &State) -> compagina_storage::Result<()> {
    let words = Words::of(Language::default());
    for news in state.store.news().await? {
        let name = [("product", Arg::Text(&news.name))];
        let body = format!("{}\n\n/shop/products/{}", words.say_with("mail-back-body", &name), news.product);
        let subject = words.say_with("mail-back-subject", &name);
        state.store.tell(news.interest, &Message { address: news.email, subject, body }).await?;
    }
    Ok(())
}

/// The confirmation of an order: what was bought, at what price.
pub fn confirmation(words: &Words, locale: Locale, order: &Order) -> Message {
    let number = order.id.to_string();
    let mut body = words.say_with("mail-order-body", &[("name", Arg::Text(&order.contact.name))]);
    body.push('\n');
    for line in &order.lines {
        body.push_str(&format!("\n{} × {}: {}", line.quantity, line.what, line.line.format(locale)));
    }
    body.push_str(&format!("\n\n{} {}", words.say("cart-total"), order.total.format(locale)));
    let subject = words.say_with("mail-order-subject", &[("number", Arg::Text(&number))]);
    Message { address: order.contact.email.clone(), subject, body }
}
