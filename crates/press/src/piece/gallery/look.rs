//! What a gallery's settings come to on a screen. What all galleries share stands in the shop's `gallery.css`.

use super::frame::{crops, form, ratio_of};
use crate::ctx::Styled;
use compagina_core::page::Device;
use compagina_core::page::piece::gallery::{
    ARROW_LOOK, ARROWS, ARROWS_AT, ArrowLook, Arrows, ArrowsAt, FIT, Fit, Flow, Form, GROUND, Ground, HEIGHT,
    Height, MARK_AT, MarkAt, READING, ROUND, Reading, SHAPE, SHARE, Shape, THUMB_COUNT, THUMB_FLOW,
    THUMB_GAP, THUMB_SHAPE, THUMB_SHARE, THUMBNAILS, Thumbnails,
};
use std::fmt::Write;

pub(crate) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let mut css = properties(root, styled, device);
    css.push_str(&form_css(root, styled, device));
    if matches!(form(styled, device), Form::One | Form::Strip) {
        css.push_str(&thumbnails_css(root, styled, device));
        css.push_str(&arrows_css(root, styled, device));
    } else {
        let _ = write!(css, "{root} :is(.thumbs,.dots,.arrows,.rest){{display:none}}");
    }
    css.push_str(&mark_css(root, styled, device));
    css
}

pub(in crate::piece) fn ratio(shape: Option<Shape>, own: &str) -> String {
    ratio_of(shape).map_or(own.to_owned(), |(width, height)| format!("{width}/{height}"))
}

/// A property is worked out where it stands: those that take a picture's own stand on the pictures.
fn properties(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let own = if form(styled, device) == Form::One { "var(--tallest)" } else { "var(--own)" };
    let fit = if crops(styled, device) { "cover" } else { "contain" };
    let whole = styled.choice::<Fit>(&FIT, device) == Some(Fit::Whole);
    let small_fit = if whole { "contain" } else { "cover" };
    let ground = match styled.choice::<Ground>(&GROUND, device) {
        Some(Ground::Paper) => "var(--paper)",
        Some(Ground::Dark) => "var(--dark)",
        Some(Ground::Nothing) => "none",
        _ => "var(--tint)",
    };
    let corner =
        if styled.chain.flag(&ROUND, device) { String::new() } else { format!("{root}{{--corner:0px}}") };
    let name = match device {
        Device::Wide => "wide",
        Device::Tablet => "tablet",
        Device::Phone => "phone",
    };
    let direction = match styled.choice::<Reading>(&READING, device) {
        Some(Reading::FromRight) => "rtl",
        _ => "ltr",
    };
    format!(
        "{corner}{root} .gallery{{--fit:{fit};--small-fit:{small_fit};--ground:{ground};--share:{}%;--reading:{direction}}}{root} .slides,{root} .slide{{--frame:{}}}{root} [data-picture]{{--at:var(--at-{name});--small-at:var(--small-{name});--small:{}}}",
        styled.chain.number(&SHARE, device),
        ratio(styled.choice(&SHAPE, device), own),
        ratio(styled.choice(&THUMB_SHAPE, device), "var(--own)"),
    )
}

fn form_css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    match form(styled, device) {
        Form::One => {
            let own = styled.choice::<Shape>(&SHAPE, device) == Some(Shape::Own);
            if own && styled.choice::<Height>(&HEIGHT, device) == Some(Height::Each) {
                // The stage keeps the room of the tallest, so that nothing below it moves.
                return format!(
                    "{root} .stage{{aspect-ratio:var(--tallest)}}{root} .run{{align-items:flex-start}}{root} .slide>*{{aspect-ratio:var(--own);max-height:none}}"
                );
            }
            String::new()
        }
        Form::Strip => {
            let shape = if device == Device::Phone { "4/3" } else { "16/9" };
            format!(
                "{root} .slides{{aspect-ratio:{shape}}}{root} .run{{height:100%;gap:12px}}{root} .slide{{flex:none;height:100%}}{root} .slide>*{{width:auto;height:100%;border-radius:var(--corner)}}{root} .slides{{background:none}}"
            )
        }
        Form::Stack | Form::Mosaic => {
            let columns = if form(styled, device) == Form::Mosaic {
                format!(
                    "{root} .run{{grid-template-columns:repeat(2,minmax(0,1fr))}}{root} .slide:nth-child(3n+1 of :not([hidden])),{root} .slide:nth-child(3n+2 of :not([hidden])):nth-last-child(1 of :not([hidden])){{grid-column:1/-1}}"
                )
            } else {
                String::new()
            };
            format!(
                "{root} .slides{{overflow:visible;background:none}}{root} .run{{display:grid;gap:12px}}{root} .slide{{overflow:hidden;border-radius:var(--corner);background:var(--ground)}}{columns}"
            )
        }
    }
}

