import { type RouteLocationRaw, createRouter, createWebHistory } from "vue-router";
import { api, ask } from "./api/client";
import { useSession } from "./features/session/session";
import type { PlaceName } from "./ui/places";
import { titleOfView } from "./ui/useTitle";
import { say } from "./words";

/** Where a product lies on a desk; on the shelf where no template serves it. */
async function deskOf(handle: string): Promise<RouteLocationRaw> {
  const { data } = await ask(api.GET("/api/shelf/products", { params: { query: { find: handle } } }));
  const id = data?.products.find((one) => one.handle === handle)?.template;
  return id ? { name: "desk", params: { id }, query: { product: handle } } : { name: "shelf", query: { find: handle } };
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    {
      path: "/",
      name: "shelf",
      meta: { title: say("router-shelf"), place: "shelf" },
      component: () => import("./features/shelf/ShelfView.vue"),
    },
    {
      path: "/templates",
      name: "templates",
      meta: { title: say("router-templates"), place: "pages" },
      component: () => import("./features/templates/TemplatesView.vue"),
      props: { purpose: "page" },
    },
    {
      path: "/cards",
      name: "cards",
      meta: { title: say("router-cards"), place: "pages" },
      component: () => import("./features/templates/TemplatesView.vue"),
      props: { purpose: "card" },
    },
    {
      path: "/listings",
      name: "listings",
      meta: { title: say("router-listings"), place: "pages" },
      component: () => import("./features/listings/ListingsView.vue"),
      props: (route) => ({ of: typeof route.query.of === "string" ? route.query.of : "all" }),
    },
    {
      path: "/templates/:id(\\d+)",
      name: "desk",
      meta: { title: say("router-desk"), place: "pages" },
      component: () => import("./features/desk/DeskView.vue"),
      props: (route) => ({ id: Number(route.params.id), product: route.query.product as string | undefined }),
    },
    {
      path: "/templates/:id(\\d+)/changes",
      name: "changes",
      meta: { title: say("router-what-changes-where"), place: "pages" },
      component: () => import("./features/changes/ChangesView.vue"),
      props: (route) => ({ id: Number(route.params.id) }),
    },
    {
      path: "/house-style/changes",
      name: "house-changes",
      meta: { title: say("router-what-changes-where"), place: "looks" },
      component: () => import("./features/changes/ShopChangesView.vue"),
      props: { what: "house" },
    },
    {
      path: "/prices/changes",
      name: "price-changes",
      meta: { title: say("router-what-changes-where"), place: "prices" },
      component: () => import("./features/changes/ShopChangesView.vue"),
      props: { what: "prices" },
    },
    {
      path: "/swatch-book/:handle/values/:value(\\d+)/changes",
      name: "swatch-changes",
      meta: { title: say("router-what-changes-where"), place: "looks" },
      component: () => import("./features/changes/SwatchChangesView.vue"),
      props: (route) => ({ handle: String(route.params.handle), value: Number(route.params.value) }),
    },
    {
      // A product's page on the desk of the template that serves it.
      path: "/products/:handle/desk",
      name: "desk-of",
      meta: { title: say("router-desk"), place: "pages" },
      beforeEnter: async (to) => deskOf(String(to.params.handle)),
      component: () => import("./features/shelf/ShelfView.vue"),
    },
    {
      path: "/products/:handle/pictures",
      name: "pictures",
      meta: { title: say("router-pictures"), place: "shelf" },
      component: () => import("./features/pictures/PicturesView.vue"),
      props: true,
    },
    {
      path: "/products/:handle/texts",
      name: "texts",
      meta: { title: say("router-texts-facts"), place: "shelf" },
      component: () => import("./features/texts/TextsView.vue"),
      props: true,
    },
    {
      path: "/products/:handle/variants",
      name: "variants",
      meta: { title: say("router-variants"), place: "shelf" },
      component: () => import("./features/variants/VariantsView.vue"),
      props: true,
    },
    {
      path: "/pictures",
      name: "shop-pictures",
      meta: { title: say("router-pictures"), place: "looks" },
      component: () => import("./features/pictures/PicturesView.vue"),
    },
    {
      path: "/swatch-book/:handle?",
      name: "swatch-book",
      meta: { title: say("router-swatch-book"), place: "looks" },
      component: () => import("./features/swatches/SwatchBookView.vue"),
      props: true,
    },
    {
      path: "/prices",
      name: "prices",
      meta: { title: say("router-prices"), place: "prices" },
      component: () => import("./features/prices/PricesView.vue"),
    },
    {
      path: "/messages",
      name: "messages",
      meta: { title: say("router-messages") },
      component: () => import("./features/messages/MessagesView.vue"),
    },
    {
      path: "/house-style",
      name: "house-style",
      meta: { title: say("router-house-style"), place: "looks" },
      component: () => import("./features/house/HouseView.vue"),
    },
    {
      path: "/wording",
      name: "wording",
      meta: { title: say("router-wording"), place: "looks" },
      component: () => import("./features/wording/WordingView.vue"),
    },
    {
      path: "/sign-in",
      name: "sign-in",
      meta: { title: say("router-sign") },
      component: () => import("./features/session/SignInView.vue"),
    },
    { path: "/:rest(.*)*", redirect: "/" },
  ],
});

// A part of the application that is gone since a new version was put up: it is loaded anew, where one wanted to go.
router.onError((error: Error, to) => {
  if (/dynamically imported module|preload/i.test(error.message)) location.assign(to.fullPath);
});

router.beforeEach(async (to) => {
  const session = useSession();
  // The view's own script comes while it is asked who is there; that it can't come is told where it is waited for.
  for (const { components } of to.matched) {
    const view = components?.default;
    if (typeof view === "function") void (view as () => Promise<unknown>)().catch(() => undefined);
  }
  await session.restore();
  if (!session.owner && to.name !== "sign-in") return { name: "sign-in", query: { to: to.fullPath } };
  if (session.owner && to.name === "sign-in") return { name: "shelf" };
  return true;
});

router.afterEach((to) => {
  titleOfView(to.meta.title ?? "");
});

declare module "vue-router" {
  interface RouteMeta {
    title?: string;
    /** In which place of the top bar it stands. */
    place?: PlaceName;
  }
}
