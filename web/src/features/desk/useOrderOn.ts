import { computed } from "vue";
import { say } from "../../words";
import { useDesk } from "./deskStore";
import { lines, ordered } from "./order";
import { type Band, type Device, type Target, type Values } from "./types";
import { useValues } from "./useValues";
import { useVisibility } from "./useVisibility";

/** The setting of a band that says in which order its pieces stand on a screen. */
const ORDER = "order";

/** Phones and tablets may have the pieces of a band in another order than they are listed. */
export function useOrderOn() {
  const desk = useDesk();
  const values = useValues();
  const visibility = useVisibility();

  function named(band: Band, device: Device): string[] {
    const target: Target = { band: band.id };
    const of = (all: Values | undefined): unknown =>
      (device === "phone" ? all?.phone?.[ORDER] : undefined) ?? all?.tablet?.[ORDER];
    const set = of(values.valuesOf(target)) ?? of(band.values);
    return Array.isArray(set) ? set.map(String) : [];
  }
  function orderOn(band: Band, device: Device): string[] {
    return ordered(band, device === "wide" ? [] : named(band, device));
  }

  /** Numbers on phones of the pieces that have another one there. */
  const onPhones = computed(() => {
    const all = new Map<string, number>();
    let number = 0;
    for (const band of desk.drawnDraft?.layout.bands ?? []) {
      const listed = band.columns.flatMap((column) => column.pieces).map((piece) => piece.id);
      orderOn(band, "phone").forEach((id, at) => id !== listed[at] && all.set(id, number + at + 1));
      number += listed.length;
    }
    return all;
  });

  function bandOf(piece: string): Band | null {
    const layout = desk.draft?.layout;
    return (layout && lines(layout).find((line) => line.piece.id === piece)?.band) ?? null;
  }
  function listedIn(band: Band): string[] {
    return band.columns.flatMap((column) => column.pieces).map((one) => one.id);
  }
  /** Gives a band an order of its own on a screen; as it is listed it has none. */
  function take(device: Device, band: Band, piece: string, order: string[]): void {
    const asListed = order.every((id, at) => id === listedIn(band)[at]);
    void values.set({ band: band.id }, ORDER, device, asListed ? null : order);
    const among = order.filter((id) => id === piece || visibility.isShown(id, device));
    const kind = band.columns.flatMap((column) => column.pieces).find((one) => one.id === piece)?.kind;
    desk.moved = say("order-on-now", {
      name: (kind && desk.labels.get(kind)) ?? "",
      number: among.indexOf(piece) + 1,
      count: among.length,
      screen: device === "phone" ? say("order-on-phones") : say("order-on-tablets"),
    });
  }

  /** One step up or down among what is seen of the band on a screen. */
  function stepOn(device: Device, piece: string, direction: -1 | 1): void {
    const band = bandOf(piece);
    if (!band) return;
    const order = orderOn(band, device);
    const mine = band.columns.find((column) => column.pieces.some((one) => one.id === piece));
    // On tablets columns stand side by side: a piece stays in its own.
    const near = (id: string): boolean => device === "phone" || mine?.pieces.some((one) => one.id === id) === true;
    const among = order.filter((id) => id === piece || (visibility.isShown(id, device) && near(id)));
    const neighbour = among[among.indexOf(piece) + direction];
    if (neighbour === undefined) return;
    const next = order.filter((id) => id !== piece);
    next.splice(next.indexOf(neighbour) + (direction === 1 ? 1 : 0), 0, piece);
    take(device, band, piece, next);
  }
  /** Before one piece of its band on a screen, or else behind another; whether they are of one band at all. */
  function placeOn(device: Device, piece: string, before: string | undefined, behind: string | undefined): boolean {
    const band = bandOf(piece);
    const others = band ? orderOn(band, device).filter((id) => id !== piece) : [];
    const at =
      before !== undefined && others.includes(before) ? others.indexOf(before) : others.indexOf(behind ?? "") + 1;
    if (!band || (at === 0 && before !== others[0])) return false;
    take(device, band, piece, [...others.slice(0, at), piece, ...others.slice(at)]);
    return true;
  }

  return { onPhones, stepOn, placeOn };
}
