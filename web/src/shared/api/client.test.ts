import { describe, expect, it } from 'vitest';
import { ApiError, ask, csrfToken, sentenceOf, toError } from './client';

describe('answers of the server', () => {
  it('finds the token among the cookies', () => {
    expect(csrfToken('a=1; XSRF-TOKEN=x%2Fy; b=2')).toBe('x/y');
    expect(csrfToken('a=1')).toBe('');
  });

  it('turns problem details into an error with its findings', () => {
    const error = toError(422, { detail: 'No.', findings: [{ code: 'X' }] });
    expect(error).toMatchObject({ status: 422, message: 'No.' });
    expect(error.findings).toHaveLength(1);
    expect(toError(500, undefined).message).toContain('500');
  });

  it('gives the data of a good answer and throws for any other', async () => {
    const good = Promise.resolve({ data: 7, response: new Response(null, { status: 200 }) });
    await expect(ask(good)).resolves.toBe(7);
    const bad = Promise.resolve({ error: { detail: 'Taken.' }, response: new Response(null, { status: 409 }) });
    await expect(ask(bad)).rejects.toMatchObject({ status: 409, message: 'Taken.' });
    await expect(ask(Promise.reject(new TypeError('network')))).rejects.toBeInstanceOf(ApiError);
    expect(sentenceOf('plain')).toBe('plain');
  });
});
