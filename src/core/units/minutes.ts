/**
 * A length of time in words, to five minutes above a quarter of an hour.
 * @param minutes 0 or more
 * @example minutesInWords(95) // "1 h 35 min"
 */
export function minutesInWords(minutes: number): string {
  const whole = minutes > 15 ? Math.round(minutes / 5) * 5 : Math.max(1, Math.round(minutes));
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return [hours && `${hours} h`, (rest || !hours) && `${rest} min`].filter(Boolean).join(" ");
}
