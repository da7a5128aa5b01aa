//! Product types: with what serves them, from their first day to their last.

use crate::common::{handle, shop};
use compagina_core::catalog::{NewOption, ProductState, ProductType, Selling, TypeFields, Way};
use compagina_core::ids::TemplateId;
use compagina_core::page::{Column, Layout};
use compagina_core::template::Reach;
use compagina_storage::{Arrangement, By, ServedBy, StorageError, Store};
use sqlx::MySqlPool;

fn kind(name: &str) -> ProductType {
    ProductType { handle: handle(&name.to_lowercase()), name: name.into() }
}

async fn arranged(store: &Store, all: Vec<(TemplateId, Reach)>) -> Arrangement {
    Arrangement { revision: store.arrangement_revision().await.unwrap(), all }
}

/// The shop with a template that serves everything.
async fn served(pool: MySqlPool) -> (Store, TemplateId) {
    let store = shop(pool).await;
    let fallback = store.add_template("All", &Reach::fallback(), &Layout::default(), true).await.unwrap();
    (store, fallback)
}

async fn names(store: &Store) -> Vec<(String, u64)> {
    store.types().await.unwrap().into_iter().map(|row| (row.kind.name, row.products)).collect()
}

#[sqlx::test(migrations = false)]
async fn a_type_comes_with_a_template_of_its_own_or_with_another_arrangement(pool: MySqlPool) {
    let (store, fallback) = served(pool).await;
    let fields = TypeFields { facts: vec!["Length".into()], price_minor: 900, ..TypeFields::default() };
    let own = ServedBy::New {
        name: "Lines".into(),
        reach: Reach::types(vec![handle("lines")]),
        layout: Box::new(Layout::default()),
    };
    let made = store.add_type(&kind("Lines"), &fields, &own).await.unwrap().expect("a template was made");
    assert_eq!(names(&store).await, [("Sport kites".into(), 1), ("Lines".into(), 0)]);
    assert_eq!(store.types().await.unwrap()[1].fields, fields);
    let template = store.template(made).await.unwrap();
    assert_eq!((template.name.as_str(), template.published), ("Lines", None), "nobody sees it yet");
    assert_eq!(template.reach, Reach::types(vec![handle("lines")]));

    // One that there is serves it: the arrangement changes in the same step.
    let wider = Reach::types(vec![handle("lines"), handle("bags")]);
    let anew = arranged(&store, vec![(made, wider.clone()), (fallback, Reach::fallback())]).await;
    let none =
        store.add_type(&kind("Bags"), &TypeFields::default(), &ServedBy::Arranged(anew)).await.unwrap();
    assert_eq!(none, None);
    assert_eq!(store.template(made).await.unwrap().reach, wider);

    // Made on an old look at the arrangement it isn't made at all.
    let late = Arrangement { revision: 1, all: vec![(fallback, Reach::fallback())] };
    let refused = store.add_type(&kind("Reels"), &TypeFields::default(), &ServedBy::Arranged(late)).await;
    assert!(matches!(refused, Err(StorageError::Rearranged)), "{refused:?}");
    assert_eq!(names(&store).await.len(), 3);
    assert_eq!(store.template(made).await.unwrap().reach, wider);
}

#[sqlx::test(migrations = false)]
async fn a_type_whose_page_or_name_cant_be_leaves_nothing_behind(pool: MySqlPool) {
    let (store, _) = served(pool).await;
    let mut layout = Layout::default();
    let band = compagina_core::page::Band {
        id: "b".try_into().unwrap(),
        kept: None,
        values: compagina_core::page::Values::default(),
        columns: vec![Column { id: "c".try_into().unwrap(), width: 7, pieces: vec![] }],
    };
    layout.bands.push(band);
    let broken =
        ServedBy::New { name: "Lines".into(), reach: Reach::types(vec![]), layout: Box::new(layout) };
    let refused = store.add_type(&kind("Lines"), &TypeFields::default(), &broken).await;
    assert!(matches!(refused, Err(StorageError::Op(_))), "{refused:?}");
    let again = ProductType { handle: handle("sport-kites"), name: "Others".into() };
    let own = ServedBy::New { name: "Others".into(), reach: Reach::types(vec![]), layout: Box::default() };
    let taken = store.add_type(&again, &TypeFields::default(), &own).await;
    assert!(matches!(taken, Err(StorageError::Taken)), "{taken:?}");
    assert_eq!(names(&store).await, [("Sport kites".into(), 1)]);
    assert_eq!(store.template_names().await.unwrap().len(), 1);
}

