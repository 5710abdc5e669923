/** The state of a record. Without a token only published ones are given. */
export type RecordState = 'draft' | 'published' | 'scheduled' | 'retired';

/** What every record and term has. Times are in UTC, such as 2026-05-01T09:00:00Z. */
export interface Stored {
  id: number;
  slug: string;
  /** The path of its page; nothing where it has none. */
  url?: string;
  /** Number of the record or term that it stands under. */
  parent?: number;
  /** With a token only. */
  state?: RecordState;
  publish_at?: string;
  retire_at?: string;
  updated_at: string;
}

/** What a value that leads to a record is written as. */
export interface LinkTo<T extends string> {
  type: T;
  id: number;
}

/** A record that a value leads to, as it is read where it is not included. */
export interface Link<T extends string> extends LinkTo<T> {
  title: string;
}

/** A term, picture or file by its number, as it is written. */
export interface Numbered {
  id: number;
}

export interface TermOf extends Numbered {
  label: string;
}

export interface Picture extends Numbered {
  url: string;
  alt: string;
  width?: number;
  height?: number;
}

export interface Attachment extends Numbered {
  url: string;
  name: string;
  bytes?: number;
}

/** A place on earth, in degrees (WGS 84). */
export interface Spot {
  latitude: number;
  longitude: number;
}

/** What was read, with the mark of its state that a change has to send back. */
export interface Read<T> {
  value: T;
  etag: string;
}

export interface Page<T> {
  items: T[];
  /** Where the next page begins; nothing on the last one. */
  next?: string;
  total: number;
  /** Whether the total was counted to the end. */
  total_exact: boolean;
}

export type Comparable = string | number | boolean;

/** A condition on the fields of a record. */
export type Filter<F extends string> =
  | { all: Filter<F>[] }
  | { any: Filter<F>[] }
  | { not: Filter<F> }
  | { field: F; is: Comparable | Comparable[] }
  | { field: F; is_not: Comparable | Comparable[] }
  | { field: F; has: Comparable | Comparable[] }
  | { field: F; above: Comparable }
  | { field: F; at_least: Comparable }
  | { field: F; below: Comparable }
  | { field: F; at_most: Comparable }
  | { field: F; filled: boolean };

/** What a list is asked for. */
export interface Query<F extends string, R extends string> {
  filter?: Filter<F>;
  /** Words that must all be in the record. */
  search?: string;
  /** Fields in the order of their weight; a minus turns one around. */
  sort?: (F | `-${F}` | 'updated_at' | '-updated_at')[];
  /** The fields wanted; all where there are none. */
  fields?: F[];
  /** Relations whose records are given whole, to a depth of two. */
  include?: R[];
  /** Records of a page, 1 to 100. */
  limit?: number;
  /** Where a page begins, from the page before. */
  after?: string;
}

/** What a record has besides its values. */
export interface Placing {
  state?: RecordState;
  slug?: string;
  publish_at?: string | null;
  retire_at?: string | null;
  /** Number of the record that it stands under, or with its type where there can be several. */
  parent?: number | LinkTo<string> | null;
  position?: number;
}

/** A value that needs attention. */
export interface ValueProblem {
  path?: string;
  sentence?: string;
}

/** Why a request was not carried out (RFC 9457). */
export class SiteError extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly problems: readonly ValueProblem[],
    /** Seconds after which it may be tried again. */
    readonly retryAfter: number | undefined,
  ) {
    super(detail || title);
    this.name = 'SiteError';
  }

  /** Whether somebody has changed it since it was read. */
  get overtaken(): boolean {
    return this.status === 412;
  }
}

/** What came is not what the definitions say that this was made of. */
export class ShapeError extends Error {
  constructor(
    readonly path: string,
    wanted: string,
  ) {
    super(`${path} is not ${wanted}`);
    this.name = 'ShapeError';
  }
}

/** What values must be like. */
export type Shape =
  | 'text'
  | 'number'
  | 'flag'
  | 'spot'
  | 'term'
  | 'picture'
  | 'attachment'
  | { options: readonly string[] }
  | { types: readonly string[] }
  | { fields: Shapes }
  | { each: Shape };

