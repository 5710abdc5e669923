import { afterEach } from 'vitest';
import { effectScope, type EffectScope } from 'vue';
import { queryClient } from '@/shared/api/queries';

const scopes: EffectScope[] = [];

/** Something that lives as in a component, until the test ends. */
export function living<T>(make: () => T): T {
  const scope = effectScope();
  scopes.push(scope);
  return scope.run(make) as T;
}

/** What one test was told by the server no other shall know. */
afterEach(() => {
  scopes.splice(0).forEach((scope) => {
    scope.stop();
  });
  queryClient.clear();
});
