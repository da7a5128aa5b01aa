use crate::error::{ApiError, ApiResult};
use crate::serving::edition::{listed, live};
use crate::session::Caller;
use crate::state::State;
use actix_web::get;
use actix_web::web::{Data, Json, Path};
use compagina_core::ids::{Handle, TemplateId};
use compagina_core::page::{Departure, Device, Kind, Layout, SetValue, Setting, Shape, Target, Whom, piece};
use compagina_core::style::Chain;
use serde::Serialize;
use std::collections::BTreeMap;
use utoipa::ToSchema;

/// Letters of a text that are shown of a value.
const MOST_LETTERS: usize = 60;

/// One value that a product or a type keeps different from the template.
#[derive(Serialize, ToSchema)]
pub struct DepartureView {
    whom: Whom,
    /// The product's or the type's name.
    name: String,
    target: Target,
    /// What the piece is called; a band is a band.
    piece: &'static str,
    kind: Option<Kind>,
    setting: String,
    label: String,
    device: Device,
    value: SetValue,
    /// The value in words, and the template's own.
    says: String,
    template_says: String,
    /// Whether its piece is gone from the template.
    lost: bool,
    /// Whether the template serves the product, or some product of the type, now.
    served: bool,
}

/// Everything that single products and types keep different from a template's draft.
#[utoipa::path(operation_id = "list_departures", responses((status = 200, body = Vec<DepartureView>), (status = 404, body = ApiError)))]
#[get("/templates/{id}/departures")]
pub async fn list(state: Data<State>, _caller: Caller, id: Path<u64>) -> ApiResult<Json<Vec<DepartureView>>> {
    let template = state.store.template(TemplateId(*id)).await?;
    let known = Known::new(&state, template.id).await?;
    let views = template.draft.departures.iter().flat_map(|one| views(&template.draft, one, &known));
    Ok(Json(views.collect()))
}

/// What is known of products and types by their handles: name, and whether the template serves them.
struct Known {
    types: BTreeMap<Handle, (String, bool)>,
    products: BTreeMap<Handle, (String, bool)>,
}

impl Known {
    async fn new(state: &State, id: TemplateId) -> ApiResult<Self> {
        let (live, listed) = (live(state).await?, listed(state).await?);
        let index = live.index();
        let names = state.store.types().await?.into_iter().map(|t| (t.kind.handle, (t.kind.name, false)));
        let mut types: BTreeMap<_, _> = names.collect();
        let mut products = BTreeMap::new();
        for one in listed.iter() {
            let served = index.winner(&one.facts) == Some(id);
            products.insert(one.facts.handle.clone(), (one.name.clone(), served));
            if let Some((_, some)) = types.get_mut(&one.facts.kind).filter(|_| served) {
                *some = true;
            }
        }
        Ok(Self { types, products })
    }

    /// A product that is gone is told by its handle.
    fn of(&self, whom: &Whom) -> (String, bool) {
        let (map, handle) = match whom {
            Whom::Type(handle) => (&self.types, handle),
            Whom::Product(handle) => (&self.products, handle),
        };
        map.get(handle).cloned().unwrap_or_else(|| (handle.to_string(), false))
    }
}

fn views(template: &Layout, one: &Departure, known: &Known) -> Vec<DepartureView> {
    let settings = one.kind.map_or(piece::band::SETTINGS, Kind::settings);
    let lost = !template.bears(one);
    let (name, served) = known.of(&one.whom);
    let mut all = Vec::with_capacity(one.values.len());
    for device in Device::ALL {
        for (key, value) in one.values.of(device) {
            let setting = settings.iter().find(|setting| setting.key == key);
            let under = template.values_of(&one.target).filter(|_| !lost).zip(setting);
            let under = under.map(|((values, _), s)| say(s, &Chain::of_template(values).value(s, device)));
            all.push(DepartureView {
                whom: one.whom.clone(),
                name: name.clone(),
                target: one.target.clone(),
                piece: one.kind.map_or("Band", Kind::label),
                kind: one.kind,
                setting: key.clone(),
                label: setting.map_or_else(|| key.clone(), |s| s.label.to_owned()),
                device,
                says: setting.map_or_else(String::new, |s| say(s, value)),
                value: value.clone(),
                template_says: under.unwrap_or_default(),
                lost,
                served,
            });
        }
    }
    all
}

/// A value in an owner's words.
fn say(setting: &Setting, value: &SetValue) -> String {
    let many = |count: usize| if count == 1 { "1 entry".to_owned() } else { format!("{count} entries") };
    match (setting.shape, value) {
        (Shape::Choice(names), SetValue::Text(name)) => names
            .iter()
            .find(|(key, _)| key == name)
            .map_or_else(|| name.clone(), |(_, label)| (*label).into()),
        (Shape::Steps(steps), SetValue::Number(number)) => {
            let step = steps.iter().find(|(key, _)| key == number);
            step.map_or_else(|| number.to_string(), |(_, label)| (*label).to_owned())
        }
        (Shape::Pictures { .. } | Shape::Film, SetValue::Text(text)) if !text.is_empty() => {
            "a picture".into()
        }
        (Shape::Rich { .. }, SetValue::Text(_)) => "a text of its own".into(),
        (_, SetValue::Text(text)) if text.is_empty() => "nothing".into(),
        (_, SetValue::Text(text)) if text.chars().count() > MOST_LETTERS => {
            format!("“{}…”", text.chars().take(MOST_LETTERS).collect::<String>())
        }
        (_, SetValue::Text(text)) => format!("“{text}”"),
        (_, SetValue::Flag(flag)) => if *flag { "yes" } else { "no" }.into(),
        (_, SetValue::Number(number)) => number.to_string(),
        (_, SetValue::Lines(lines)) => many(lines.len()),
        (_, SetValue::Rows(rows)) => many(rows.len()),
        (_, SetValue::Rule(_)) => "a condition".into(),
    }
}
