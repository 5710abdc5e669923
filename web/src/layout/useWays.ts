import { computed, shallowRef, watch, type ComputedRef } from 'vue';
import { useDraft } from '@/model/draft';
import { queryClient } from '@/shared/api/queries';
import { holds, waysInRows, within, type Block, type Way } from './blocks';
import { waysOf } from './queries';
import { typeWithin } from './scopes';

/** For each block by its id, and for the layout itself by '', what can be shown where it stands; see also {@link insideOf}. */
export type WaysByBlock = Map<string, Way[]>;

/** What names the inside of a block that holds others, also where it holds none yet. */
export const insideOf = (blockId: string): string => `inside ${blockId}`;

const unknown: WaysByBlock = new Map();

/**
 * Asks what can be shown at every place of a layout: within related records it is theirs, within rows also the row's. The last
 * answer stays while the next is awaited, but never that for another type.
 */
export function useWays(type: () => string, blocks: () => Block[]): ComputedRef<WaysByBlock> {
  const draft = useDraft();
  const found = shallowRef({ type: '', ways: unknown });
  let latest = 0;

  const ask = (of: string): Promise<Way[]> =>
    queryClient.query({ ...waysOf(draft.workspace, of, draft.revision), staleTime: Infinity });

  async function add(of: string, ways: Way[], some: Block[], all: WaysByBlock): Promise<void> {
    for (const block of some) {
      all.set(block.id ?? '', ways);
      const inner = within(block);
      if (!inner.length && !holds(block)) {
        continue;
      }
      const next = typeWithin(block, ways, draft.types, [of]);
      const there = block.block === 'rows' ? waysInRows(ways, block.field) : next ? await ask(next) : ways;
      all.set(insideOf(block.id ?? ''), there);
      await add(next || of, there, inner, all);
    }
  }

  watch(
    [type, blocks, () => draft.revision],
    async () => {
      const mine = ++latest;
      const of = type();
      try {
        const ways = await ask(of);
        const all: WaysByBlock = new Map([['', ways]]);
        await add(of, ways, blocks(), all);
        if (mine === latest) {
          found.value = { type: of, ways: all };
        }
      } catch {
        // what cannot be asked now is asked with the next edit
      }
    },
    { immediate: true },
  );
  return computed(() => (found.value.type === type() ? found.value.ways : unknown));
}
