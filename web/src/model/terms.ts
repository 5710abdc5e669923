import type { Term } from '@/shared/definitions';
import { newId } from '@/shared/kinds';
import { treeOf } from '@/shared/tree';

/** Edits of the tree of starter terms; each gives new terms and leaves the old ones as they are. */

export interface TermRow {
  term: Term;
  depth: number;
}

function holding(term: Term, children: Term[]): Term {
  const next = { ...term, children };
  if (children.length === 0) {
    delete (next as Term).children;
  }
  return next;
}

const tree = treeOf<Term>({ within: (term) => term.children ?? [], holding, holds: () => true });

export const replaceTerm = tree.replace;
export const removeTerm = tree.remove;
export const moveTerm = tree.move;
export const indentTerm = tree.indent;
export const outdentTerm = tree.outdent;

export function termRows(terms: Term[]): TermRow[] {
  return tree.rows(terms).map(({ of, depth }) => ({ term: of, depth }));
}

export function addTerm(terms: Term[], afterId?: string): { terms: Term[]; id: string } {
  const id = newId('w');
  return { terms: tree.add(terms, { id, key: '', label: '' }, afterId), id };
}
