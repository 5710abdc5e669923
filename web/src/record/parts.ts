import type { Field } from '@/shared/kinds';

/** Standard parts as fields of a form, from the labels the server gives. */
export function partFields(labels: Record<string, string>): Field[] {
  const made: Record<string, Field> = {
    title: { id: 'part_title', key: 'title', label: '', kind: 'text', required: true },
    summary: { id: 'part_summary', key: 'summary', label: '', kind: 'long_text', rows: 2 },
    body: { id: 'part_body', key: 'body', label: '', kind: 'long_text', rows: 8 },
    author: { id: 'part_author', key: 'author', label: '', kind: 'text' },
    position: { id: 'part_position', key: 'position', label: '', kind: 'number' },
    lead_image: { id: 'part_lead_image', key: 'lead_image', label: '', kind: 'image' },
  };
  return Object.entries(labels).flatMap(([key, label]) => {
    const field = made[key];
    return field ? [{ ...field, label }] : [];
  });
}
