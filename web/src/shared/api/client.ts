import createClient from 'openapi-fetch';
import { i18n } from '../i18n';
import type { components, paths } from './schema';
import { randomName } from '../randomName';

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
    /** What two sides changed differently, in sentences. */
    readonly clashes: string[] = [],
  ) {
    super(message);
  }
}

let signedOut: () => void = () => undefined;
/** As often as somebody has signed in: a late answer to what was asked before says nothing about the session of now. */
let session = 0;
const askedIn = new Map<string, number>();

export function sessionBegins(): void {
  session++;
}

/** What to do when the session has ended. */
export function onSignedOut(act: () => void): void {
  signedOut = act;
}

export function csrfToken(cookies: string = document.cookie): string {
  const found = cookies.split('; ').find((cookie) => cookie.startsWith('XSRF-TOKEN='));
  return found ? decodeURIComponent(found.slice('XSRF-TOKEN='.length)) : '';
}

/** How long is waited, in milliseconds, before what was not answered is sent once more. */
const AGAIN_AFTER = [300, 1_000];
const KEY = 'Idempotency-Key';
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/** Sends a request, and sends it again where no answer comes; a change under the same key, so the server carries it out once. */
async function send(request: Request): Promise<Response> {
  const begun = session;
  for (const pause of AGAIN_AFTER) {
    try {
      return await fetch(request.clone());
    } catch (failure) {
      // what one person sent is never sent again in the session of another
      if (request.signal.aborted || begun !== session) {
        throw failure;
      }
      await new Promise((resolve) => setTimeout(resolve, pause));
      if (begun !== session) {
        throw failure;
      }
    }
  }
  return fetch(request);
}

/** The header that makes two sendings of a change one; whoever may send it again later keeps it. */
export const oneChange = (): Change => ({ [KEY]: randomName() });
export type Change = Record<typeof KEY, string>;

/** Takes back a change whose answer did not come; where it was carried out already, gives that answer. */
export async function withdraw<T>(change: Change): Promise<T | undefined> {
  const params = { path: { key: change[KEY] } };
  return (await ask(api.PUT('/api/withdrawals/{key}', { params }))).answer as T | undefined;
}

export const api = createClient<paths>({ baseUrl: '', fetch: send });

api.use({
  onRequest({ request, id }) {
    askedIn.set(id, session);
    request.headers.set('X-XSRF-TOKEN', csrfToken());
    if (!SAFE.has(request.method) && !request.headers.has(KEY)) {
      request.headers.set(KEY, randomName());
    }
    return request;
  },
  onResponse({ response, schemaPath, id }) {
    const isOfNow = askedIn.get(id) === session;
    askedIn.delete(id);
    if (response.status === 401 && isOfNow && schemaPath !== '/api/session') {
      signedOut();
    }
  },
  onError({ id }) {
    askedIn.delete(id);
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
  clashes?: string[];
}

function isProblem(error: unknown): error is ProblemDetails {
  return typeof error === 'object' && error !== null;
}

export function toError(status: number, error: unknown): ApiError {
  const problem: ProblemDetails = isProblem(error) ? error : {};
  const detail = problem.detail ?? i18n.global.t('common.odd', { status });
  const { findings = [], current, problems = [], clashes = [] } = problem;
  return new ApiError(status, detail, findings, current, problems, clashes);
}

/** No answer came. */
export const unreachable = () => new ApiError(0, i18n.global.t('common.unreachable'), [], undefined);

/** The data of an answer; throws an {@link ApiError} for any other. */
export async function ask<T>(sent: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await sent;
  } catch {
    throw unreachable();
  }
  if (!answer.response.ok) {
    throw toError(answer.response.status, answer.error);
  }
  return answer.data as T;
}

/** A form with files. */
export function formOf(files: File[]): FormData {
  const form = new FormData();
  files.forEach((file) => {
    form.append('file', file);
  });
  return form;
}

/** Sends a form with a file, which the generated client does not do. */
export function upload<T>(path: string, form: FormData): Promise<T> {
  return posted<T>(path, form, {});
}

/** Sends a file of whatever length as it is. */
export function sendFile<T>(path: string, file: Blob): Promise<T> {
  return posted<T>(path, file, { 'Content-Type': 'application/zip' });
}

async function posted<T>(path: string, body: FormData | Blob, headers: Record<string, string>): Promise<T> {
  const sent = { method: 'POST', body, headers: { ...headers, 'X-XSRF-TOKEN': csrfToken() } };
  const response = await fetch(path, sent).catch(() => {
    throw unreachable();
  });
  const answer: unknown = await response.json().catch(() => undefined);
  if (!response.ok) {
    throw toError(response.status, answer);
  }
  return answer as T;
}

/** Whether the same may work a little later. */
export function mayPass(thrown: unknown): boolean {
  return thrown instanceof ApiError && (thrown.status === 0 || thrown.status === 429 || thrown.status >= 500);
}

/** Refusals of the sender or the moment, which say nothing about whether an earlier sending was carried out. */
const UNDECIDED = new Set([0, 401, 403, 408, 429]);

/** Whether a change was refused for good: otherwise it may have been carried out although the answer says no. */
export function isRefused(thrown: unknown): boolean {
  return thrown instanceof ApiError && thrown.status < 500 && !UNDECIDED.has(thrown.status);
}

export function sentenceOf(thrown: unknown): string {
  return thrown instanceof Error ? thrown.message : String(thrown);
}
