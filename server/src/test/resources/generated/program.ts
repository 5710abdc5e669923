import { ShapeError, SiteError, isIncluded } from './client.js';
import { Site, type Tree } from './model.js';

declare const process: { argv: string[] };
const [, , address = '', token = ''] = process.argv;
const site = new Site(address, { token });
const visitor = new Site(`${address}/`);

function equal(now: unknown, wanted: unknown, about: string): void {
  if (JSON.stringify(now) !== JSON.stringify(wanted)) {
    throw new Error(`${about}: ${JSON.stringify(now)} is not ${JSON.stringify(wanted)}`);
  }
}

async function refused(what: Promise<unknown>): Promise<SiteError> {
  try {
    await what;
  } catch (error) {
    if (error instanceof SiteError) {
      return error;
    }
    throw error;
  }
  throw new Error('This was not refused');
}

// made and read
const mother = (await site.trees.create({ title: 'Mother', height: 7.25 }, { state: 'published' })).value;
const made = await site.trees.create(
  {
    title: 'Old “Gold” ünder the hill',
    planted: '1998-03-01',
    height: 4.5,
    fruits: true,
    yield: 40,
    uses: ['table', 'juice'],
    mood: 'fine',
    spot: { latitude: 52.345678, longitude: -1.25 },
    bark: { tone: '#665544', texture: 'Rough' },
    prunings: [{ day: '2025-02-01', tools: ['saw'], cuts: [{ branch: 'Low', thick: 2.5 }] }, { day: '2026-02-01' }],
    parents: [{ type: 'tree', id: mother.id }],
  },
  { state: 'published' },
);
const tree: Tree = made.value;
equal([tree.height, tree.uses, tree.spot?.longitude], [4.5, ['table', 'juice'], -1.25], 'values');
equal(tree.prunings?.[0]?.cuts?.[0]?.thick, 2.5, 'rows in rows');
equal((await visitor.trees.get(tree.slug)).value.id, tree.id, 'by slug');

// filters, sorting, fields and included records
const high = await visitor.trees.list({ filter: { all: [{ field: 'height', above: 4 }, { field: 'height', below: 100 }, { not: { field: 'mood', is: 'ill' } }] } });
equal(high.items.map((each) => each.title).sort(), ['Mother', 'Old “Gold” ünder the hill'], 'filtered');
const sorted = await visitor.trees.list({ sort: ['-height'], fields: ['height'], filter: { all: [{ field: 'height', at_least: 4.5 }, { field: 'height', below: 100 }] } });
equal(sorted.items.map((each) => [each.height, each.title]), [[7.25, undefined], [4.5, undefined]], 'sorted');
const found = (await visitor.trees.list({ search: 'Gold', include: ['parents'] })).items[0];
const parent = found?.parents?.[0];
equal(parent && isIncluded(parent) ? parent.height : parent, 7.25, 'included');
const link = (await visitor.trees.get(tree.id)).value.parents?.[0];
equal(link && !isIncluded(link) ? link.title : link, 'Mother', 'not included');

// page by page
for (let i = 0; i < 5; i++) {
  await site.trees.create({ title: `Young ${String(i)}`, height: i }, { state: 'published' });
}
const young: (string | undefined)[] = [];
for await (const each of visitor.trees.all({ limit: 2, sort: ['height'], filter: { field: 'height', below: 4 } })) {
  young.push(each.title);
}
equal(young, ['Young 0', 'Young 1', 'Young 2', 'Young 3'], 'pages');

// changed with the mark of what was read
const read = await site.trees.get(tree.id);
const changed = await site.trees.change(tree.id, read.etag, { height: 5, mood: null });
equal([changed.value.height, changed.value.mood, changed.value.fruits], [5, undefined, true], 'changed');
const late = await refused(site.trees.change(tree.id, read.etag, { height: 6 }));
equal([late.status, late.overtaken], [412, true], 'overtaken');
const replaced = await site.trees.replace(tree.id, changed.etag, { title: 'Gold' });
equal([replaced.value.title, replaced.value.height], ['Gold', undefined], 'replaced');
await site.trees.remove(tree.id, replaced.etag);
equal((await refused(site.trees.get(tree.id))).status, 404, 'removed');

// errors say what to do
const wrong = await refused(site.trees.create({ title: 'Low', height: -3 }, { state: 'published' }));
equal([wrong.status, wrong.problems.length > 0], [422, true], 'invalid');
equal((await refused(visitor.trees.create({ title: 'Stranger' }))).status, 401, 'without a token');

// terms and site values
const term = await site.sortTerms.create({ label: 'Quince' });
equal((await site.sortTerms.get(term.value.id)).value.label, 'Quince', 'term');
const office = await site.officeValues.get();
equal((await site.officeValues.change(office.etag, { opens: '08:30' })).value.opens, '08:30', 'site values');

// what another release would give is told
const elsewhere = new Site(address, {
  fetch: () => Promise.resolve(new Response('{"items":[{"id":1,"slug":"a","updated_at":"","mood":"moody"}],"total":1,"total_exact":true}')),
});
try {
  await elsewhere.trees.list();
  throw new Error('The shape was not checked');
} catch (error) {
  equal(error instanceof ShapeError && error.message, 'trees[0].mood is not one of fine, ill', 'shape');
}
console.log('all is well');
