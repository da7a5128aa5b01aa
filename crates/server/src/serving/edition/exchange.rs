//! From one edition to the next. Each process reads the notes of changes a few times a second, and at once after its
//! own. The next edition is read, and the pages that are asked for most are made anew, while the one before is still
//! served; then all is exchanged at once. So a publication is one step for all pages, and those that many look at are
//! there at once.

use super::Edition;
use super::page::{Laid, lay};
use super::pages::{Pages, Ready};
use crate::error::ApiResult;
use crate::serving::Serving;
use crate::serving::known::{Found, Known, known_at};
use compagina_core::ids::ProductId;
use compagina_press::Mode;
use compagina_storage::Changed;
use std::collections::BTreeSet;
use std::sync::Arc;
use std::time::Instant;

/// Has every writer's answer wait until what was written is seen here.
pub fn follow_writes(serving: &Arc<Serving>) {
    let weak = Arc::downgrade(serving);
    serving.store.listen(move || {
        let here = weak.upgrade();
        async move {
            if let Some(serving) = here {
                catch_up(&serving).await;
            }
        }
    });
}

/// Exchanges the edition if anything has changed up to now.
pub async fn catch_up(serving: &Arc<Serving>) {
    let of = serving.clone();
    // On a thread that serves it would hold up those who are served there.
    if let Err(error) = serving.home.spawn(async move { follow_notes(&of).await }).await {
        tracing::error!("the next edition was not made: {error}");
    }
}

async fn follow_notes(serving: &Arc<Serving>) {
    let mut seen = serving.editions.seen.lock().await;
    let notes = match serving.store.recent_changes().await {
        Ok(notes) => notes,
        Err(error) => {
            tracing::warn!("changes can't be read: {error}");
            // Not knowing what changed, nothing is kept.
            serving.known.forget_all();
            serving.found.forget_all();
            serving.editions.exchange(Edition::default(), &BTreeSet::new());
            return;
        }
    };
    let fresh: Vec<Changed> =
        notes.iter().filter(|(id, _)| !seen.contains(id)).map(|(_, changed)| *changed).collect();
    if !fresh.is_empty() {
        follow(serving, &fresh).await;
        *seen = notes.into_iter().map(|(id, _)| id).collect();
    }
}

async fn follow(serving: &Arc<Serving>, changes: &[Changed]) {
    let changed = ChangedProducts::of(changes);
    match changed.all {
        true => {
            serving.known.forget_all();
            serving.found.forget_all();
        }
        false => {
            serving.known.forget(&changed.named);
            serving.found.forget(&changed.named);
        }
    }
    let now = serving.editions.current();
    let products_only = changes.iter().all(|changed| matches!(changed, Changed::Product(_)));
    let next = match products_only {
        true => Edition { pages: now.pages.clone(), small: now.small.clone(), ..Edition::default() },
        false => Edition::default(),
    };
    let read = async {
        next.live(serving).await?;
        if !changed.all {
            next.show_after(serving, &now, &changed.named, products_only).await?;
        }
        match products_only {
            true => next.list_after(serving, &now, &changed.named).await?,
            false => prepare(serving, &now.pages, &next, &changed).await?,
        }
        ApiResult::Ok(())
    };
    if let Err(error) = read.await {
        tracing::warn!("pages can't be made beforehand: {error}");
    }
    // Pages made anew are made of what was read anew.
    let outdated = if products_only { changed.named } else { BTreeSet::new() };
    serving.editions.exchange(next, &outdated);
    // Thousands of pages are given back where nobody waits for it.
    let giving_back = serving.clone();
    tokio::spawn(async move { giving_back.aside.run(move || drop(now)).await });
}

/// Products that are to be read anew.
struct ChangedProducts {
    all: bool,
    named: BTreeSet<ProductId>,
}

impl ChangedProducts {
    fn of(changes: &[Changed]) -> Self {
        let named = changes.iter().filter_map(|changed| match changed {
            Changed::Product(product) => Some(*product),
            Changed::Looks | Changed::Everything => None,
        });
        Self { all: changes.contains(&Changed::Everything), named: named.collect() }
    }

    fn have_any_of(&self, known: &Known) -> bool {
        self.all || known.has_any_of(&self.named)
    }
}

