import type { RouteLocationNormalizedLoaded } from "vue-router";

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
  { name: "House style", to: "/house-style" },
  { name: "Swatch book", to: "/swatch-book" },
  { name: "Pictures", to: "/pictures" },
  { name: "Wording", to: "/wording" },
];
export const PLACES: Place[] = [
  { place: "shelf", name: "Shelf", to: "/", views: [] },
  { place: "pages", name: "Pages", to: "/templates", views: [] },
  { place: "looks", name: "Looks", to: "/house-style", views: LOOKS },
  { place: "prices", name: "Prices", to: "/prices", views: [] },
];

/** Every view that is found by its name, in whatever place it stands. */
export const VIEWS: View[] = [
  { name: "Shelf", to: "/" },
  { name: "Templates", to: "/templates" },
  ...LOOKS,
  { name: "Prices", to: "/prices" },
  { name: "Messages to shoppers", to: "/messages" },
];

/** The views of one product. */
export function viewsOfProduct(handle: string): View[] {
  const of = `/products/${encodeURIComponent(handle)}`;
  return [
    { name: "Texts and facts", to: `${of}/texts` },
    { name: "Variants", to: `${of}/variants` },
    { name: "Pictures", to: `${of}/pictures` },
  ];
}

/** The quiet line under the top bar: the views beside the one that is open. */
export function viewsBeside(route: RouteLocationNormalizedLoaded): View[] {
  const { handle } = route.params;
  if (route.meta.place === "shelf") {
    if (typeof handle !== "string" || handle === "") return [];
    const desk = { name: "On the desk", to: `/products/${encodeURIComponent(handle)}/desk` };
    return [...viewsOfProduct(handle), desk];
  }
  return PLACES.find((one) => one.place === route.meta.place)?.views ?? [];
}
