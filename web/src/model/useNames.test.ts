import { createPinia, setActivePinia } from 'pinia';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { ContentType, Field } from '@/shared/kinds';
import { useDraft } from './draft';
import { useDerivedKeys } from './useNames';

const made = (label: string, taken: string[]) => {
  const key = label.toLowerCase().replaceAll(' ', '_');
  return taken.includes(key) ? `${key}_2` : key;
};

/** What the server answers with to a label, and the keys that are taken. */
const keyFor = vi.fn<(label: string, taken: string[]) => Promise<string>>();

/** A server that is away for all but names. */
async function server(request: Request): Promise<Response> {
  if (!request.url.endsWith('/api/proof/names')) {
    throw new TypeError('network');
  }
  const { labels, taken } = (await request.json()) as { labels: string[]; taken: string[] };
  try {
    return Response.json({ keys: [await keyFor(labels[0] ?? '', taken)] });
  } catch {
    return Response.json({}, { status: 503 });
  }
}

const relation: Field = {
  id: 'f3',
  key: 'keeper',
  label: 'Keeper',
  kind: 'relation',
  to: [],
  inverse: { id: 'i1', key: '', label: '' },
};
const mooring: ContentType = {
  id: 't1',
  key: 'mooring',
  singular: 'Mooring',
  plural: 'Moorings',
  path: 'moorings',
  groups: [
    {
      id: 'g1',
      title: 'Berth',
      fields: [
        { id: 'f1', key: '', label: '', kind: 'text' },
        { id: 'f2', key: '', label: '', kind: 'repeater', fields: [{ id: 'c1', key: '', label: '', kind: 'text' }] },
        relation,
      ],
    },
  ],
};

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('fetch', server);
  keyFor.mockImplementation((label, taken) => Promise.resolve(made(label, taken)));
  localStorage.clear();
  setActivePinia(createPinia());
  useDraft().edit({ sort: 'type', definition: mooring });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

function keyOf(id: string): string {
  const text = JSON.stringify(useDraft().definitions[0]);
  return new RegExp(`"id":"${id}","key":"([^"]*)"`).exec(text)?.[1] ?? 'none';
}

describe('keys that are made from labels', () => {
  it('come for every row of somebody who types fast', async () => {
    const keys = useDerivedKeys();
    for (const [id, label] of [
      ['f1', 'Depth'],
      ['f2', 'Visits'],
      ['c1', 'Day'],
    ] as const) {
      keys.begin(id);
      keys.label(id, label.slice(0, 2), '', () => []);
      await vi.advanceTimersByTimeAsync(50);
      keys.label(id, label, '', () => []);
      keys.end(id);
    }
    await vi.advanceTimersByTimeAsync(500);
    expect(['f1', 'f2', 'c1'].map(keyOf)).toEqual(['depth', 'visits', 'day']);
  });

  it('come for the other end of a relation, also when its sheet was left', async () => {
    useDerivedKeys().label('i1', 'Keeps', '', () => []);
    await vi.advanceTimersByTimeAsync(500);
    expect(keyOf('i1')).toBe('keeps');
  });

  it('are those of the last label, whichever answer comes last', async () => {
    let answer: (key: string) => void = () => undefined;
    keyFor.mockImplementationOnce(() => new Promise((resolve) => (answer = resolve)));
    const keys = useDerivedKeys();
    keys.label('f1', 'Dep', '', () => []);
    await vi.advanceTimersByTimeAsync(300);
    keys.label('f1', 'Depth', '', () => []);
    await vi.advanceTimersByTimeAsync(300);
    answer('dep');
    await vi.advanceTimersByTimeAsync(10);
    expect(keyOf('f1')).toBe('depth');
  });

  it('come later where the server could not be asked', async () => {
    keyFor.mockRejectedValueOnce(new Error('away'));
    useDerivedKeys().label('f1', 'Depth', '', () => []);
    await vi.advanceTimersByTimeAsync(500);
    expect(keyOf('f1')).toBe('');
    await vi.advanceTimersByTimeAsync(2_000);
    expect(keyOf('f1')).toBe('depth');
  });

  it('leave alone what somebody typed, and meet no other', async () => {
    const keys = useDerivedKeys();
    keys.label('f1', 'Depth', '', () => []);
    keys.typed('f1');
    keys.label('c1', 'Day', '', () => ['day']);
    await vi.advanceTimersByTimeAsync(500);
    expect([keyOf('f1'), keyOf('c1')]).toEqual(['', 'day_2']);
  });
});
