import type { App } from 'vue';
import { ref } from 'vue';
import { ApiError } from './api/client';

/** Why something did not happen that no place of its own tells of. */
export const notice = ref('');

function told(thrown: unknown): boolean {
  if (!(thrown instanceof ApiError)) {
    return false;
  }
  // an ended session leads to signing in, which says enough
  if (thrown.status !== 401) {
    notice.value = thrown.message;
  }
  return true;
}

/** Tells of every refusal that nobody caught: it would look as if a button did nothing. */
export function tellRefusals(app: App): void {
  app.config.errorHandler = (thrown) => {
    if (!told(thrown)) {
      throw thrown;
    }
  };
  window.addEventListener('unhandledrejection', (event) => {
    if (told(event.reason)) {
      event.preventDefault();
    }
  });
}
