use super::Drawn;
use super::buy_button::is_off_for_good;
use crate::buy::{BuyState, buy_state};
use crate::ctx::{Ctx, Styled};
use crate::say::provider_name;
use compagina_core::page::Device;
use compagina_core::page::piece::pay_shortcuts::{COUNT, ORDER, OrderBy, WORDS};
use compagina_core::pay::{Payer, in_order};
use maud::{Markup, html};

/// How it is drawn.
pub(super) const DRAWN: Drawn = Drawn { draw, ..Drawn::NOTHING };

/// Every shopper has an order of their own, and pages are made for all: here it is that of the shop's own country. The
/// script asks for the shopper's.
fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    if is_off_for_good(ctx) {
        return None;
    }
    let payer = Payer { country: ctx.shop.locale.country(), ..Payer::default() };
    let own = styled.choice(&ORDER, Device::Wide) != Some(OrderBy::Listed);
    let off = (buy_state(ctx.offer) == BuyState::Off).then_some("true");
    Some(html! {
        @if styled.has_words(&WORDS) { p.side-note { (styled.words(&WORDS)) } }
        div.pay-row data-pay-order[own] data-most-shown=(styled.most(&COUNT)) {
            @for (place, (provider, _)) in in_order(payer).iter().enumerate() {
                button.pay type="submit" form="buy" name="pay" value=(provider.id) data-buy aria-disabled=[off]
                    hidden[place >= styled.most(&COUNT)] { (provider_name(ctx.words, provider)) }
            }
        }
    })
}
