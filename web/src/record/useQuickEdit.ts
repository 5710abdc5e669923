import { ref, type Ref } from 'vue';
import type { Schemas } from '@/shared/api/client';
import type { Field } from '@/shared/kinds';

/** A value that is being changed in its row, and where its control stands in the window, in pixels. */
export interface QuickEditing {
  record: Schemas['RecordView'];
  field: Field;
  x: number;
  y: number;
  /** The row, counted from 0. */
  at: number;
}

export interface QuickEdits {
  editing: Ref<QuickEditing | undefined>;
  /** Why the value was not stored. */
  refused: Ref<string>;
  storing: Ref<boolean>;
  begin: (next: QuickEditing) => void;
  save: (value: unknown) => Promise<void>;
  close: () => Promise<void>;
  /** Somebody has gone on to something else, which keeps the focus. */
  left: () => void;
}

/**
 * One value at a time, changed in its row.
 *
 * @param records those that are listed now
 * @param store stores a value, and says why it could not
 * @param back gives the focus back to a row
 */
export function useQuickEdit(
  records: () => Schemas['RecordView'][],
  store: (record: Schemas['RecordView'], field: Field, value: unknown) => Promise<string>,
  back: (at: number) => Promise<void>,
): QuickEdits {
  const editing = ref<QuickEditing>();
  const refused = ref('');
  const storing = ref(false);
  let isLeft = false;

  async function close(): Promise<void> {
    const at = editing.value?.at ?? -1;
    editing.value = undefined;
    if (!isLeft) {
      await back(at);
    }
  }

  return {
    editing,
    refused,
    storing,
    begin: (next) => {
      // what is being stored may be refused, and is shown again then
      if (storing.value) {
        return;
      }
      refused.value = '';
      isLeft = false;
      editing.value = next;
    },
    save: async (value) => {
      const now = editing.value;
      if (!now || storing.value) {
        return;
      }
      storing.value = true;
      refused.value = await store(now.record, now.field, value).finally(() => (storing.value = false));
      if (!refused.value) {
        await close();
        return;
      }
      isLeft = false;
      // whoever saved it meanwhile has made a newer version of it: the next try is over that one
      editing.value = { ...now, record: records().find((each) => each.id === now.record.id) ?? now.record };
    },
    close,
    left: () => (isLeft = true),
  };
}
