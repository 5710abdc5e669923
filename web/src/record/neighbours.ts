/** Ids of the records of the list that was last looked at, so that one can go on to the next. */
const lists = new Map<string, number[]>();

export function remember(site: string, holder: string, ids: number[]): void {
  lists.set(`${site}/${holder}`, ids);
}

export function neighbours(site: string, holder: string, id: number): { before?: number; after?: number } {
  const ids = lists.get(`${site}/${holder}`) ?? [];
  const at = ids.indexOf(id);
  const before = at > 0 ? ids[at - 1] : undefined;
  const after = at >= 0 ? ids[at + 1] : undefined;
  return { ...(before === undefined ? {} : { before }), ...(after === undefined ? {} : { after }) };
}

/** How each list was last searched, filtered and sorted. */
const addresses = new Map<string, Record<string, string>>();

export function rememberAddress(site: string, holder: string, query: object): void {
  addresses.set(`${site}/${holder}`, query as Record<string, string>);
}

export function addressOfList(site: string, holder: string): Record<string, string> {
  return addresses.get(`${site}/${holder}`) ?? {};
}

/** How far each list was scrolled, in pixels, when it was left. */
const scrolls = new Map<string, number>();

export function rememberScroll(list: string, top: number): void {
  scrolls.set(list, top);
}

export function scrolledTo(list: string): number {
  return scrolls.get(list) ?? 0;
}
