use super::set::{check, owner};
use super::{MOST_DEPARTURES, Op, OpError};
use crate::page::{Device, Kind, Layout, SetValue, Setting, Target, Whom, piece};

pub(super) fn depart(
    layout: &mut Layout,
    whom: Whom,
    target: Target,
    (key, device, value): (String, Device, Option<SetValue>),
    kind: Option<Kind>,
) -> Result<Op, OpError> {
    let known = layout.departure(&whom, &target);
    let was = known.and_then(|one| one.kind);
    if known.is_none() && value.is_some() && layout.departures.len() >= MOST_DEPARTURES {
        return Err(OpError::TooManyDepartures);
    }
    check_value(layout, &target, &key, device, value.as_ref())?;
    let kind = kind.or_else(|| layout.kind_of(&target));
    let map = layout.departure_mut(&whom, &target, kind).of_mut(device);
    let before = match value {
        Some(value) => map.insert(key.clone(), value),
        None => map.remove(&key),
    };
    layout.drop_empty_departure(&whom, &target);
    Ok(Op::Depart { whom, target, setting: key, device, value: before, kind: was })
}

/// A value for a piece that is gone must fit some kind of piece: so it can be given up, and that be undone.
fn check_value(
    layout: &Layout,
    target: &Target,
    key: &str,
    device: Device,
    value: Option<&SetValue>,
) -> Result<(), OpError> {
    let label = owner(layout, target);
    if let Some((_, settings)) = layout.values_of(target) {
        return check(label, settings, key, device, value);
    }
    let fits = |settings: &'static [&'static Setting]| check(label, settings, key, device, value);
    let mut all = Kind::ALL.into_iter().map(Kind::settings).chain([piece::band::SETTINGS]);
    all.find_map(|settings| fits(settings).ok())
        .ok_or_else(|| OpError::NoSuchSetting { kind: label, setting: key.chars().take(60).collect() })
}

/// Checks the departures of a whole document: each sound, in their order, none empty or twice.
pub(super) fn check_all(layout: &Layout) -> Result<(), OpError> {
    let all = &layout.departures;
    if all.len() > MOST_DEPARTURES {
        return Err(OpError::TooManyDepartures);
    }
    let in_order = all.windows(2).all(|two| (&two[0].whom, &two[0].target) < (&two[1].whom, &two[1].target));
    if !in_order || all.iter().any(|one| one.values.is_empty()) {
        return Err(OpError::DeparturesInDisorder);
    }
    for one in all {
        for device in Device::ALL {
            for (key, value) in one.values.of(device) {
                check_value(layout, &one.target, key, device, Some(value))?;
            }
        }
    }
    Ok(())
}
