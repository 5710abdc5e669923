import { describe, expect, it } from 'vitest';
import { habitsOf, patternOf, readMoment, showMoment, type MomentKind } from './dates';

const british = habitsOf('en-GB');
const american = habitsOf('en-US');
const german = habitsOf('de-DE');

describe('moments as people write them', () => {
  it.each([
    ['date', '31/05/1990', british, '1990-05-31'],
    ['date', '05/31/1990', american, '1990-05-31'],
    ['date', '31.5.1990', german, '1990-05-31'],
    ['date', '31051990', british, '1990-05-31'],
    ['date', '05311990', american, '1990-05-31'],
    ['date', '1990-5-31', american, '1990-05-31'],
    ['date', '31 May 1990', british, '1990-05-31'],
    ['date', 'May 31, 1990', american, '1990-05-31'],
    ['date', '31. Mai 1990', german, '1990-05-31'],
    ['date', '29/02/2024', british, '2024-02-29'],
    ['date', '10/10/1582', british, '1582-10-10'],
    ['date', '5/6/26', british, '2026-06-05'],
    ['date', '5/6/71', british, '1971-06-05'],
    ['time', '9:30', british, '09:30'],
    ['time', '0930', british, '09:30'],
    ['time', '9.30 pm', british, '21:30'],
    ['time', '12:05am', american, '00:05'],
    ['time', '21h30', german, '21:30'],
    ['date_time', '31/05/2026 14:30', british, '2026-05-31T14:30'],
    ['date_time', '06/01/2026 9:30 AM', american, '2026-06-01T09:30'],
    ['date_time', '2026-06-01T09:30', british, '2026-06-01T09:30'],
  ] as const)('%s "%s" is read', (kind, typed, habits, stored) => {
    expect(readMoment(kind, typed, habits)).toBe(stored);
  });

  it.each([
    ['date', '31/02/2024'],
    ['date', '29/02/2023'],
    ['date', '13/13/2024'],
    ['date', 'soon'],
    ['date', '31/05'],
    ['time', '25:00'],
    ['time', '13:00 pm'],
    ['time', '9:75'],
    ['date_time', '31/05/2026'],
    ['date_time', '14:30'],
  ] as const)('%s "%s" is none', (kind, typed) => {
    expect(readMoment(kind, typed, british)).toBeUndefined();
  });

  it('are shown as they are typed, for every kind and person', () => {
    const stored: Record<MomentKind, string> = { date: '1582-10-10', time: '21:30', date_time: '2026-05-31T14:30' };
    for (const habits of [british, american, german, habitsOf('ja-JP'), habitsOf('sv-SE')]) {
      for (const kind of ['date', 'time', 'date_time'] as const) {
        expect(readMoment(kind, showMoment(kind, stored[kind], habits), habits)).toBe(stored[kind]);
      }
    }
  });

  it('show what is no moment as it was typed, and say their pattern in letters', () => {
    expect(showMoment('date', 'soon', british)).toBe('soon');
    expect(showMoment('date', '', british)).toBe('');
    expect(patternOf('date', american)).toBe('MM/DD/YYYY');
    expect(patternOf('date_time', german)).toBe('DD.MM.YYYY hh:mm');
  });
});