/// Makes the pages of the next edition that are asked for most, one after another, so that who is served meanwhile
/// doesn't feel it.
async fn prepare(
    serving: &Arc<Serving>,
    now: &Pages,
    next: &Edition,
    changed: &ChangedProducts,
) -> ApiResult<()> {
    let (everywhere, live) = (next.everywhere(serving).await?, next.live(serving).await?);
    let until = Instant::now() + serving.prepare;
    for (asked, as_it_was, sent) in now.much_visited() {
        if Instant::now() > until {
            break;
        }
        let read = match changed.have_any_of(&as_it_was) {
            true => known_at(serving, &asked.address).await,
            false => Ok(Found::Here(as_it_was)),
        };
        // A product may be gone, stand elsewhere or be without a page.
        let Ok(Found::Here(known)) = read else { continue };
        let laid = lay(serving, everywhere, live, &known.product, &asked);
        let Some(laid) = laid.ok().filter(Laid::is_common) else { continue };
        let Ok(around) = laid.around(serving, &known).await else { continue };
        let made = serving.aside.run(move || {
            let page = laid.draw(&known, &around, Mode::Shop).ok()?;
            let ready = Ready::new(page, laid.made_of(&known, around), sent / 2);
            Some((asked, Arc::new(ready.at(Some(known.product.path())))))
        });
        if let Some((asked, page)) = made.await.flatten() {
            next.pages.keep(asked, page);
        }
    }
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::config::{Config, Pace};
    use crate::demo_data::fill_if_empty;
    use crate::media::Media;
    use crate::routes::shop::product::show;
    use crate::serving::edition::listed;
    use crate::serving::edition::live::{AllListed, Listed};
    use crate::serving::edition::on_show::OnShow;
    use crate::serving::edition::pages::Asked;
    use crate::state::State;
    use actix_web::App;
    use actix_web::test::{TestRequest, call_and_read_body, init_service};
    use actix_web::web::Data;
    use compagina_core::ids::{Handle, TemplateId};
    use compagina_core::listing::OwnListing;
    use compagina_core::price::Prices;
    use compagina_core::template::Reach;
    use compagina_core::wording::Language;
    use compagina_storage::Store;
    use sqlx::MySqlPool;
    use std::path::PathBuf;

    async fn demo(pool: MySqlPool) -> Data<State> {
        let top = PathBuf::from(concat!(env!("CARGO_MANIFEST_DIR"), "/../.."));
        let kept =
            std::env::var_os("COMPAGINA_TEST_MEDIA").map_or(top.join("target/test-media"), PathBuf::from);
        let (store, media) = (Store::from_pool(pool).await.unwrap(), Media::open(&kept).unwrap());
        fill_if_empty(&store, &media, 0).await.unwrap();
        let config = Config {
            port: 0,
            database: String::new(),
            media: kept,
            web: top.join("web/dist"),
            shop: top.join("shop/dist"),
            drawer: None,
            pace: Pace::unhurried(),
            demo: true,
            products: 0,
        };
        let state = Data::new(State::new(store, media, &config).unwrap());
        catch_up(&state.serving).await;
        follow_writes(&state.serving);
        state
    }

    fn asked(address: &str) -> Asked {
        Asked { language: Language::default(), address: address.into(), query: String::new() }
    }

    #[sqlx::test(migrations = false)]
    async fn what_is_asked_for_is_made_anew_before_the_exchange_and_changed_products_are_read_anew(
        pool: MySqlPool,
    ) {
        let state = demo(pool.clone()).await;
        let shop = init_service(App::new().app_data(state.clone()).service(show)).await;
        let visit = async |handle: &str| {
            let request = TestRequest::get().uri(&format!("/shop/products/{handle}")).to_request();
            String::from_utf8(call_and_read_body(&shop, request).await.to_vec()).unwrap()
        };
        for handle in ["whimbrel", "dunlin", "whimbrel", "dunlin", "whimbrel"] {
            assert!(visit(handle).await.contains("Marram &amp; Gale"));
        }
        // Nobody has noted these: they are seen with what is read anew.
        for unseen in ["UPDATE shop SET name = 'Sea & Sand'", "UPDATE product SET name = CONCAT(name, ' II')"]
        {
            sqlx::query(unseen).execute(&pool).await.unwrap();
        }
        // As if many others had been looked at since.
        state.known.forget_all();
        let arrangement = state.store.arrangement_revision().await.unwrap();
        state.store.set_template(TemplateId(2), arrangement, "Kites", &Reach::fallback()).await.unwrap();
        let current = state.editions.current();
        let [whimbrel, dunlin] = ["whimbrel", "dunlin"].map(|handle| current.ready(&asked(handle)));
        let body = whimbrel.expect("many ask for it").body.clone();
        let page = std::str::from_utf8(&body).unwrap();
        assert!(
            page.contains("Sea &amp; Sand") && !page.contains("Whimbrel II"),
            "products are as they were"
        );
        assert!(dunlin.is_none(), "few do");

        let whimbrel = Handle::try_from("whimbrel").unwrap();
        let product = state.store.product(&whimbrel).await.unwrap().unwrap();
        let dearer = compagina_core::money::Money { minor: product.price.minor + 1, ..product.price };
        state.store.by(compagina_storage::By::default()).set_price(product.id, dearer).await.unwrap();
        assert!(state.editions.current().ready(&asked("whimbrel")).is_none());
        for _ in 0..4 {
            assert!(visit("whimbrel").await.contains("Whimbrel II"));
        }

        // Both at once: it is there anew, made of what was read anew.
        let named = "UPDATE product SET name = 'Whimbrel III' WHERE handle = 'whimbrel'";
        sqlx::query(named).execute(&pool).await.unwrap();
        // As another process would, between two looks at the notes.
        sqlx::query("INSERT INTO change_note (product_id, goods) VALUES (?, TRUE), (NULL, FALSE)")
            .bind(product.id.0)
            .execute(&pool)
            .await
            .unwrap();
        catch_up(&state.serving).await;
        let body = state.editions.current().ready(&asked("whimbrel")).expect("many ask for it").body.clone();
        assert!(std::str::from_utf8(&body).unwrap().contains("Whimbrel III"));
    }

    #[sqlx::test(migrations = false)]
    async fn the_list_of_all_products_goes_on_with_what_changed_and_is_as_if_it_were_read_anew(
        pool: MySqlPool,
    ) {
        let state = demo(pool).await;
        let (store, nobody) = (&state.store, state.store.by(compagina_storage::By::default()));
        let told = |all: &AllListed| -> Vec<String> {
            let line = |one: &Arc<Listed>| {
                let Listed { name, state, standing, variants, facts, .. } = one.as_ref();
                format!("{name} {state:?} {standing:?} {variants} {facts:?}")
            };
            all.iter().map(line).collect()
        };
        let first = listed(&state).await.unwrap();
        let ids: Vec<ProductId> = first.iter().map(|one| one.id).collect();
        let shown = |on_show: &OnShow, prices: &Prices| {
            format!("{:?}", on_show.facts(prices, &OwnListing::default(), |_| true))
        };
        let is_as_if_read_anew = async |what: &str| {
            let gone_on = listed(&state).await.unwrap();
            let edition = state.editions.current();
            let anew = edition.live(&state).await.unwrap().listed(store).await.unwrap();
            assert_eq!(told(&gone_on), told(&anew), "{what}");
            // What listings choose among goes on in the same way.
            let prices = edition.everywhere(&state).await.unwrap().prices.at(crate::clock::now());
            let on_show = edition.on_show(&state).await.unwrap();
            let read = OnShow::read(store, &anew, &prices).await.unwrap();
            assert_eq!(shown(on_show, &prices), shown(&read, &prices), "{what}");
            gone_on
        };
        is_as_if_read_anew("at first").await;
        assert!(ids.len() > 5);
        let product = store.product(&first[1].facts.handle).await.unwrap().unwrap();
        let dearer = compagina_core::money::Money { minor: product.price.minor + 1, ..product.price };
        nobody.set_price(product.id, dearer).await.unwrap();
        let after = is_as_if_read_anew("a price").await;
        assert_ne!(told(&after), told(&first));
        assert!(Arc::ptr_eq(&after[0], &first[0]), "nothing of others is read");
        nobody.place_product(ids[2], None).await.unwrap();
        is_as_if_read_anew("another place").await;
        let other_type = store.types().await.unwrap().into_iter().map(|kind| kind.id).next_back().unwrap();
        nobody.move_product(ids[0], other_type).await.unwrap();
        is_as_if_read_anew("another type").await;
        nobody.remove_product(ids[3]).await.unwrap();
        assert_eq!(is_as_if_read_anew("a removal").await.len(), ids.len() - 1);
        nobody.undo(compagina_core::catalog::journal::Subject::Shelf).await.unwrap();
        assert_eq!(is_as_if_read_anew("one that came back").await.len(), ids.len());
    }
}
