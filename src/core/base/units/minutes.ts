/** Working time: `45 min`, `20 h 22 min`. */
export function formatMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** The same rounded to what an estimate knows: five minutes up to two hours, half an hour up to ten, then hours. */
export function formatAbout(minutes: number): string {
  const step = minutes < 20 ? 1 : minutes < 120 ? 5 : minutes < 600 ? 30 : 60;
  return formatMinutes(Math.round(minutes / step) * step);
}
