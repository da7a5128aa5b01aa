/** A contrast in hundredths as people write it, rounded down so that it never seems enough where it isn't: 4.4. */
export function ratio(hundredths: number): string {
  return (Math.floor(hundredths / 10) / 10).toFixed(1);
}
