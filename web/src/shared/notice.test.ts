import { createApp } from 'vue';
import { beforeEach, describe, expect, it } from 'vitest';
import { ApiError } from './api/client';
import { notice, tellRefusals } from './notice';

const app = createApp({});
tellRefusals(app);
const handled = (thrown: unknown): void => app.config.errorHandler?.(thrown, null, '');

describe('refusals that nobody caught', () => {
  beforeEach(() => {
    notice.value = '';
  });

  it('are told', () => {
    handled(new ApiError(409, 'There is nothing to undo.', [], undefined));
    expect(notice.value).toBe('There is nothing to undo.');
  });

  it('are told of requests that nobody waited for', () => {
    const event = new Event('unhandledrejection', { cancelable: true });
    Object.assign(event, { reason: new ApiError(0, 'The server cannot be reached.', [], undefined) });
    window.dispatchEvent(event);
    expect(notice.value).toBe('The server cannot be reached.');
    expect(event.defaultPrevented).toBe(true);
  });

  it('are not told where signing in follows, and mistakes of ours stay mistakes', () => {
    handled(new ApiError(401, 'Sign in.', [], undefined));
    expect(() => {
      handled(new TypeError('ours'));
    }).toThrow('ours');
    expect(notice.value).toBe('');
  });
});
