import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, ask, sessionBegins, type Schemas } from '@/shared/api/client';
import { forgetAnswers } from '@/shared/api/queries';

type Role = NonNullable<Schemas['SessionView']['role']>;

/** Who is signed in on this browser. */
export const useSession = defineStore('session', () => {
  const name = ref('');
  const role = ref<Role>();
  const setup = ref(false);
  const known = ref(false);

  function take(view: Schemas['SessionView']): void {
    name.value = view.name;
    role.value = view.role ?? undefined;
    setup.value = view.setup;
    known.value = true;
  }

  async function load(): Promise<void> {
    take(await ask(api.GET('/api/session')));
  }

  async function signIn(who: string, password: string): Promise<void> {
    take(await ask(api.POST('/api/session', { body: { name: who, password } })));
    sessionBegins();
  }

  async function signOut(): Promise<void> {
    await ask(api.DELETE('/api/session'));
    forget();
  }

  function forget(): void {
    name.value = '';
    role.value = undefined;
    forgetAnswers();
  }

  const isArchitect = computed(() => role.value === 'architect');
  const mayWrite = computed(() => role.value === 'architect' || role.value === 'editor');

  return { name, role, setup, known, isArchitect, mayWrite, load, signIn, signOut, forget };
});
