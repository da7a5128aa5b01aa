declare module "idiomorph" {
  export const Idiomorph: {
    morph(
      old: Element,
      next: Element | string,
      options?: {
        morphStyle?: "innerHTML" | "outerHTML";
        callbacks?: { beforeNodeMorphed?: (old: Node, next: Node) => boolean };
      },
    ): void;
  };
}
