import { computed, ref, shallowRef, watch } from "vue";
import { type Schemas, api, ask } from "../../api/client";
import type { SheetMoves } from "../desk/keys";
import { DEVICES, type Device, type Field, type Value } from "../desk/types";

type Set = (key: string, value: Value | null) => Promise<boolean>;
type Kinds = Schemas["KindTexts"][];
/** A text by the kind of piece that holds it. */
export interface Which {
  kind: string;
  text: string;
}

/** Every text of the shop, and the one that is chosen with all that can be set of it. */
export function useHouseTexts(revision: () => number, setToken: Set) {
  const kinds = shallowRef<Kinds>([]);
  /** Looks that are kept under a name. */
  const looks = shallowRef<Schemas["LookLine"][]>([]);
  const which = ref<Which | null>(null);
  const view = shallowRef<(Schemas["HouseTextView"] & Which) | null>(null);
  const problem = ref<Schemas["ApiError"] | null>(null);
  /** What is set and not answered yet, by its key on its screen. */
  const waits = ref<Record<string, Value | null>>({});

  let asked = 0;
  async function read(): Promise<void> {
    const mine = (asked += 1);
    const now = which.value;
    const [list, one] = await Promise.all([
      ask(api.GET("/api/house/texts")),
      now && ask(api.GET("/api/house/texts/{kind}/{text}", { params: { path: now } })),
    ]);
    if (mine !== asked) return;
    problem.value = list.error ?? one?.error ?? null;
    if (list.data) {
      kinds.value = list.data.kinds;
      looks.value = list.data.looks;
    }
    // What was chosen may be gone, such as a look that was removed.
    if (now && one?.error?.code === "not_found") return choose(first(kinds.value));
    if (one?.data && now) view.value = { ...one.data, ...now };
    if (!now) choose(first(kinds.value));
  }
  function first(all: Kinds): Which | null {
    const [kind] = all;
    return kind?.texts[0] ? { kind: kind.kind, text: kind.texts[0].key } : null;
  }
  function choose(one: Which | null): void {
    which.value = one;
  }
  watch([which, revision], () => void read(), { immediate: true });

  const slip = computed((): Schemas["SlipView"] | null => {
    const now = view.value;
    return now && { target: { piece: `${now.kind}.${now.text}` }, columns: null, fields: now.fields };
  });
  function keyOn(key: string, device: Device): string {
    return device === "wide" ? key : `${key}.${device}`;
  }
  function valueOf(field: Field, device: Device): Value | undefined {
    const key = keyOn(field.key, device);
    if (key in waits.value) return waits.value[key] ?? undefined;
    const cell = field[device];
    return cell?.own ? cell.value : undefined;
  }
  const values = computed(() => {
    const on = (device: Device): Record<string, Value> => {
      const set = (view.value?.fields ?? []).map((field) => [field.key, valueOf(field, device)] as const);
      return Object.fromEntries(set.flatMap(([key, value]) => (value === undefined ? [] : [[key, value]])));
    };
    return { wide: on("wide"), tablet: on("tablet"), phone: on("phone") };
  });
  async function set(key: string, device: Device, value: Value | null): Promise<boolean> {
    const name = keyOn(key, device);
    waits.value = { ...waits.value, [name]: value };
    const done = await setToken(name, value);
    await read();
    if (waits.value[name] === value) {
      waits.value = Object.fromEntries(Object.entries(waits.value).filter(([key]) => key !== name));
    }
    return done;
  }
  const moves: SheetMoves = {
    valuesOf: () => values.value,
    set: (_, key, device, value) => set(key, device, value),
    setBack: (_, key, device, value) => void set(key, device, value),
    setColumns: () => undefined,
    rejoin: (_, keys) => {
      for (const device of DEVICES)
        for (const key of keys) if (values.value[device][key] !== undefined) void set(key, device, null);
    },
  };
  /** The page on which the chosen text is seen, with the draft of the house style. */
  const sample = computed(() => {
    const at = view.value?.sample;
    if (!at) return null;
    const { product, piece, stock, sale } = at;
    const query = new URLSearchParams({ product, only: piece, stock, sale, drawn: String(revision()) });
    if (at.coming_soon) query.set("coming_soon", "true");
    return { src: `/api/templates/${at.template}/proof?${query.toString()}`, name: at.name };
  });

  return { kinds, looks, which, view, slip, problem, sample, moves, choose };
}
