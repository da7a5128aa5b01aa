//! The page of one product: the template, with what its type keeps different, then what it keeps itself.

use crate::ids::Handle;
use crate::page::{Device, Layout, Target, Values, Whom};
use crate::style::Level;

/// The template as one product has it. Without departures that bear on it this is the template.
#[must_use]
pub fn compose(template: &Layout, kind: &Handle, product: &Handle) -> Layout {
    let mut page = Layout {
        format: template.format,
        purpose: template.purpose,
        frame: template.frame,
        bands: template.bands.clone(),
        departures: vec![],
    };
    for whom in [Whom::Type(kind.clone()), Whom::Product(product.clone())] {
        for one in template.departures_of(&whom).iter().filter(|one| template.bears(one)) {
            if let Some(values) = page.values_mut(&one.target) {
                lay_over(values, &one.values);
            }
        }
    }
    page
}

/// Puts values further in over those further out. A value further in counts on narrower screens too, so it takes away
/// what was said further out for those.
pub(crate) fn lay_over(outer: &mut Values, inner: &Values) {
    for device in Device::ALL {
        for (key, value) in inner.of(device) {
            for other in Device::ALL.into_iter().filter(|other| other.and_wider().contains(&device)) {
                outer.of_mut(other).remove(key);
            }
            outer.of_mut(device).insert(key.clone(), value.clone());
        }
    }
}

/// The values of a piece or band on the levels that bear on one product, outermost first; for telling where a value comes
/// from. `upto` is the innermost level that is wanted.
pub fn levels<'a>(
    template: &'a Layout,
    target: &Target,
    (kind, product): (&Handle, &Handle),
    upto: Level,
) -> Vec<(Level, &'a Values)> {
    let own = template.values_of(target).map(|(values, _)| (Level::Template, values));
    let kept = [(Level::Type, Whom::Type(kind.clone())), (Level::Product, Whom::Product(product.clone()))];
    let kept = kept.into_iter().filter(|(level, _)| *level <= upto).filter_map(|(level, whom)| {
        let one = template.departure(&whom, target).filter(|one| template.bears(one))?;
        Some((level, &one.values))
    });
    own.into_iter().chain(kept).collect()
}
