import { computed, inject, provide, type ComputedRef, type InjectionKey } from 'vue';

const DISABLED: InjectionKey<ComputedRef<boolean>> = Symbol('disabled');

/** All controls below are disabled while this says so; what stands above holds too. */
export function provideDisabled(isDisabled: () => boolean): ComputedRef<boolean> {
  const above = inject(DISABLED, undefined);
  const disabled = computed(() => isDisabled() || (above?.value ?? false));
  provide(DISABLED, disabled);
  return disabled;
}

/** Whether a control is disabled, by itself or by what it stands in. */
export function useDisabled(own: () => boolean | undefined): ComputedRef<boolean> {
  const above = inject(DISABLED, undefined);
  return computed(() => (own() ?? false) || (above?.value ?? false));
}
