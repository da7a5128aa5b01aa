use super::{Op, OpError};
use crate::page::{Device, Layout, SetValue, Setting, Target, Values};

pub(super) fn set(
    layout: &mut Layout,
    target: Target,
    key: &str,
    device: Device,
    value: Option<SetValue>,
) -> Result<Op, OpError> {
    let (_, settings) = layout.values_of(&target).ok_or_else(|| missing(&target))?;
    check(owner(layout, &target), settings, key, device, value.as_ref())?;
    let map = layout.values_mut(&target).ok_or_else(|| missing(&target))?.of_mut(device);
    let before = match value {
        Some(value) => map.insert(key.to_owned(), value),
        None => map.remove(key),
    };
    Ok(Op::Set { target, setting: key.to_owned(), device, value: before })
}

fn missing(target: &Target) -> OpError {
    match target {
        Target::Piece(id) => OpError::NoSuchPiece(id.clone()),
        Target::Band(id) => OpError::NoSuchBand(id.clone()),
    }
}

pub(super) fn owner(layout: &Layout, target: &Target) -> &'static str {
    match target {
        Target::Piece(id) => layout.piece(id).map_or("A piece", |p| p.kind.label()),
        Target::Band(_) => "Band",
    }
}

pub(super) fn check(
    kind: &'static str,
    settings: &'static [&'static Setting],
    key: &str,
    device: Device,
    value: Option<&SetValue>,
) -> Result<(), OpError> {
    let setting = settings
        .iter()
        .find(|s| s.key == key)
        .ok_or_else(|| OpError::NoSuchSetting { kind, setting: key.chars().take(60).collect() })?;
    if device != Device::Wide && !setting.per_device {
        return Err(OpError::NotPerDevice { setting: setting.label });
    }
    if let Some(value) = value {
        setting.check(value)?;
    }
    Ok(())
}

/// Checks a value that comes from outside.
pub(crate) fn check_one(
    kind: &'static str,
    settings: &'static [&'static Setting],
    key: &str,
    device: Device,
    value: &SetValue,
) -> Result<(), OpError> {
    check(kind, settings, key, device, Some(value))
}

/// Checks all the values that a piece or a band brings along.
pub(super) fn check_values(
    kind: &'static str,
    settings: &'static [&'static Setting],
    values: &Values,
) -> Result<(), OpError> {
    for device in Device::ALL {
        for (key, value) in values.of(device) {
            check(kind, settings, key, device, Some(value))?;
        }
    }
    Ok(())
}
