import { flushPromises, mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { defineComponent, nextTick, ref, type Ref } from 'vue';
import { queryClient } from '@/shared/api/queries';
import { useRun } from './useRun';

/** Streams that the server has open to this page. */
class Stream {
  static open: Stream[] = [];
  onmessage?: (event: { data: string }) => void;
  constructor(readonly address: string) {
    Stream.open.push(this);
  }
  close(): void {
    Stream.open = Stream.open.filter((each) => each !== this);
  }
  send(run: object): void {
    this.onmessage?.({ data: JSON.stringify(run) });
  }
}

const states: Record<string, string> = {};
let ended: number;

beforeEach(() => {
  Stream.open = [];
  ended = 0;
  Object.assign(states, { 7: 'running', 8: 'done' });
  queryClient.clear();
  vi.stubGlobal('EventSource', Stream);
  vi.stubGlobal('fetch', (request: Request) => {
    const id = request.url.split('/').at(-1) ?? '';
    return Promise.resolve(Response.json({ id: Number(id), state: states[id] }));
  });
});

afterEach(() => vi.unstubAllGlobals());

async function follow(id: Ref<string>) {
  let used: ReturnType<typeof useRun> | undefined;
  const Page = defineComponent({
    setup() {
      used = useRun(ref('trial'), id, () => ended++);
      return () => null;
    },
  });
  const page = mount(Page);
  await flushPromises();
  return { page, state: () => used?.run.value?.state };
}

it('is followed until it has ended, and its end is told once', async () => {
  const { state } = await follow(ref('7'));
  expect(state()).toBe('running');
  expect(Stream.open.map((each) => each.address)).toEqual(['/api/sites/trial/runs/7/events']);
  Stream.open[0]?.send({ id: 7, state: 'running' });
  await nextTick();
  expect(ended).toBe(0);
  Stream.open[0]?.send({ id: 7, state: 'done' });
  await nextTick();
  expect(state()).toBe('done');
  expect(Stream.open).toEqual([]);
  expect(ended).toBe(1);
});

it('is followed again where another run is opened, and no longer where its page is left', async () => {
  const id = ref('8');
  const { page, state } = await follow(id);
  expect(state()).toBe('done');
  expect(Stream.open).toEqual([]);
  id.value = '7';
  await flushPromises();
  expect(Stream.open).toHaveLength(1);
  page.unmount();
  expect(Stream.open).toEqual([]);
});

it('takes no state of one run for that of another', async () => {
  const id = ref('7');
  const { state } = await follow(id);
  const late = Stream.open[0];
  id.value = '8';
  await flushPromises();
  late?.send({ id: 7, state: 'running' });
  await nextTick();
  expect(state()).toBe('done');
});
