/** When something was, for who looks back at it in a list. */
export function when(at: string): string {
  return new Date(at).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
}
