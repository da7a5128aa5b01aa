import { mdiClose } from "@mdi/js";
import { createVuetify } from "vuetify";
import { aliases, mdi } from "vuetify/iconsets/mdi-svg";

/** The roles of the look; colour is kept for meaning. */
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
  variables: { "high-emphasis-opacity": 1, "medium-emphasis-opacity": 0.78, "border-color": "#1D2A32" },
};

const field = { density: "compact", variant: "outlined", hideDetails: "auto", color: "primary" } as const;

export const vuetify = createVuetify({
  icons: { defaultSet: "mdi", aliases, sets: { mdi } },
  theme: { defaultTheme: "paper", themes: { paper } },
  defaults: {
    VBtn: { variant: "outlined", density: "comfortable", ripple: false },
    VTextField: field,
    VTextarea: field,
    VSelect: field,
    VAutocomplete: field,
    VCombobox: { ...field, VChip: { variant: "outlined", size: "small", closeIcon: mdiClose } },
    VSwitch: { density: "compact", hideDetails: true, color: "primary", inset: true },
    VBtnToggle: { density: "compact", divided: true, mandatory: true, variant: "outlined" },
    VMenu: { offset: 4 },
    VList: { density: "compact" },
    VDialog: { maxWidth: 520 },
  },
});
