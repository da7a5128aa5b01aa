import type { Schemas } from "../../api/client";
import { say } from "../../words";

export type Device = Schemas["Device"];
export type Draft = Schemas["DraftView"];
export type Layout = Schemas["Layout"];
export type Band = Schemas["Band"];
export type Column = Schemas["Column"];
export type Piece = Schemas["Piece"];
export type Kind = Schemas["Kind"];
export type Op = Schemas["Op"];
export type Target = Schemas["Target"];
export type Value = Schemas["SetValue"];
export type Values = Schemas["Values"];
export type Place = Schemas["Place"];
export type Field = Schemas["FieldView"];
export type Situation = Schemas["SituationView"];
export type StockMood = Schemas["StockMood"];
export type SaleMood = Schemas["SaleMood"];
export type PricesMood = Schemas["PricesMood"];
export type Rule = Schemas["Rule"];
export type Look = Schemas["Look"];
export type Shape = Schemas["ShapeView"];
/** For whom a value is set. */
export type Level = "template" | "type" | "product";

/** What the pane of proofs shows. */
export type Shown = Device | "both" | "products" | "states";

/** Where a piece lies in a proof, in the page's own pixels. */
export interface Box {
  id: string;
  top: number;
  bottom: number;
  seen: boolean;
}

export type Boxes = Record<Device, Map<string, Box>>;

/** Sizes of the screens on which proofs are shown; the first screen ends at the height. */
export const SCREENS = {
  wide: { width: 1280, height: 800, name: say("types-wide") },
  tablet: { width: 820, height: 1180, name: say("types-tablet") },
  phone: { width: 390, height: 844, name: say("types-phone") },
} as const;
export const DEVICES: Device[] = ["wide", "tablet", "phone"];
/** The screens that the running order tells of. */
export const ORDER_DEVICES: Device[] = ["wide", "phone"];

export function sameTarget(a: Target | null, b: Target | null): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
export function pieceOf(target: Target | null): string | null {
  return target && "piece" in target ? target.piece : null;
}
export function bandOf(target: Target | null): string | null {
  return target && "band" in target ? target.band : null;
}
