import type { Term } from '@/shared/definitions';
import { newId } from '@/shared/kinds';

/** Edits of the tree of starter terms; each gives new terms and leaves the old ones as they are. */

export interface TermRow {
  term: Term;
  depth: number;
}

export function termRows(terms: Term[], depth = 0): TermRow[] {
  return terms.flatMap((term) => [{ term, depth }, ...termRows(term.children ?? [], depth + 1)]);
}

function withChildren(term: Term, children: Term[]): Term {
  const next = { ...term, children };
  if (children.length === 0) {
    delete (next as Term).children;
  }
  return next;
}

function map(terms: Term[], change: (siblings: Term[]) => Term[]): Term[] {
  return change(terms.map((term) => withChildren(term, map(term.children ?? [], change))));
}

export function replaceTerm(terms: Term[], term: Term): Term[] {
  return map(terms, (siblings) => siblings.map((each) => (each.id === term.id ? { ...each, ...term } : each)));
}

export function removeTerm(terms: Term[], id: string): Term[] {
  return map(terms, (siblings) => siblings.filter((each) => each.id !== id));
}

export function addTerm(terms: Term[], afterId?: string): { terms: Term[]; id: string } {
  const made: Term = { id: newId('w'), key: '', label: '' };
  const id = made.id ?? '';
  if (afterId === undefined) {
    return { terms: [...terms, made], id };
  }
  return {
    terms: map(terms, (siblings) => siblings.flatMap((each) => (each.id === afterId ? [each, made] : [each]))),
    id,
  };
}

export function moveTerm(terms: Term[], id: string, by: -1 | 1): Term[] {
  return map(terms, (siblings) => {
    const at = siblings.findIndex((each) => each.id === id);
    const next = [...siblings];
    const [moved] = at >= 0 && at + by >= 0 && at + by < siblings.length ? next.splice(at, 1) : [];
    if (moved) {
      next.splice(at + by, 0, moved);
    }
    return next;
  });
}

/** Below the term before it. */
export function indentTerm(terms: Term[], id: string): Term[] {
  return map(terms, (siblings) => {
    const at = siblings.findIndex((each) => each.id === id);
    const above = siblings[at - 1];
    const moved = siblings[at];
    if (at < 1 || !above || !moved) {
      return siblings;
    }
    const into = withChildren(above, [...(above.children ?? []), moved]);
    return siblings.filter((each) => each.id !== id).map((each) => (each.id === above.id ? into : each));
  });
}

/** Beside the term above it, behind that. */
export function outdentTerm(terms: Term[], id: string): Term[] {
  return map(terms, (siblings) =>
    siblings.flatMap((each) => {
      const moved = (each.children ?? []).find((child) => child.id === id);
      return moved
        ? [
            withChildren(
              each,
              (each.children ?? []).filter((child) => child.id !== id),
            ),
            moved,
          ]
        : [each];
    }),
  );
}
