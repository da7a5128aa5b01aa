//! Prints the document that describes the owner's API.

use std::io::Write;

fn main() -> std::process::ExitCode {
    let document = compagina_server::openapi_document();
    match document.to_pretty_json().map(|json| writeln!(std::io::stdout(), "{json}")) {
        Ok(Ok(())) => std::process::ExitCode::SUCCESS,
        _ => std::process::ExitCode::FAILURE,
    }
}
