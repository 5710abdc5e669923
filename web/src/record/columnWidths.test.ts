import { describe, expect, it } from 'vitest';
import { fitted, neededWidth } from './columnWidths';

const measure = (text: string) => text.length * 10;
const sum = (widths: number[]) => widths.reduce((a, b) => a + b, 0);

describe('widths of columns', () => {
  it('are what the values need, within bounds', () => {
    expect(neededWidth('Rise', ['2.59 m'], measure)).toBe(80);
    expect(neededWidth('Rise', ['2'], measure)).toBe(76);
    expect(neededWidth('No', [], measure)).toBe(72);
    expect(neededWidth('Rise', ['word '.repeat(100)], measure)).toBe(420);
    expect(neededWidth('Charge per night', ['5'], measure)).toBe(96);
  });

  it('leave what is over to the first', () => {
    expect(fitted([100, 80, 80], [], 500)).toEqual([340, 80, 80]);
  });

  it('are cut where most is, and only as far as must be', () => {
    const widths = fitted([400, 90, 80], [], 500);
    expect(widths).toEqual([330, 90, 80]);
    expect(sum(fitted([300, 300, 100], [], 500))).toBe(500);
    expect(fitted([300, 300, 100], [], 500)).toEqual([200, 200, 100]);
  });

  it('stay as somebody has drawn them', () => {
    expect(fitted([100, 80, 80], [undefined, 200, undefined], 500)).toEqual([220, 200, 80]);
    expect(fitted([400, 80, 80], [undefined, 200, undefined], 500)).toEqual([220, 200, 80]);
    expect(fitted([100, 80], [300, 300], 500)).toEqual([300, 300]);
  });

  it('are never less than can be read, then the list is wider than its room', () => {
    expect(fitted([200, 200, 200], [], 100)).toEqual([72, 72, 72]);
  });
});
