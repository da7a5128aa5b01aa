//! The gallery as a shopper meets it: where the arrows are, what moves, what is loaded, what can be had without script.

use compagina_tests::{Browser, CLOCK, Owner, Screen, Site, ask, find, until};
use fantoccini::Client;
use fantoccini::key::Key;
use serde_json::{Value, json};
use sqlx::MySqlPool;

/// Sets values of a template's gallery and publishes.
async fn set(owner: &Owner, template: u64, values: Value) {
    let desk: Value = owner.get(&format!("/api/templates/{template}/desk")).await.json().await.unwrap();
    let bands = desk["draft"]["layout"]["bands"].as_array().unwrap().iter();
    let mut pieces =
        bands.flat_map(|b| b["columns"].as_array().unwrap()).flat_map(|c| c["pieces"].as_array().unwrap());
    let piece = &pieces.find(|p| p["kind"] == "gallery").unwrap()["id"];
    let ops = values.as_object().unwrap().iter().flat_map(|(device, values)| {
        let values = values.as_object().unwrap().clone();
        values.into_iter().map(move |(setting, value)| {
            json!({ "op": "set", "target": { "piece": piece }, "setting": setting, "device": device, "value": value })
        })
    });
    let body = json!({ "revision": desk["draft"]["revision"], "op": { "op": "many", "ops": ops.collect::<Vec<_>>() } });
    let answer: Value =
        owner.post(&format!("/api/templates/{template}/operations"), &body).await.json().await.unwrap();
    let body = json!({ "revision": answer["revision"], "name": "" });
    assert_eq!(
        owner.post(&format!("/api/drafts/template-{template}/publish"), &body).await.status(),
        200,
        "{answer}"
    );
}

/// Whether nothing has moved, nor is being loaded, the last few times that it was asked.
const STILL: &str = "(() => {
    const runs = [...document.querySelectorAll('[data-gallery] *')].map(e => `${e.scrollLeft} ${getComputedStyle(e).transform}`);
    const loading = [...document.images].filter(i => i.loading !== 'lazy' && !i.complete).length;
    const now = [...runs, loading, document.getAnimations().length].join();
    window.same = window.was === now && loading === 0 ? (window.same ?? 0) + 1 : 0;
    window.was = now;
    return window.same > 6;
})()";

async fn open(client: &Client, base: &str, product: &str) {
    client.goto(&format!("{base}/shop/products/{product}")).await.unwrap();
    until(client, "document.querySelector('[data-gallery]')?.hasAttribute('data-ready')").await;
}

async fn click(client: &Client, css: &str) {
    find(client, css).await.click().await.unwrap();
}

const LABEL: &str =
    "[...document.querySelectorAll('.slide')].find(s => !s.inert && !s.hidden).getAttribute('aria-label')";

#[sqlx::test(migrations = false)]
async fn the_arrows_stand_at_the_pictures_middle_however_many_rows_of_thumbnails_there_are(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let (base, rows) = (
        site.base.clone(),
        json!({ "wide": { "thumbnails": "under", "thumb_flow": "wrap", "thumb_count": 4 }, "phone": { "thumb_count": 4 } }),
    );
    set(&owner, 4, rows.clone()).await;
    set(&owner, 2, rows).await;
    for screen in [Screen::Wide, Screen::Phone] {
        let base = base.clone();
        Browser::run(screen, |client| async move {
            for (product, wanted) in [("whimbrel", 1), ("whimbrel-mini", 2), ("sew-your-first-kite", 3)] {
                open(&client, &base, product).await;
                let rows = "new Set([...document.querySelectorAll('.thumbs li:not([hidden])')].map(l => Math.round(l.getBoundingClientRect().top))).size";
                assert_eq!(ask(&client, rows).await, wanted, "{product}");
                let off = "(() => { const middle = e => { const b = e.getBoundingClientRect(); return b.top + b.height / 2; };
                    const picture = middle(document.querySelector('.slide img, .slide video'));
                    return Math.max(...[...document.querySelectorAll('.arrow')].map(a => Math.abs(middle(a) - picture))); })()";
                let off = ask(&client, off).await.as_f64().unwrap();
                assert!(off <= 2.0, "{product}: {off} px off");
                let size = ask(&client, "Math.min(...[...document.querySelectorAll('.arrow')].map(a => Math.min(a.offsetWidth, a.offsetHeight)))").await;
                assert!(size.as_f64().unwrap() >= 44.0);
            }
        })
        .await;
    }
}

