import { useDesk } from "./deskStore";
import { DEVICES, type Device, type Op, type Target, type Value, bandOf, pieceOf } from "./types";
import { sameWhom, useScope } from "./useScope";

/** Sets values of pieces and bands for whom the desk is set to, and has them inherited again. */
export function useValues() {
  const desk = useDesk();
  const { whom } = useScope();

  function setting(target: Target, key: string, device: Device, value: Value | null, of = whom.value): Op {
    const one = { target, setting: key, device, value };
    return of ? { op: "depart", whom: of, ...one } : { op: "set", ...one };
  }

  /** Makes values inherited again: all of a piece or band, or those of some settings. */
  function rejoin(targets: Target[], keys?: string[]): void {
    const ops = targets.flatMap((target) => {
      const values = valuesOf(target);
      return DEVICES.flatMap((device) =>
        Object.keys(values?.[device] ?? {})
          .filter((key) => !keys || keys.includes(key))
          .map((key) => setting(target, key, device, null)),
      );
    });
    if (ops.length) void desk.edit({ op: "many", ops });
  }

  function rejoinAll(): void {
    const bands = desk.draft?.layout.bands ?? [];
    const pieces = desk.order.map((l): Target => ({ piece: l.piece.id }));
    rejoin([...bands.map((b): Target => ({ band: b.id })), ...pieces]);
  }

  /** What is set for whom the desk is set to: by the template, or kept by a type or a product. */
  function valuesOf(target: Target) {
    const one = whom.value;
    if (one) {
      const kept = desk.draft?.layout.departures ?? [];
      return kept.find((d) => sameWhom(d.whom, one) && JSON.stringify(d.target) === JSON.stringify(target))?.values;
    }
    const [piece, inBand] = [pieceOf(target), bandOf(target)];
    if (piece !== null) return desk.order.find((l) => l.piece.id === piece)?.piece.values;
    return desk.draft?.layout.bands.find((b) => b.id === inBand)?.values;
  }

  /** Gives pieces the looks of another of their kind: what is set there is set here, what isn't is inherited. */
  function giveLooks(from: Target, keys: string[], to: Target[]): void {
    const model = valuesOf(from);
    const ops = to.flatMap((target) => {
      const own = valuesOf(target);
      return DEVICES.flatMap((device) =>
        keys
          .filter((key) => JSON.stringify(model?.[device]?.[key]) !== JSON.stringify(own?.[device]?.[key]))
          .map((key) => setting(target, key, device, model?.[device]?.[key] ?? null)),
      );
    });
    if (ops.length) void desk.edit({ op: "many", ops });
  }

  /** Sets a value for whom the desk is set to, or for somebody else. */
  function set(target: Target, key: string, device: Device, value: Value | null, of = whom.value): Promise<boolean> {
    return desk.edit(setting(target, key, device, value, of));
  }

  /** Sets a value as it was before: a step of its own, of which nothing that is set next takes the place. */
  function setBack(target: Target, key: string, device: Device, value: Value | null): void {
    void desk.edit({ op: "many", ops: [setting(target, key, device, value)] });
  }

  return { setting, set, setBack, giveLooks, rejoin, rejoinAll, valuesOf };
}
