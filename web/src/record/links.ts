import { api, ask, csrfToken, toError, unreachable, type Schemas } from '@/shared/api/client';
import { queryClient } from '@/shared/api/queries';
import type { Field } from '@/shared/kinds';
import { insertionList } from './queries';
import { addressOf, fieldsOf, type RecordType } from './recordTypes';
import type { FileView, FormContext, Offer } from './form';

type Path = { site: string; sort: string; key: string };
export const pathOf = (site: string, recordType: RecordType): Path => ({
  site,
  sort: recordType.sort,
  key: recordType.key,
});

interface Link {
  type: string;
  id: number;
}

/** Several texts of a form ask for the same. */
const INSERTIONS_STAY = 30_000;
const MOST = 20;
/** As many terms as are shown as a tree; those of larger taxonomies are found by words. */
const MOST_TERMS = 500;
/** Values of a record that are shown without going to it. */
const PREVIEWED = 6;

/** The types of records, or the taxonomy, that a field leads to. */
function targets(field: Field, byId: (id: string) => RecordType | undefined): RecordType[] {
  const ids = field.kind === 'relation' ? field.to : field.kind === 'term' ? [field.taxonomy] : [];
  return ids.map(byId).filter((each) => each !== undefined);
}

/** What fields of a record's form may lead to, what that is called, and files: asked of one site. */
export function siteLinks(
  site: () => string,
  recordType: () => RecordType | undefined,
  byId: (id: string) => RecordType | undefined,
  workspace: () => string,
): Pick<
  FormContext,
  | 'search'
  | 'name'
  | 'create'
  | 'mayCreate'
  | 'upload'
  | 'file'
  | 'library'
  | 'describe'
  | 'open'
  | 'preview'
  | 'insertions'
