const SHORT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
const LONG = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

export const shortTime = (iso: string) => SHORT.format(new Date(iso));
export const longTime = (iso: string) => LONG.format(new Date(iso));

/** Seconds between two times with one decimal. */
export function secondsBetween(from: string, to: string): string {
  return ((Date.parse(to) - Date.parse(from)) / 1000).toFixed(1);
}
