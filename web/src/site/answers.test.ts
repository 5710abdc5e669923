import { describe, expect, it } from 'vitest';
import { common, folded, grouped, pastedPairs, said, type Ask } from './answers';

const ask: Ask = {
  finding: { code: 'X', severity: 'blocker', sentence: '', place: '', definition: '', field: '', property: '' },
  definition: 't1',
  holder: 'Structures',
  fieldId: 'frise',
  element: 'mooring.field',
  label: 'Rise',
  example: '',
  kind: 'number',
  about: 'unconverted',
  rows: 3,
  choices: ['correct', 'set_aside'],
  value: '',
  proposed: '',
  corrections: [],
};

describe('answers', () => {
  it('are taken together where all questions take them and nothing more is needed', () => {
    const other: Ask = { ...ask, fieldId: 'fdepth', about: 'required_empty', choices: ['fill', 'leave'] };
    expect(common([ask, { ...ask, fieldId: 'fwidth' }])).toEqual(['set_aside']);
    expect(common([ask, other])).toEqual([]);
    expect(common([])).toEqual([]);
  });

  it('are said in a few words', () => {
    expect(said(ask)).toBe('');
    expect(said({ ...ask, answer: 'set_aside' })).toBe('Set aside');
    expect(said({ ...ask, answer: 'set_aside', corrections: [{ from: 'a', to: '1' }] })).toBe(
      '1 corrected, the rest set aside',
    );
    const aside = { from: 'a', to: '' };
    expect(said({ ...ask, answer: 'correct', corrections: [aside] })).toBe('Set aside');
    expect(said({ ...ask, answer: 'correct', corrections: [aside, { from: 'b', to: '1' }] })).toBe(
      '1 corrected, the rest set aside',
    );
    expect(said({ ...ask, about: 'sources', answer: 'leave' })).toBe('Begin empty');
    expect(said({ ...ask, about: 'required_empty', answer: 'fill', value: '2' })).toBe('Fill with 2');
  });
});

describe('a pasted mapping', () => {
  it('has two columns, with a tab or a semicolon between them', () => {
    expect(pastedPairs('about 9ft\t2.74\r\n8 ft 6 in; 2.59\n\nnot known\t\nx')).toEqual([
      ['about 9ft', '2.74'],
      ['8 ft 6 in', '2.59'],
    ]);
  });
});

describe('spellings', () => {
  it('stand together, where the most frequent stands', () => {
    const values = ['Sound', 'poor', 'SOUND', 'so-so', 'sound ', 'Só só'].map((text) => ({ text }));
    expect(grouped(values).map((each) => each.text)).toEqual(['Sound', 'SOUND', 'sound ', 'poor', 'so-so', 'Só só']);
  });

  it('keep what has no letters apart', () => {
    expect(folded('?')).toBe('?');
    expect(folded('-')).toBe('-');
  });
});
