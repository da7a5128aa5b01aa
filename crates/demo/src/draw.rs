//! Drawings of kites and what belongs to them, as SVG. Every scene takes the cloth's colours, so that each colour of
//! a product has pictures of its own.

use std::fmt::Write;

/// The colours of a cloth and what is derived from them.
#[derive(Clone, Copy)]
pub(crate) struct Cloth {
    pub main: &'static str,
    pub second: &'static str,
}

impl Cloth {
    pub fn of(colours: &'static [&'static str]) -> Self {
        let main = colours.first().copied().unwrap_or("#D7512B");
        Self { main, second: colours.get(1).copied().unwrap_or(main) }
    }
}

/// Mixes two `#RRGGBB` colours; `share` percent of the second.
fn mix(a: &str, b: &str, share: u32) -> String {
    let part = |c: &str, i: usize| u32::from_str_radix(c.get(i..i + 2).unwrap_or("80"), 16).unwrap_or(128);
    let both = |i| (part(a, i) * (100 - share) + part(b, i) * share) / 100;
    format!("#{:02X}{:02X}{:02X}", both(1), both(3), both(5))
}

fn darker(colour: &str) -> String {
    mix(colour, "#101820", 24)
}

fn lighter(colour: &str) -> String {
    mix(colour, "#FFFFFF", 30)
}

/// Numbers that look random and are always the same.
struct Scatter(u32);
impl Scatter {
    fn next(&mut self, most: u32) -> u32 {
        self.0 = self.0.wrapping_mul(1_664_525).wrapping_add(1_013_904_223);
        (self.0 >> 9) % most.max(1)
    }
}

fn svg(width: u32, height: u32, inner: &str) -> String {
    format!(
        r#"<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {height}" width="{width}" height="{height}">{inner}</svg>"#
    )
}

fn sky(width: u32, height: u32, seed: u32) -> String {
    let mut scatter = Scatter(seed);
    let ground = height * 82 / 100;
    let mut out = format!(
        r##"<defs><linearGradient id="sky" x2="0" y2="1"><stop offset="0" stop-color="#A9D0E4"/><stop offset=".75" stop-color="#E8F1F2"/><stop offset="1" stop-color="#F4EFE2"/></linearGradient></defs><rect width="{width}" height="{height}" fill="url(#sky)"/>"##
    );
    for _ in 0..4 {
        let (x, y, r) = (scatter.next(width), scatter.next(height / 2), 26 + scatter.next(34));
        for (dx, dy, part) in [(0, 0, 100), (r, 10, 78), (r * 2, 2, 60)] {
            let _ = write!(
                out,
                r##"<ellipse cx="{}" cy="{}" rx="{}" ry="{}" fill="#fff" opacity=".5"/>"##,
                x + dx,
                y + dy,
                r * part / 62,
                r * part / 180
            );
        }
    }
    let _ = write!(
        out,
        r##"<path d="M0 {a}Q{q} {b} {w2} {a}T{width} {c}V{height}H0Z" fill="#C9D3B4"/><path d="M0 {d}Q{w2} {c} {width} {d}V{height}H0Z" fill="#DCCFAE"/>"##,
        a = ground,
        q = width / 4,
        b = ground - 46,
        w2 = width / 2,
        c = ground - 14,
        d = ground + 34
    );
    let mut blade = 0;
    while blade < width {
        let (lean, tall) = (scatter.next(22), 16 + scatter.next(30));
        let _ = write!(
            out,
            r##"<path d="M{blade} {base}q{l} -{h} {l2} -{tall}" stroke="#8E9B62" stroke-width="2.4" fill="none"/>"##,
            base = ground + 24 + scatter.next(26),
            l = lean / 3,
            h = tall / 2,
            l2 = lean
        );
        blade += 7 + scatter.next(20);
    }
    out
}

/// A two-line sport kite about the origin, 240 wide.
fn sport(cloth: Cloth) -> String {
    let Cloth { main, second } = cloth;
    let (dark, centre) = (darker(main), if main == second { lighter(main) } else { second.to_owned() });
    format!(
        r##"<g><path d="M0-62 120 44 20 26 0 52Z" fill="{main}"/><path d="M0-62-120 44-20 26 0 52Z" fill="{dark}"/><path d="M0-62 20 26 0 52-20 26Z" fill="{centre}"/><path d="M60-9 120 44 68 35Z" fill="{centre}" opacity=".85"/><path d="M-60-9-120 44-68 35Z" fill="{centre}" opacity=".7"/><path d="M0-62V52M-120 44 0-8 120 44M0-62-120 44M0-62 120 44" stroke="#22303A" stroke-width="2" fill="none" stroke-linejoin="round"/><path d="M-74 3 0 52 74 3" stroke="#22303A" stroke-width="1" fill="none" opacity=".6"/></g>"##
    )
}

