import "@fontsource-variable/bricolage-grotesque/wght.css";
import "@fontsource-variable/figtree/wght.css";
import "./ui/reset.css";
import "vuetify/styles";
import "./ui/roles.css";
import "./ui/base.css";
import "./ui/fields/fields.css";
import { createPinia } from "pinia";
import { createApp } from "vue";
import App from "./App.vue";
import { router } from "./router";
import "./ui/colours";
import { vuetify } from "./ui/theme";

createApp(App).use(createPinia()).use(router).use(vuetify).mount("#app");
