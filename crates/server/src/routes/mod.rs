//! One handler a file, by area.

mod book;
mod changes;
mod desk;
mod draft;
mod feed;
mod find;
mod health;
mod house;
mod journal;
mod listings;
mod media;
mod outbox;
mod picture;
mod prices;
mod product;
mod product_type;
mod selling;
mod session;
mod shelf;
pub(crate) mod shop;
mod siblings;
mod template;
mod till;
mod variant;
mod wording;

use actix_web::web::{self, ServiceConfig};

/// The owner's API.
pub fn api(config: &mut utoipa_actix_web::service_config::ServiceConfig<'_>) {
    config
        .service(session::sign_in::sign_in)
        .service(session::show::show)
        .service(session::sign_out::sign_out)
        .service(shelf::show::show)
        .service(shelf::search::search)
        .service(product::list::list)
        .service(product::small::draw)
        .service(find::find)
        .service(template::list::list)
        .service(template::add::add)
        .service(template::file::write)
        .service(template::file::read)
        .service(template::served::list)
        .service(template::shift::shift)
        .service(template::set::set)
        .service(product_type::fields::show)
        .service(product_type::add::add)
        .service(product_type::change::change)
        .service(product_type::change::remove)
        .service(product::add::beginning)
        .service(product::add::add)
        .service(product::texts::show)
        .service(product::texts::set)
        .service(product::whole::hanging)
        .service(product::whole::remove)
        .service(product::whole::copy)
        .service(product::whole::move_to)
        .service(product::whole::place)
        .service(siblings::propose::propose)
        .service(siblings::show::show)
        .service(siblings::set::make)
        .service(siblings::set::change)
        .service(siblings::set::part)
        .service(product::address::show)
        .service(product::address::set)
        .service(product::address::let_go)
        .service(desk::show::show)
        .service(desk::show::draft)
        .service(desk::leaf::list)
        .service(desk::slip::piece)
        .service(desk::slip::band)
        .service(desk::departures::list)
        .service(desk::situation::show)
        .service(desk::proof::proof)
        .service(desk::operate::operate)
        .service(desk::operate::undo)
        .service(desk::operate::redo)
        .service(desk::publish::publish_for_some)
        .service(draft::history::show)
        .service(draft::history::bring_back)
        .service(draft::publish::undo)
        .service(draft::publish::redo)
        .service(draft::publish::publish)
        .service(draft::publish::take_back)
        .service(draft::plan::plan)
        .service(draft::plan::unplan)
        .service(desk::impact::show)
        .service(desk::kept::list)
        .service(desk::kept::keep)
        .service(desk::kept::place)
        .service(desk::kept::unlink)
        .service(desk::kept::forget)
        .service(desk::starter::begin)
        .service(desk::history::show)
        .service(desk::history::compare)
        .service(desk::history::bring_back)
        .service(desk::presence::be_here)
        .service(feed::since::tell)
        .service(feed::stream::tell)
        .service(desk::keep::list)
        .service(desk::keep::keep)
        .service(desk::keep::forget)
        .service(desk::media::list)
        .service(desk::preview::make)
        .service(desk::preview::end)
        .service(picture::list::list)
        .service(picture::upload::upload)
        .service(picture::film::put_film)
        .service(picture::change::change)
        .service(picture::change::order)
        .service(picture::change::remove)
        .service(variant::list::list)
        .service(variant::list::write)
        .service(variant::change::change)
        .service(variant::fill::fill)
        .service(variant::change::remove)
        .service(variant::uses::set)
        .service(variant::make::make)
        .service(variant::import::check)
        .service(variant::import::import)
        .service(book::list::list)
        .service(book::list::show)
        .service(book::change::add_option)
        .service(book::change::change_option)
        .service(book::change::change_values)
        .service(book::change::add_value)
        .service(book::remove::whole)
        .service(book::remove::hanging)
        .service(book::remove::of_option)
        .service(book::file::add)
        .service(book::file::settle)
        .service(book::file::remove)
        .service(book::own::set)
        .service(book::closer::set)
        .service(book::closer::remove)
        .service(book::join::list_users)
        .service(book::join::plan_merge)
        .service(book::join::merge_into)
        .service(book::join::split_off)
        .service(book::take::take)
        .service(book::palette::show)
        .service(book::palette::set)
        .service(changes::house::list)
        .service(changes::house::page)
        .service(changes::now::page)
        .service(changes::prices::list)
        .service(changes::prices::page)
        .service(changes::swatch::list)
        .service(changes::swatch::page)
        .service(house::show::show)
        .service(house::sample::show)
        .service(house::texts::list)
        .service(house::text::show)
        .service(house::keep_look::keep)
        .service(house::remove_look::remove)
        .service(house::set::set)
        .service(prices::show::show)
        .service(prices::set::change)
        .service(prices::trial::try_price)
        .service(prices::moves::list)
        .service(prices::overstated::list)
        .service(journal::show::show)
        .service(journal::back::undo)
        .service(journal::back::redo)
        .service(journal::back::undo_step)
        .service(journal::back::bring_back)
        .service(selling::show)
        .service(selling::set)
        .service(outbox::list)
        .service(listings::show::show)
        .service(listings::set::set)
        .service(listings::sample::show)
        .service(wording::show::show)
        .service(wording::set::set)
        .default_service(web::to(|| async { Err::<String, _>(crate::error::ApiError::nothing_here()) }));
}

/// The shop, its till, its pictures.
pub fn shop(config: &mut ServiceConfig) {
    config
        .service(health::health)
        .service(media::media)
        .service(shop::robots)
        .service(shop::listing::front)
        .service(shop::listing::of_type)
        .service(shop::listing::of_tag)
        .service(shop::listing::search)
        .service(shop::offer::tell)
        .service(shop::language::choose)
        .service(shop::preview::show)
        .service(shop::product::show)
        .service(shop::quick::show)
        .service(till::cart::show)
        .service(till::put::put)
        .service(till::put::put_back)
        .service(till::cart::set)
        .service(till::cart::accept)
        .service(till::checkout::show)
        .service(till::checkout::pay)
        .service(till::receipt::receipt)
        .service(till::interest::note)
        .service(till::wish::show)
        .service(till::wish::change)
        .service(till::pay_order::tell)
        .service(web::scope("/shop").default_service(web::to(shop::missing)));
}