/// Adds up what moves on the page by itself; not where the shop's head moves with it, as by a font that comes late.
const WATCH_SHIFTS: &str = "window.shifts = []; new PerformanceObserver(list => { for (const e of list.getEntries()) if (!e.sources.some(s => s.node?.parentElement?.closest('header'))) window.shifts.push([e.value, e.hadRecentInput, e.sources.map(s => s.node?.className || s.node?.nodeName)]); }).observe({ type: 'layout-shift', buffered: true });";

#[sqlx::test(migrations = false)]
async fn nothing_moves_while_loading_choosing_and_sliding(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    for (form, values) in [
        ("plain", json!({ "wide": { "change": "across" } })),
        ("as each picture", json!({ "wide": { "shape": "own", "height": "each", "thumbnails": "under" } })),
        ("strip", json!({ "wide": { "form": "strip", "thumbnails": "dots", "arrows_at": "below" } })),
    ] {
        set(&owner, 2, values).await;
        let base = base.clone();
        Browser::run(Screen::Wide, |client| async move {
            open(&client, &base, "whimbrel-mini").await;
            ask(&client, &format!("(() => {{ {WATCH_SHIFTS} }})()")).await;
            for _ in 0..3 {
                click(&client, ".arrow.on").await;
                until(&client, STILL).await;
            }
            ask(&client, "document.querySelector('input[value=ember]').click()").await;
            until(&client, "document.querySelector('.slide:not([hidden]) img').alt.includes('Ember')").await;
            until(&client, STILL).await;
            // Even what follows a click right away doesn't move the page. What is left comes from fonts.
            let total = ask(&client, "window.shifts.reduce((sum, [value]) => sum + value, 0)")
                .await
                .as_f64()
                .unwrap();
            assert!(total < 0.005, "{form}: {total} {}", ask(&client, "window.shifts").await);
        })
        .await;
    }
}

#[sqlx::test(migrations = false)]
async fn the_large_picture_comes_first_and_none_is_much_larger_than_it_is_shown(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    // A browser of its own for each: a larger size that is there already would be taken.
    for (screen, product) in ["whimbrel", "whimbrel-mini", "sew-your-first-kite", "plover"]
        .into_iter()
        .flat_map(|product| [(Screen::Wide, product), (Screen::Phone, product)])
    {
        let base = base.clone();
        Browser::run(screen, |client| async move {
            open(&client, &base, product).await;
            until(&client, "document.readyState === 'complete' && [...document.images].filter(i => i.loading !== 'lazy').every(i => i.complete)").await;
            let first = "performance.getEntriesByType('resource').filter(r => r.name.includes('/media/')).sort((a, b) => a.startTime - b.startTime)[0].name === document.querySelector('.slide img').currentSrc";
            assert_eq!(ask(&client, first).await, true, "{product}");
            let too_large = "[...document.querySelectorAll('.gallery img')].filter(i => i.complete && i.naturalWidth > 0).flatMap(i => {
                const b = i.getBoundingClientRect(), [w, h] = [i.getAttribute('width'), i.getAttribute('height')], style = getComputedStyle(i);
                const scale = (style.objectFit === 'contain' ? Math.min : Math.max)(b.width / w, b.height / h);
                const shown = w * scale * devicePixelRatio, loaded = Number(i.currentSrc && i.srcset.split(', ').find(s => i.currentSrc.endsWith(s.split(' ')[0])).split(' ')[1].slice(0, -1));
                return loaded > shown * 1.5 + 1 ? [[i.alt, shown, loaded]] : []; })";
            assert_eq!(ask(&client, too_large).await, json!([]), "{product}");
        })
        .await;
    }
}

