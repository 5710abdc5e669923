import type { Schemas } from './api/client';
import { i18n } from './i18n';

const MINUTE = 60;
const HOUR = 60 * MINUTE;
/** Up to so many seconds they are said as such. */
const AS_SECONDS = 90;

/** Seconds in words that are short and no more exact than they can be. */
export function duration(seconds: number): string {
  const { t } = i18n.global;
  if (seconds < AS_SECONDS) {
    return t('plan.seconds', { n: seconds < 10 ? Math.ceil(seconds * 10) / 10 : Math.round(seconds) });
  }
  return seconds < HOUR + HOUR / 2
    ? t('plan.minutes', { n: Math.round(seconds / MINUTE) })
    : t('plan.hours', { n: Math.round((seconds / HOUR) * 10) / 10 });
}

/** How long runs took in all, in seconds. */
export const secondsOf = (runs: readonly Schemas['RunView'][]): number =>
  runs.reduce(
    (sum, run) => sum + (run.finishedAt ? (Date.parse(run.finishedAt) - Date.parse(run.startedAt)) / 1000 : 0),
    0,
  );
