import { onScopeDispose, ref, watch, type Ref } from 'vue';
import { api, ask, sentenceOf, type Schemas } from '@/shared/api/client';

type Run = Schemas['RunView'];

/** A run as it goes on: its state now, then whatever the server streams until it has ended. */
export function useRun(site: Ref<string>, id: Ref<string>, ended: () => void) {
  const run = ref<Run>();
  const problem = ref('');
  let source: EventSource | undefined;

  function stop(): void {
    source?.close();
    source = undefined;
  }

  function follow(): void {
    stop();
    source = new EventSource(`/api/sites/${site.value}/runs/${id.value}/events`);
    source.onmessage = (event: MessageEvent<string>) => {
      run.value = JSON.parse(event.data) as Run;
      if (run.value.state !== 'running') {
        stop();
        ended();
      }
    };
  }

  async function load(): Promise<void> {
    stop();
    problem.value = '';
    try {
      const params = { path: { site: site.value, id: Number(id.value) } };
      run.value = await ask(api.GET('/api/sites/{site}/runs/{id}', { params }));
      if (run.value.state === 'running') {
        follow();
      } else {
        ended();
      }
    } catch (thrown) {
      problem.value = sentenceOf(thrown);
    }
  }

  watch([site, id], () => void load(), { immediate: true });
  onScopeDispose(stop);
  return { run, problem, load };
}