/// A single-line diamond about the origin, with a tail.
fn diamond(cloth: Cloth) -> String {
    let Cloth { main, second } = cloth;
    let (dark, pale) = (darker(main), if main == second { lighter(main) } else { second.to_owned() });
    let mut tail = String::new();
    for i in 0..6 {
        let (x, y) = (if i % 2 == 0 { 14 } else { -10 }, 104 + i * 26);
        let colour = if i % 2 == 0 { main } else { &pale };
        let _ = write!(
            tail,
            r##"<path d="M{x} {y}l16-8v16zM{x} {y}l-16-8v16z" fill="{colour}" stroke="#22303A" stroke-width=".8"/>"##
        );
    }
    format!(
        r##"<g><path d="M0-90 74-20 0 94-74-20Z" fill="{main}"/><path d="M0-90-74-20 0 94Z" fill="{dark}"/><path d="M0-90 74-20 0-20Z" fill="{pale}"/><path d="M0-90V94M-74-20H74M0-90 74-20 0 94-74-20Z" stroke="#22303A" stroke-width="2" fill="none" stroke-linejoin="round"/><path d="M0 94q22 30 2 62t8 62 -6 60" stroke="#22303A" stroke-width="1.4" fill="none"/>{tail}</g>"##
    )
}

#[derive(Clone, Copy, PartialEq)]
pub(crate) enum Make {
    Sport,
    Diamond,
}

fn kite(make: Make, cloth: Cloth) -> String {
    match make {
        Make::Sport => sport(cloth),
        Make::Diamond => diamond(cloth),
    }
}

/// In the air over the dunes.
pub(crate) fn flying(make: Make, cloth: Cloth, seed: u32) -> String {
    let (turn, scale) = if make == Make::Sport { (-14, 2.6) } else { (11, 2.0) };
    let lines = if make == Make::Sport {
        r##"<path d="M608 311C600 560 450 740 330 838M236 404C262 600 300 740 312 838" stroke="#22303A" stroke-width="1.6" fill="none"/>"##
    } else {
        r##"<path d="M428 344C470 560 400 740 320 838" stroke="#22303A" stroke-width="1.6" fill="none"/>"##
    };
    let body = format!(
        r#"{}{lines}<g transform="translate(420 350) rotate({turn}) scale({scale})">{}</g>"#,
        sky(840, 840, seed),
        kite(make, cloth)
    );
    svg(840, 840, &body)
}

/// Ripstop from close by, square.
pub(crate) fn cloth_square(cloth: Cloth) -> String {
    let Cloth { main, second } = cloth;
    let (dark, pale) = (darker(main), if main == second { lighter(main) } else { second.to_owned() });
    let mut threads = String::new();
    for i in 0..9 {
        let at = 12 + i * 28;
        let _ = write!(
            threads,
            r#"<path d="M0 {at}H240M{at} 0V240" stroke="{dark}" stroke-width="3" opacity=".55"/>"#
        );
    }
    svg(
        240,
        240,
        &format!(
            r#"<rect width="240" height="240" fill="{main}"/><path d="M0 240 240 0V240Z" fill="{pale}" opacity=".35"/>{threads}"#
        ),
    )
}

/// Where the cloth is in [`flying`], in thousandths.
pub(crate) fn sail_of(make: Make) -> (u16, u16) {
    if make == Make::Sport { (655, 400) } else { (549, 475) }
}