> & {
  know: (links: Schemas['LinkView'][], files: FileView[]) => void;
} {
  const names = new Map<string, Offer>();
  const files = new Map<number, FileView>();
  const keyOf = (type: string, id: number) => `${type}/${String(id)}`;

  function linkOf(field: Field, value: unknown): Link | undefined {
    if (field.kind === 'term') {
      return { type: field.taxonomy, id: Number(value) };
    }
    return typeof value === 'object' && value !== null ? (value as Link) : undefined;
  }

  function offer(field: Field, target: RecordType, record: Schemas['RecordView'], several: boolean, depth = 0): Offer {
    const made = {
      key: keyOf(target.id, record.id),
      label: record.title,
      value: field.kind === 'term' ? record.id : { type: target.id, id: record.id },
      detail: [several ? target.singular : '', record.state === 'published' ? '' : record.state]
        .filter(Boolean)
        .join(', '),
      depth,
    };
    names.set(made.key, made);
    return made;
  }

  /** Terms in the order of their tree; with typed words only those that have them, without depth. */
  async function terms(field: Field, target: RecordType, words: string): Promise<Offer[]> {
    const params = {
      path: pathOf(site(), target),
      query: { most: MOST_TERMS, order: 'own_position', fields: 'part_title' },
    };
    const { records: all, next } = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records', { params }));
    if (words && next) {
      return records(field, target, { search: words }, false);
    }
    if (words) {
      return all
        .filter((each) => each.title.toLowerCase().includes(words.toLowerCase()))
        .slice(0, MOST)
        .map((each) => offer(field, target, each, false));
    }
    const below = (parent: number, depth: number): Offer[] =>
      all
        .filter((each) => (each.parent?.id ?? 0) === parent)
        .flatMap((each) => [offer(field, target, each, false, depth), ...below(each.id, depth + 1)]);
    return below(0, 0);
  }

  async function records(
    field: Field,
    target: RecordType,
    query: { search: string; order?: string },
    several: boolean,
  ): Promise<Offer[]> {
    const params = { path: pathOf(site(), target), query: { ...query, most: MOST, fields: 'part_title' } };
    const list = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records', { params }));
    return list.records.map((each) => offer(field, target, each, several));
  }

  async function search(field: Field, words: string): Promise<Offer[]> {
    const found = targets(field, byId);
    const lists = await Promise.all(
      found.map((target) =>
        target.sort === 'taxonomies'
          ? terms(field, target, words)
          : records(field, target, { search: words, ...(words ? {} : { order: '-own_updated_at' }) }, found.length > 1),
      ),
    );
    return lists.flat();
  }

  function mayCreate(field: Field): boolean {
    const own = recordType();
    if (field.kind === 'term') {
      const definition = own?.definition as { taxonomies?: { use: string; add_terms?: boolean }[] } | undefined;
      return definition?.taxonomies?.some((use) => use.use === field.taxonomy && use.add_terms) ?? false;
    }
    return field.kind === 'relation' && targets(field, byId).length === 1;
  }

  /** A new term, or a new record as a draft: only its name, the rest is filled in where it stands. */
  async function create(field: Field, label: string): Promise<Offer> {
    const target = targets(field, byId)[0];
    if (!target) {
      throw new Error(label);
    }
    const title = target.sort === 'taxonomies' ? 'label' : 'title';
    const state = target.sort === 'taxonomies' ? 'published' : 'draft';
    const made = await ask(
      api.POST('/api/sites/{site}/{sort}/{key}/records', {
        params: { path: pathOf(site(), target) },
        body: { version: 0, state, values: { [title]: label } },
      }),
    );
    return offer(field, target, made.record, false);
  }

  /** Sent with its progress, which fetch does not tell. */
  function upload(field: Field, file: File, alt: string, progress: (part: number) => void): Promise<FileView> {
    const own = recordType();
    const form = new FormData();
    form.set('file', file);
    form.set('alt', alt);
    return new Promise((resolve, reject) => {
      const request = new XMLHttpRequest();
      const address = `/api/sites/${site()}/${own?.sort ?? ''}/${own?.key ?? ''}/fields/${field.id ?? field.key}/files`;
      request.open('POST', address);
      request.setRequestHeader('X-XSRF-TOKEN', csrfToken());
      request.upload.onprogress = (event) => {
        progress(event.lengthComputable ? event.loaded / event.total : 0.5);
      };
      request.onload = () => {
        let body: unknown;
        try {
          body = JSON.parse(request.responseText);
        } catch {
          body = undefined;
        }
        if (request.status >= 200 && request.status < 300) {
          const made = body as FileView;
          files.set(made.id, made);
          resolve(made);
        } else {
          reject(toError(request.status, body));
        }
      };
      request.onerror = () => {
        reject(unreachable());
      };
      request.send(form);
    });
  }

  async function describe(file: FileView, alt: string, focusX: number, focusY: number): Promise<void> {
    const params = { path: { site: site(), id: file.id } };
    const changed = await ask(api.PUT('/api/sites/{site}/media/{id}', { params, body: { alt, focusX, focusY } }));
    Object.assign(file, changed.file);
  }

  async function preview(field: Field, value: unknown): Promise<{ label: string; text: string }[]> {
    const link = linkOf(field, value);
    const target = link && byId(link.type);
    if (!target) {
      return [];
    }
    const params = { path: { ...pathOf(site(), target), id: link.id } };
    const { record } = await ask(api.GET('/api/sites/{site}/{sort}/{key}/records/{id}', { params }));
    return fieldsOf(target)
      .filter((each) => each.id !== 'part_title' && record.shown[each.key])
      .slice(0, PREVIEWED)
      .map((each) => ({ label: each.label, text: record.shown[each.key] ?? '' }));
  }

  return {
    search,
    preview,
    create,
    mayCreate,
    upload,
    describe,
    file: (id) => files.get(id),
    insertions: () => {
      const type = recordType();
      return type
        ? queryClient.query({ ...insertionList(site(), type), staleTime: INSERTIONS_STAY })
        : Promise.resolve([]);
    },
    library: { site, know: (file) => files.set(file.id, file) },
    name: (field, value) => {
      const link = linkOf(field, value);
      return link && names.get(keyOf(link.type, link.id));
    },
    open: (field, value) => {
      const link = linkOf(field, value);
      const target = link && byId(link.type);
      return target && `/w/${workspace()}/records/${site()}/${addressOf(target)}/${String(link.id)}`;
    },
    know: (links, more) => {
      links.forEach((link) =>
        names.set(keyOf(link.type, link.id), {
          key: keyOf(link.type, link.id),
          label: link.title,
          value: undefined,
          detail: link.state === 'published' ? '' : link.state,
        }),
      );
      more.forEach((file) => files.set(file.id, file));
    },
  };
}