#[sqlx::test(migrations = false)]
async fn it_is_moved_by_keyboard_and_tells_where_it_is(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "plover").await;
        let at = |number: u32| format!("{LABEL}.startsWith('Picture {number} of 3')");
        until(&client, &at(1)).await;
        assert_eq!(
            ask(&client, "document.querySelector('.arrow.back').getAttribute('aria-disabled')").await,
            "true"
        );
        let slides = find(&client, ".slides").await;
        slides.send_keys(&format!("{}", Key::Right)).await.unwrap();
        until(&client, &at(2)).await;
        slides.send_keys(&format!("{}", Key::End)).await.unwrap();
        until(&client, &at(3)).await;
        assert_eq!(
            ask(&client, "document.querySelector('.arrow.on').getAttribute('aria-disabled')").await,
            "true"
        );
        until(
            &client,
            "document.querySelector('.thumbs li:nth-child(3) a').getAttribute('aria-current') === 'true'",
        )
        .await;
        ask(&client, "document.querySelector('.thumbs li:first-child a').focus()").await;
        find(&client, ".thumbs li:first-child a").await.send_keys(&format!("{}", Key::Enter)).await.unwrap();
        until(&client, &at(1)).await;
        assert_eq!(ask(&client, "document.querySelector('.run').getAttribute('aria-live')").await, "polite");

        // A click fills the screen; Escape leaves it, at the picture that was looked at.
        click(&client, ".slide img").await;
        until(&client, "document.querySelector('.pswp-words')?.textContent.includes('flying')").await;
        find(&client, "body").await.send_keys(&format!("{}", Key::Right)).await.unwrap();
        until(&client, "document.querySelector('.pswp-words')?.textContent.includes('sand')").await;
        find(&client, "body").await.send_keys(&format!("{}", Key::Escape)).await.unwrap();
        until(&client, "!document.querySelector('.pswp')").await;
        until(&client, &at(2)).await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn all_forms_and_ways_show_all_pictures(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let base = site.base.clone();
    for values in [
        json!({ "wide": { "form": "one", "change": "fade", "circles": true } }),
        json!({ "wide": { "change": "up" } }),
        json!({ "wide": { "change": "at_once", "reading": "from_right" } }),
        json!({ "wide": { "change": "across", "reading": "from_left", "thumbnails": "right" } }),
        json!({ "wide": { "form": "strip", "thumbnails": "above" } }),
    ] {
        set(&owner, 2, values.clone()).await;
        let base = base.clone();
        Browser::run(Screen::Wide, |client| async move {
            open(&client, &base, "plover").await;
            for place in [3, 1, 2] {
                click(&client, &format!(".thumbs li:nth-child({place}) a")).await;
                // It lies within the frame, and nothing else lies over its middle.
                let seen = format!(
                    "(() => {{ const s = document.querySelector('.slide:nth-child({place})'), b = s.getBoundingClientRect(), f = document.querySelector('.slides').getBoundingClientRect();
                        const x = (Math.max(b.left, f.left) + Math.min(b.right, f.right)) / 2, y = f.top + f.height / 3;
                        return b.right > f.left + 40 && b.left < f.right - 40 && b.bottom > f.top + 40 && b.top < f.bottom - 40 && s.contains(document.elementFromPoint(x, y)); }})()"
                );
                until(&client, &seen).await;
            }
        })
        .await;
    }
    for form in ["stack", "mosaic"] {
        set(&owner, 2, json!({ "wide": { "form": form } })).await;
        let base = base.clone();
        Browser::run(Screen::Wide, |client| async move {
            open(&client, &base, "plover").await;
            let clear = "(() => { const b = [...document.querySelectorAll('.slide:not([hidden])')].map(s => s.getBoundingClientRect());
                return b.length === 3 && b.every((a, i) => a.height > 50 && b.every((c, j) => i === j || a.bottom <= c.top || c.bottom <= a.top || a.right <= c.left || c.right <= a.left)); })()";
            assert_eq!(ask(&client, clear).await, true, "{form}: none lies over another");
            assert_eq!(ask(&client, "getComputedStyle(document.querySelector('.thumbs')).display").await, "none");
        })
        .await;
    }
}