fn thumbnails_css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let number = |setting| styled.chain.number(setting, device);
    let (gap, count, share) = (number(&THUMB_GAP), number(&THUMB_COUNT), number(&THUMB_SHARE));
    let wraps = styled.choice::<Flow>(&THUMB_FLOW, device) == Some(Flow::Wrap);
    let here = styled.choice::<Thumbnails>(&THUMBNAILS, device).unwrap_or(Thumbnails::Left);
    let lists = match here {
        Thumbnails::Dots => format!("{root} .thumbs{{display:none}}"),
        Thumbnails::None => format!("{root} :is(.thumbs,.dots){{display:none}}"),
        _ => format!("{root} .dots{{display:none}}{root} .thumbs{{gap:{gap}px}}"),
    };
    let place = match here {
        Thumbnails::Left | Thumbnails::Right => {
            let (columns, at) = if here == Thumbnails::Left {
                (format!("{share}% minmax(0,1fr)"), 2)
            } else {
                (format!("minmax(0,1fr) {share}%"), 1)
            };
            // A line that slides is as long as the stage, whatever stands in it.
            let flow = if wraps { "" } else { "contain:size;overflow:hidden auto;" };
            format!(
                "{root} .gallery:not(.lone){{grid-template-columns:{columns}}}{root} .gallery:not(.lone) .stage{{grid-area:1/{at}}}{root} .thumbs{{{flow}grid-area:1/{};grid-auto-rows:min-content}}",
                3 - at
            )
        }
        Thumbnails::Above | Thumbnails::Under => {
            let above = if here == Thumbnails::Above { "order:-1;" } else { "" };
            let line = if wraps {
                format!("grid-template-columns:repeat({count},minmax(0,1fr))")
            } else {
                format!(
                    "grid-auto-flow:column;grid-auto-columns:calc((100% - {}px)/{count});overflow:auto hidden",
                    gap * (count - 1)
                )
            };
            format!("{root} .thumbs{{{above}{line}}}")
        }
        Thumbnails::Dots | Thumbnails::None => String::new(),
    };
    lists + &place
}

fn arrows_css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let shown = match styled.choice::<Arrows>(&ARROWS, device) {
        Some(Arrows::Never) => return format!("{root} .arrows{{display:none}}"),
        Some(Arrows::Hover) => format!(
            "@media (hover:hover){{{root} .arrows{{opacity:0}}{root} .stage:hover .arrows,{root} .arrows:focus-within{{opacity:1}}}}"
        ),
        _ => String::new(),
    };
    let place = match styled.choice::<ArrowsAt>(&ARROWS_AT, device) {
        Some(ArrowsAt::Corner) => format!("{root} .arrows{{align-items:flex-end;justify-content:flex-end}}"),
        Some(ArrowsAt::Below) => format!(
            "{root} .stage{{padding-bottom:56px;box-sizing:content-box}}{root} .arrows{{inset:100% 0 auto;justify-content:center;padding-block:8px 0}}"
        ),
        _ => String::new(),
    };
    let (ground, colour) = match styled.choice::<ArrowLook>(&ARROW_LOOK, device) {
        Some(ArrowLook::Dark) => ("var(--dark)", "var(--on-dark)"),
        Some(ArrowLook::Accent) => ("var(--accent)", "var(--paper)"),
        Some(ArrowLook::Bare) => ("none", "var(--ink)"),
        _ => ("var(--paper)", "var(--ink)"),
    };
    format!("{shown}{place}{root} .frame{{--disc:{ground};--arrow:{colour}}}")
}

fn mark_css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let place = match styled.choice::<MarkAt>(&MARK_AT, device) {
        Some(MarkAt::TopLeft) => "top:12px;left:12px",
        Some(MarkAt::TopRight) => "top:12px;right:12px",
        Some(MarkAt::BottomLeft) => "bottom:12px;left:12px",
        Some(MarkAt::BottomRight) => "bottom:12px;right:12px",
        _ => "display:none",
    };
    format!("{root} .marks{{{place}}}")
}
