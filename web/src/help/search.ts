import type { HelpPageText } from '@/shared/messages/help';

export interface HelpHit {
  page: string;
  section: string;
  pageTitle: string;
  title: string;
  excerpt: string;
}

const AROUND = 60;

/** The sections that have all of the words, whatever their case; those that have them in their title come first. */
export function searchHelp(pages: Record<string, HelpPageText>, words: string): HelpHit[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  if (!wanted.length) {
    return [];
  }
  const hits = Object.entries(pages).flatMap(([page, { title: pageTitle, lead, sections }]) =>
    Object.entries({ '': { title: pageTitle, text: lead }, ...sections })
      .map(([section, each]) => ({ page, section, pageTitle, title: each.title, text: textOf(each) }))
      .filter((each) => hasAll(`${each.title} ${each.text}`, wanted))
      .map(({ text, ...hit }) => ({ ...hit, excerpt: excerptOf(text, wanted[0] ?? '') })),
  );
  const titled = (hit: HelpHit) => hasAll(hit.title, wanted);
  return [...hits.filter(titled), ...hits.filter((hit) => !titled(hit))];
}

function textOf({ text, steps }: { text?: string; steps?: string }): string {
  return [text, steps].filter(Boolean).join(' ').replaceAll('\n', ' ');
}

function hasAll(text: string, words: string[]): boolean {
  return words.every((word) => text.toLowerCase().includes(word));
}

/** Some words before and after the one that was looked for, cut between words. */
function excerptOf(text: string, word: string): string {
  const at = Math.max(0, text.toLowerCase().indexOf(word));
  const from = at <= AROUND ? 0 : text.indexOf(' ', at - AROUND) + 1;
  const end = at + word.length + AROUND;
  const to = end >= text.length ? text.length : text.lastIndexOf(' ', end);
  return `${from > 0 ? '… ' : ''}${text.slice(from, Math.max(to, from))}${to < text.length ? ' …' : ''}`;
}