#[sqlx::test(migrations = false)]
async fn a_type_with_products_stays_and_one_without_goes_with_its_reach(pool: MySqlPool) {
    let (store, fallback) = served(pool).await;
    let own = ServedBy::New {
        name: "Lines".into(),
        reach: Reach::types(vec![handle("lines")]),
        layout: Box::default(),
    };
    let made = store.add_type(&kind("Lines"), &TypeFields::default(), &own).await.unwrap().unwrap();
    let all = store.types().await.unwrap();
    let without = vec![(made, Reach::types(vec![])), (fallback, Reach::fallback())];
    let refused = store.remove_type(all[0].id, &arranged(&store, without.clone()).await).await;
    assert!(matches!(refused, Err(StorageError::NotFound { .. })), "{refused:?}");
    assert_eq!(store.template(made).await.unwrap().reach, Reach::types(vec![handle("lines")]));
    store.set_type(all[1].id, "Flying lines", &TypeFields::default()).await.unwrap();
    assert_eq!(names(&store).await[1], ("Flying lines".into(), 0));
    store.remove_type(all[1].id, &arranged(&store, without).await).await.unwrap();
    assert_eq!(names(&store).await, [("Sport kites".into(), 1)]);
    assert_eq!(store.template(made).await.unwrap().reach, Reach::types(vec![]));
}

#[sqlx::test(migrations = false)]
async fn shoppers_are_shown_types_in_which_they_find_something(pool: MySqlPool) {
    let (store, fallback) = served(pool).await;
    let arrangement = arranged(&store, vec![(fallback, Reach::fallback())]).await;
    store.add_type(&kind("Lines"), &TypeFields::default(), &ServedBy::Arranged(arrangement)).await.unwrap();
    let shown = async || {
        let types = store.types_on_show().await.unwrap();
        types.into_iter().map(|(_, kind)| kind.name).collect::<Vec<_>>()
    };
    assert_eq!(shown().await, ["Sport kites"]);
    for (state, seen) in [
        (ProductState::ComingSoon, true),
        (ProductState::Withdrawn, false),
        (ProductState::OnSale, true),
        (ProductState::New, false),
    ] {
        let kite = store.product(&handle("whimbrel")).await.unwrap().unwrap();
        let selling = Selling { state, ..kite.selling() };
        store.by(By::default()).set_selling(kite.id, &kite.selling(), &selling).await.unwrap();
        assert_eq!(!shown().await.is_empty(), seen, "{state:?}");
    }
}

#[sqlx::test(migrations = false)]
async fn options_that_a_type_names_are_taken_whole_in_its_order_and_missing_ones_left_out(pool: MySqlPool) {
    let (store, _) = served(pool).await;
    let values = ["Small", "Large"].map(|name| (name.to_owned(), None)).to_vec();
    let sail = NewOption { name: "Sail".into(), page: Way::List, card: Way::Nothing, values };
    store.by(By::default()).add_options(&[sail]).await.unwrap();
    let wanted = ["sail", "weave", "colour"].map(handle);
    let options = store.whole_options(&wanted).await.unwrap();
    let told: Vec<(&str, usize)> =
        options.iter().map(|option| (option.name.as_str(), option.values.len())).collect();
    assert_eq!(told, [("Sail", 2), ("Colour", 2)]);
    assert!(store.whole_options(&[]).await.unwrap().is_empty());
}
