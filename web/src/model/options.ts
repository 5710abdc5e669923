/** An option as somebody wrote it down. */
export interface WrittenOption {
  label: string;
  /** What stands in a second column; empty for none. */
  key: string;
}

const SEPARATORS = ['\n', ';', '|', ','];

/**
 * The options in a text: one a line, with a key behind a tab if there is one; or one line in which semicolons, bars or commas stand
 * between them. Repeated and empty ones are left out, bullets and numbers before them as well.
 */
export function readOptions(text: string): WrittenOption[] {
  const lines = text.replaceAll('\r', '').trim();
  const separator = SEPARATORS.find((each) => lines.includes(each)) ?? '\n';
  const seen = new Set<string>();
  return lines
    .split(separator)
    .map((line) => {
      const [label = '', key = ''] = line.split('\t');
      return { label: label.trim().replace(/^(?:[-*•–]|\d+[.)])\s+/, ''), key: key.trim() };
    })
    .filter(({ label }) => {
      const isNew = label !== '' && !seen.has(label.toLowerCase());
      seen.add(label.toLowerCase());
      return isNew;
    });
}