#[sqlx::test(migrations = false)]
async fn several_galleries_stay_in_step_and_a_choice_leads_to_its_pictures(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    let draft = owner.draft().await;
    let copy = json!({ "revision": draft["revision"], "op": { "op": "copy_piece", "piece": "p2", "copy": "twin", "to": { "column": draft["layout"]["bands"][2]["columns"][0]["id"], "index": 0 } } });
    assert_eq!(owner.post("/api/templates/2/operations", &copy).await.status(), 200);
    set(&owner, 2, json!({ "wide": { "follow": "jump", "mark_at": "top_left" } })).await;
    let base = site.base.clone();
    Browser::run(Screen::Wide, |client| async move {
        open(&client, &base, "plover").await;
        let shows = |which: &str, words: &str| {
            format!("[...document.querySelector('#p-{which}').querySelectorAll('.slide')].find(s => !s.inert && !s.hidden)?.getAttribute('aria-label').includes('{words}')")
        };
        until(&client, "document.querySelectorAll('[data-live]').length === 2").await;
        click(&client, "#p-p2 .arrow.on").await;
        until(&client, &shows("p2", "in Saffron, laid out")).await;
        until(&client, &shows("twin", "in Saffron, laid out")).await;
        // One jumps among all pictures, the other shows only those of the choice.
        ask(&client, "document.querySelector('input[value=ember]').click()").await;
        until(&client, &shows("p2", "in Ember, flying")).await;
        until(&client, &shows("twin", "Picture 1 of 3: Plover in Ember, flying")).await;
        assert_eq!(ask(&client, "document.querySelectorAll('#p-p2 .slide:not([hidden])').length").await, 12);
        until(&client, "document.querySelector('#p-p2 .badge.gone').innerText === 'Sold out'").await;
    })
    .await;
}

#[sqlx::test(migrations = false)]
async fn it_advances_by_itself_until_it_is_touched(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let owner = site.owner().await;
    set(&owner, 2, json!({ "wide": { "advance": 1, "change": "at_once" } })).await;
    let base = site.base.clone();
    // The tests' browser asks for less motion: nothing may move by itself.
    Browser::run_with(Screen::Wide, CLOCK, |client| async move {
        open(&client, &base, "plover").await;
        ask(&client, "tick(2300)").await;
        assert!(ask(&client, LABEL).await.as_str().unwrap().starts_with("Picture 1 "));
        assert_eq!(ask(&client, "document.querySelector('.rest').hidden").await, true);
    })
    .await;
    let base = site.base.clone();
    let browser = Browser::open(Screen::Wide).await;
    let motion = json!({ "features": [{ "name": "prefers-reduced-motion", "value": "no-preference" }] });
    browser.devtools("Emulation.setEmulatedMedia", motion).await;
    browser.devtools("Page.addScriptToEvaluateOnNewDocument", json!({ "source": CLOCK })).await;
    let client = browser.client;
    open(&client, &base, "plover").await;
    ask(&client, "tick(999)").await;
    assert!(ask(&client, LABEL).await.as_str().unwrap().starts_with("Picture 1 "));
    ask(&client, "tick(1)").await;
    until(&client, &format!("{LABEL}.startsWith('Picture 2 ')")).await;
    assert_eq!(ask(&client, "document.querySelector('.run').getAttribute('aria-live')").await, "off");
    click(&client, ".rest").await;
    let stopped = ask(&client, LABEL).await;
    ask(&client, "tick(5000)").await;
    until(&client, STILL).await;
    assert_eq!(ask(&client, LABEL).await, stopped);
    client.close().await.unwrap();
}

#[sqlx::test(migrations = false)]
async fn without_script_all_pictures_can_be_seen(pool: MySqlPool) {
    let site = Site::start(pool).await;
    let base = site.base.clone();
    Browser::run(Screen::WideWithoutScript, |client| async move {
        client.goto(&format!("{base}/shop/products/plover")).await.unwrap();
        find(&client, ".slides").await;
        let slides = client.find_all(fantoccini::Locator::Css(".slide:not([hidden])")).await.unwrap();
        assert_eq!(slides.len(), 3);
        // A thumbnail is a link to its picture: the strip is scrolled there.
        find(&client, ".thumbs li:nth-child(3) a").await.click().await.unwrap();
        let (at, frame) = (
            slides[2].rectangle().await.unwrap().0,
            find(&client, ".slides").await.rectangle().await.unwrap().0,
        );
        assert!((at - frame).abs() < 2.0, "{at} {frame}");
        assert!(
            !find(&client, ".arrow.on").await.is_displayed().await.unwrap(),
            "what needs a script isn't shown"
        );
    })
    .await;
}
