import { ref, type Ref } from 'vue';
import { api, ask } from '@/shared/api/client';

const help = ref<Record<string, Record<string, string>>>({});
let asked = false;

/** What each setting of each kind is for, in the server's words; asked once. */
export function useHelp(): Readonly<Ref<Record<string, Record<string, string>>>> {
  if (!asked) {
    asked = true;
    ask(api.GET('/api/proof/help'))
      .then((texts) => {
        help.value = texts as Record<string, Record<string, string>>;
      })
      .catch(() => {
        asked = false;
      });
  }
  return help;
}
