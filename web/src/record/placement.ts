import type { Schemas } from '@/shared/api/client';
import { same } from './form';

/** What a record has beside its values, as it is typed: moments as `2026-06-01T09:30`, in UTC; nothing as an empty text. */
export interface Placement {
  slug: string;
  parent: Schemas['ParentView'] | undefined;
  publishAt: string;
  retireAt: string;
}

export const NOWHERE: Placement = { slug: '', parent: undefined, publishAt: '', retireAt: '' };
const MOMENT = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/;
const SHOWN = '2026-06-01T09:30'.length;

export function placementOf(record: Schemas['RecordView'] | undefined): Placement {
  return record
    ? {
        slug: record.slug,
        parent: record.parent ?? undefined,
        publishAt: record.publishAt?.slice(0, SHOWN) ?? '',
        retireAt: record.retireAt?.slice(0, SHOWN) ?? '',
      }
    : { ...NOWHERE };
}

/** What differs from where it began; `null` for a parent that was taken away, since the browser keeps no `undefined`. */
export type PlacementChange = Partial<Omit<Placement, 'parent'>> & { parent?: Schemas['ParentView'] | null };

export function changeOf(from: Placement, to: Placement): PlacementChange {
  return {
    ...(to.slug === from.slug ? {} : { slug: to.slug }),
    ...(same(to.parent, from.parent) ? {} : { parent: to.parent ?? null }),
    ...(to.publishAt === from.publishAt ? {} : { publishAt: to.publishAt }),
    ...(to.retireAt === from.retireAt ? {} : { retireAt: to.retireAt }),
  };
}

export function changed(from: Placement, change: PlacementChange): Placement {
  const { parent, ...others } = change;
  return { ...from, ...others, ...(parent === undefined ? {} : { parent: parent ?? undefined }) };
}

/** Whether a moment is one that can be sent; what cannot be read stays as it was typed. */
export function isMoment(text: string): boolean {
  return text === '' || (MOMENT.test(text) && !Number.isNaN(Date.parse(`${text}Z`)));
}

/** As the server reads it: just what it told where nothing was typed, to the second. */
export function momentOf(text: string, before: string | null | undefined): string | undefined {
  return text === '' ? undefined : before?.slice(0, SHOWN) === text ? before : `${text}:00Z`;
}
