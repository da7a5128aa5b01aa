//! Products that belong together: joined, changed, let go, taken back.

use crate::common::{handle, kite, shop};
use compagina_core::catalog::journal::{SiblingRow, SiblingsRow, Subject};
use compagina_core::catalog::{NewProduct, Product, Standing};
use compagina_core::ids::ProductId;
use compagina_core::swatch::{Colour, Palette, Swatch, SwatchSource};
use compagina_storage::{By, Changed, StorageError, Store};
use sqlx::MySqlPool;

async fn product(store: &Store, name: &str) -> Product {
    store.product(&handle(name)).await.unwrap().unwrap()
}

/// The shop with two more kites like the first.
async fn three(pool: MySqlPool) -> (Store, [ProductId; 3]) {
    let store = shop(pool).await;
    for name in ["dunlin", "godwit"] {
        let mut other = NewProduct { handle: handle(name), name: name.into(), ..kite() };
        other.variants.iter_mut().for_each(|one| one.sku = format!("{name}-{}", one.sku));
        store.by(By::default()).add_product(&other).await.unwrap();
    }
    let mut ids = [ProductId(0); 3];
    for (id, name) in ids.iter_mut().zip(["whimbrel", "dunlin", "godwit"]) {
        *id = product(&store, name).await.id;
    }
    (store, ids)
}

fn set(name: &str, members: &[(ProductId, &str)]) -> SiblingsRow {
    let member = |(product, label): &(ProductId, &str)| SiblingRow {
        product: *product,
        label: (*label).to_owned(),
        swatch: None,
    };
    SiblingsRow { name: name.into(), one_card: false, members: members.iter().map(member).collect() }
}

fn told(product: &Product) -> Vec<String> {
    let line = |set: &compagina_core::catalog::Siblings| {
        let labels: Vec<&str> = set.members.iter().map(|one| one.label.as_str()).collect();
        format!("{}: {}", set.name, labels.join(", "))
    };
    product.siblings.iter().map(line).collect()
}

