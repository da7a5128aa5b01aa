use super::{MOST_AT_ONCE, Op, OpError, apply, check};
use crate::page::{FORMAT, Frame, Layout};

pub(super) fn set_frame(layout: &mut Layout, frame: Frame) -> Op {
    Op::SetFrame { frame: std::mem::replace(&mut layout.frame, frame) }
}

/// Tried on a copy first, so that a refusal half way leaves nothing behind.
pub(super) fn many(layout: &mut Layout, ops: Vec<Op>) -> Result<Op, OpError> {
    if ops.len() > MOST_AT_ONCE || ops.iter().any(|op| matches!(op, Op::Many { .. })) {
        return Err(OpError::TooManyAtOnce);
    }
    let mut tried = layout.clone();
    let mut back = Vec::with_capacity(ops.len());
    for op in ops {
        match apply(&mut tried, op)? {
            // Taking some of them back takes several.
            Op::Many { ops } => back.extend(ops.into_iter().rev()),
            one => back.push(one),
        }
    }
    if back.len() > MOST_AT_ONCE {
        return Err(OpError::TooManyAtOnce);
    }
    *layout = tried;
    back.reverse();
    Ok(Op::Many { ops: back })
}

pub(super) fn lay(layout: &mut Layout, next: Layout) -> Result<Op, OpError> {
    if next.format != FORMAT {
        return Err(OpError::BadFormat { given: next.format });
    }
    if next.purpose != layout.purpose {
        return Err(OpError::OtherPurpose { given: next.purpose, here: layout.purpose });
    }
    check(&next)?;
    Ok(Op::Lay { layout: std::mem::replace(layout, next) })
}
