use base64::Engine;
use fantoccini::elements::Element;
use fantoccini::wd::{Capabilities, WebDriverCompatibleCommand};
use fantoccini::{Client, ClientBuilder, Locator};
use hyper_util::client::legacy::connect::HttpConnector;
use serde_json::{Value, json};
use std::future::Future;
use std::time::{Duration, Instant};

/// How long anything on a screen may take to come true.
const PATIENCE: Duration = Duration::from_secs(30);

/// On what a page is looked at.
#[derive(Debug, Clone, Copy)]
pub enum Screen {
    /// 1280 x 800
    Wide,
    /// 390 x 844, with touch
    Phone,
    /// 1280 x 800 with script switched off
    WideWithoutScript,
}

/// Puts the clock by which pages do something again and again into the test's hand: `tick(ms)` moves it.
pub const CLOCK: &str = include_str!("clock.js");

/// A headless Chromium.
pub struct Browser {
    pub client: Client,
}

impl Browser {
    pub async fn open(screen: Screen) -> Self {
        let driver = std::env::var("COMPAGINA_CHROMEDRIVER").expect("run the tests with `cargo xtask test`");
        let mut builder = ClientBuilder::new(HttpConnector::new());
        let client = builder.capabilities(capabilities(screen)).connect(&driver).await.expect("a browser");
        let browser = Self { client };
        if !matches!(screen, Screen::Phone) {
            let size = json!({ "width": 1280, "height": 800, "deviceScaleFactor": 1, "mobile": false });
            browser.devtools("Emulation.setDeviceMetricsOverride", size).await;
        }
        browser
    }

    /// Runs a test's steps and closes the browser, however they end.
    pub async fn run<F: Future<Output = ()>>(screen: Screen, steps: impl FnOnce(Client) -> F) {
        Self::run_with(screen, "", steps).await;
    }

    /// The same with a script that runs in every document before its own.
    pub async fn run_with<F: Future<Output = ()>>(
        screen: Screen,
        script: &str,
        steps: impl FnOnce(Client) -> F,
    ) {
        let browser = Self::open(screen).await;
        if !script.is_empty() {
            browser.devtools("Page.addScriptToEvaluateOnNewDocument", json!({ "source": script })).await;
        }
        let client = browser.client.clone();
        let steps = std::panic::AssertUnwindSafe(steps(client.clone()));
        let done = futures_util::FutureExt::catch_unwind(steps).await;
        client.close().await.unwrap();
        if let Err(panic) = done {
            std::panic::resume_unwind(panic);
        }
    }

    pub async fn devtools(&self, command: &str, parameters: Value) -> Value {
        let command = DevTools { body: json!({ "cmd": command, "params": parameters }) };
        self.client.issue_cmd(command).await.expect("a DevTools command")
    }

    /// Signs the demo's owner in by the form.
    pub async fn sign_in(client: &Client, base: &str) {
        Self::sign_in_as(client, base, crate::EMAIL, crate::PASSWORD).await;
    }

    /// Signs an owner in by the form.
    pub async fn sign_in_as(client: &Client, base: &str, email: &str, password: &str) {
        client.goto(&format!("{base}/sign-in")).await.unwrap();
        find(client, "input[name=email]").await.send_keys(email).await.unwrap();
        find(client, "input[name=password]").await.send_keys(password).await.unwrap();
        find(client, "button[type=submit]").await.click().await.unwrap();
        find(client, ".shelf, .desk").await;
    }

    /// A picture of what is in sight.
    pub async fn picture(&self) -> Vec<u8> {
        let answer = self.devtools("Page.captureScreenshot", json!({ "format": "png" })).await;
        let data = answer["data"].as_str().expect("picture data");
        base64::engine::general_purpose::STANDARD.decode(data).expect("base64")
    }
}

fn capabilities(screen: Screen) -> Capabilities {
    let mut arguments = vec![
        "--headless=new",
        "--disable-gpu",
        "--no-first-run",
        "--disable-background-networking",
        "--disable-component-update",
        "--disable-sync",
        "--window-size=1280,943",
        "--force-prefers-reduced-motion",
    ];
    // As root Chromium starts only without its sandbox.
    if std::env::var("HOME").is_ok_and(|home| home == "/root") {
        arguments.push("--no-sandbox");
    }
    let mut options = json!({ "args": arguments });
    match screen {
        Screen::Wide => {}
        Screen::Phone => {
            options["mobileEmulation"] = json!({
                "deviceMetrics": { "width": 390, "height": 844, "pixelRatio": 2.0, "touch": true, "mobile": true }
            });
        }
        Screen::WideWithoutScript => {
            options["prefs"] = json!({ "profile.managed_default_content_settings.javascript": 2 });
        }
    }
    let mut all = Capabilities::new();
    all.insert("goog:chromeOptions".to_owned(), options);
    all.insert("goog:loggingPrefs".to_owned(), json!({ "browser": "ALL" }));
    all
}

/// Waits for an element.
pub async fn find(client: &Client, css: &str) -> Element {
    let wait = client.wait().at_most(PATIENCE).for_element(Locator::Css(css));
    wait.await.unwrap_or_else(|error| panic!("{css}: {error}"))
}

/// Waits until a question asked of the page in JavaScript is answered with true.
pub async fn until(client: &Client, question: &str) {
    let asked = Instant::now();
    loop {
        let answer = client.execute(&format!("return Boolean({question})"), vec![]).await;
        if matches!(answer, Ok(Value::Bool(true))) {
            return;
        }
        assert!(asked.elapsed() < PATIENCE, "still not so: {question} ({answer:?})");
        tokio::time::sleep(Duration::from_millis(25)).await;
    }
}

/// What a piece of JavaScript gives.
pub async fn ask(client: &Client, script: &str) -> Value {
    client.execute(&format!("return {script}"), vec![]).await.unwrap()
}

#[derive(Debug)]
struct DevTools {
    body: Value,
}

impl WebDriverCompatibleCommand for DevTools {
    fn endpoint(&self, base: &url::Url, session: Option<&str>) -> Result<url::Url, url::ParseError> {
        base.join(&format!("session/{}/goog/cdp/execute", session.unwrap_or_default()))
    }
    fn method_and_body(&self, _: &url::Url) -> (http::Method, Option<String>) {
        (http::Method::POST, Some(self.body.to_string()))
    }
}
