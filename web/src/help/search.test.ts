import { describe, expect, it } from 'vitest';
import { helpPages } from '@/shared/messages/help';
import { searchHelp } from './search';

const pages = {
  one: {
    title: 'Sites',
    lead: 'A site is a database.',
    sections: { undo: { title: 'Undo a run', text: 'Every value comes back.' } },
  },
  two: { title: 'Fields', lead: 'One value.', sections: { add: { title: 'Add', steps: 'Type a line.\nUndo it.' } } },
};

describe('searching the help', () => {
  it('finds sections by words of their title, text and steps, titles first', () => {
    expect(searchHelp(pages, 'undo').map((hit) => hit.section)).toEqual(['undo', 'add']);
    expect(searchHelp(pages, 'UNDO  every')).toEqual([
      { page: 'one', section: 'undo', pageTitle: 'Sites', title: 'Undo a run', excerpt: 'Every value comes back.' },
    ]);
    expect(searchHelp(pages, 'database').map((hit) => [hit.page, hit.section])).toEqual([['one', '']]);
  });

  it('finds nothing for no words, and for words that stand nowhere together', () => {
    expect(searchHelp(pages, '  ')).toEqual([]);
    expect(searchHelp(pages, 'database undo')).toEqual([]);
  });

  it('shows what stands around a word, cut between words', () => {
    const long = `${'before '.repeat(30)}needle ${'after '.repeat(30)}`.trim();
    const [hit] = searchHelp({ p: { title: 'T', lead: long, sections: {} } }, 'needle');
    expect(hit?.excerpt).toMatch(/^… (before )+needle (after )+…$/);
    expect(hit?.excerpt.length).toBeLessThan(150);
  });

  it('has pages whose sections all say something', () => {
    for (const { title, sections } of Object.values(helpPages)) {
      for (const section of Object.values<{ title: string; text?: string; steps?: string }>(sections)) {
        expect([title, section.title, (section.text ?? section.steps ?? '').length > 40]).toEqual([
          title,
          section.title,
          true,
        ]);
      }
    }
  });
});
