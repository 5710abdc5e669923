import { describe, expect, it } from 'vitest';
import { kindCodes, newId, withKind, withSetting, type Field } from './kinds';

const field: Field = { id: 'f1', key: 'rise', label: 'Rise', kind: 'number', decimals: 2, required: true, help: 'H' };

describe('kinds', () => {
  it('keeps what all fields have when the kind changes, and nothing else', () => {
    expect(withKind(field, 'date')).toEqual({
      id: 'f1',
      key: 'rise',
      label: 'Rise',
      kind: 'date',
      required: true,
      help: 'H',
    });
    expect(withKind(field, 'choice')).toMatchObject({ kind: 'choice', options: [] });
  });

  it('leaves an emptied setting out, so that the default holds', () => {
    expect(withSetting(field, 'decimals', '')).not.toHaveProperty('decimals');
    expect(withSetting(field, 'min', 0)).toHaveProperty('min', 0);
    expect(withSetting(field, 'min', undefined)).not.toHaveProperty('min');
  });

  it('makes ids that the server accepts', () => {
    const made = Array.from({ length: 200 }, () => newId('f'));
    expect(new Set(made).size).toBe(200);
    expect(made.every((id) => /^[a-z][a-z0-9]{2,19}$/.test(id))).toBe(true);
  });

  it('knows every kind of this version', () => {
    expect(kindCodes).toHaveLength(22);
  });
});
