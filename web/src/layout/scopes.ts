import type { ContentType } from '@/shared/kinds';
import type { Block, Way } from './blocks';

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
