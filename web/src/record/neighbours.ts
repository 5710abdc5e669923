/** Ids of the records of the list that was last looked at, so that one can go on to the next. */
const lists = new Map<string, number[]>();

export function remember(site: string, recordType: string, ids: number[]): void {
  lists.set(`${site}/${recordType}`, ids);
}

export function neighbours(site: string, recordType: string, id: number): { before?: number; after?: number } {
  const ids = lists.get(`${site}/${recordType}`) ?? [];
  const at = ids.indexOf(id);
  const before = at > 0 ? ids[at - 1] : undefined;
  const after = at >= 0 ? ids[at + 1] : undefined;
  return { ...(before === undefined ? {} : { before }), ...(after === undefined ? {} : { after }) };
}

/** How each list was last searched, filtered and sorted. */
const addresses = new Map<string, Record<string, string>>();

export function rememberAddress(site: string, recordType: string, query: object): void {
  addresses.set(`${site}/${recordType}`, query as Record<string, string>);
}

export function addressOfList(site: string, recordType: string): Record<string, string> {
  return addresses.get(`${site}/${recordType}`) ?? {};
}

/** How far each list was scrolled, in pixels, when it was left. */
const scrolls = new Map<string, number>();

export function rememberScroll(list: string, top: number): void {
  scrolls.set(list, top);
}

export function scrolledTo(list: string): number {
  return scrolls.get(list) ?? 0;
}
