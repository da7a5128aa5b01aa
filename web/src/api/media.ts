/** The address of what is kept under the hash of its bytes: the hash's first twelve bytes in base64url. */
export function mediaAddress(hash: string): string {
  const bytes = hash.slice(0, 24).match(/../g) ?? [];
  const name = btoa(bytes.map((byte) => String.fromCharCode(parseInt(byte, 16))).join(""));
  return `/media/${name.replaceAll("+", "-").replaceAll("/", "_")}`;
}
