import type { VueWrapper } from '@vue/test-utils';
import Check from '@/shared/controls/Check.vue';
import Choice from '@/shared/controls/Choice.vue';
import { flatOptions } from '@/shared/controls/listbox';

/** The labels of the list at this place in a wrapper. */
export function optionsIn(made: VueWrapper, at = 0): string[] {
  return flatOptions(made.findAllComponents(Choice)[at]?.props('options') ?? []).map((option) => option.label);
}

/** Chooses in the list of a wrapper, as a click on an option does. */
export async function choose(made: VueWrapper, value: string, at = 0): Promise<void> {
  made.findAllComponents(Choice)[at]?.vm.$emit('update:value', value);
  await made.vm.$nextTick();
}

/** Clicks the tick at this place in a wrapper. */
export async function tick(made: VueWrapper, at: number): Promise<void> {
  await made.findAllComponents(Check)[at]?.find('[role=checkbox]').trigger('click');
}