#[sqlx::test(migrations = false)]
async fn a_sibling_shows_what_was_chosen_or_what_its_label_leads_to(pool: MySqlPool) {
    let (store, [a, b, c]) = three(pool.clone()).await;
    let nobody = store.by(By::default());
    nobody.set_palette(&Palette::read("Ember #D7512B\nSlate #5B6670").unwrap()).await.unwrap();
    let mut wanted = set("  Kind ", &[(a, "ember"), (c, " Slate  grey "), (b, "Slate")]);
    wanted.members[1].swatch = Some(Swatch::Text);
    nobody.make_siblings(wanted).await.unwrap();
    let whimbrel = product(&store, "whimbrel").await;
    assert_eq!(told(&whimbrel), ["Kind: ember, Slate grey, Slate"]);
    let members = &whimbrel.siblings[0].members;
    let of = |at: usize| (members[at].swatch.clone(), members[at].from);
    let colour = |text: &str| Swatch::of_colour(Colour::try_from(text).unwrap());
    assert_eq!(of(0), (colour("#D7512B"), SwatchSource::Palette), "the option’s value of that name has it");
    assert_eq!(of(1), (Swatch::Text, SwatchSource::Product));
    assert_eq!(of(2), (colour("#5B6670"), SwatchSource::Palette), "no value has this name");
    assert_eq!((members[0].standing, members[1].name.as_str()), (Standing::OnSale, "godwit"));
    assert_eq!(members[0].values[&handle("colour")].len(), 2);
    let shown = async || {
        let shown = store.siblings_shown(&[(a, "Slate".into()), (b, "Nothing".into())]).await.unwrap();
        shown.into_iter().map(|one| (one.swatch, one.from)).collect::<Vec<_>>()
    };
    let slate = (colour("#5B6670"), SwatchSource::Palette);
    assert_eq!(shown().await, [slate.clone(), (Swatch::Text, SwatchSource::Text)]);
    // A picture, and not what a film begins with.
    let film = r#"{"hash":"f","width":9,"height":9}"#;
    for (position, hash, film) in [(0, "a", Some(film)), (1, "b", None)] {
        let sizes = format!(r#"[{{"width":9,"height":9,"hash":"{}","bytes":9}}]"#, hash.repeat(64));
        let put = "INSERT INTO picture (product_id, position, alt, sizes, value_ids, film) VALUES (?, ?, '', ?, '[]', ?)";
        sqlx::query(put).bind(b.0).bind(position).bind(sizes).bind(film).execute(&pool).await.unwrap();
    }
    assert_eq!(shown().await, [slate, (Swatch::of_picture(&"b".repeat(64)), SwatchSource::Variant)]);
    let name = store.option_of_values(&["Ember", "chalk"]).await.unwrap();
    assert_eq!(name.as_deref(), Some("Colour"));
    assert_eq!(store.option_of_values(&["Ember", "Slate"]).await.unwrap(), None);
    let sets = store.sets_of(&[a, b]).await.unwrap();
    assert_eq!((sets[&a][0].1.as_str(), sets[&b][0].2), ("Kind", 3));
}

#[sqlx::test(migrations = false)]
async fn a_product_is_in_any_number_of_sets_but_in_one_of_a_name(pool: MySqlPool) {
    let (store, [a, b, c]) = three(pool).await;
    let nobody = store.by(By::default());
    let size = nobody.make_siblings(set("Size", &[(a, "Large"), (b, "Small")])).await.unwrap();
    nobody.make_siblings(set("Sail", &[(a, "Cut"), (c, "Whole")])).await.unwrap();
    assert_eq!(told(&product(&store, "whimbrel").await), ["Size: Large, Small", "Sail: Cut, Whole"]);
    let again = nobody.make_siblings(set("SIZE", &[(c, "Huge"), (b, "Small")])).await;
    let why = "“dunlin” stands in another set with the name “Size”; a product is in one set of a name";
    assert_eq!(again.unwrap_err().to_string(), why);
    let many = set("size", &[(a, "Large"), (b, "Small"), (c, "Huge")]);
    nobody.change_siblings(size, many).await.unwrap();
    assert_eq!(told(&product(&store, "godwit").await), ["size: Large, Small, Huge", "Sail: Cut, Whole"]);
    let alone = nobody.change_siblings(size, set("Size", &[(a, "Large")])).await;
    assert_eq!(alone.unwrap_err().to_string(), "a set needs two products at least");
    let gone = nobody.make_siblings(set("Kind", &[(a, "One"), (ProductId(999), "Other")])).await;
    assert!(matches!(gone, Err(StorageError::NotFound { .. })));
    nobody.part_siblings(size).await.unwrap();
    assert_eq!(told(&product(&store, "dunlin").await), Vec::<String>::new());
    assert!(matches!(nobody.part_siblings(size).await, Err(StorageError::NotFound { .. })));
}

#[sqlx::test(migrations = false)]
async fn steps_on_siblings_are_told_taken_back_and_seen_on_the_pages_of_all_of_them(pool: MySqlPool) {
    let (store, [a, b, c]) = three(pool).await;
    let nobody = store.by(By::default());
    let before = store.recent_changes().await.unwrap().len();
    let id = nobody.make_siblings(set("Size", &[(a, "Large"), (b, "Small")])).await.unwrap();
    nobody.change_siblings(id, set("Size", &[(a, "Large"), (c, "Small")])).await.unwrap();
    let changed: Vec<Changed> =
        store.recent_changes().await.unwrap().into_iter().skip(before).map(|(_, changed)| changed).collect();
    assert_eq!(changed, [a, b, a, b, c].map(Changed::Product), "those that leave a set, too");
    assert_eq!(nobody.undo(Subject::Shelf).await.unwrap(), "Siblings of “Size”");
    assert_eq!(told(&product(&store, "dunlin").await), ["Size: Large, Small"]);
    assert_eq!(nobody.undo(Subject::Product(b)).await.unwrap(), "Siblings “Size” made");
    assert_eq!(told(&product(&store, "dunlin").await), Vec::<String>::new());
    nobody.redo(Subject::Shelf).await.unwrap();
    nobody.redo(Subject::Shelf).await.unwrap();
    assert_eq!(told(&product(&store, "godwit").await), ["Size: Large, Small"]);

    // One that is taken away leaves its set; the last but one takes the set with it. Both come back.
    nobody.change_siblings(id, set("Size", &[(a, "Large"), (b, "Medium"), (c, "Small")])).await.unwrap();
    nobody.remove_product(b).await.unwrap();
    assert_eq!(told(&product(&store, "whimbrel").await), ["Size: Large, Small"]);
    nobody.remove_product(c).await.unwrap();
    assert_eq!(told(&product(&store, "whimbrel").await), Vec::<String>::new());
    nobody.undo(Subject::Shelf).await.unwrap();
    nobody.undo(Subject::Shelf).await.unwrap();
    assert_eq!(told(&product(&store, "dunlin").await), ["Size: Large, Medium, Small"]);
}
