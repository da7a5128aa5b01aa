import { useDesk } from "./deskStore";
import { DEVICES, type Device, type Op, type Target, type Value, bandOf, pieceOf } from "./types";

/** Sets values of pieces and bands, and has them inherited again. */
export function useValues() {
  const desk = useDesk();

  /** Makes values inherited again: all of a piece or band, or those of some settings. */
  function rejoin(targets: Target[], keys?: string[]): void {
    const ops = targets.flatMap((target) => {
      const values = valuesOf(target);
      return DEVICES.flatMap((device) =>
        Object.keys(values?.[device] ?? {})
          .filter((key) => !keys || keys.includes(key))
          .map((setting): Op => ({ op: "set", target, setting, device, value: null })),
      );
    });
    if (ops.length) void desk.edit({ op: "many", ops });
  }

  function rejoinAll(): void {
    const bands = desk.draft?.layout.bands ?? [];
    const pieces = desk.order.map((l): Target => ({ piece: l.piece.id }));
    rejoin([...bands.map((b): Target => ({ band: b.id })), ...pieces]);
  }

  function valuesOf(target: Target) {
    const [piece, inBand] = [pieceOf(target), bandOf(target)];
    if (piece !== null) return desk.order.find((l) => l.piece.id === piece)?.piece.values;
    return desk.draft?.layout.bands.find((b) => b.id === inBand)?.values;
  }

  function set(target: Target, setting: string, device: Device, value: Value | null): Promise<void> {
    return desk.edit({ op: "set", target, setting, device, value });
  }

  return { set, rejoin, rejoinAll, valuesOf };
}
