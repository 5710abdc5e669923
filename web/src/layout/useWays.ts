import { shallowRef, watch, type ShallowRef } from 'vue';
import { useDraft } from '@/model/draft';
import { queryClient } from '@/shared/api/queries';
import { holds, waysInRows, within, type Block, type Way } from './blocks';
import { waysOf } from './queries';
import { typeWithin } from './scopes';

/** For each block by its id, and for the layout itself by '', what can be shown where it stands; see also {@link insideOf}. */
export type WaysByBlock = Map<string, Way[]>;

/** What names the inside of a block that holds others, also where it holds none yet. */
export const insideOf = (blockId: string): string => `inside ${blockId}`;

/** Asks what can be shown at every place of a layout: within related records it is theirs, within rows also the row's. */
export function useWays(type: () => string, blocks: () => Block[]): ShallowRef<WaysByBlock> {
  const draft = useDraft();
  const found = shallowRef<WaysByBlock>(new Map());
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
      try {
        const ways = await ask(type());
        const all: WaysByBlock = new Map([['', ways]]);
        await add(type(), ways, blocks(), all);
        if (mine === latest) {
          found.value = all;
        }
      } catch {
        // what cannot be asked now is asked with the next edit
      }
    },
    { immediate: true },
  );
  return found;
}
