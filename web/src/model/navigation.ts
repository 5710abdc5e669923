import type { ContentType } from '@/shared/kinds';

const collator = new Intl.Collator('en', { sensitivity: 'base' });
/** Types without a place come after those with one. */
const LAST = Number.MAX_SAFE_INTEGER;
const placeOf = (type: ContentType): number => type.navigation_place ?? LAST;

/** The types of a site's navigation in its order: by their places, then by their plurals. */
export function navigation(types: ContentType[]): ContentType[] {
  return types
    .filter((type) => type.public !== false && type.navigation !== false && type.index?.on !== false)
    .sort((a, b) => placeOf(a) - placeOf(b) || collator.compare(a.plural, b.plural));
}

/**
 * The navigation with a type moved up or down.
 *
 * @param by how many places it moves; less than 0 is up
 * @return the types that have another place by that; as few as can be, so that a release names only what somebody moved
 */
export function moved(types: ContentType[], id: string, by: number): ContentType[] {
  const before = navigation(types);
  const from = before.findIndex((type) => type.id === id);
  const to = from + by;
  const type = before[from];
  if (!type || to < 0 || to >= before.length) {
    return [];
  }
  const after = before.filter((each) => each !== type);
  after.splice(to, 0, type);
  // those at the end that have no place, and stand as they would by their plurals, need none
  let placed = after.length;
  while (placed > 0) {
    const last = after[placed - 1];
    const next = after[placed];
    const isFree = last !== undefined && last.navigation_place === undefined;
    if (!isFree || (next && collator.compare(last.plural, next.plural) > 0)) {
      break;
    }
    placed--;
  }
  return after.flatMap((each, at) => {
    const place = at < placed ? at + 1 : undefined;
    return each.navigation_place === place ? [] : [{ ...each, navigation_place: place }];
  });
}
