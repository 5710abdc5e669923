import createClient from 'openapi-fetch';
import { i18n } from '../i18n';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type FindingView = Schemas['FindingView'];

/** Why a request was not carried out, from the server's problem details. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly findings: FindingView[],
    readonly current: unknown,
    /** Where in what was sent something is wrong, for records. */
    readonly problems: Schemas['RecordProblem'][] = [],
  ) {
    super(message);
  }
}

let signedOut: () => void = () => undefined;

/** What to do when the session has ended. */
export function onSignedOut(act: () => void): void {
  signedOut = act;
}

export function csrfToken(cookies: string = document.cookie): string {
  const found = cookies.split('; ').find((cookie) => cookie.startsWith('XSRF-TOKEN='));
  return found ? decodeURIComponent(found.slice('XSRF-TOKEN='.length)) : '';
}

export const api = createClient<paths>({ baseUrl: '', fetch: (request) => fetch(request) });

api.use({
  onRequest({ request }) {
    request.headers.set('X-XSRF-TOKEN', csrfToken());
    return request;
  },
  onResponse({ response, schemaPath }) {
    if (response.status === 401 && schemaPath !== '/api/session') {
      signedOut();
    }
  },
});

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

interface ProblemDetails {
  detail?: string;
  findings?: FindingView[];
  current?: unknown;
  problems?: Schemas['RecordProblem'][];
}

function isProblem(error: unknown): error is ProblemDetails {
  return typeof error === 'object' && error !== null;
}

export function toError(status: number, error: unknown): ApiError {
  const problem: ProblemDetails = isProblem(error) ? error : {};
  const detail = problem.detail ?? i18n.global.t('common.odd', { status });
  return new ApiError(status, detail, problem.findings ?? [], problem.current, problem.problems ?? []);
}

/** The data of an answer; throws an {@link ApiError} for any other. */
export async function ask<T>(sent: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await sent;
  } catch {
    throw new ApiError(0, i18n.global.t('common.unreachable'), [], undefined);
  }
  if (!answer.response.ok) {
    throw toError(answer.response.status, answer.error);
  }
  return answer.data as T;
}

/** Sends a form with a file, which the generated client does not do. */
export async function upload<T>(path: string, form: FormData): Promise<T> {
  const response = await fetch(path, { method: 'POST', body: form, headers: { 'X-XSRF-TOKEN': csrfToken() } }).catch(
    () => {
      throw new ApiError(0, i18n.global.t('common.unreachable'), [], undefined);
    },
  );
  const body: unknown = await response.json().catch(() => undefined);
  if (!response.ok) {
    throw toError(response.status, body);
  }
  return body as T;
}

export function sentenceOf(thrown: unknown): string {
  return thrown instanceof Error ? thrown.message : String(thrown);
}
