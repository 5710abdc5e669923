import { computed, type ComputedRef } from 'vue';
import { useResource } from '@/shared/api/queries';
import { settingHelp } from './queries';

/** What each setting of each kind is for; it changes with the server only. */
export function useHelp(): ComputedRef<Record<string, Record<string, string>>> {
  const { data } = useResource(settingHelp, { staleTime: Infinity });
  return computed(() => data.value ?? {});
}
