import { mdiClose } from "@mdi/js";
import { createVuetify } from "vuetify";
import { aliases, mdi } from "vuetify/iconsets/mdi-svg";

/** The roles of the look as Vuetify's controls know them, in both sets; `roles.css` has them all. */
const variables = { "high-emphasis-opacity": 1, "medium-emphasis-opacity": 0.78 };
const paper = {
  dark: false,
  colors: {
    background: "#F3EFE6",
    surface: "#FFFDF8",
    "surface-variant": "#1D2A32",
    "on-surface-variant": "#F3EFE6",
    primary: "#0D6A6E",
    secondary: "#1D2A32",
    error: "#B23C10",
    success: "#3B7A40",
    warning: "#A76A00",
    "on-background": "#1D2A32",
    "on-surface": "#1D2A32",
  },
  variables: { ...variables, "border-color": "#1D2A32" },
};
const dark = {
  dark: true,
  colors: {
    background: "#171E22",
    surface: "#1F282D",
    "surface-variant": "#ECE7DC",
    "on-surface-variant": "#171E22",
    primary: "#74C7C3",
    "on-primary": "#10191C",
    secondary: "#ECE7DC",
    error: "#F3A07A",
    "on-error": "#10191C",
    success: "#8BCB90",
    warning: "#E3B341",
    "on-background": "#ECE7DC",
    "on-surface": "#ECE7DC",
  },
  variables: { ...variables, "border-color": "#ECE7DC" },
};

const field = { density: "compact", variant: "outlined", hideDetails: "auto", color: "primary" } as const;

export const vuetify = createVuetify({
  icons: { defaultSet: "mdi", aliases, sets: { mdi } },
  theme: { defaultTheme: "paper", themes: { paper, dark } },
  defaults: {
    VBtn: { variant: "outlined", density: "comfortable", ripple: false },
    VAutocomplete: field,
    VCombobox: { ...field, VChip: { variant: "outlined", size: "small", closeIcon: mdiClose } },
    VMenu: { offset: 4 },
    VList: { density: "compact" },
  },
});