export type Shapes = { readonly [key: string]: Shape };

const INNER = {
  spot: { latitude: 'number', longitude: 'number' },
  term: { id: 'number', label: 'text' },
  picture: { id: 'number', url: 'text', alt: 'text' },
  attachment: { id: 'number', url: 'text', name: 'text' },
} as const;
const PLAIN = { text: 'string', number: 'number', flag: 'boolean' } as const;

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** @throws ShapeError where a value is not what it must be; values that are missing, or unknown here, are nobody's fault */
export function checkFields(value: unknown, shapes: Shapes, path: string): void {
  if (!isObject(value)) {
    throw new ShapeError(path, 'an object');
  }
  for (const [key, shape] of Object.entries(shapes)) {
    if (value[key] !== undefined) {
      check(value[key], shape, `${path}.${key}`);
    }
  }
}

function check(value: unknown, shape: Shape, path: string): void {
  if (shape === 'text' || shape === 'number' || shape === 'flag') {
    if (typeof value !== PLAIN[shape]) {
      throw new ShapeError(path, `a ${PLAIN[shape]}`);
    }
  } else if (typeof shape === 'string') {
    const inner = INNER[shape];
    if (!isObject(value) || Object.keys(inner).some((key) => value[key] === undefined)) {
      throw new ShapeError(path, `an object with ${Object.keys(inner).join(', ')}`);
    }
    checkFields(value, inner, path);
  } else if ('options' in shape) {
    if (typeof value !== 'string' || !shape.options.includes(value)) {
      throw new ShapeError(path, `one of ${shape.options.join(', ')}`);
    }
  } else if ('types' in shape) {
    const isLink = isObject(value) && typeof value.id === 'number';
    // a record that is included has no type, but an address
    if (!isLink || (value.slug === undefined && !shape.types.includes(String(value.type)))) {
      throw new ShapeError(path, `a record of ${shape.types.join(', ')}`);
    }
  } else if ('fields' in shape) {
    checkFields(value, shape.fields, path);
  } else {
    if (!Array.isArray(value)) {
      throw new ShapeError(path, 'a list');
    }
    value.forEach((each, at) => check(each, shape.each, `${path}[${at}]`));
  }
}

/** Whether a relation gives the record itself, since it was asked to include it. */
export function isIncluded<T extends Stored>(value: T | Link<string>): value is T {
  return 'slug' in value;
}

export interface Options {
  /** A token of the site: with one, drafts are read too, and values can be written. */
  token?: string;
  /** What requests are sent with, instead of the platform's own. */
  fetch?: (url: string, init: RequestInit) => Promise<Response>;
}

type Sent = { [key: string]: unknown };
type Asked = { [name: string]: string | undefined };

/** The calls to one site. */
export class Calls {
  /** @param address of the API, such as https://towpath.example/api */
  constructor(
    private readonly address: string,
    private readonly options: Options = {},
  ) {}

  async send(method: string, path: string, asked: Asked, body?: Sent, etag?: string): Promise<Response> {
    const query = new URLSearchParams();
    for (const [name, value] of Object.entries(asked)) {
      if (value) {
        query.set(name, value);
      }
    }
    const url = `${this.address.replace(/\/$/, '')}/${path}${query.size > 0 ? `?${query.toString()}` : ''}`;
    const headers: { [name: string]: string } = { Accept: 'application/json' };
    if (this.options.token) {
      headers['Authorization'] = `Bearer ${this.options.token}`;
    }
    if (etag !== undefined) {
      headers['If-Match'] = etag;
    }
    const init: RequestInit = { method, headers };
    if (body !== undefined) {
      headers['Content-Type'] = 'application/json';
      init.body = JSON.stringify(body);
    }
    const send = this.options.fetch ?? ((to: string, how: RequestInit) => fetch(to, how));
    const response = await send(url, init);
    if (!response.ok) {
      throw await problem(response);
    }
    return response;
  }

