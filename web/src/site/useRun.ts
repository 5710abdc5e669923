import { computed, onScopeDispose, watch, type Ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import { queryClient, renew, useResource } from '@/shared/api/queries';
import { oneRun } from './queries';

type Run = Schemas['RunView'];

/** A run as it goes on: its state now, then whatever the server streams until it has ended. */
export function useRun(site: Ref<string>, id: Ref<string>, ended: () => void) {
  const resource = computed(() => oneRun(site.value, Number(id.value)));
  const { data: run, problem } = useResource(resource);
  let source: EventSource | undefined;

  function stop(): void {
    source?.close();
    source = undefined;
  }

  function follow(): void {
    const { queryKey } = resource.value;
    source = new EventSource(`/api/sites/${site.value}/runs/${id.value}/events`);
    source.onmessage = (event: MessageEvent<string>) => {
      queryClient.setQueryData(queryKey, JSON.parse(event.data) as Run);
    };
  }

  watch(
    [resource, () => run.value?.id, () => run.value?.state],
    ([, , state], before) => {
      stop();
      if (state === 'running') {
        follow();
      } else if (state !== undefined && before[2] !== state) {
        ended();
      }
    },
    { immediate: true },
  );
  onScopeDispose(stop);
  return { run, problem, load: () => renew(resource.value.queryKey) };
}
