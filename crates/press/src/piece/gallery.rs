use crate::ctx::{Ctx, Styled};
use compagina_core::media::Picture;
use compagina_core::page::Device;
use compagina_core::page::piece::gallery::{FOLLOW, Follow, ROUND, SHAPE, Shape, THUMBNAILS, Thumbnails};
use compagina_core::wording::Arg;
use maud::{Markup, html};

/// Slides stand in the order in which the choice shows them; those of other choices follow, hidden.
pub(super) fn draw(ctx: &Ctx<'_>, styled: &Styled<'_>) -> Option<Markup> {
    let pictures = &ctx.product.pictures;
    let follow = styled.choice::<Follow>(&FOLLOW, Device::Wide) != Some(Follow::All);
    let shown = &ctx.offer.pictures;
    let rest = (0..pictures.len()).filter(|i| !shown.contains(i));
    let order: Vec<usize> = shown.iter().copied().chain(rest).collect();
    let is_hidden = |place: usize| follow && place >= shown.len();
    let id = styled.id();
    let many = pictures.len() > 1;
    Some(html! {
        div.gallery data-gallery data-follow[follow] {
            ul.slides tabindex=[many.then_some("0")] aria-label=(ctx.say("pictures")) {
                @for (place, index) in order.iter().enumerate() {
                    li id={ "m-" (id) "-" (index) } data-picture=(index) hidden[is_hidden(place)] style={ "order:" (place) } {
                        (img(&pictures[*index], "(max-width:640px) 100vw, 640px", place > 0))
                    }
                }
            }
            @if many {
                ul.thumbs {
                    @for (place, index) in order.iter().enumerate() {
                        li data-picture=(index) hidden[is_hidden(place)] style={ "order:" (place) } {
                            a href={ "#m-" (id) "-" (index) } aria-label=(picture_number(ctx, place + 1, &pictures[*index].alt)) aria-current=[(place == 0).then_some("true")] {
                                (thumb(&pictures[*index]))
                            }
                        }
                    }
                }
            }
        }
    })
}

fn picture_number(ctx: &Ctx<'_>, number: usize, shows: &str) -> String {
    let number = Arg::Number(u32::try_from(number).unwrap_or(0));
    ctx.say_with("picture-number", &[("number", number), ("shows", Arg::Text(shows))])
}

pub(super) fn css(root: &str, styled: &Styled<'_>, device: Device) -> String {
    let frame = match styled.choice::<Shape>(&SHAPE, device) {
        Some(Shape::Tall) => "4/5",
        Some(Shape::Wide) => "4/3",
        _ => "1/1",
    };
    let thumbs = match styled.choice::<Thumbnails>(&THUMBNAILS, device) {
        Some(Thumbnails::Left) => {
            format!(
                "{root} .gallery{{grid-template-columns:64px minmax(0,1fr)}}{root} .gallery:not(:has(.thumbs)){{grid-template-columns:minmax(0,1fr)}}{root} .slides{{grid-column:-2}}{root} .thumbs{{grid-row:1;flex-direction:column;max-height:100%;overflow:auto}}"
            )
        }
        Some(Thumbnails::None) => format!("{root} .thumbs{{display:none}}"),
        _ => format!("{root} .thumbs{{flex-flow:row nowrap;overflow-x:auto}}"),
    };
    let corner = if styled.chain.flag(&ROUND, device) { "" } else { ";--corner:0px" };
    format!("{root}{{--frame:{frame}{corner}}}{thumbs}")
}

/// A picture in the sizes in which it is kept.
pub(crate) fn img(picture: &Picture, sizes: &str, later: bool) -> Markup {
    let srcset: Vec<String> =
        picture.sizes.iter().map(|s| format!("/media/{} {}w", s.hash, s.width)).collect();
    let whole = picture.at_least(720);
    html! {
        @if let Some(size) = whole {
            img src={ "/media/" (size.hash) } srcset=(srcset.join(", ")) sizes=(sizes) width=(size.width) height=(size.height)
                alt=(picture.alt) loading=[later.then_some("lazy")] fetchpriority=[(!later).then_some("high")] decoding="async";
        }
    }
}

pub(crate) fn thumb(picture: &Picture) -> Markup {
    html! {
        @if let Some(size) = picture.at_least(64) {
            img src={ "/media/" (size.hash) } width="64" height="64" alt="" loading="lazy" decoding="async";
        }
    }
}