  /** Sends a request and checks what comes. */
  async read<T>(method: string, path: string, asked: Asked, shapes: Shapes, body?: Sent, etag?: string): Promise<Read<T>> {
    const response = await this.send(method, path, asked, body, etag);
    const value: unknown = await response.json();
    checkFields(value, shapes, path);
    return { value: value as T, etag: response.headers.get('ETag') ?? '' };
  }
}

async function problem(response: Response): Promise<SiteError> {
  const wait = Number(response.headers.get('Retry-After') ?? NaN);
  let told: unknown;
  try {
    told = await response.json();
  } catch {
    told = undefined;
  }
  const said = isObject(told) ? told : {};
  return new SiteError(
    response.status,
    String(said.title ?? response.statusText),
    String(said.detail ?? ''),
    Array.isArray(said.problems) ? (said.problems as ValueProblem[]) : [],
    Number.isNaN(wait) ? undefined : wait,
  );
}

/** The terms of a taxonomy, or the records of a content type. */
export class Terms<T extends Stored, V extends object, F extends string, R extends string> {
  constructor(
    protected readonly calls: Calls,
    protected readonly path: string,
    protected readonly shapes: Shapes,
  ) {}

  /** One page of a list. */
  async list(query: Query<F, R> = {}): Promise<Page<T>> {
    const response = await this.calls.send('GET', this.path, {
      ...wanted(query),
      filter: query.filter && JSON.stringify(query.filter),
      search: query.search,
      sort: query.sort?.join(','),
      limit: query.limit?.toString(),
      after: query.after,
    });
    const page = (await response.json()) as Page<T>;
    page.items.forEach((item, at) => checkFields(item, this.shapes, `${this.path}[${at}]`));
    return page;
  }

  /** All of a list, page by page. */
  async *all(query: Query<F, R> = {}): AsyncGenerator<T, void, undefined> {
    let after = query.after;
    do {
      const page: Page<T> = await this.list(after === undefined ? query : { ...query, after });
      yield* page.items;
      after = page.next;
    } while (after !== undefined);
  }

  /** One of them, by number or slug. */
  get(id: number | string, query: Pick<Query<F, R>, 'fields' | 'include'> = {}): Promise<Read<T>> {
    return this.calls.read<T>('GET', this.one(id), wanted(query), this.shapes);
  }

  create(values: V, placing: Placing = {}): Promise<Read<T>> {
    return this.calls.read<T>('POST', this.path, {}, this.shapes, { ...placing, values });
  }

  /** Only what is sent is changed; null empties a value. @param etag of what was read without parameters */
  change(id: number | string, etag: string, values: V, placing: Placing = {}): Promise<Read<T>> {
    return this.calls.read<T>('PATCH', this.one(id), {}, this.shapes, { ...placing, values }, etag);
  }

  async remove(id: number | string, etag: string): Promise<void> {
    await this.calls.send('DELETE', this.one(id), {}, undefined, etag);
  }

  protected one(id: number | string): string {
    return `${this.path}/${encodeURIComponent(String(id))}`;
  }
}

export class Records<T extends Stored, V extends object, F extends string, R extends string> extends Terms<T, V, F, R> {
  /** What is not sent is emptied. @param etag of what was read without parameters */
  replace(id: number | string, etag: string, values: V, placing: Placing = {}): Promise<Read<T>> {
    return this.calls.read<T>('PUT', this.one(id), {}, this.shapes, { ...placing, values }, etag);
  }
}

/** Values of which a site has one. */
export class Single<T, V extends object> {
  constructor(
    private readonly calls: Calls,
    private readonly path: string,
    private readonly shapes: Shapes,
  ) {}

  get(): Promise<Read<T>> {
    return this.calls.read<T>('GET', this.path, {}, this.shapes);
  }

  /** Only what is sent is changed; null empties a value. */
  change(etag: string, values: V): Promise<Read<T>> {
    return this.calls.read<T>('PATCH', this.path, {}, this.shapes, { values }, etag);
  }
}

function wanted(query: { fields?: string[]; include?: string[] }): Asked {
  return { fields: query.fields?.join(','), include: query.include?.join(',') };
}
