import { watchCards } from "./card";
import { watchCart } from "./cart";
import { cartCount, readTable } from "./entries";
import { startFilms } from "./film";
import { watchMore } from "./more";
import { watchQuickLooks } from "./quick";
import { fillShareLinks } from "./share";
import { watchSift } from "./sift";
import { watchWishes } from "./wish";

function showCartCount(): void {
  const count = cartCount();
  for (const place of document.querySelectorAll("[data-cart-count]")) {
    place.textContent = count === "0" ? "" : ` ${count}`;
  }
}

showCartCount();
addEventListener("pageshow", showCartCount);
startFilms();
watchQuickLooks();
watchCards();
watchSift();
watchMore();
watchCart(showCartCount);
fillShareLinks();
const table = readTable();
if (table) void import("./product").then(({ watchProduct }) => watchProduct(table));
watchWishes();
