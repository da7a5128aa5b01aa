import { createRouter, createWebHistory } from "vue-router";
import { useSession } from "./features/session/session";

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", name: "shelf", component: () => import("./features/shelf/ShelfView.vue") },
    { path: "/templates", name: "templates", component: () => import("./features/templates/TemplatesView.vue") },
    {
      path: "/templates/:id(\\d+)",
      name: "desk",
      component: () => import("./features/desk/DeskView.vue"),
      props: (route) => ({ id: Number(route.params.id), product: route.query.product as string | undefined }),
    },
    { path: "/sign-in", name: "sign-in", component: () => import("./features/session/SignInView.vue") },
    { path: "/:rest(.*)*", redirect: "/" },
  ],
});

router.beforeEach(async (to) => {
  const session = useSession();
  await session.restore();
  if (!session.owner && to.name !== "sign-in") return { name: "sign-in", query: { to: to.fullPath } };
  if (session.owner && to.name === "sign-in") return { name: "shelf" };
  return true;
});
