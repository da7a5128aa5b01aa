declare module "idiomorph" {
  export const Idiomorph: {
    morph(old: Element, next: Element | string, options?: { morphStyle?: "innerHTML" | "outerHTML" }): void;
  };
}
