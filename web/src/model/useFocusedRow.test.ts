import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { defineComponent } from 'vue';
import { useFocusedRow, type FocusedRow } from './useFocusedRow';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

function row(): FocusedRow {
  let made: FocusedRow | undefined;
  mount(
    defineComponent({
      setup() {
        made = useFocusedRow();
        return () => null;
      },
    }),
  );
  if (!made) {
    throw new Error('not set up');
  }
  return made;
}

function send(type: string): void {
  window.dispatchEvent(new Event(type));
}

it('unfolds at once where the keyboard leads to it', () => {
  const { selected, focused } = row();
  focused('rise');
  expect(selected.value).toBe('rise');
});

it('waits for the end of a click', () => {
  const { selected, focused } = row();
  focused('rise');
  send('pointerdown');
  focused('fall');
  expect(selected.value).toBe('rise');
  send('pointerup');
  expect(selected.value).toBe('rise');
  vi.advanceTimersByTime(1);
  expect(selected.value).toBe('fall');
});

it('waits for the end of a drag, which takes the pointer away', () => {
  const { selected, focused } = row();
  send('pointerdown');
  focused('rise');
  send('dragstart');
  send('pointercancel');
  vi.advanceTimersByTime(1);
  expect(selected.value).toBeUndefined();
  send('dragend');
  vi.advanceTimersByTime(1);
  expect(selected.value).toBe('rise');
});

it('goes on where what was dragged is gone before the drag ends', () => {
  const { selected, focused } = row();
  send('pointerdown');
  send('dragstart');
  send('pointercancel');
  send('drop');
  focused('rise');
  expect(selected.value).toBe('rise');
});

it('takes a scroll by touch for the end of a press', () => {
  const { selected, focused } = row();
  send('pointerdown');
  focused('rise');
  send('pointercancel');
  vi.advanceTimersByTime(1);
  expect(selected.value).toBe('rise');
});

it('is not changed by a second press that comes before', () => {
  const { selected, focused } = row();
  send('pointerdown');
  focused('rise');
  send('pointerup');
  send('pointerdown');
  vi.advanceTimersByTime(1);
  expect(selected.value).toBeUndefined();
  send('pointerup');
  vi.advanceTimersByTime(1);
  expect(selected.value).toBe('rise');
});
