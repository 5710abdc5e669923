import { ref } from 'vue';
import { formOf, sentenceOf, upload, type FindingView, type Schemas } from '@/shared/api/client';

type Refused = Pick<FindingView, 'sentence' | 'severity'>;
const WORKBOOKS = /\.(csv|tsv|tab|txt|xlsx|xlsm|ods)$/i;

/** Whether a file is a picture or something else that rows name, rather than a workbook. */
export const isBeside = (name: string): boolean => /\.[^.]+$/.test(name) && !WORKBOOKS.test(name);

/** Why some of the files that were sent last were not kept; shown where the import is opened. */
export const refused = ref<Refused[]>([]);

/** Why nothing of what was sent arrived. */
export const unsent = (thrown: unknown): Refused[] => [{ sentence: sentenceOf(thrown), severity: 'blocker' }];

/** Sends pictures, files and ZIP files of them for the rows of an import. */
export function sendBeside(site: string, id: number, files: File[]): Promise<Schemas['SentFiles']> {
  return upload<Schemas['SentFiles']>(
    `/api/sites/${encodeURIComponent(site)}/imports/${String(id)}/files`,
    formOf(files),
  );
}
