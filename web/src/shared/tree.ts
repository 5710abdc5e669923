/** How things hold others of their kind; each edit gives new things and leaves the old ones as they are. */
export interface Nesting<T extends { id?: string }> {
  within: (of: T) => T[];
  /** The same thing with others within it. */
  holding: (of: T, within: T[]) => T;
  /** Whether others may be put into it. */
  holds: (of: T) => boolean;
}

export interface TreeRow<T> {
  of: T;
  depth: number;
}

/** Beside another, or as the last within it. */
export type DropSide = 'before' | 'after' | 'within';

export interface Tree<T> {
  rows: (all: T[], depth?: number) => TreeRow<T>[];
  replace: (all: T[], one: T) => T[];
  remove: (all: T[], id: string) => T[];
  /** Behind the one with this id; at the end where there is none. */
  add: (all: T[], made: T, afterId?: string) => T[];
  /** As the last within the one with this id. */
  addWithin: (all: T[], made: T, intoId: string) => T[];
  move: (all: T[], id: string, by: -1 | 1) => T[];
  /** Where somebody drops it; as it was where that is itself, or within itself. */
  drop: (all: T[], id: string, where: DropSide, target: string) => T[];
  /** Into the one before it. */
  indent: (all: T[], id: string) => T[];
  /** Beside the one that it is within, behind that. */
  outdent: (all: T[], id: string) => T[];
}

export function treeOf<T extends { id?: string }>({ within, holding, holds }: Nesting<T>): Tree<T> {
  const map = (all: T[], change: (siblings: T[]) => T[]): T[] =>
    change(all.map((each) => holding(each, map(within(each), change))));

  const rows = (all: T[], depth = 0): TreeRow<T>[] =>
    all.flatMap((of) => [{ of, depth }, ...rows(within(of), depth + 1)]);

  function move(all: T[], id: string, by: -1 | 1): T[] {
    return map(all, (siblings) => {
      const at = siblings.findIndex((each) => each.id === id);
      const next = [...siblings];
      const [moved] = at >= 0 && at + by >= 0 && at + by < siblings.length ? next.splice(at, 1) : [];
      if (moved) {
        next.splice(at + by, 0, moved);
      }
      return next;
    });
  }

  function drop(all: T[], id: string, where: DropSide, target: string): T[] {
    const moved = rows(all).find(({ of }) => of.id === id)?.of;
    const there = rows(all).some(({ of }) => of.id === target);
    if (!moved || !there || rows([moved]).some(({ of }) => of.id === target)) {
      return all;
    }
    const without = map(all, (siblings) => siblings.filter((each) => each.id !== id));
    return map(without, (siblings) =>
      siblings.flatMap((each) => {
        if (each.id !== target) {
          return [each];
        }
        if (where === 'within') {
          return [holds(each) ? holding(each, [...within(each), moved]) : each, ...(holds(each) ? [] : [moved])];
        }
        return where === 'before' ? [moved, each] : [each, moved];
      }),
    );
  }

  function indent(all: T[], id: string): T[] {
    return map(all, (siblings) => {
      const at = siblings.findIndex((each) => each.id === id);
      const above = siblings[at - 1];
      const moved = siblings[at];
      if (at < 1 || !above || !moved || !holds(above)) {
        return siblings;
      }
      const into = holding(above, [...within(above), moved]);
      return siblings.filter((each) => each.id !== id).map((each) => (each.id === above.id ? into : each));
    });
  }

  function outdent(all: T[], id: string): T[] {
    return map(all, (siblings) =>
      siblings.flatMap((each) => {
        const moved = within(each).find((child) => child.id === id);
        return moved
          ? [
              holding(
                each,
                within(each).filter((child) => child.id !== id),
              ),
              moved,
            ]
          : [each];
      }),
    );
  }

  return {
    rows,
    replace: (all, one) => map(all, (siblings) => siblings.map((each) => (each.id === one.id ? one : each))),
    remove: (all, id) => map(all, (siblings) => siblings.filter((each) => each.id !== id)),
    add: (all, made, afterId) =>
      afterId === undefined
        ? [...all, made]
        : map(all, (siblings) => siblings.flatMap((each) => (each.id === afterId ? [each, made] : [each]))),
    addWithin: (all, made, intoId) =>
      map(all, (siblings) =>
        siblings.map((each) => (each.id === intoId ? holding(each, [...within(each), made]) : each)),
      ),
    move,
    drop,
    indent,
    outdent,
  };
}
