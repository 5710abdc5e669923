import { describe, expect, it } from 'vitest';
import { pathAt, wordsAt, type Schema } from './completion';

const root: Schema = {
  properties: {
    key: { type: 'string', description: 'The name.' },
    hierarchical: { type: 'boolean' },
    groups: {
      type: 'array',
      items: { properties: { title: {}, fields: { type: 'array', items: { $ref: '#/$defs/field' } } } },
    },
  },
  $defs: {
    field: {
      allOf: [
        { then: { properties: { kind: { const: 'text' }, pattern: {} } } },
        { then: { properties: { kind: { const: 'number' }, unit: {}, shown: { enum: ['box', 'slider'] } } } },
      ],
    },
  },
};
const words = (before: string) => wordsAt(root, before).map((each) => each.word);

describe('completion', () => {
  it('knows where a text leads, in blocks and on one line', () => {
    expect(pathAt('groups:\n  - title: A\n    fields:\n      - ').path).toEqual(['groups', 'fields']);
    expect(pathAt('groups:\n  - fields:\n      - {key: a, kind: ')).toEqual({
      path: ['groups', 'fields'],
      property: 'kind',
    });
  });

  it('offers what can stand there', () => {
    expect(words('')).toEqual(['key', 'hierarchical', 'groups']);
    expect(words('hierarchical: ')).toEqual(['true', 'false']);
    expect(words('groups:\n  - ')).toEqual(['title', 'fields']);
    expect(words('groups:\n  - fields:\n      - {')).toEqual(['kind', 'pattern', 'unit', 'shown']);
    expect(words('groups:\n  - fields:\n      - {kind: ')).toEqual(['text', 'number']);
    expect(words('groups:\n  - fields:\n      - {kind: number, shown: ')).toEqual(['box', 'slider']);
    expect(words('nowhere:\n  - ')).toEqual([]);
  });
});
