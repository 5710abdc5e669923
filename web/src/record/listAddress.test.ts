import { describe, expect, it } from 'vitest';
import { fromQuery, toQuery } from './listAddress';

const usual = ['f1', 'f2'];

describe('the address of a list', () => {
  it.each([
    { search: '', filter: [], order: '', columns: usual },
    { search: 'lock & key', filter: [], order: '-f1', columns: ['f2'] },
    { search: '', filter: [{ field: 'f1', test: 'has', value: 'a,b="c"' }], order: '', columns: [] },
  ] as const)('says all of it: %o', (view) => {
    const given = { ...view, filter: [...view.filter], columns: [...view.columns] };
    expect(fromQuery(toQuery(given, usual), usual)).toEqual(given);
  });

  it('is empty where nothing is out of the usual', () => {
    expect(toQuery({ search: '', filter: [], order: '', columns: usual }, usual)).toEqual({});
  });

  it.each(['{', '[1]', '[{"field":"f1"}]', '"x"'])('leaves out what it cannot read: %s', (filter) => {
    expect(fromQuery({ filter }, usual).filter).toEqual([]);
  });
});
