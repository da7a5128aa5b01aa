import { ref, watchEffect } from "vue";
import { vuetify } from "./theme";
import { say } from "../words";

/** The set of colours that is wanted: as the system has it, paper, or dark. */
export type Wanted = "system" | "paper" | "dark";
export const WANTED: [Wanted, string][] = [
  ["system", say("colours-colours-system-has-them")],
  ["paper", say("colours-paper")],
  ["dark", say("colours-dark")],
];

const KEPT = "colours";
const kept = localStorage.getItem(KEPT);
export const wanted = ref<Wanted>(kept === "paper" || kept === "dark" ? kept : "system");
const system = matchMedia("(prefers-color-scheme: dark)");
const systemDark = ref(system.matches);
system.addEventListener("change", (event) => (systemDark.value = event.matches));

watchEffect(() => {
  const set = wanted.value === "system" ? (systemDark.value ? "dark" : "paper") : wanted.value;
  document.documentElement.dataset.set = set;
  void vuetify.theme.change(set);
  localStorage.setItem(KEPT, wanted.value);
});
