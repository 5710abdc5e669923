/** Widths of the columns of a list, in pixels. */
const LEAST = 72;
const MOST = 420;
/** Room beside a text: the paddings of a cell, and the arrow of a sorted heading. */
const PADDING = 20;
const ARROW = 16;
const FONT = '14px "Atkinson Hyperlegible Next Variable", sans-serif';
/** Where nothing can be measured: an ordinary letter of this font. */
const LETTER = 7.4;
const context = typeof document === 'undefined' ? null : document.createElement('canvas').getContext('2d');

/** How wide a text is. */
export function textWidth(text: string): number {
  if (!context) {
    return text.length * LETTER;
  }
  context.font = FONT;
  return context.measureText(text).width;
}

/** What a column needs to show its values uncut, within reason; its heading may break into lines, its longest word not. */
export function neededWidth(heading: string, texts: readonly string[], measure = textWidth): number {
  const words = heading.split(/\s+/).map((word) => measure(word) + ARROW);
  const widest = Math.max(0, ...words, ...texts.map(measure));
  return Math.round(Math.min(MOST, Math.max(LEAST, widest + PADDING)));
}

/**
 * Columns fitted into the room there is. Those that somebody has drawn keep their width. If all have what they need, the first takes
 * what is left; else the widest give way, down to a least width below which the list is scrolled.
 */
export function fitted(needed: readonly number[], drawn: readonly (number | undefined)[], room: number): number[] {
  const widths = needed.map((width, at) => drawn[at] ?? width);
  const free = widths.map((_, at) => at).filter((at) => drawn[at] === undefined);
  let over = widths.reduce((sum, width) => sum + width, 0) - room;
  const widthAt = (at: number) => widths[at] ?? 0;
  while (over > 0) {
    const widest = free.reduce((best, at) => (widthAt(at) > widthAt(best) ? at : best), free[0] ?? -1);
    const wide = widthAt(widest);
    if (widest < 0 || wide <= LEAST) {
      break;
    }
    // down to the next widest, so that a long column gives way before short ones do
    const next = Math.max(LEAST, ...free.map(widthAt).filter((width) => width < wide));
    const ties = free.filter((at) => widthAt(at) === wide);
    const less = Math.min(wide - next, Math.ceil(over / ties.length)) || 1;
    ties.forEach((at) => (widths[at] = wide - less));
    over -= less * ties.length;
  }
  const taker = free[0];
  if (over < 0 && taker !== undefined) {
    widths[taker] = widthAt(taker) - over;
  }
  return widths;
}
