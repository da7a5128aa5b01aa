import type { RouteLocationNormalizedLoaded } from "vue-router";
import { say } from "../words";

/** The places of the application, as they stand in the top bar, each with its views. */
export type PlaceName = "shelf" | "pages" | "looks" | "prices";

interface View {
  name: string;
  to: string;
}
export interface Place {
  place: PlaceName;
  name: string;
  to: string;
  views: View[];
}

const LOOKS: View[] = [
  { name: say("places-house-style"), to: "/house-style" },
  { name: say("places-swatch-book"), to: "/swatch-book" },
  { name: say("places-pictures"), to: "/pictures" },
  { name: say("places-wording"), to: "/wording" },
];
const PAGES: View[] = [
  { name: say("places-templates"), to: "/templates" },
  { name: say("places-cards"), to: "/cards" },
  { name: say("places-listings"), to: "/listings" },
];
export const PLACES: Place[] = [
  { place: "shelf", name: say("places-shelf"), to: "/", views: [] },
  { place: "pages", name: say("places-pages"), to: "/templates", views: PAGES },
  { place: "looks", name: say("places-looks"), to: "/house-style", views: LOOKS },
  { place: "prices", name: say("places-prices"), to: "/prices", views: [] },
];

/** Every view that is found by its name, in whatever place it stands. */
export const VIEWS: View[] = [
  { name: say("places-shelf"), to: "/" },
  ...PAGES,
  ...LOOKS,
  { name: say("places-prices"), to: "/prices" },
  { name: say("places-messages-shoppers"), to: "/messages" },
];

/** The views of one product. */
export function viewsOfProduct(handle: string): View[] {
  const of = `/products/${encodeURIComponent(handle)}`;
  return [
    { name: say("places-texts-facts"), to: `${of}/texts` },
    { name: say("places-variants"), to: `${of}/variants` },
    { name: say("places-pictures"), to: `${of}/pictures` },
  ];
}

/** The quiet line under the top bar: the views beside the one that is open. */
export function viewsBeside(route: RouteLocationNormalizedLoaded): View[] {
  const { handle } = route.params;
  if (route.meta.place === "shelf") {
    if (typeof handle !== "string" || handle === "") return [];
    const desk = { name: say("places-desk"), to: `/products/${encodeURIComponent(handle)}/desk` };
    return [...viewsOfProduct(handle), desk];
  }
  // What is composed needs the room; its head leads back.
  if (route.meta.place === "pages" && "id" in route.params) return [];
  return PLACES.find((one) => one.place === route.meta.place)?.views ?? [];
}