/// By itself, with nothing behind it.
pub(crate) fn cut_out(make: Make, cloth: Cloth) -> String {
    svg(900, 900, &format!(r#"<g transform="translate(450 450) scale(3.2)">{}</g>"#, kite(make, cloth)))
}

/// A long beach with a small kite far to the right.
pub(crate) fn beach(cloth: Cloth, seed: u32) -> String {
    let kite = diamond(cloth);
    svg(
        1600,
        600,
        &format!(
            r#"{}<g transform="translate(1310 210) rotate(16) scale(.8)">{kite}</g>"#,
            sky(1600, 600, seed)
        ),
    )
}

/// Flat on the sand, seen from above.
pub(crate) fn on_sand(make: Make, cloth: Cloth, seed: u32) -> String {
    let mut scatter = Scatter(seed);
    let mut grains = String::new();
    for _ in 0..420 {
        let (x, y, r) = (scatter.next(1000), scatter.next(750), 1 + scatter.next(3));
        let colour = ["#D9C7A0", "#EFE3C6", "#CDB98F"][scatter.next(3) as usize];
        let _ = write!(grains, r#"<circle cx="{x}" cy="{y}" r="{r}" fill="{colour}"/>"#);
    }
    for i in 0..5 {
        let y = 90 + i * 150;
        let _ = write!(
            grains,
            r##"<path d="M-20 {y}q140-34 280 0t280 0 280 0 280 0" stroke="#D6C49C" stroke-width="5" fill="none" opacity=".7"/>"##
        );
    }
    let scale = if make == Make::Sport { 3.3 } else { 2.1 };
    let y = if make == Make::Sport { 380 } else { 260 };
    let body = format!(
        r##"<rect width="1000" height="750" fill="#E6D7B4"/>{grains}<g transform="translate(512 {s}) scale({scale})" opacity=".22" style="filter:none">{shadow}</g><g transform="translate(500 {y}) scale({scale})">{kite}</g>"##,
        s = y + 12,
        shadow = silhouette(make),
        kite = kite(make, cloth)
    );
    svg(1000, 750, &body)
}

fn silhouette(make: Make) -> &'static str {
    match make {
        Make::Sport => r##"<path d="M0-62 120 44 20 26 0 52-20 26-120 44Z" fill="#3A2F18"/>"##,
        Make::Diamond => r##"<path d="M0-90 74-20 0 94-74-20Z" fill="#3A2F18"/>"##,
    }
}

/// A seam from close by.
pub(crate) fn seam(cloth: Cloth) -> String {
    let Cloth { main, second } = cloth;
    let (dark, other) = (darker(main), if main == second { lighter(main) } else { second.to_owned() });
    let mut weave = String::new();
    for i in 0..40 {
        let _ = write!(
            weave,
            r##"<path d="M0 {y}H800M{y} 0V1000" stroke="#101820" stroke-width="1" opacity=".07"/>"##,
            y = i * 25
        );
    }
    let body = format!(
        r##"<rect width="800" height="1000" fill="{main}"/><path d="M0 620 800 300V1000H0Z" fill="{other}"/>{weave}<path d="M0 596 800 276V344L0 664Z" fill="{dark}"/><path d="M0 610 800 290M0 650 800 330" stroke="#FDFBF6" stroke-width="5" stroke-dasharray="26 15" fill="none" stroke-linecap="round"/>"##
    );
    svg(800, 1000, &body)
}

/// Rolled up in its sleeve.
pub(crate) fn packed(cloth: Cloth) -> String {
    let Cloth { main, second } = cloth;
    let dark = darker(main);
    let body = format!(
        r##"<rect width="1000" height="750" fill="#E9E2D4"/><rect y="500" width="1000" height="250" fill="#D9CFBC"/><ellipse cx="500" cy="530" rx="420" ry="26" fill="#3A2F18" opacity=".18"/><g transform="rotate(-6 500 430)"><rect x="110" y="360" width="780" height="130" rx="60" fill="{main}"/><path d="M110 425h780a65 65 0 0 1-60 65H170a60 65 0 0 1-60-65Z" fill="{dark}" opacity=".55"/><rect x="270" y="352" width="34" height="146" rx="6" fill="{second}" stroke="#22303A" stroke-width="2"/><rect x="690" y="352" width="34" height="146" rx="6" fill="{second}" stroke="#22303A" stroke-width="2"/><path d="M880 380h70M880 425h90M880 470h70" stroke="#22303A" stroke-width="9" stroke-linecap="round"/><path d="M287 352c20-70 400-70 420 0" fill="none" stroke="#22303A" stroke-width="7"/></g>"##
    );
    svg(1000, 750, &body)
}

/// A reel of line.
pub(crate) fn reel(cloth: Cloth) -> String {
    let mut turns = String::new();
    for i in 0..17 {
        let y = 300 + i * 15;
        let _ = write!(
            turns,
            r##"<path d="M270 {y}q150 {bow} 300 0" stroke="{colour}" stroke-width="13" fill="none" stroke-linecap="round"/>"##,
            bow = 26,
            colour = if i % 2 == 0 { cloth.main.to_owned() } else { darker(cloth.main) }
        );
    }
    let body = format!(
        r##"<rect width="840" height="840" fill="#E4EBEA"/><rect y="640" width="840" height="200" fill="#CFD9D6"/><ellipse cx="420" cy="660" rx="240" ry="24" fill="#101820" opacity=".2"/><rect x="230" y="210" width="380" height="70" rx="20" fill="#C8A574"/><rect x="270" y="270" width="300" height="310" fill="#B08A57"/>{turns}<rect x="230" y="560" width="380" height="80" rx="20" fill="#B98F5B"/><path d="M570 520q90 40 70 120t40 110" stroke="{}" stroke-width="6" fill="none"/>"##,
        cloth.main
    );
    svg(840, 840, &body)
}

/// A hand winder with line on it.
pub(crate) fn winder(cloth: Cloth) -> String {
    let body = format!(
        r##"<rect width="840" height="840" fill="#EFE7D8"/><ellipse cx="430" cy="640" rx="280" ry="30" fill="#3A2F18" opacity=".16"/><g transform="rotate(-12 420 420)"><path d="M180 300h480q30 0 30 30v20q0 30-30 30h-40v100h40q30 0 30 30v20q0 30-30 30H180q-30 0-30-30v-20q0-30 30-30h40V380h-40q-30 0-30-30v-20q0-30 30-30Z" fill="#C79E66" stroke="#7E5E33" stroke-width="4"/><rect x="252" y="372" width="336" height="116" fill="{}"/><path d="M252 392h336M252 412h336M252 432h336M252 452h336M252 472h336" stroke="{}" stroke-width="5"/></g>"##,
        cloth.main,
        darker(cloth.main)
    );
    svg(840, 840, &body)
}

/// Spars, lying side by side.
pub(crate) fn spars(wrapped: bool) -> String {
    let mut out = String::from(r##"<rect width="1000" height="750" fill="#DDE4E4"/>"##);
    for i in 0..5 {
        let y = 150 + i * 105;
        let _ = write!(
            out,
            r##"<g transform="rotate(-9 500 375)"><rect x="60" y="{s}" width="880" height="{t}" rx="9" fill="#101820" opacity=".16"/><rect x="60" y="{y}" width="880" height="{t}" rx="{r}" fill="#22282C"/><rect x="60" y="{l}" width="880" height="4" fill="#5E6A70"/></g>"##,
            s = y + 14,
            t = 16 + i * 4,
            r = 8,
            l = y + 4
        );
        if wrapped {
            for x in (80..930).step_by(24) {
                let _ = write!(
                    out,
                    r##"<path transform="rotate(-9 500 375)" d="M{x} {y}l14 {t}" stroke="#7A878C" stroke-width="3"/>"##,
                    t = 16 + i * 4
                );
            }
        }
    }
    svg(1000, 750, &out)
}

/// A table set for sewing.
pub(crate) fn workshop(cloth: Cloth, second: Cloth) -> String {
    let body = format!(
        r##"<rect width="1000" height="750" fill="#E7E3D6"/><rect x="90" y="70" width="330" height="260" fill="#BFDCE8" stroke="#FFFDF8" stroke-width="16"/><path d="M90 270q90-50 170 0t160-8v68H90Z" fill="#C9D3B4"/><rect y="470" width="1000" height="280" fill="#C29B68"/><path d="M0 540H1000M0 620H1000M0 700H1000" stroke="#AA8250" stroke-width="3"/><path d="M80 520 520 500 600 690 40 710Z" fill="{a}"/><path d="M420 540 820 520 900 660 480 700Z" fill="{b}" opacity=".94"/><path d="M430 552 812 532" stroke="#FDFBF6" stroke-width="4" stroke-dasharray="16 10"/><g transform="translate(600 250)"><path d="M0 230V60q0-40 40-40h220q30 0 30 30v50h-56V80H70v150Z" fill="#22303A"/><rect x="-20" y="210" width="330" height="34" rx="8" fill="#1A242B"/><circle cx="286" cy="60" r="34" fill="#43525B"/><path d="M64 100v66" stroke="#C9CED0" stroke-width="6"/><rect x="170" y="-8" width="26" height="34" rx="5" fill="{a}"/></g><circle cx="250" cy="600" r="34" fill="none" stroke="#43525B" stroke-width="9"/><circle cx="316" cy="640" r="34" fill="none" stroke="#43525B" stroke-width="9"/><path d="M270 575 420 500M296 618 424 520" stroke="#C9CED0" stroke-width="11" stroke-linecap="round"/>"##,
        a = cloth.main,
        b = second.main
    );
    svg(1000, 750, &body)
}

/// A long banner on a pole over the beach.
pub(crate) fn banner(cloth: Cloth, seed: u32) -> String {
    let Cloth { main, second } = cloth;
    let edge = if main == second { darker(main) } else { second.to_owned() };
    let body = format!(
        r##"{sky}<path d="M250 900V120" stroke="#22303A" stroke-width="9" stroke-linecap="round"/><path d="M254 140c120-46 210 40 330-4s150-44 190-20c-26 70-12 150 8 214-110-34-150 40-270 30s-180-54-258-18Z" fill="{main}"/><path d="M254 322c78-36 138 8 258 18s160-64 270-30l3 20c-110-34-153 40-273 30s-180-54-258-18Z" fill="{edge}"/><path d="M254 140c120-46 210 40 330-4s150-44 190-20l-4 18c-40-24-70-22-190 20s-206-42-326 4Z" fill="{edge}"/><path d="M340 240c60-14 120 20 180 12M340 268c50-10 90 14 130 10" stroke="#FDFBF6" stroke-width="10" fill="none" stroke-linecap="round" opacity=".55"/>"##,
        sky = sky(900, 900, seed)
    );
    svg(900, 900, &body)
}

/// A tin, a folded cloth and a reel on a table.
pub(crate) fn care_kit(cloth: Cloth) -> String {
    let Cloth { main, .. } = cloth;
    let body = format!(
        r##"<rect width="840" height="840" fill="#ECE6DA"/><rect y="560" width="840" height="280" fill="#C9AE83"/><path d="M0 620H840M0 720H840" stroke="#B39468" stroke-width="3"/><ellipse cx="430" cy="690" rx="330" ry="30" fill="#3A2F18" opacity=".16"/><path d="M120 600 430 540 520 640 190 704Z" fill="{main}"/><path d="M120 600 430 540 446 560 140 622Z" fill="{light}"/><path d="M160 650 480 592" stroke="#FDFBF6" stroke-width="4" stroke-dasharray="16 10"/><ellipse cx="590" cy="640" rx="130" ry="44" fill="#6E7C84"/><rect x="460" y="560" width="260" height="80" fill="#8C9AA2"/><ellipse cx="590" cy="560" rx="130" ry="44" fill="#B7C2C7"/><ellipse cx="590" cy="560" rx="104" ry="33" fill="#F3E7C4"/><path d="M520 556c40-18 90 18 140 0" stroke="#D9C48E" stroke-width="8" fill="none"/><path d="M200 540V380h120v160" fill="{dark}"/><rect x="180" y="352" width="160" height="34" rx="10" fill="#C79E66"/><rect x="180" y="530" width="160" height="34" rx="10" fill="#B08A57"/><path d="M200 410h120M200 440h120M200 470h120M200 500h120" stroke="{light}" stroke-width="7"/>"##,
        light = lighter(main),
        dark = darker(main)
    );
    svg(840, 840, &body)
}

/// The gift card, with a kite on it.
pub(crate) fn gift_card(cloth: Cloth) -> String {
    let body = format!(
        r##"<rect width="1000" height="750" fill="#E4E0D6"/><g transform="rotate(-5 500 375)"><rect x="150" y="170" width="720" height="430" rx="22" fill="#101820" opacity=".16"/><rect x="140" y="155" width="720" height="430" rx="22" fill="#FFFDF8"/><path d="M140 440q180-80 360-20t360-40v183a22 22 0 0 1-22 22H162a22 22 0 0 1-22-22Z" fill="#DCCFAE"/><path d="M520 330C480 420 420 470 330 520" stroke="#22303A" stroke-width="2" fill="none"/><g transform="translate(560 290) rotate(-12) scale(1.5)">{}</g><rect x="190" y="205" width="150" height="18" rx="9" fill="#22303A"/><rect x="190" y="236" width="96" height="12" rx="6" fill="#8E9B62"/></g>"##,
        sport(cloth)
    );
    svg(1000, 750, &body)
}

/// Dunes and sky, wide, for behind a band.
pub(crate) fn dunes(seed: u32) -> String {
    svg(1600, 700, &sky(1600, 700, seed))
}

/// A kite on its way round a circle: frame `number` of `frames`.
pub(crate) fn turning(cloth: Cloth, number: u32, frames: u32) -> String {
    let share = f64::from(number) / f64::from(frames.max(1));
    let angle = share * std::f64::consts::TAU;
    let (x, y) = (320.0 + 130.0 * angle.cos(), 190.0 + 70.0 * angle.sin());
    let heading = angle.to_degrees() + 180.0;
    let body = format!(
        r##"{}<path d="M{x:.1} {y:.1}Q{:.1} 380 300 470M{x:.1} {y:.1}Q{:.1} 380 312 470" stroke="#22303A" stroke-width="1.2" fill="none"/><g transform="translate({x:.1} {y:.1}) rotate({heading:.1}) scale(.9)">{}</g>"##,
        sky(640, 480, 23),
        x - 40.0,
        x - 20.0,
        sport(cloth)
    );
    svg(640, 480, &body)
}
