import { expect, it } from 'vitest';
import type { ContentType } from '@/shared/kinds';
import { drawing } from '@/shared/testing/draw';
import { moved, navigation } from './navigation';

const type = (plural: string, place?: number): ContentType => ({
  id: plural,
  key: plural.toLowerCase(),
  singular: plural,
  plural,
  path: plural.toLowerCase(),
  ...(place === undefined ? {} : { navigation_place: place }),
});
const names = (types: ContentType[]) => navigation(types).map((each) => each.plural);

/** The types after a move. */
function move(types: ContentType[], id: string, by: number): ContentType[] {
  const changes = moved(types, id, by);
  return types.map((each) => changes.find((change) => change.id === each.id) ?? each);
}

it('orders by place, then by plural, and leaves out what is not in it', () => {
  const hidden = [
    { ...type('A'), navigation: false },
    { ...type('B'), public: false },
    { ...type('C'), index: { on: false } },
  ];
  expect(names([type('bells', 2), type('Zebras', 1), type('ropes'), type('Peals'), ...hidden])).toEqual([
    'Zebras',
    'bells',
    'Peals',
    'ropes',
  ]);
});

it('places no more than it has to', () => {
  const types = ['Ash', 'Beech', 'Cedar', 'Elm'].map((plural) => type(plural));
  expect(moved(types, 'Cedar', -2).map((each) => each.plural)).toEqual(['Cedar']);
  expect(moved(types, 'Ash', 1).map((each) => [each.plural, each.navigation_place])).toEqual([['Beech', 1]]);
  expect(moved(types, 'Ash', -1)).toEqual([]);
  expect(moved(types, 'Elm', 1)).toEqual([]);
});

it('moves every type to where it is moved, however often', () => {
  let types = ['Ash', 'Beech', 'Cedar', 'Elm', 'Fir'].map((plural) => type(plural));
  const draw = drawing(7);
  for (let i = 0; i < 500; i++) {
    const order = names(types);
    const from = draw(order.length);
    const to = draw(order.length);
    const expected = order.filter((_, at) => at !== from);
    expected.splice(to, 0, order[from] ?? '');
    types = move(types, order[from] ?? '', to - from);
    expect(names(types)).toEqual(expected);
  }
});
