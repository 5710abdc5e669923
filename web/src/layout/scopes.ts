import type { ContentType } from '@/shared/kinds';
import { within, type Block, type Way } from './blocks';

/** The type of what a block lists, by its id; empty where that is the record itself or a row of it. */
export function typeWithin(block: Block, ways: Way[], types: ContentType[], below: string[]): string {
  switch (block.block) {
    case 'related':
      return ways.find((way) => way.path === block.field)?.leads[0] ?? '';
    case 'children':
      return types.find((type) => (type.nested?.under ?? []).some((each) => below.includes(each)))?.id ?? '';
    default:
      return '';
  }
}

/** The blocks that one is within, outermost first; undefined where it is not there. */
export function wayTo(blocks: Block[], id: string): Block[] | undefined {
  for (const block of blocks) {
    if (block.id === id) {
      return [];
    }
    const inner = wayTo(within(block), id);
    if (inner) {
      return [block, ...inner];
    }
  }
  return undefined;
}
