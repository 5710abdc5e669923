import { Node } from '@tiptap/core';
import { watchEffect } from 'vue';
import type { Schemas } from '@/shared/api/client';

/** A value or a listing that can stand in a formatted text. */
export type Insertion = Schemas['InsertionView'];

/** What something is called that stands in a text. */
type LabelOf = (sort: 'value' | 'listing', name: string) => string;

interface InsertionOptions {
  labelOf: LabelOf;
}

/** A place in a text for what the record, or the site, has. */
function insertionNode(sort: 'value' | 'listing') {
  const attribute = `data-${sort}`;
  const tag = sort === 'value' ? 'span' : 'div';
  return Node.create<InsertionOptions>({
    name: sort,
    group: sort === 'value' ? 'inline' : 'outermost',
    inline: sort === 'value',
    atom: true,
    addOptions: () => ({ labelOf: (_sort, name) => name }),
    addAttributes: () => ({
      name: {
        default: '',
        parseHTML: (element: HTMLElement) => element.getAttribute(attribute),
        renderHTML: ({ name }: Record<string, unknown>) => ({ [attribute]: name }),
      },
    }),
    parseHTML: () => [{ tag: `${tag}[${attribute}]` }],
    renderHTML: ({ HTMLAttributes }) => [tag, HTMLAttributes],
    addNodeView() {
      return ({ node }) => {
        const dom = document.createElement(tag);
        dom.className = `insertion ${sort}`;
        dom.contentEditable = 'false';
        const stop = watchEffect(() => {
          dom.textContent = this.options.labelOf(sort, String(node.attrs.name));
        });
        return { dom, destroy: stop };
      };
    },
  });
}

export const ValueInText = insertionNode('value');
export const ListingInText = insertionNode('listing');

/** A text; listings stand between its outermost blocks alone. */
export const textDocument = (listings: boolean) =>
  Node.create({ name: 'doc', topNode: true, content: listings ? '(block | outermost)+' : 'block+' });
