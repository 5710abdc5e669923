import { ref } from 'vue';
import { upload, type FindingView, type Schemas } from '@/shared/api/client';

const WORKBOOKS = /\.(csv|tsv|tab|txt|xlsx|xlsm|ods)$/i;

/** Whether a file is a picture or something else that rows name, rather than a workbook. */
export const isBeside = (name: string): boolean => /\.[^.]+$/.test(name) && !WORKBOOKS.test(name);

/** Why some of the files that were sent last were not kept; shown where the import is opened. */
export const refused = ref<FindingView[]>([]);

export function formOf(files: File[]): FormData {
  const form = new FormData();
  files.forEach((file) => {
    form.append('file', file);
  });
  return form;
}

/** Sends pictures, files and ZIP files of them for the rows of an import. */
export function sendBeside(site: string, id: number, files: File[]): Promise<Schemas['SentFiles']> {
  return upload<Schemas['SentFiles']>(
    `/api/sites/${encodeURIComponent(site)}/imports/${String(id)}/files`,
    formOf(files),
  );
}
