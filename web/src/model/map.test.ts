import { describe, expect, it, vi } from 'vitest';
import type { Defined } from '@/shared/definitions';
import { laidOut, linksOf, neighbours } from './map';

/** A library of layouts that puts nodes under each other, as far apart as it is told. */
const asked: number[] = [];
/** How much higher a second picture comes out than its distances ask for. */
let swelling = 1;
vi.mock('elkjs/lib/elk-worker.min.js?url', () => ({ default: 'worker.js' }));
vi.mock('elkjs/lib/elk-api', () => ({
  default: class {
    layout(graph: {
      layoutOptions: Record<string, string>;
      children: { id: string; width: number; height: number }[];
      edges: { id: string; labels: object[] }[];
    }) {
      const apart = Number(graph.layoutOptions['elk.spacing.nodeNode']);
      asked.push(apart);
      return Promise.resolve({
        width: 400,
        height: graph.children.length * (44 + apart) * (apart > 28 ? swelling : 1),
        children: graph.children.map((node, i) => ({ ...node, x: 0, y: i * (44 + apart) })),
        edges: graph.edges.map((edge) => ({
          ...edge,
          labels: edge.labels.map((label) => ({ ...label, x: 5, y: 7 })),
          sections: [{ startPoint: { x: 0, y: 0 }, bendPoints: [{ x: 1, y: 1 }], endPoint: { x: 2, y: 2 } }],
        })),
      });
    }
  },
}));

const named = { path: '', plural: '' };
const lock = {
  sort: 'type',
  definition: {
    id: 't1',
    key: 'lock',
    singular: 'Lock',
    ...named,
    taxonomies: [{ use: 'x1' }],
    nested: { under: ['t2'] },
    groups: [
      {
        title: 'Facts',
        fields: [
          { id: 'r1', key: 'keeper', label: 'Keeper', kind: 'relation', to: ['t3'] },
          { id: 'w1', key: 'water', label: 'Water', kind: 'term', taxonomy: 'x1' },
          {
            id: 'rows',
            key: 'rows',
            label: 'Rows',
            kind: 'repeater',
            fields: [{ id: 'r2', key: 'seen', label: 'Seen from', kind: 'relation', to: ['t2', 'gone'] }],
          },
        ],
      },
      { use: 'g1' },
    ],
  },
} as unknown as Defined;
const plain = (sort: string, id: string, name: string) =>
  ({ sort, definition: { id, key: name, singular: name, title: name, ...named } }) as unknown as Defined;
const all = [
  lock,
  plain('type', 't2', 'Flight'),
  plain('type', 't3', 'Person'),
  plain('taxonomy', 'x1', 'Water'),
  plain('group', 'g1', 'Visitor facts'),
  plain('list', 'l1', 'Counties'),
];

describe('the links of a map', () => {
  const links = linksOf(all, { under: 'child of' });

  it('are relations, terms, shared groups, taxonomies and parents, also within rows', () => {
    expect(links.map((link) => `${link.from} ${link.label} ${link.to}`).sort()).toEqual(
      ['t1 Keeper t3', 't1 Water x1', 't1 Seen from t2', 't1  g1', 't1  x1', 't1 child of t2'].sort(),
    );
  });

  it('lead to the neighbours of a definition, from both ends', () => {
    expect([...neighbours('t2', links)].sort()).toEqual(['t1', 't2']);
    expect([...neighbours('t1', links)].sort()).toEqual(['g1', 't1', 't2', 't3', 'x1']);
  });
});

describe('the picture of a map', () => {
  const links = linksOf(all, { under: 'child of' });

  it('has what can be drawn, its lines and their labels', async () => {
    const laid = await laidOut(all, links, { width: 400, height: 300 });
    expect(laid.nodes.map((node) => node.name)).toEqual(['Lock', 'Flight', 'Person', 'Water', 'Visitor facts']);
    const keeper = laid.edges.find((edge) => edge.label === 'Keeper');
    expect(keeper).toMatchObject({ from: 't1', to: 't3', labelAt: { x: 8, y: 18 } });
    expect(keeper?.points).toEqual([
      { x: 0, y: 0 },
      { x: 1, y: 1 },
      { x: 2, y: 2 },
    ]);
    expect(laid.edges.find((edge) => edge.label === '')?.labelAt).toBeUndefined();
  });

  it('spreads where there is room below, and is laid out once where there is none', async () => {
    asked.length = 0;
    await laidOut(all, links, { width: 400, height: 300 });
    expect(asked).toEqual([28]);
    asked.length = 0;
    const spread = await laidOut(all, links, { width: 400, height: 700 });
    expect(asked).toHaveLength(2);
    expect(asked[1]).toBeGreaterThan(28);
    expect(spread.height).toBeLessThanOrEqual(700);
  });

  it('stays as it was where spreading would leave the room', async () => {
    asked.length = 0;
    swelling = 3;
    const laid = await laidOut(all, links, { width: 400, height: 450 });
    swelling = 1;
    expect(asked).toHaveLength(2);
    expect(laid.height).toBe(5 * (44 + 28));
  });
});
